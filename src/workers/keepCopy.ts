/** The job of keeping a copy of everything: compressed in the browser's own file storage, and plain in a file that the user
 *  chose. */
import type { Backup } from '../formats/backup.ts';
import { runJob } from './client.ts';

export type CopyJob = {
  backup: Backup;
  folder: string;
  /** Null = in the chosen file only. */
  fileName: string | null;
  /** Of the files that are there, those that are not kept any longer. */
  removeNames: string[];
  chosenFile: FileSystemFileHandle | null;
};

export function keepCopy(job: CopyJob): Promise<null> {
  const make = (): Worker => new Worker(new URL('./keepCopy.worker.ts', import.meta.url), { type: 'module' });
  return runJob(make, job);
}
