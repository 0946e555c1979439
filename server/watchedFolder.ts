/** One folder whose files are announced when they are new, grown or gone. Files in it only: no folder within, no link. */
import { watch, type FSWatcher } from 'chokidar';
import { existsSync, statSync, type Stats } from 'node:fs';
import { basename, resolve } from 'node:path';

export type FolderFile = { name: string; sizeBytes: number; modifiedMs: number };
export type FolderState = { name: string; isThere: boolean; files: FolderFile[] };

export type WatchedFolder = {
  path: string;
  state: () => FolderState;
  /** Told after every change; returns how to leave. */
  subscribe: (listener: (state: FolderState) => void) => () => void;
  close: () => Promise<void>;
};

/** A file is announced once its size has rested for so long, ms. */
const REST_MS = 400;
const LOOK_MS = 100;
/** How often a folder that is gone is looked for. */
const RETURN_MS = 500;

/** The files that are there now, and who is told of them. */
function listed(path: string) {
  const files = new Map<string, FolderFile>();
  const listeners = new Set<(state: FolderState) => void>();
  let isThere = false;
  const state = (): FolderState => ({
    name: basename(path),
    isThere,
    files: [...files.values()].sort((a, b) => b.modifiedMs - a.modifiedMs),
  });
  const tell = (): void => listeners.forEach((listener) => listener(state()));
  return {
    state,
    subscribe: (listener: (state: FolderState) => void) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    found: (at: string, stats?: Stats): void => {
      if (stats?.isFile() !== true) return;
      files.set(at, { name: basename(at), sizeBytes: stats.size, modifiedMs: stats.mtimeMs });
      tell();
    },
    lost: (at: string): void => {
      if (files.delete(at)) tell();
    },
    set: (there: boolean): void => {
      isThere = there;
      if (!there) files.clear();
      tell();
    },
  };
}

const HOW = {
  depth: 0,
  followSymlinks: false,
  alwaysStat: true,
  awaitWriteFinish: { stabilityThreshold: REST_MS, pollInterval: LOOK_MS },
};

/** What is wrong with a folder that is to be watched, in words; null when nothing is. One that is not there yet may come. */
export function folderProblem(folder: string): string | null {
  const isOther = folder === '' || (existsSync(folder) && !statSync(folder).isDirectory());
  return isOther ? `“${folder}” is no folder. Name one: npm start -- --watch DIR` : null;
}

export function watchFolder(folder: string): WatchedFolder {
  const path = resolve(folder);
  const { state, subscribe, found, lost, set } = listed(path);
  let watcher: FSWatcher | null = null;
  let looking: NodeJS.Timeout | undefined;
  let isClosed = false;
  const leave = (): void => {
    void watcher?.close();
    watcher = null;
    set(false);
    if (!isClosed) look();
  };
  const enter = (): void => {
    watcher = watch(path, HOW)
      .on('add', found)
      .on('change', found)
      .on('unlink', lost)
      .on('unlinkDir', (at) => {
        if (resolve(at) === path) leave();
      })
      .on('error', leave);
    set(true);
  };
  const look = (): void => {
    if (existsSync(path)) enter();
    else looking = setTimeout(look, RETURN_MS);
  };
  look();
  return {
    path,
    state,
    subscribe,
    close: async () => {
      isClosed = true;
      clearTimeout(looking);
      await watcher?.close();
    },
  };
}
