/** The files of one folder as they stand on disk: files in it only, no folder within, no link, nor through one. */
import { constants } from 'node:fs';
import { lstat, open, readdir, type FileHandle } from 'node:fs/promises';
import { basename, join } from 'node:path';

export type FolderFile = { name: string; sizeBytes: number; modifiedMs: number };
/** Which folder it is: one that was put in its place is another. */
export type FolderMark = string;

/** Looked at together: the process answers between them. */
const AT_ONCE = 200;

/** Null: nothing is there, or no folder, or a link to one. @throws what the disk says otherwise, as where it may not look. */
export async function markOf(path: string): Promise<FolderMark | null> {
  try {
    const stats = await lstat(path, { bigint: true });
    return stats.isDirectory() ? `${stats.dev} ${stats.ino}` : null;
  } catch (error) {
    if (isGone(error)) return null;
    throw error;
  }
}

const isGone = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && (error.code === 'ENOENT' || error.code === 'ENOTDIR');

/** Null: it is no file of this folder, or cannot be looked at. */
export async function fileAt(folder: string, name: string): Promise<FolderFile | null> {
  try {
    const stats = await lstat(join(folder, name));
    return stats.isFile() ? { name, sizeBytes: stats.size, modifiedMs: stats.mtimeMs } : null;
  } catch {
    return null;
  }
}

/** @throws what the disk says. */
export async function filesOf(folder: string): Promise<FolderFile[]> {
  const names = (await readdir(folder, { withFileTypes: true })).filter((one) => one.isFile()).map(({ name }) => name);
  const files: FolderFile[] = [];
  for (let i = 0; i < names.length; i += AT_ONCE) {
    const some = await Promise.all(names.slice(i, i + AT_ONCE).map((name) => fileAt(folder, name)));
    for (const file of some) if (file) files.push(file);
  }
  return files;
}

export type OpenFile = { handle: FileHandle; sizeBytes: number };

/** Opened once: what was checked is what is sent. Null: what is elsewhere, a folder or a link is none of this folder's. */
export async function openFile(folder: string, name: string): Promise<OpenFile | null> {
  if (name === '' || name === '..' || basename(name) !== name || name.includes('\0')) return null;
  let handle: FileHandle;
  try {
    if ((await markOf(folder)) === null) return null;
    // A pipe in its place must not be waited for.
    handle = await open(join(folder, name), constants.O_RDONLY | constants.O_NOFOLLOW | constants.O_NONBLOCK);
  } catch {
    return null;
  }
  const stats = await handle.stat();
  if (stats.isFile()) return { handle, sizeBytes: stats.size };
  await handle.close();
  return null;
}
