/** What the local server says of itself; a static host says nothing, which means no demo, no folder and no stand-in. */
import { z } from 'zod';

const helloSchema = z.object({
  demo: z.boolean(),
  standIn: z.boolean().default(false),
  /** Name of the folder that it watches. */
  folder: z.string().nullable().default(null),
});
export type Hello = z.infer<typeof helloSchema>;

const NOBODY: Hello = { demo: false, standIn: false, folder: null };

/** Addresses of the local server hang on the page's own. */
export const apiUrl = (path: string): URL => new URL(`api/${path}`, document.baseURI);

export async function fetchHello(): Promise<Hello> {
  try {
    const response = await fetch(apiUrl('hello'));
    if (!response.ok) return NOBODY;
    const parsed = helloSchema.safeParse(await response.json());
    return parsed.success ? parsed.data : NOBODY;
  } catch {
    return NOBODY;
  }
}
