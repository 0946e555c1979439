/** The job of reading a backup file. */
import type { Backup } from '../formats/backup.ts';
import type { BackupCode } from '../formats/readBackup.ts';
import type { Result } from '../core/result.ts';
import { runJob, type JobOptions } from './client.ts';

export function readBackupFile(file: Blob, options: JobOptions): Promise<Result<Backup, BackupCode>> {
  const make = (): Worker => new Worker(new URL('./readBackup.worker.ts', import.meta.url), { type: 'module' });
  return runJob(make, file, options);
}
