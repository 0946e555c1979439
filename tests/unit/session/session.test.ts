import { expect } from 'chai';
import { createClock } from '../../../src/session/clock.ts';
import { createRibbonTime } from '../../../src/session/ribbonTime.ts';
import { commandForKey, COMMANDS, keyOf } from '../../../src/app/commands/commands.ts';

function memoryStorage(): Storage {
  const kept = new Map<string, string>();
  return {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
  } as unknown as Storage;
}

describe('clock', () => {
  it('is fixed by the address and stays fixed for the tab', () => {
    const storage = memoryStorage();
    const fixed = createClock('?now=2026-11-24T19:21:00Z', storage);
    expect([fixed.fixed, fixed.nowMs()]).to.deep.equal([true, Date.parse('2026-11-24T19:21:00Z')]);
    expect(createClock('', storage).nowMs()).to.equal(fixed.nowMs());
    expect(createClock('?now=nonsense', memoryStorage()).fixed).to.equal(false);
  });
});

describe('ribbon time', () => {
  const fixture = () => {
    const frames: (() => void)[] = [];
    const clock = createClock('?now=2026-11-24T19:21:00Z', memoryStorage());
    const ribbon = createRibbonTime(clock, (f) => frames.push(f));
    let told = 0;
    ribbon.subscribe(() => (told += 1));
    return { ribbon, clock, frame: () => frames.splice(0).forEach((f) => f()), told: () => told };
  };

  it('tells once a frame, however often it is scrubbed', () => {
    const { ribbon, frame, told } = fixture();
    for (let i = 0; i < 50; i += 1) ribbon.scrubTo(i);
    frame();
    expect([told(), ribbon.timeMs(), ribbon.isLive()]).to.deep.equal([1, 49, false]);
  });

  it('goes back to now', () => {
    const { ribbon, clock, frame } = fixture();
    ribbon.scrubTo(5);
    frame();
    ribbon.goLive();
    frame();
    expect([ribbon.timeMs(), ribbon.isLive()]).to.deep.equal([clock.nowMs(), true]);
  });
});

describe('keys', () => {
  it('are all different, and can be changed or taken away', () => {
    expect(new Set(COMMANDS.map((c) => c.key)).size).to.equal(COMMANDS.length);
    expect(commandForKey('U', {})?.id).to.equal('undo');
    expect(commandForKey('x', { undo: 'x' })?.id).to.equal('undo');
    expect(commandForKey('u', { undo: '' })).to.equal(undefined);
    expect(keyOf(COMMANDS[0]!, {})).to.equal('1');
  });
});
