/** What the local server says of itself; a static host says nothing, which means no demo and no stand-ins. */
import { z } from 'zod';

const helloSchema = z.object({ demo: z.boolean() });

export async function fetchHello(): Promise<{ demo: boolean }> {
  try {
    const response = await fetch(new URL('api/hello', document.baseURI));
    if (!response.ok) return { demo: false };
    const parsed = helloSchema.safeParse(await response.json());
    return parsed.success ? parsed.data : { demo: false };
  } catch {
    return { demo: false };
  }
}
