import { expect } from 'chai';
import { balanceOrder, nextStep, unloadOrder } from '../../../../../../src/core/night/advice/hands/balanceOrder.ts';
import type { NightStatic } from '../../../../../../src/core/night/nightStatic.ts';
import type { Reading } from '../../../../../../src/core/records/reading.ts';
import { night as fresh } from '../../../../../support/nights.ts';
import { mounts } from '../../../../../support/polar.ts';
import { parts, reading } from '../../../../../support/records.ts';
import { trial, tried } from '../../../../../support/tips.ts';

describe('the order of balancing', () => {
  const steps = (night: NightStatic) => balanceOrder(night).map((r) => r.step);
  const tick = (itemId: string, done = true, minute = 0) =>
    reading(
      'check',
      { listId: 'assembly', itemId, done },
      { takenAtUtc: `2026-11-24T20:0${minute}:00.000Z`, id: `t${itemId}${minute}` },
    );

  it('final dress, the heavy axis first and once more, then home', () => {
    expect(steps(fresh())).to.deep.equal([
      'dress',
      'roughBalance',
      'cablesLast',
      'ra',
      'dec',
      'sideways',
      'raAgain',
      'home',
    ]);
    expect(nextStep(balanceOrder(fresh()))).to.equal('dress');
  });

  it('follows what was done: right ascension counts again only after the other axes', () => {
    const subject = { type: 'part', id: 'demo-heron-guide-scope' } as const;
    const all = [
      tick('dress'),
      tick('cablesLast'),
      trial('ra', 0.293, 'none', 1),
      trial('dec', 0.087, 'none', 2),
      trial('sideways', 0, 'none', 3, { subject }),
      trial('sideways', 0, 'none', 4, { subject }),
    ];
    const next = (readings: Reading[]) => nextStep(balanceOrder(tried(readings)));
    expect([2, 3, 4, 6].map((n) => next(all.slice(0, n)))).to.deep.equal(['ra', 'dec', 'sideways', 'raAgain']);
    const again = [...all, trial('ra', 0.294, 'none', 6)];
    expect(next(again)).to.equal('home');
    expect(next([...again, tick('home', true, 9)])).to.equal(null);
    expect(next([...again, tick('home', true, 0)]), 'a trial swung it away').to.equal('home');
    expect(next([...all.slice(1), tick('dress', false, 9)])).to.equal('dress');
  });

  it('a tracker sees the pole before its camera goes on, and looks again afterwards', () => {
    const wagtail = steps(fresh({ rigId: 'demo-wagtail' }));
    expect(wagtail[0]).to.equal('roughPole');
    expect(wagtail.at(-1)).to.equal('poleCheck');
    expect(wagtail.indexOf('roughPole')).to.be.lessThan(wagtail.indexOf('dress'));
  });

  it('a rig without a bar has no order, and weights come off after the tube', () => {
    expect(balanceOrder(fresh({ parts: mounts({ mountKind: 'forkOnWedge' }) }))).to.deep.equal([]);
    const down = unloadOrder(fresh());
    expect(down.indexOf('weightsOff')).to.be.greaterThan(down.indexOf('tubeOff'));
    expect(down[0]).to.equal('park');
    const bare = fresh({ parts: parts.filter((p) => p.kind !== 'weight') });
    expect(bare.numbers.masses.weights).to.deep.equal([]);
    expect(unloadOrder(bare)[0], 'the bar still hangs down').to.equal('park');
    const barless = fresh({ parts: parts.filter((p) => p.kind !== 'weight' && p.kind !== 'bar') });
    expect(unloadOrder(barless)[0]).to.equal('parkBare');
    expect(unloadOrder(fresh({ parts: parts.filter((p) => p.kind !== 'mount') }))).to.deep.equal([]);
  });
});
