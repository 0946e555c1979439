/** Writing a copy of everything: compressed in the browser's own file storage, and plain in a file that the user chose. */
import { writeBackup, type Backup } from '../formats/backup.ts';
import { copiesToRemove, COPIES_FOLDER, copyName, nextCount, type Copy } from './copies.ts';
import { clearLeftovers } from './copyFiles.ts';
import type { Held } from './held.ts';

export type CopyPlace = {
  /** Those that are there; null = this browser keeps none. */
  existing: readonly Copy[] | null;
  chosenFile: FileSystemFileHandle | null;
};

type Movable = FileSystemFileHandle & { move?: (name: string) => Promise<void> };

async function writeTo(file: FileSystemFileHandle, content: ReadableStream<Uint8Array<ArrayBuffer>>): Promise<void> {
  await content.pipeTo(await file.createWritable());
}

/** Under another name until it is whole: a page that is closed in the middle leaves no half copy. */
async function compressed(folder: FileSystemDirectoryHandle, fileName: string, text: Blob): Promise<void> {
  const file: Movable = await folder.getFileHandle(`${fileName}.part`, { create: true });
  await writeTo(file, text.stream().pipeThrough(new CompressionStream('gzip')));
  if (file.move) await file.move(fileName);
}

async function keepHere(existing: readonly Copy[], text: Blob, named: { held: Held; print: string; nowMs: number }) {
  const fileName = copyName(nextCount(existing), named.nowMs, named.held, named.print);
  const root = await navigator.storage.getDirectory();
  const here = await root.getDirectoryHandle(COPIES_FOLDER, { create: true });
  // One page at a time writes copies: a half one that stands there now was left by a page that is gone.
  await clearLeftovers(here);
  await compressed(here, fileName, text);
  for (const name of copiesToRemove([...existing.map((copy) => copy.fileName), fileName])) await here.removeEntry(name);
}

/** Writes nothing when there is nothing of the user's own; no second copy of what is copied already. The chosen file is
 *  written each time: nobody knows what it holds. */
export async function keepCopy(
  backup: Backup,
  named: { held: Held; print: string; nowMs: number },
  { existing, chosenFile }: CopyPlace,
): Promise<void> {
  if (named.held.records + named.held.readings === 0) return;
  const isNew = existing !== null && existing[0]?.print !== named.print;
  if (!isNew && !chosenFile) return;
  const text = new Blob(writeBackup(backup));
  if (isNew) await keepHere(existing, text, named);
  if (chosenFile) await writeTo(chosenFile, text.stream());
}
