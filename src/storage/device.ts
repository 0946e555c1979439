/** What belongs to this device alone and is never exported: the file that the user chose for copies. A database of its own,
 *  so that losing the records does not lose the way to their copy. */
import Dexie, { type Table } from 'dexie';

type HandleRow = { key: 'copyFile'; handle: FileSystemFileHandle };

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
    return (await open().handles.get('copyFile'))?.handle ?? null;
  } catch {
    return null;
  }
}

export async function chooseCopyFile(handle: FileSystemFileHandle | null): Promise<void> {
  const db = open();
  if (handle) await db.handles.put({ key: 'copyFile', handle });
  else await db.handles.delete('copyFile');
}
