import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { serverFolder, type Folder, type FolderFile, type FolderNow } from '../../../frames/folder.ts';
import { fetchHello, type Hello } from '../../../frames/hello.ts';
import { canPickFolder, mayLookAgain, pickedFolder, pickFolder } from '../../../frames/pickedFolder.ts';
import { chooseLogFolder, chosenLogFolder } from '../../../storage/device.ts';

const STALE_MS = 30_000;

/** What the local server offers; undefined until it answered. */
export const useHello = (): Hello | undefined =>
  useQuery({ queryKey: ['hello'], queryFn: fetchHello, staleTime: STALE_MS, networkMode: 'always' }).data;

/** The folder that this browser was let into, remembered between visits. */
function usePicked() {
  const [handle, setHandle] = useState<FileSystemDirectoryHandle | null>(null);
  useEffect(() => {
    void chosenLogFolder().then((kept) => setHandle((now) => now ?? kept));
  }, []);
  const pick = async (): Promise<void> => {
    const picked = await pickFolder();
    if (!picked) return;
    await chooseLogFolder(picked).catch(() => undefined);
    setHandle(picked);
  };
  const askAgain = async (): Promise<void> => {
    if (handle && (await mayLookAgain(handle))) setHandle(handle);
  };
  return { handle, pick, askAgain };
}

export type FolderHere = {
  now: FolderNow | null;
  /** Null where this browser cannot look into folders. */
  pick: (() => void) | null;
  askAgain: () => void;
  following: string | null;
  /** Its bytes could not be fetched. */
  isUnread: boolean;
  /** Reads the file now and whenever it has grown; null leaves it. */
  follow: (file: FolderFile | null) => void;
};

/** A watched folder, and one of its files read again as it grows. @param read takes what it holds now. */
export function useFolder(read: (file: Blob) => void): FolderHere {
  const served = useHello()?.folder ?? null;
  const picked = usePicked();
  const { handle } = picked;
  const [now, setNow] = useState<FolderNow | null>(null);
  const [following, setFollowing] = useState<string | null>(null);
  const folder = useMemo<Folder | null>(
    () => (served !== null ? serverFolder(served) : handle ? pickedFolder(handle) : null),
    [served, handle],
  );
  useEffect(() => folder?.watch(setNow), [folder]);
  const isUnread = useFollowed(folder, now, following, read);
  return {
    now: folder ? now : null,
    pick: served === null && canPickFolder() ? () => void picked.pick() : null,
    askAgain: () => void picked.askAgain(),
    following,
    isUnread,
    follow: (file) => setFollowing(file?.name ?? null),
  };
}

/** Takes the followed file's bytes whenever its size or time says that there are others.
 *  @returns true while the last of them could not be fetched. */
function useFollowed(
  folder: Folder | null,
  now: FolderNow | null,
  name: string | null,
  read: (file: Blob) => void,
): boolean {
  const [unread, setUnread] = useState<string | null>(null);
  const latest = useRef(read);
  useEffect(() => {
    latest.current = read;
  });
  const file = now?.at === 'there' ? now.files.find((f) => f.name === name) : undefined;
  const print = file ? `${file.name} ${file.sizeBytes} ${file.modifiedMs}` : null;
  useEffect(() => {
    if (!folder || print === null || name === null) return;
    let isLeft = false;
    void folder.read(name).then((blob) => {
      if (isLeft) return;
      setUnread(blob ? null : print);
      if (blob) latest.current(blob);
    });
    return () => {
      isLeft = true;
    };
  }, [folder, print, name]);
  return print !== null && unread === print;
}
