import { expect } from 'chai';
import { expose } from 'comlink';
import { MessageChannel } from 'node:worker_threads';
import { JobCancelled, runJob, WorkerDied, type JobWorker, type Progress } from '../../../src/workers/client.ts';

/** A worker that runs in this thread behind a real message channel. */
function workerOf(task: (input: unknown, onProgress: (p: Progress) => void) => Promise<unknown>) {
  const { port1, port2 } = new MessageChannel();
  expose({ run: task }, port1 as unknown as Parameters<typeof expose>[1]);
  const listeners = new Map<string, ((event: Event) => void)[]>();
  let ended = 0;
  const port = port2 as unknown as MessagePort;
  const worker = {
    postMessage: port.postMessage.bind(port),
    addEventListener: (type: string, listener: (event: Event) => void) => {
      if (type === 'message') port.addEventListener(type, listener);
      else listeners.set(type, [...(listeners.get(type) ?? []), listener]);
    },
    removeEventListener: port.removeEventListener.bind(port),
    start: () => port.start(),
    terminate: () => {
      ended += 1;
      port1.close();
      port2.close();
    },
  };
  return {
    make: () => worker as unknown as JobWorker,
    die: (type: string, message: string) =>
      listeners.get(type)?.forEach((listener) => listener(Object.assign(new Event(type), { message }))),
    ended: () => ended,
  };
}

async function thrown(promise: Promise<unknown>): Promise<Error> {
  try {
    await promise;
  } catch (error) {
    return error as Error;
  }
  throw new Error('nothing was thrown');
}

describe('jobs in workers', () => {
  it('gives the answer, reports progress, and ends the worker', async () => {
    const fake = workerOf(async (input, onProgress) => {
      // Across the channel a call is a promise; waiting for it keeps the report before the answer.
      const report: (p: Progress) => unknown = onProgress;
      await report({ doing: 'checking', share: 0.5 });
      return { doubled: 2 * (input as number) };
    });
    const seen: Progress[] = [];
    expect(await runJob(fake.make, 21, { onProgress: (p) => seen.push(p) })).to.deep.equal({ doubled: 42 });
    expect(seen).to.deep.equal([{ doing: 'checking', share: 0.5 }]);
    expect(fake.ended()).to.equal(1);
  });

  it('a report that comes after the answer is not passed on', async () => {
    const seen: Progress[] = [];
    let late: ((p: Progress) => void) | null = null;
    const fake = workerOf((_input, onProgress) => {
      late = onProgress;
      onProgress({ doing: 'early', share: 0 });
      return Promise.resolve('answer');
    });
    expect(await runJob(fake.make, null, { onProgress: (p) => seen.push(p) })).to.equal('answer');
    const before = seen.length;
    (late as ((p: Progress) => void) | null)?.({ doing: 'late', share: 1 });
    await new Promise((resolve) => setImmediate(resolve));
    expect(seen.length).to.equal(before);
  });

  it('cancels at once, also before it began', async () => {
    const never = () => new Promise(() => undefined);
    const stop = new AbortController();
    const fake = workerOf(never);
    const job = runJob(fake.make, null, { signal: stop.signal });
    stop.abort();
    expect(await thrown(job)).to.be.instanceOf(JobCancelled);
    expect(fake.ended()).to.equal(1);
    const already = workerOf(never);
    expect(await thrown(runJob(already.make, null, { signal: stop.signal }))).to.be.instanceOf(JobCancelled);
    expect(already.ended()).to.equal(1);
  });

  it('says so when the worker dies instead of waiting for ever', async () => {
    const fake = workerOf(() => new Promise(() => undefined));
    const job = runJob(fake.make, null);
    fake.die('error', 'out of memory');
    const error = await thrown(job);
    expect(error).to.be.instanceOf(WorkerDied);
    expect(error.message).to.equal('out of memory');
    const garbled = workerOf(() => new Promise(() => undefined));
    const second = runJob(garbled.make, null);
    garbled.die('messageerror', '');
    expect(await thrown(second)).to.be.instanceOf(WorkerDied);
    expect(garbled.ended()).to.equal(1);
  });

  it('carries a task’s own error over with its name', async () => {
    const fake = workerOf(() => Promise.reject(Object.assign(new Error('curve too short'), { name: 'TooShort' })));
    const error = await thrown(runJob(fake.make, null));
    expect([error.name, error.message]).to.deep.equal(['TooShort', 'curve too short']);
    expect(fake.ended()).to.equal(1);
  });
});
