/** The folder of automatic copies, read from the page. Where the browser has no file storage of its own there are none. */
import { COPIES_FOLDER, copiesIn, leftovers, type Copy } from './copies.ts';

async function folder(): Promise<FileSystemDirectoryHandle | null> {
  // Typed as always there, but missing on pages without https and in older browsers.
  const storage = navigator.storage as StorageManager | undefined;
  if (typeof storage?.getDirectory !== 'function') return null;
  try {
    return await (await storage.getDirectory()).getDirectoryHandle(COPIES_FOLDER, { create: true });
  } catch {
    return null;
  }
}

async function namesIn(here: FileSystemDirectoryHandle): Promise<string[]> {
  const names: string[] = [];
  for await (const name of here.keys()) names.push(name);
  return names;
}

/** Takes away what killed pages left half written; for the one page that may write copies now. */
export async function clearLeftovers(here: FileSystemDirectoryHandle): Promise<void> {
  for (const name of leftovers(await namesIn(here))) await here.removeEntry(name);
}

/** The same when the app is opened, where there are copies at all. */
export async function clearOldLeftovers(): Promise<void> {
  const here = await folder();
  if (here) await clearLeftovers(here);
}

/** The newest first; null = this browser keeps none. */
export async function listCopies(): Promise<Copy[] | null> {
  const here = await folder();
  if (!here) return null;
  return copiesIn(await namesIn(here));
}

export async function readCopy({ fileName }: Copy): Promise<File | null> {
  const here = await folder();
  try {
    return here ? await (await here.getFileHandle(fileName)).getFile() : null;
  } catch {
    return null;
  }
}
