/** Mounts that nothing, or only one motor, turns; and rigs that only an eye looks through. */
import { expect } from 'chai';
import { usableOfNight } from '../../../../../../src/core/night/advice/stars/usableOfNight.ts';
import { handOfNight } from '../../../../../../src/core/night/advice/hands/handOfNight.ts';
import { nightAt } from '../../../../../../src/core/night/nightAt.ts';
import { firstSubChecks } from '../../../../../../src/core/night/plan/checklists.ts';
import { watchAt } from '../../../../../../src/core/night/advice/watch.ts';
import { balanceOrder, unloadOrder } from '../../../../../../src/core/night/advice/hands/balanceOrder.ts';
import { handsOf } from '../../../../../../src/core/rig/assembly.ts';
import { orderSentence, orderWords } from '../../../../../../src/text/balanceOrderWords.ts';
import { hasHome, orderOfNight } from '../../../../../../src/core/night/ledger/ledger.ts';
import { tonight } from '../../../../../../src/core/night/advice/tonight.ts';
import { roundnessBudget } from '../../../../../../src/core/verdict/budget.ts';
import { isStill, motionsOf } from '../../../../../../src/core/verdict/motions.ts';
import type { RigAnswers } from '../../../../../../src/core/rig/dressing/dressRig.ts';
import { derived, NOW, PORTUGAL } from '../../../../../support/ownNights.ts';

const LENS: RigAnswers = {
  carrier: 'byHand',
  size: 'small',
  finder: 'none',
  optics: { kind: 'lens', focalMm: 135, apertureMm: 48 },
  sensor: { format: 'reduced', megapixels: 24 },
  guided: false,
};
const EYE: RigAnswers = { ...LENS, optics: { kind: 'refractor', focalMm: 750, apertureMm: 100 }, sensor: 'eye' };
const nightOf = (change: Partial<RigAnswers> = {}, rig = LENS) =>
  derived({ where: PORTUGAL, rigName: 'Own', rig: { ...rig, ...change } });

const W = 7.2921159e-5;
const DEG = Math.PI / 180;

/** Where a star stands on a frame that does not move, arcsec east and north, the sky having turned for a time. */
function seenAfter(s: number, { haH, dec }: { haH: number; dec: number }, star: { eastDeg: number; northDeg: number }) {
  const at = (h: number, d: number) => [Math.cos(d) * Math.cos(h), Math.cos(d) * Math.sin(h), Math.sin(d)] as const;
  const [h0, d0] = [haH * 15 * DEG, dec * DEG];
  const d = d0 + star.northDeg * DEG;
  const v = at(h0 - (star.eastDeg * DEG) / Math.cos(d) + W * s, d);
  const on = (u: readonly number[]) => u.reduce((sum, x, i) => sum + x * v[i]!, 0);
  const middle = on(at(h0, d0));
  return {
    x: (on([Math.sin(h0), -Math.cos(h0), 0]) / middle / DEG) * 3600,
    y: (on([-Math.sin(d0) * Math.cos(h0), -Math.sin(d0) * Math.sin(h0), Math.cos(d0)]) / middle / DEG) * 3600,
  };
}

describe('a mount that is turned by hand', () => {
  it('lets the stars run over the frame as a camera sees them that stands still, and turn about the pole', () => {
    const night = nightOf();
    const { stars, target } = nightAt(night, NOW);
    const { sub } = stars!;
    const { rate, ownTurn, axis, wobble } = motionsOf(sub);
    expect([isStill(axis), wobble]).to.deep.equal([true, 0]);
    const place = { haH: target!.haH, dec: sub.declinationDeg };
    const speed = (star: { eastDeg: number; northDeg: number }) => {
      const [before, after] = [seenAfter(-1, place, star), seenAfter(1, place, star)];
      return { x: (after.x - before.x) / 2, y: (after.y - before.y) / 2 };
    };
    const middle = speed({ eastDeg: 0, northDeg: 0 });
    expect(rate[0]).to.be.closeTo(middle.x, 0.001);
    expect(middle.y).to.be.closeTo(0, 1e-6);
    const half = 0.5;
    const [north, east] = [speed({ eastDeg: 0, northDeg: half }), speed({ eastDeg: half, northDeg: 0 })];
    // A positive turn takes a star in the north westward, and one in the east northward.
    expect(ownTurn * half * 3600).to.be.closeTo(-(north.x - middle.x), 0.003);
    expect(ownTurn * half * 3600).to.be.closeTo(east.y - middle.y, 0.003);
  });

  it('takes subs of a shutter’s length, whatever its pole, and is asked for neither pole nor drive', () => {
    const night = nightOf();
    const { stars } = nightAt(night, NOW);
    const { longestS, curve } = usableOfNight(night, stars!.sub);
    // The trail that stretches a star of this even width by a quarter, along one line.
    const sigma = stars!.budget.evenFwhmArcsec / 2.3548;
    const wanted = (Math.sqrt(1.25 ** 2 - 1) * sigma * Math.sqrt(12)) / Math.abs(motionsOf(stars!.sub).rate[0]);
    expect(longestS!).to.be.within(wanted / 1.2, wanted * 1.01);
    expect(curve()[0]!.share).to.equal(1);
    expect(stars!.judgement.unlooked).to.not.include('pole');
    expect(night.budget!.sources).to.deep.include({ raRate: { basis: 'told', asOf: null } });
    expect(roundnessBudget({ ...stars!.sub, exposureS: 2 }, night.records.limits).stretches[0]!.item).to.equal(
      'raRate',
    );
    expect(nightOf({ guided: true }).budget!.sub.tracking.guided).to.equal(false);
  });

  it('needs no power, no home and no controller; one motor needs power and no home', () => {
    const [still, oneMotor] = [nightOf(), nightOf({ raMotor: true })];
    expect(oneMotor.numbers.mount!.drive).to.equal('raMotor');
    for (const night of [still, oneMotor]) {
      expect(hasHome(night)).to.equal(false);
      expect(orderOfNight(night)).to.include.members(['balance', 'clutchTight', 'pole', 'focus']);
    }
    expect(orderOfNight(still)).to.not.include.members(['powerOn']).and.not.include.members(['cablesLast']);
    expect(orderOfNight(oneMotor)).to.include.members(['cablesLast', 'powerOn']);
    const [none, one] = [still, oneMotor].map((n) => firstSubChecks(n.numbers));
    expect(none).to.not.include('rate').and.not.include('parked').and.not.include('cables');
    expect(one).to.include('rate').and.not.include('parked');
    const { sub, hand, meridian } = tonight(still, nightAt(still, NOW));
    expect([sub!.motion, sub!.byEye, meridian!.motors, meridian!.flips]).to.deep.equal(['still', false, 'none', true]);
    expect(Math.round(hand!.turnMin! * 60)).to.equal(598);
    expect([hand!.teeth, hand!.teethAssumed]).to.deep.equal([144, true]);
    const followed = tonight(oneMotor, nightAt(oneMotor, NOW));
    expect([followed.hand, followed.sub!.byEye]).to.deep.equal([null, true]);
  });

  it('is taken down and balanced without a word of power', () => {
    const [still, oneMotor] = [nightOf(), nightOf({ raMotor: true })];
    expect(unloadOrder(still)).to.include('cameraOff').and.not.include('powerOff').and.not.include('cablesOff');
    expect(unloadOrder(oneMotor)).to.include('powerOff');
    expect(unloadOrder(nightOf({}, EYE))).to.not.include('cameraOff');
    const hands = handsOf(still.numbers);
    expect([orderSentence(null, true, 'none', hands), orderSentence(null, true, 'raOnly', hands)]).to.deep.equal([
      'All done: **look for the pole**.',
      'All done: **power may come on**.',
    ]);
    for (const { step } of balanceOrder(still))
      expect(Object.values(orderWords(step, hands)).join(' '), step).not.to.match(/[Pp]ower/);
  });

  it('is not asked for teeth that somebody counted', () => {
    const night = nightOf();
    const mount = { ...night.numbers.mount!, wormTeeth: 100 };
    const counted = handOfNight({ ...night, numbers: { ...night.numbers, mount } });
    expect([counted.teeth, counted.teethAssumed]).to.deep.equal([100, false]);
    expect(counted.turnMin).to.be.closeTo(86164.09 / 100 / 60, 1e-9);
  });

  it('tells how long the target stays on the frame’s shorter side', () => {
    const night = nightOf();
    const { view, decDeg } = handOfNight(night);
    const { fieldHeightDeg } = night.numbers.train!;
    expect(view!.fieldDeg).to.equal(fieldHeightDeg);
    expect(view!.stayMin).to.be.closeTo((fieldHeightDeg * 4 * 0.99727) / Math.cos(decDeg * DEG), 0.02);
  });
});

describe('a rig for the eye', () => {
  it('lacks nothing, takes no subs, and leaves out what only subs need', () => {
    const night = nightOf({}, EYE);
    expect(night.numbers.gaps).to.deep.equal([]);
    expect([night.plan, nightAt(night, NOW).stars]).to.deep.equal([null, null]);
    expect(night.run.stops.map((s) => s.step))
      .to.include('tracking')
      .and.not.include('watch');
    expect(watchAt(night, NOW)).to.deep.equal({ code: 'byEye' });
    const driven = nightOf({ carrier: 'germanEquatorial' }, EYE);
    expect(driven.run.stops.map((s) => s.step)).to.not.include('tracking');
    expect(orderOfNight(night)).to.not.include('cameraOn');
  });

  it('sees 30 times and 1.67 degrees with what most tubes come with', () => {
    const night = nightOf({}, EYE);
    const { view } = handOfNight(night);
    expect(view!.by).to.equal('eyepiece');
    expect(view!.fieldDeg).to.be.closeTo((50 * 25) / 750, 1e-9);
    const { sub, hand } = tonight(night, nightAt(night, NOW));
    expect([sub, hand!.view]).to.deep.equal([null, view]);
  });
});
