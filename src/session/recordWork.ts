/** Work that goes through all records, run away from the page. One worker for it, which keeps a file that was read and ends
 *  when nothing was asked for a while. */
import type { RecordJob, RecordJobs, WriterSeed } from '../storage/allRecords.ts';
import type { Writer } from '../storage/writer.ts';
import type { JobOptions } from '../workers/client.ts';
import type { RecordsTask } from '../workers/records.worker.ts';
import { openWorkSession } from '../workers/workSession.ts';

export type RecordWork = <K extends RecordJob>(
  job: K,
  given: RecordJobs[K]['given'],
  options?: JobOptions,
) => Promise<RecordJobs[K]['answer']>;

export const seedOf = ({ nowMs, deviceId, tabId, press }: Writer): WriterSeed => ({
  nowMs: nowMs(),
  deviceId,
  tabId,
  ...(press === undefined ? {} : { press }),
});

export function createRecordWork(): RecordWork {
  const session = openWorkSession<RecordsTask>(
    () => new Worker(new URL('../workers/records.worker.ts', import.meta.url), { type: 'module' }),
  );
  // Each job's answer is typed by its name; the worker keeps the pairing.
  return (job, given, options) => session.run({ job, ...given } as never, options) as never;
}
