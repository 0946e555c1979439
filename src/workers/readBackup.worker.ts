/** Reads a backup file away from the page. */
import '../core/records/zodSetup.ts';
import { expose } from 'comlink';
import { readBackup } from '../formats/readBackup.ts';
import type { Task } from './client.ts';

export type ReadBackup = Task<Blob, ReturnType<typeof readBackup>>;

const run: ReadBackup['run'] = async (file, onProgress) => {
  onProgress({ doing: 'reading', share: 0 });
  const text = await file.text();
  onProgress({ doing: 'checking', share: 0 });
  return readBackup(text, (share) => onProgress({ doing: 'checking', share }));
};
expose({ run });
