/** What belongs to this device alone and is never exported: the file that the user chose for copies, the folder that is
 *  watched for logs. A database of its own, so that losing the records does not lose the way to their copy. */
import Dexie, { type Table } from 'dexie';

/** What kind of handle stands under which key. */
type Handles = { copyFile: FileSystemFileHandle; logFolder: FileSystemDirectoryHandle };
type HandleRow = { key: keyof Handles; handle: FileSystemHandle };

class DeviceDatabase extends Dexie {
  declare handles: Table<HandleRow, string>;
  constructor() {
    super('tidy-owl-device');
    this.version(1).stores({ handles: 'key' });
  }
}

const open = (): DeviceDatabase => new DeviceDatabase();

/** Null: nothing was chosen, or it cannot be asked for. */
async function chosen<K extends keyof Handles>(key: K): Promise<Handles[K] | null> {
  try {
    // Each key stands with its own kind of handle.
    return ((await open().handles.get(key))?.handle as Handles[K] | undefined) ?? null;
  } catch {
    return null;
  }
}

export const chosenCopyFile = (): Promise<FileSystemFileHandle | null> => chosen('copyFile');
export const chosenLogFolder = (): Promise<FileSystemDirectoryHandle | null> => chosen('logFolder');

export async function chooseCopyFile(handle: FileSystemFileHandle | null): Promise<void> {
  const db = open();
  if (handle) await db.handles.put({ key: 'copyFile', handle });
  else await db.handles.delete('copyFile');
}

export async function chooseLogFolder(handle: FileSystemDirectoryHandle): Promise<void> {
  await open().handles.put({ key: 'logFolder', handle });
}
