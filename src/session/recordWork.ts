/** Work that goes through all records, run away from the page. One worker for it, which keeps a file that was read and ends
 *  when nothing was asked for a while. */
import { partOf } from '../core/missingPart.ts';
import { WRITING, type RecordJob, type RecordJobs, type WriterSeed } from '../storage/recordJobs.ts';
import type { Writer } from '../storage/writer.ts';
import type { JobOptions } from '../workers/client.ts';
import type { RecordsTask } from '../workers/records.worker.ts';
import type { WorkSession } from '../workers/workSession.ts';

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

/** What runs workers is fetched when it is first used. */
async function openSession(): Promise<WorkSession<RecordsTask>> {
  const { openWorkSession } = await partOf(() => import('../workers/workSession.ts'));
  return openWorkSession<RecordsTask>(
    () => new Worker(new URL('../workers/records.worker.ts', import.meta.url), { type: 'module' }),
  );
}

/** A job that writes may be in the middle of its last step when it is cancelled: it is not ended there. */
const WRITING_GRACE_MS = 120_000;

export function createRecordWork(): RecordWork {
  let session: Promise<WorkSession<RecordsTask>> | null = null;
  let tidying: AbortController | null = null;
  /** Putting away gives way to whatever the user asks for, and is done another time. */
  const optionsOf = (job: RecordJob, options: JobOptions): JobOptions => {
    tidying?.abort();
    tidying = job === 'digest' ? new AbortController() : null;
    const signal = tidying ? { signal: tidying.signal } : {};
    return { ...options, ...signal, ...(WRITING.has(job) ? { graceMs: WRITING_GRACE_MS } : {}) };
  };
  return async (job, given, asked = {}) => {
    const options = optionsOf(job, asked);
    session ??= openSession();
    // A part of the program that could not be fetched is asked for again the next time.
    session.catch(() => {
      session = null;
    });
    // Each job's answer is typed by its name; the worker keeps the pairing.
    return (await session).run({ job, ...given } as never, options) as never;
  };
}
