import { expect } from 'chai';
import type { Clock } from '../../../src/session/clock.ts';
import { shownSince, watchClock } from '../../../src/session/clockMoves.ts';

/** A day of a device: its clock, what is kept over reloads, and its pages, each with a steady clock of its own. */
function device() {
  const kept = new Map<string, string>();
  const store = { getItem: (k: string) => kept.get(k) ?? null, setItem: (k: string, v: string) => void kept.set(k, v) };
  let wallMs = 1e12;
  let pages: (() => void)[] = [];
  const heard: (() => void)[] = [];
  let isHidden = false;
  const page = {
    get hidden() {
      return isHidden;
    },
    addEventListener: (_: string, listener: () => void) => void heard.push(listener),
  };
  const hide = (hidden: boolean): void => {
    isHidden = hidden;
    heard.forEach((listener) => listener());
  };
  const open = (fixed = false) => {
    let steadyMs = 5;
    const clock: Clock = {
      nowMs: () => wallMs,
      elapsedMs: () => steadyMs,
      fixed,
      subscribe: (listener) => {
        pages.push(() => {
          steadyMs += 1000;
          listener();
        });
        return () => undefined;
      },
    };
    return watchClock(clock, store, shownSince(page as never));
  };
  const pass = (seconds: number, setS = 0): void => {
    wallMs += setS * 1000;
    for (let s = 0; s < seconds; s += 1) {
      wallMs += 1000;
      for (const tick of pages) tick();
    }
  };
  const close = (): void => {
    pages = [];
  };
  return { open, kept, pass, close, hide };
}
const sizes = (moves: readonly { fromMs: number; toMs: number }[]) => moves.map((m) => (m.toMs - m.fromMs) / 1000);

describe('a clock that is set', () => {
  it('is seen in the page, in another tab once, and after a reload', () => {
    const { open, pass, close } = device();
    const [one, two] = [open(), open()];
    pass(60);
    pass(30, -7200);
    expect([sizes(one.all()), sizes(two.all())]).to.deep.equal([[-7200], [-7200]]);
    close();
    pass(0, -3600);
    const [first, second, ...rest] = sizes(open().all());
    expect([first, rest]).to.deep.equal([-7200, []]);
    expect(second).to.be.within(-3600, -3590);
  });

  it('that jumps on while the page is out of sight slept; one that goes back was set all the same', () => {
    const { open, pass, hide } = device();
    const moves = open();
    pass(20);
    hide(true);
    hide(false);
    pass(20, 1800);
    expect(moves.all()).to.deep.equal([]);
    hide(true);
    pass(2, -1800);
    hide(false);
    pass(2, 900);
    expect(sizes(moves.all())).to.deep.equal([-1800]);
    pass(20, 900);
    expect(sizes(moves.all())).to.deep.equal([-1800, 900]);
  });

  it('is forgotten after a day; what is kept spoilt is nothing; a fixed one never moves', () => {
    const { open, kept, pass } = device();
    const first = open();
    pass(20, 600);
    pass(20, 3 * 86_400);
    expect(sizes(first.all())).to.deep.equal([3 * 86_400]);
    kept.set('tidy-owl-clock', '{"wallMs":"x"}');
    expect(open().all()).to.deep.equal([]);
    const fixed = open(true);
    pass(5, 900);
    expect(fixed.all()).to.deep.equal([]);
  });
});
