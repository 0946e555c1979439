/** The folder of automatic copies, read from the page. Where the browser has no file storage of its own there are none. */
import { COPIES_FOLDER, copiesIn, type Copy } from './copies.ts';

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

/** The newest first; null = this browser keeps none. */
export async function listCopies(): Promise<Copy[] | null> {
  const here = await folder();
  if (!here) return null;
  const names: string[] = [];
  for await (const name of here.keys()) names.push(name);
  return copiesIn(names);
}

export async function readCopy({ fileName }: Copy): Promise<File | null> {
  const here = await folder();
  try {
    return here ? await (await here.getFileHandle(fileName)).getFile() : null;
  } catch {
    return null;
  }
}
