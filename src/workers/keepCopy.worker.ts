/** Writes a copy of everything away from the page. */
import '../core/records/zodSetup.ts';
import { expose } from 'comlink';
import { writeBackup } from '../formats/backup.ts';
import type { Task } from './client.ts';
import type { CopyJob } from './keepCopy.ts';

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

const run: Task<CopyJob, null>['run'] = async ({ backup, folder, fileName, removeNames, chosenFile }) => {
  const text = new Blob(writeBackup(backup));
  if (fileName !== null) {
    const root = await navigator.storage.getDirectory();
    const here = await root.getDirectoryHandle(folder, { create: true });
    await compressed(here, fileName, text);
    for (const name of removeNames) await here.removeEntry(name);
  }
  if (chosenFile) await writeTo(chosenFile, text.stream());
  return null;
};
expose({ run });
