/** What belongs to this device alone and is never exported: the file that the user chose for copies, the folder that is
 *  watched for logs. A database of its own, so that losing the records does not lose the way to their copy. */
import Dexie, { type Table } from 'dexie';

type HandleRow =
  { key: 'copyFile'; handle: FileSystemFileHandle } | { key: 'logFolder'; handle: FileSystemDirectoryHandle };

class DeviceDatabase extends Dexie {
  declare handles: Table<HandleRow, string>;
  constructor() {
    super('tidy-owl-device');
    this.version(1).stores({ handles: 'key' });
  }
}

const open = (): DeviceDatabase => new DeviceDatabase();

export async function chosenCopyFile(): Promise<FileSystemFileHandle | null> {
  try {
    const row = await open().handles.get('copyFile');
    return row?.key === 'copyFile' ? row.handle : null;
  } catch {
    return null;
  }
}

export async function chooseCopyFile(handle: FileSystemFileHandle | null): Promise<void> {
  const db = open();
  if (handle) await db.handles.put({ key: 'copyFile', handle });
  else await db.handles.delete('copyFile');
}

export async function chosenLogFolder(): Promise<FileSystemDirectoryHandle | null> {
  try {
    const row = await open().handles.get('logFolder');
    return row?.key === 'logFolder' ? row.handle : null;
  } catch {
    return null;
  }
}

export async function chooseLogFolder(handle: FileSystemDirectoryHandle): Promise<void> {
  await open().handles.put({ key: 'logFolder', handle });
}
