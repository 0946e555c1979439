/** A folder whose files come in as they are written: watched by the local server, or by the browser where it may. */
import { z } from 'zod';
import { apiUrl } from './hello.ts';

export type FolderFile = { name: string; sizeBytes: number; modifiedMs: number };
export type FolderNow =
  | { at: 'there'; name: string; files: readonly FolderFile[] }
  /** The folder is gone, may not be looked into, the server does not answer, or the browser wants to be asked again. What came in stays. */
  | { at: 'gone' | 'shut' | 'silent' | 'askAgain'; name: string };

export type Folder = {
  /** Called at once and after every change, until it is left. @returns how to leave. */
  watch: (tell: (now: FolderNow) => void) => () => void;
  /** Null: it is not there any more. */
  read: (name: string) => Promise<Blob | null>;
};

const stateSchema = z.object({
  name: z.string(),
  isThere: z.boolean(),
  isShut: z.boolean(),
  files: z.array(z.object({ name: z.string(), sizeBytes: z.number(), modifiedMs: z.number() })),
});

function toldBy(data: string): FolderNow | null {
  const parsed = stateSchema.safeParse(JSON.parse(data));
  if (!parsed.success) return null;
  const { name, isThere, isShut, files } = parsed.data;
  return isThere ? { at: 'there', name, files } : { at: isShut ? 'shut' : 'gone', name };
}

/** A stream that was broken off is opened again by the browser itself. */
export function serverFolder(name: string): Folder {
  return {
    watch: (tell) => {
      const events = new EventSource(apiUrl('folder/events'));
      events.addEventListener('files', (event: MessageEvent<string>) => {
        const now = toldBy(event.data);
        if (now) tell(now);
      });
      events.addEventListener('error', () => tell({ at: 'silent', name }));
      return () => events.close();
    },
    read: async (file) => {
      try {
        const response = await fetch(apiUrl(`folder/files/${encodeURIComponent(file)}`), { cache: 'no-store' });
        return response.ok ? await response.blob() : null;
      } catch {
        return null;
      }
    },
  };
}
