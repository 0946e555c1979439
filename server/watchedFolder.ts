/** One folder whose files are announced when they are new, grown or gone. It is watched as a whole, by one watch: one for each
 *  file would cost more than its files. */
import { existsSync, lstatSync, watch, type FSWatcher } from 'node:fs';
import { basename, resolve } from 'node:path';
import { fileAt, filesOf, markOf, type FolderFile, type FolderMark } from './folderFiles.ts';

/** `files`: the newest of `count`. `isShut`: it is there, and may not be looked into. */
export type FolderState = { name: string; isThere: boolean; isShut: boolean; count: number; files: FolderFile[] };

export type WatchedFolder = {
  path: string;
  state: () => FolderState;
  /** The newest first, so many of them. */
  page: (from: number) => FolderFile[];
  /** Told after every change; returns how to leave. */
  subscribe: (listener: (state: FolderState) => void) => () => void;
  close: () => Promise<void>;
};

/** A file is announced once its size has rested for so long, or has grown for the longest, ms. */
const REST_MS = 400;
const LONGEST_MS = 3000;
const LOOK_MS = 100;
/** How often it is looked whether the folder is still itself; after a refusal twice as long each time, up to the longest. */
const STILL_MS = 500;
const SHUT_MS = 8000;
/** So many are announced, and stand on a page. */
export const MOST_FILES = 500;

/** The files that are known now, and who is told of them. */
function listed(path: string) {
  const files = new Map<string, FolderFile>();
  const listeners = new Set<(state: FolderState) => void>();
  let [isThere, isShut] = [false, false];
  let newest: FolderFile[] | null = null;
  const byAge = (): FolderFile[] => (newest ??= [...files.values()].sort((a, b) => b.modifiedMs - a.modifiedMs));
  const page = (from: number): FolderFile[] => byAge().slice(from, from + MOST_FILES);
  const state = (): FolderState => ({ name: basename(path), isThere, isShut, count: files.size, files: page(0) });
  const tell = (): void => {
    newest = null;
    for (const listener of listeners) listener(state());
  };
  return {
    state,
    page,
    tell,
    files,
    subscribe: (listener: (state: FolderState) => void) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    set: (there: boolean, shut: boolean): void => {
      if (!there) files.clear();
      [isThere, isShut] = [there, shut];
      tell();
    },
  };
}
type Listed = ReturnType<typeof listed>;

/** A file that changes: how large it was when it was last looked at, since when it is so, and since when it changes. */
type Changing = { sizeBytes: number; modifiedMs: number; restsSinceMs: number; sinceMs: number };

/** Files that were touched, until they rest. */
function settling(path: string, list: Listed) {
  const changing = new Map<string, Changing>();
  const settle = async (name: string, nowMs: number): Promise<boolean> => {
    const file = await fileAt(path, name);
    const before = changing.get(name);
    if (!file) {
      changing.delete(name);
      return list.files.delete(name);
    }
    if (!before) return false;
    const { sizeBytes, modifiedMs } = file;
    if (sizeBytes !== before.sizeBytes || modifiedMs !== before.modifiedMs)
      changing.set(name, { ...before, sizeBytes, modifiedMs, restsSinceMs: nowMs });
    const rests = nowMs - (changing.get(name)?.restsSinceMs ?? nowMs) >= REST_MS;
    if (!rests && nowMs - before.sinceMs < LONGEST_MS) return false;
    if (rests) changing.delete(name);
    else changing.set(name, { sizeBytes, modifiedMs, restsSinceMs: nowMs, sinceMs: nowMs });
    list.files.set(name, file);
    return true;
  };
  return {
    touched: (name: string): void => {
      const nowMs = performance.now();
      if (!changing.has(name))
        changing.set(name, { sizeBytes: -1, modifiedMs: -1, restsSinceMs: nowMs, sinceMs: nowMs });
    },
    look: async (): Promise<void> => {
      const nowMs = performance.now();
      let told = false;
      for (const name of changing.keys()) told = (await settle(name, nowMs)) || told;
      if (told) list.tell();
    },
    forget: () => changing.clear(),
  };
}

/** What is wrong with a folder that is to be watched, in words; null when nothing is. One that is not there yet may come. */
export function folderProblem(folder: string): string | null {
  const found = folder === '' ? null : existsSync(folder) ? lstatSync(folder) : undefined;
  if (found?.isSymbolicLink() === true)
    return `“${folder}” is a link to a folder. Name the folder itself: npm start -- --watch DIR`;
  const isOther = found === null || (found && !found.isDirectory());
  return isOther === true ? `“${folder}” is no folder. Name one: npm start -- --watch DIR` : null;
}

/** Goes in, and leaves when it is not itself any more. */
function standing(path: string, list: Listed, settle: ReturnType<typeof settling>) {
  let [watcher, mark]: [FSWatcher | null, FolderMark | null] = [null, null];
  let waitMs = STILL_MS;
  const leave = (isShut: boolean): void => {
    watcher?.close();
    [watcher, mark] = [null, null];
    settle.forget();
    if (list.state().isThere || list.state().isShut !== isShut) list.set(false, isShut);
  };
  const enter = async (now: FolderMark): Promise<void> => {
    watcher = watch(path, (_event, name) => {
      if (name !== null) settle.touched(name);
    }).on('error', () => leave(false));
    mark = now;
    for (const file of await filesOf(path)) list.files.set(file.name, file);
    list.set(true, false);
  };
  return {
    leave,
    /** @returns when to look again, ms. */
    look: async (): Promise<number> => {
      try {
        const now = await markOf(path);
        if (now !== mark || now === null) leave(false);
        if (now !== null && mark === null) await enter(now);
        waitMs = STILL_MS;
      } catch {
        leave(true);
        waitMs = Math.min(SHUT_MS, 2 * waitMs);
      }
      return waitMs;
    },
  };
}

/** Does it again and again, one after the other. @param work answers when the next is due. */
function again(work: () => Promise<number>): () => Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  let isClosed = false;
  const turn = async (): Promise<void> => {
    const waitMs = await work();
    if (isClosed) return;
    timer = setTimeout(() => {
      running = turn();
    }, waitMs);
  };
  let running = turn();
  return async () => {
    isClosed = true;
    clearTimeout(timer);
    await running;
  };
}

export function watchFolder(folder: string): WatchedFolder {
  const path = resolve(folder);
  const list = listed(path);
  const settle = settling(path, list);
  const stand = standing(path, list, settle);
  const stopStanding = again(stand.look);
  const stopSettling = again(async () => {
    await settle.look();
    return LOOK_MS;
  });
  return {
    path,
    state: list.state,
    page: list.page,
    subscribe: list.subscribe,
    close: async () => {
      await Promise.all([stopStanding(), stopSettling()]);
      stand.leave(false);
    },
  };
}
