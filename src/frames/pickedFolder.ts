/** A folder that the user let the browser look into, where it can: looked through every two seconds. */
import type { Folder, FolderFile, FolderNow } from './folder.ts';

type Ask = { mode: 'read' };
type Handle = FileSystemDirectoryHandle & {
  queryPermission?: (ask: Ask) => Promise<PermissionState>;
  requestPermission?: (ask: Ask) => Promise<PermissionState>;
};
type Picker = (options: Ask & { id: string }) => Promise<FileSystemDirectoryHandle>;

const picker = (): Picker | undefined =>
  (window as unknown as { showDirectoryPicker?: Picker }).showDirectoryPicker?.bind(window);

export const canPickFolder = (): boolean => picker() !== undefined;

/** Null: nothing was chosen. */
export async function pickFolder(): Promise<FileSystemDirectoryHandle | null> {
  try {
    return (await picker()?.({ mode: 'read', id: 'logs' })) ?? null;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return null;
    throw error;
  }
}

/** Asks by the browser's own words; must follow a press. */
export const mayLookAgain = async (handle: Handle): Promise<boolean> =>
  (await handle.requestPermission?.({ mode: 'read' })) !== 'denied';

const LOOK_MS = 2000;

async function filesIn(handle: FileSystemDirectoryHandle): Promise<FolderFile[]> {
  const files: FolderFile[] = [];
  for await (const entry of handle.values()) {
    if (entry.kind !== 'file') continue;
    const { name, size, lastModified } = await entry.getFile();
    files.push({ name, sizeBytes: size, modifiedMs: lastModified });
  }
  return files.sort((a, b) => b.modifiedMs - a.modifiedMs);
}

async function lookInto(handle: Handle): Promise<FolderNow> {
  const { name } = handle;
  if ((await handle.queryPermission?.({ mode: 'read' })) === 'prompt') return { at: 'askAgain', name };
  try {
    return { at: 'there', name, files: await filesIn(handle) };
  } catch {
    return { at: 'gone', name };
  }
}

export function pickedFolder(handle: FileSystemDirectoryHandle): Folder {
  return {
    watch: (tell) => {
      let [before, isLeft]: [string, boolean] = ['', false];
      const look = async (): Promise<void> => {
        const now = await lookInto(handle);
        const told = JSON.stringify(now);
        if (isLeft) return;
        if (told !== before) tell(now);
        before = told;
        timer = setTimeout(() => void look(), LOOK_MS);
      };
      let timer: ReturnType<typeof setTimeout> | undefined;
      void look();
      return () => {
        isLeft = true;
        clearTimeout(timer);
      };
    },
    read: async (name) => {
      try {
        return await (await handle.getFileHandle(name)).getFile();
      } catch {
        return null;
      }
    },
  };
}
