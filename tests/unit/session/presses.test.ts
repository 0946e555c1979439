import { expect } from 'chai';
import { createPresses } from '../../../src/session/presses.ts';
import { createTab } from '../../../src/session/tab.ts';
import type { Writer } from '../../../src/storage/writer.ts';

const writer = (): Writer => {
  let n = 0;
  return { db: null as never, nowMs: () => 0, newId: () => `id-${(n += 1)}`, deviceId: 'd', tabId: 't' };
};

describe('presses', () => {
  it('the same press made again is the first one: while it is kept, and a moment after', async () => {
    let now = 0;
    const presses = createPresses(
      writer(),
      () => now,
      () => undefined,
    );
    const seen: (string | undefined)[] = [];
    const work = (w: Writer) => Promise.resolve(seen.push(w.press));
    const [first, second] = await Promise.all([presses.run(['a', 1], work), presses.run(['a', 1], work)]);
    expect([first, second, seen.length]).to.deep.equal([1, 1, 1]);
    now = 400;
    expect(await presses.run(['a', 1], work)).to.equal(1);
    now = 1000;
    expect(await presses.run(['a', 1], work), 'pressed anew').to.equal(2);
    expect(new Set(seen).size).to.equal(2);
  });

  it('other presses are not held up, and it says while something is being kept', async () => {
    let now = 0;
    const waiting: (() => void)[] = [];
    const presses = createPresses(
      writer(),
      () => now,
      (callback) => void waiting.push(callback),
    );
    const states: boolean[] = [];
    presses.subscribe(() => states.push(presses.busy()));
    const answers = await Promise.all([
      presses.run(['a'], () => Promise.resolve('a')),
      presses.run(['b'], () => Promise.resolve('b')),
    ]);
    expect(answers).to.deep.equal(['a', 'b']);
    expect([states[0], presses.busy(), waiting.length]).to.deep.equal([true, true, 2]);
    now = 600;
    for (const callback of waiting) callback();
    expect([states.at(-1), presses.busy()]).to.deep.equal([false, false]);
  });

  it('a press that failed may be made again at once after its moment, and tells everyone the failure', async () => {
    let now = 0;
    const presses = createPresses(
      writer(),
      () => now,
      () => undefined,
    );
    const failing = () => Promise.reject(new Error('no'));
    const told = await Promise.allSettled([presses.run(['a'], failing), presses.run(['a'], failing)]);
    expect(told.map((t) => t.status)).to.deep.equal(['rejected', 'rejected']);
    now = 600;
    expect(await presses.run(['a'], () => Promise.resolve(7))).to.equal(7);
  });
});

/** Locks as a browser keeps them for all tabs of one device. */
function lockManager() {
  const held = new Set<string>();
  return {
    held,
    locks: {
      request: (name: string, options: { signal: AbortSignal }, work: () => Promise<unknown>) => {
        if (!held.has(name)) {
          held.add(name);
          return work();
        }
        return new Promise((_resolve, reject) =>
          options.signal.addEventListener('abort', () => reject(new Error('aborted'))),
        );
      },
      query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
    } as unknown as LockManager,
  };
}
const storage = (initial: Record<string, string> = {}) => {
  const values = new Map(Object.entries(initial));
  return { getItem: (k: string) => values.get(k) ?? null, setItem: (k: string, v: string) => void values.set(k, v) };
};

describe('tabs', () => {
  it('a reload keeps its name, a duplicate becomes another tab with a list of its own', async function () {
    this.timeout(5000);
    let n = 0;
    const newId = () => `tab-${(n += 1)}`;
    const { locks, held } = lockManager();
    const memory = storage();
    const first = createTab(memory, newId, locks);
    expect(first.id()).to.equal('tab-1');
    held.clear();
    expect(createTab(memory, newId, locks).id(), 'reloaded').to.equal('tab-1');
    const duplicate = createTab(storage({ 'tidy-owl-tab': 'tab-1' }), newId, locks);
    await new Promise<void>((resolve) => void duplicate.subscribe(resolve));
    expect(duplicate.id()).to.equal('tab-2');
    expect([...(await duplicate.openTabs())].sort()).to.deep.equal(['tab-1', 'tab-2']);
  });

  it('without locks a tab still has its name', async () => {
    const tab = createTab(storage(), () => 'only', undefined);
    expect([tab.id(), [...(await tab.openTabs())]]).to.deep.equal(['only', ['only']]);
  });
});
