import { expect } from 'chai';
import {
  afterStep,
  missingWays,
  playByHand,
  REVERSAL_READY,
  verdictOfPlay,
  type Reversal,
  type ReversalStep,
  type ReversalTest,
} from '../../../../src/core/mount/reversalTest.ts';

const press = (s: number): ReversalStep => ({ does: 'press', atMs: 1000 * s });
const seen = (s: number): ReversalStep => ({ does: 'seen', atMs: 1000 * s });
const after = (...steps: ReversalStep[]): ReversalTest => steps.reduce(afterStep, REVERSAL_READY);

/** Gears with play, pushed as the test says at a rate, a drift on top: when the star is seen to move back. */
function simulated(playArcsec: number, rate: number, driftPerS: number): Reversal[] {
  let [test, slack, timeS]: [ReversalTest, number, number] = [afterStep(REVERSAL_READY, press(0)), playArcsec, 0];
  for (let reversal = 0; reversal < 6; reversal += 1) {
    test = afterStep(test, press(timeS));
    const toward = test.at === 'waiting' && test.way === 'south' ? -1 : 1;
    let moved = 0;
    while (moved * toward < 1e-9 || slack !== (toward === 1 ? playArcsec : 0)) {
      timeS += 0.01;
      const wanted = slack + toward * rate * 0.01;
      slack = Math.max(0, Math.min(playArcsec, wanted));
      moved += wanted - slack;
      if (slack > 0 && slack < playArcsec) moved = 0;
    }
    test = afterStep(test, seen(timeS + driftPerS * toward));
    timeS += 5;
  }
  return [...test.reversals];
}

describe('the reversal test', () => {
  it('goes from pressing to seeing and back, each time the other way', () => {
    expect(after(press(0))).to.deep.equal({ at: 'moving', way: 'north', reversals: [] });
    expect(after(press(0), press(4))).to.deep.equal({ at: 'waiting', way: 'south', sinceMs: 4000, reversals: [] });
    expect(after(press(0), press(4), seen(5.5))).to.deep.equal({
      at: 'moving',
      way: 'south',
      reversals: [{ way: 'south', deadS: 1.5 }],
    });
    const twice = after(press(0), press(4), seen(5.5), press(9), seen(10.1));
    expect(twice.at === 'moving' && twice.way).to.equal('north');
    expect(twice.reversals[1]!.way).to.equal('north');
    expect(twice.reversals[1]!.deadS).to.be.closeTo(1.1, 1e-9);
  });

  it('leaves steps alone that belong nowhere: pressing twice does once', () => {
    expect(after(seen(1))).to.deep.equal(REVERSAL_READY);
    expect(after(press(0), seen(1))).to.deep.equal(after(press(0)));
    expect(after(press(0), press(4), press(4.1))).to.deep.equal(after(press(0), press(4)));
  });

  it('drops what went wrong: the wait that runs, else the last one; a wait without end begins anew', () => {
    const one = after(press(0), press(4), seen(5));
    expect(afterStep(one, { does: 'dropLast' })).to.deep.equal(REVERSAL_READY);
    expect(afterStep(afterStep(one, press(8)), { does: 'dropLast' })).to.deep.equal({
      at: 'ready',
      reversals: [{ way: 'south', deadS: 1 }],
    });
    expect(after(press(0), press(4), seen(125))).to.deep.equal(REVERSAL_READY);
  });

  it('finds the play of simulated gears, and a drift along with it cancels', () => {
    for (const [play, rate] of [
      [6, 7.52],
      [18, 7.52],
      [30, 15.04],
    ] as const) {
      expect(playByHand(simulated(play, rate, 0), rate)!.arcsec).to.be.closeTo(play, 0.3);
      const drifting = simulated(play, rate, 0.1);
      expect(playByHand(drifting, rate)!.arcsec, 'drifting').to.be.closeTo(play, 0.3);
      const uneven = drifting.filter(({ way }, i) => way === 'south' || i < 2);
      expect(playByHand(uneven, rate)!.arcsec, 'drifting, more of one way').to.be.closeTo(play, 0.3);
    }
  });

  it('tells none of one way alone; scatter and the eye make its doubt', () => {
    const all = (south: number[], north: number[]): Reversal[] => [
      ...south.map((deadS) => ({ way: 'south' as const, deadS })),
      ...north.map((deadS) => ({ way: 'north' as const, deadS })),
    ];
    expect(playByHand(all([1.2, 1.3], []), 7.52)).to.equal(null);
    expect([missingWays([]), missingWays(all([1.2, 1.3], [])), missingWays(all([1], [1]))]).to.deep.equal([
      ['south', 'north'],
      ['north'],
      [],
    ]);
    const { arcsec, sigmaArcsec } = playByHand(all([1], [1.4]), 7.52)!;
    expect([arcsec, sigmaArcsec]).to.deep.equal([1.2 * 7.52, 1.5]);
    expect(playByHand(all([0.6, 1.4], [1, 2]), 7.52)!.sigmaArcsec).to.be.greaterThan(2.2);
    expect(() => playByHand(all([1], [1]), 0)).to.throw('rateArcsecPerS');
    expect([4, 4.1, 20, 20.1].map(verdictOfPlay)).to.deep.equal(['small', 'oneWay', 'oneWay', 'much']);
  });
});
