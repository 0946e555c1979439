import { expect } from 'chai';
import { Cancelled } from '../../../src/core/work.ts';
import { runJob, WorkerDied, type JobOptions } from '../../../src/workers/client.ts';
import { TaskFailed, type Progress } from '../../../src/workers/protocol.ts';
import { openWorkSession } from '../../../src/workers/workSession.ts';
import { collectGarbage } from '../../support/garbage.ts';
import type { Asked, TestTask } from '../../support/workers/task.ts';
import { threads, type Threads } from '../../support/workers/thread.ts';

let given: Threads;
const run = (input: Asked, options?: JobOptions) => runJob<TestTask>(given.make, input, options);

async function thrown(promise: Promise<unknown>): Promise<Error> {
  try {
    await promise;
  } catch (error) {
    return error as Error;
  }
  throw new Error('nothing was thrown');
}

/** A signal that is aborted at the first report, and the promise of that. */
function stopAtFirstReport() {
  const stop = new AbortController();
  const onProgress = () => stop.abort();
  return { signal: stop.signal, onProgress };
}

describe('jobs in worker threads', () => {
  beforeEach(() => {
    given = threads();
  });
  afterEach(() => given.endAll());

  it('give the answer and end their worker', async () => {
    expect(await run({ do: 'double', value: 21 })).to.equal(42);
    await given.endAll();
    expect([given.made(), given.living()]).to.deep.equal([1, 0]);
  });

  it('hand a frame of 26 megapixels there and back without copying it', async () => {
    const frame = new Uint16Array(26_000_000).fill(7);
    const buffer = frame.buffer;
    const answer = await run({ do: 'invert', pixels: buffer }, { handOver: [buffer] });
    expect(buffer.byteLength, 'it is gone from here').to.equal(0);
    const back = new Uint16Array(answer as ArrayBuffer);
    expect([back.length, back[0], back.at(-1)]).to.deep.equal([26_000_000, 65_528, 65_528]);
  });

  it('report on the way, are cancelled by a word while they work, and before they begin', async () => {
    const stop = new AbortController();
    const seen: Progress[] = [];
    const onProgress = (progress: Progress): void => {
      if (seen.push(progress) === 3) stop.abort();
    };
    const counting = run({ do: 'countTo', count: 1e9 }, { signal: stop.signal, onProgress });
    expect(await thrown(counting)).to.be.instanceOf(Cancelled);
    expect(seen.slice(0, 3)).to.deep.equal([0, 1, 2].map((share) => ({ doing: 'counting', share })));
    const made = given.made();
    expect(await thrown(run({ do: 'lookUp' }, { signal: AbortSignal.abort() }))).to.be.instanceOf(Cancelled);
    expect(given.made(), 'none is made for what is not wanted').to.equal(made);
  });

  it('that do not listen are ended', async () => {
    expect(await thrown(run({ do: 'deaf' }, stopAtFirstReport()))).to.be.instanceOf(Cancelled);
    while (given.living() > 0) await new Promise((resolve) => setImmediate(resolve));
    expect(given.made()).to.equal(1);
  });

  it('say so when their worker dies', async () => {
    expect(await thrown(run({ do: 'die' }))).to.be.instanceOf(WorkerDied);
  });

  it('keep the name and the code of a task’s own error', async () => {
    const error = await thrown(run({ do: 'fail' }));
    expect(error).to.be.instanceOf(TaskFailed);
    expect(error).to.include({ name: 'TooShort', message: 'curve too short', code: 'tooShort' });
  });

  it('run two at once, the others wait in line, and one that is not wanted any more leaves it', async () => {
    const stops = Array.from({ length: 4 }, () => new AbortController());
    const counting = stops.map((stop) => run({ do: 'countTo', count: 1e9 }, { signal: stop.signal }));
    const waiting = thrown(counting[3]!);
    stops[3]!.abort();
    expect(await waiting).to.be.instanceOf(Cancelled);
    expect(given.made(), 'two were made, the third waits').to.equal(2);
    const [first, second, third] = counting.map(thrown);
    stops[0]!.abort();
    expect(await first).to.be.instanceOf(Cancelled);
    stops[1]!.abort();
    stops[2]!.abort();
    expect(await second).to.be.instanceOf(Cancelled);
    expect(await third).to.be.instanceOf(Cancelled);
    expect(await run({ do: 'double', value: 1 })).to.equal(2);
  });
});

describe('a worker that keeps a table', () => {
  beforeEach(() => {
    given = threads();
  });
  afterEach(() => given.endAll());
  const open = (idleMs?: number) =>
    openWorkSession<TestTask>(given.make, {
      first: () => {
        const table = new ArrayBuffer(4096);
        return { input: { do: 'table', table }, handOver: [table] };
      },
      ...(idleMs === undefined ? {} : { idleMs }),
    });

  it('is given it once for many jobs, which run one after the other', async () => {
    const session = open();
    const answers = await Promise.all([1, 2, 3].map(() => session.run({ do: 'lookUp' })));
    expect(answers).to.deep.equal([4096, 4096, 4096]);
    expect(await session.run({ do: 'countTo', count: 0 }), 'the table and four jobs').to.equal(5);
    expect(given.made()).to.equal(1);
    session.end();
  });

  it('keeps it over a job that was cancelled or failed, and is given it again after a death', async () => {
    const session = open();
    expect(await thrown(session.run({ do: 'countTo', count: 1e9 }, stopAtFirstReport()))).to.be.instanceOf(Cancelled);
    expect(await thrown(session.run({ do: 'fail' }))).to.be.instanceOf(TaskFailed);
    expect(await session.run({ do: 'lookUp' })).to.equal(4096);
    expect(given.made()).to.equal(1);
    expect(await thrown(session.run({ do: 'die' }))).to.be.instanceOf(WorkerDied);
    expect(await session.run({ do: 'lookUp' })).to.equal(4096);
    expect(given.made()).to.equal(2);
    session.end();
  });

  it('lets who waits for it go away, and asks again for a table that could not be given', async () => {
    const stop = new AbortController();
    const session = open();
    const counting = thrown(session.run({ do: 'countTo', count: 1e9 }, { signal: stop.signal }));
    const waiting = new AbortController();
    const behind = thrown(session.run({ do: 'lookUp' }, { signal: waiting.signal }));
    waiting.abort();
    expect(await behind, 'before the one at work has ended').to.be.instanceOf(Cancelled);
    stop.abort();
    expect(await counting).to.be.instanceOf(Cancelled);
    session.end();
    let tries = 0;
    const poor = openWorkSession<TestTask>(given.make, {
      first: () => ({ input: (tries += 1) === 1 ? { do: 'fail' } : { do: 'table', table: new ArrayBuffer(8) } }),
    });
    expect(await thrown(poor.run({ do: 'lookUp' }))).to.be.instanceOf(TaskFailed);
    expect(await poor.run({ do: 'lookUp' })).to.equal(8);
    poor.end();
  });

  it('answers also after garbage was collected on both sides between two jobs', async () => {
    const session = open();
    expect(await session.run({ do: 'collect' })).to.equal(0);
    for (let job = 0; job < 2; job += 1) {
      // Who watches for what was collected is told in later turns of the loop, first there, then here.
      for (let turn = 0; turn < 400; turn += 1) {
        if (turn % 20 === 0) collectGarbage();
        await new Promise((resolve) => setImmediate(resolve));
      }
      expect(await session.run({ do: 'lookUp' })).to.equal(4096);
    }
    // A worker that was told to listen no more ends here, and hangs in a browser.
    expect(given.made()).to.equal(1);
    session.end();
  });

  it('ends when nothing is asked for a while, and begins anew when something is', async () => {
    const session = open(1);
    expect(await session.run({ do: 'lookUp' })).to.equal(4096);
    while (given.living() > 0) await new Promise((resolve) => setImmediate(resolve));
    expect(await session.run({ do: 'lookUp' })).to.equal(4096);
    expect(given.made()).to.equal(2);
    const running = session.run({ do: 'countTo', count: 1e9 }, { onProgress: () => session.end() });
    const next = session.run({ do: 'lookUp' });
    expect(await thrown(running), 'what runs dies with it').to.be.instanceOf(WorkerDied);
    expect(await next).to.equal(4096);
    session.end();
  });
});
