/** How long something took while the time of day was set, beside a clock of the simulation that nobody sets. */
import { expect } from 'chai';
import fc from 'fast-check';
import { elapsedSince, moveBetween, moveOverReload, type ClockMove } from '../../../../src/core/time/elapsed.ts';
import { holds } from '../../../support/properties.ts';

const HOUR = 3_600_000;

describe('how long something took', () => {
  it('is the difference while the clock went on', () => {
    expect(elapsedSince(1000, 61_000, [])).to.deep.equal({ code: 'known', ms: 60_000 });
    expect(elapsedSince(61_000, 58_000, []), 'a network sets it right').to.deep.equal({ code: 'known', ms: 0 });
  });

  it('is asked for where the clock was set since, and where it stands before its own beginning', () => {
    const back: ClockMove = { fromMs: 10 * HOUR, toMs: 8 * HOUR };
    expect(elapsedSince(10 * HOUR - 300_000, 8 * HOUR, [back])).to.deep.equal({ code: 'moved', byMs: -2 * HOUR });
    const jump: ClockMove = { fromMs: 10 * HOUR, toMs: 12 * HOUR };
    expect(elapsedSince(10 * HOUR, 12 * HOUR, [jump])).to.deep.equal({ code: 'moved', byMs: 2 * HOUR });
    expect(elapsedSince(12 * HOUR, 12 * HOUR + 1000, [jump]), 'begun after it').to.deep.equal({
      code: 'known',
      ms: 1000,
    });
    expect(elapsedSince(10 * HOUR, 8 * HOUR, []), 'nobody saw it').to.deep.equal({ code: 'moved', byMs: -2 * HOUR });
  });

  it('a clock that was years ahead and set right spoils no later evening: half an hour on, times are times again', () => {
    const right: ClockMove = { fromMs: 40_000 * HOUR, toMs: 8 * HOUR };
    const at = (minutes: number) => 8 * HOUR + minutes * 60_000;
    expect(elapsedSince(at(10), at(20), [right]).code, 'nobody knows which').to.equal('moved');
    expect(elapsedSince(at(40), at(52), [right])).to.deep.equal({ code: 'known', ms: 720_000 });
    expect(elapsedSince(39_999 * HOUR, at(300), [right]).code, 'surely before').to.equal('moved');
  });

  it('a few seconds are no move; over a reload only a step back is told', () => {
    const byS = (s: number) => moveBetween({ wallMs: 0, steadyMs: 0 }, { wallMs: 60_000 + s * 1000, steadyMs: 60_000 });
    expect([byS(0), byS(5), byS(-5)]).to.deep.equal([null, null, null]);
    expect([byS(6), byS(-6)]).to.deep.equal([
      { fromMs: 60_000, toMs: 66_000 },
      { fromMs: 60_000, toMs: 54_000 },
    ]);
    expect([moveOverReload(HOUR, 9 * HOUR), moveOverReload(HOUR, HOUR - 5000)]).to.deep.equal([null, null]);
    expect(moveOverReload(HOUR, 0)).to.deep.equal({ fromMs: HOUR, toMs: 0 });
  });

  it('whatever the clock is set to, what is told is the time that passed, or that nobody can tell', () => {
    const step = fc.record({ passS: fc.integer({ min: 10, max: 900 }), setS: fc.integer({ min: -9000, max: 9000 }) });
    holds(
      fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), fc.nat(11), (steps, startAt) => {
        let [wallMs, steadyMs] = [1e12, 0];
        let [begunMs, passedMs, set] = [wallMs, 0, false];
        const moves: ClockMove[] = [];
        steps.forEach(({ passS, setS }, i) => {
          if (i === startAt) [begunMs, passedMs, set] = [wallMs, 0, false];
          const before = { wallMs, steadyMs };
          wallMs += (passS + (Math.abs(setS) > 60 ? setS : 0)) * 1000;
          steadyMs += passS * 1000;
          passedMs += passS * 1000;
          set ||= Math.abs(setS) > 60;
          const move = moveBetween(before, { wallMs, steadyMs });
          if (move) moves.push(move);
        });
        // What is timed takes no longer.
        if (passedMs > 1_790_000) return;
        const told = elapsedSince(begunMs, wallMs, moves);
        if (told.code === 'known') expect(told.ms).to.equal(passedMs);
        if (set) expect(told.code).to.equal('moved');
        if (moves.length === 0) expect(told.code).to.equal('known');
      }),
    );
  });
});
