/** Writing a copy of everything: compressed in the browser's own file storage, and plain in a file that the user chose. */
import { writeBackup, type Backup } from '../formats/backup.ts';
import { copiesToRemove, COPIES_FOLDER, copyName, type Copy } from './copies.ts';
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

/** Writes nothing when there is nothing of the user's own, or it is copied already. */
export async function keepCopy(
  backup: Backup,
  { held, print, nowMs }: { held: Held; print: string; nowMs: number },
  { existing, chosenFile }: CopyPlace,
): Promise<void> {
  if (held.records + held.readings === 0 || existing?.[0]?.print === print) return;
  if (existing === null && !chosenFile) return;
  const text = new Blob(writeBackup(backup));
  if (existing !== null) {
    const fileName = copyName(nowMs, held, print);
    const root = await navigator.storage.getDirectory();
    const here = await root.getDirectoryHandle(COPIES_FOLDER, { create: true });
    await compressed(here, fileName, text);
    for (const name of copiesToRemove([...existing.map((copy) => copy.fileName), fileName]))
      await here.removeEntry(name);
  }
  if (chosenFile) await writeTo(chosenFile, text.stream());
}
