import { expect } from 'chai';
import { plannedSubAt } from '../../../../../src/core/night/account/budgetBase.ts';
import { judgeStars, lostBefore, unlookedOf } from '../../../../../src/core/night/ledger/judgement.ts';
import { nightAt } from '../../../../../src/core/night/nightAt.ts';
import { untouchedPole } from '../../../../../src/core/pole/untouchedPole.ts';
import { scaleToSet } from '../../../../../src/core/pole/scaleToSet.ts';
import { goalOfNight } from '../../../../../src/core/night/ledger/goalOfNight.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { stretchesOf, type Budget } from '../../../../../src/core/verdict/budget.ts';
import { before, changed, night, type Wish } from '../../../../support/nights.ts';
import { at, error, mounts, south, turn } from '../../../../support/polar.ts';
import { event, nightRecords, reading } from '../../../../support/records.ts';

const focused = (minute = 1): Reading =>
  reading(
    'focus',
    { positionUm: 12_000, temperatureC: 8, fwhmPx: null },
    { ...at(minute), id: `f${minute}`, subject: { type: 'rig', id: 'demo-heron' } },
  );

/** Everything about tonight's stars when the target stands highest. */
function starsOf(wish: Wish) {
  const tonight = night(wish);
  return { tonight, ...nightAt(tonight, tonight.targetSky!.transit.transitMs).stars! };
}
const unlooked = (wish: Wish) => unlookedOf(night(wish));

const RAD = Math.PI / 180;

describe('what nobody looked at', () => {
  it('is pole and focus at first, and no longer what was set by eye, measured or recorded', () => {
    expect(unlooked({})).to.deep.equal(['pole', 'focus']);
    expect(unlooked({ readings: [event('setByEye', at(1))] })).to.deep.equal(['focus']);
    expect(unlooked({ readings: [error(1, 3, 3)] })).to.deep.equal(['focus']);
    expect(unlooked({ readings: [error(1, 3, 3), turn(2, 'altitude', 0.1, 3)] })).to.deep.equal(['focus']);
    expect(unlooked({ readings: [error(1, 3, 3), focused(2)] })).to.deep.equal([]);
  });

  it('one star timed leaves the other part of the pole unseen', () => {
    const drift = reading(
      'drift',
      { haH: -6, decDeg: 0, rateArcsecPerMin: 1 },
      { ...at(1), sigma: { rateArcsecPerMin: 0.01 } },
    );
    expect(unlooked({ readings: [drift, focused(2)] })).to.deep.equal(['pole']);
  });

  it('the focus of another night counts for nothing tonight', () => {
    const old = before('focus', { positionUm: 12_000, temperatureC: 8, fwhmPx: null }, 'old-f', {
      type: 'rig',
      id: 'demo-heron',
    });
    expect(unlooked({ readings: [old] })).to.deep.equal(['pole', 'focus']);
  });

  it('a distance that does not fit was not checked until corners were looked at; a lens has none', () => {
    const short = { parts: changed('demo-heron-wheel', { lengthMm: 15 }) };
    expect(unlooked(short)).to.deep.equal(['pole', 'focus', 'spacing']);
    const corners = reading(
      'corners',
      { sigmaArcsec: [0.2, 0.2, 0.2, 0.2], direction: 'radial', verdict: 'good', spacingMm: null },
      { ...at(1), subject: { type: 'part', id: 'demo-heron-camera' } },
    );
    expect(unlooked({ ...short, readings: [corners] })).to.deep.equal(['pole', 'focus']);
    expect(unlooked(south)).not.to.include('spacing');
  });

  it('what a later movement lost is to be looked at again, by the ledger of the night', () => {
    const came = (itemId: string) =>
      reading('check', { listId: 'assembly', itemId, done: true }, { ...at(5), id: itemId });
    const good = [error(1, 3, 3), focused(2)];
    expect(unlooked({ readings: [...good, came('cameraOn')] })).to.deep.equal(['pole', 'focus']);
    expect(unlooked({ readings: [...good, came('guideOn')] })).to.deep.equal(['pole']);
    expect(unlooked({ readings: [...good, came('cameraOn'), error(6, 3, 3)] })).to.deep.equal(['focus']);
    expect(unlooked({ readings: [...good, came('cameraOn'), error(6, 3, 3), focused(7)] })).to.deep.equal([]);
    const withCamera = night({ readings: [...good, came('cameraOn')] });
    expect(lostBefore(withCamera, 'focus')).to.include({ by: 'cameraOn', atUtc: at(5).takenAtUtc });
    expect(lostBefore(night(), 'focus'), 'never looked at').to.equal(null);
    const altAz = { parts: mounts({ mountKind: 'altAzimuth' }) };
    expect(unlooked({ ...altAz, readings: [focused(2), came('guideOn')] }), 'no pole to lose').to.deep.equal([]);
    expect(starsOf({ readings: [...good, came('cameraOn')] }).judgement.state).to.equal('cannotTell');
  });

  it('an alt-azimuth mount has no pole to look at: its field turns instead', () => {
    const wish = { parts: mounts({ mountKind: 'altAzimuth' }) };
    expect(unlooked(wish)).to.deep.equal(['focus']);
    const { budget } = starsOf({ ...wish, plan: { subS: 30 } });
    expect(budget.stretches[0]!.item).to.equal('fieldTurn');
    expect(budget.stretches.map((e) => e.item)).not.to.include('polar');
    expect(starsOf({ plan: { subS: 30 } }).budget.stretches.map((e) => e.item)).not.to.include('fieldTurn');
    const base = night(wish).budget!;
    const turnAt = (haH: number, decDeg: number, altDeg: number) =>
      plannedSubAt({ ...base, sub: { ...base.sub, declinationDeg: decDeg } }, 40, haH, altDeg).fieldTurnArcsecPerS;
    // cos(lat) cos(az) / cos(alt) times the sky's own turn: due south at 50 degrees.
    expect(turnAt(0, 0, 50)).to.be.closeTo((15.041 * Math.cos(40 * RAD)) / Math.cos(50 * RAD), 0.05);
    // Straight up no mount could follow: half a degree beside it counts.
    expect(Math.abs(turnAt(0, 40, 90))).to.be.within(1000, 1400);
  });
});

/** A pole measured as well as its sigma says. */
const pole = (minute: number, arcmin: number, sigmaArcmin: number): Reading => ({
  ...error(minute, arcmin, 0),
  sigma: { altErrorArcmin: sigmaArcmin, azErrorArcmin: sigmaArcmin },
});

describe('what the account lets one say', () => {
  const budget = (verdict: Budget['verdict'], stretch90: number): Budget =>
    ({ verdict, stretch90, stretches: [] }) as unknown as Budget;
  const said = (wish: Wish, told: Budget) => {
    const { tonight, sub } = starsOf(wish);
    return judgeStars(tonight, sub, told).state;
  };

  it('is never good while something was not looked at, and its own verdict when all was', () => {
    const all = [pole(1, 0, 0.3), focused(2)];
    expect(said({ readings: [pole(1, 0, 0.3)] }, budget('round', 1.05))).to.equal('cannotTell');
    expect(said({ readings: [focused(2)] }, budget('acceptable', 1.2))).to.equal('cannotTell');
    expect(said({ readings: all }, budget('round', 1.05))).to.equal('round');
    expect(said({ readings: all }, budget('swollen', 1.4))).to.equal('swollen');
  });

  it('is long for certain when even the best pole that the doubt allows would leave stars long', () => {
    const long = (readings: Reading[]) => starsOf({ readings: [...readings, focused(9)], plan: { subS: 1200 } });
    expect(long([]).judgement.state, 'nobody looked: it may be fine').to.equal('cannotTell');
    expect(long([pole(1, 60, 1)]).judgement).to.deep.equal({ state: 'long', unlooked: [] });
    expect(long([pole(1, 0, 12)]).judgement).to.deep.equal({ state: 'cannotTell', unlooked: ['pole'] });
    expect(long([pole(1, 300, 12)]).judgement.state, 'far off, whatever the doubt').to.equal('long');
  });

  it('a pole turned by geometry carries the doubt of the turn: it is never called round on its word', () => {
    const goal = goalOfNight(night()).goalArcmin;
    const turned = starsOf({ readings: [error(1, 60, 0), turn(2, 'altitude', -60 / 57.3, 60), focused(3)] });
    expect(turned.tonight.budget!.poleDoubtArcmin).to.be.within(10, 14);
    const measured = starsOf({ readings: [pole(1, 0, 0.3), focused(3)] });
    expect(turned.budget.stretch90).to.be.greaterThan(measured.budget.stretch90 + 0.005);
    expect(goal).to.be.lessThan(turned.tonight.budget!.poleDoubtArcmin);
    const longer = starsOf({
      readings: [error(1, 60, 0), turn(2, 'altitude', -60 / 57.3, 60), focused(3)],
      plan: { subS: 600 },
    });
    expect(longer.judgement).to.deep.equal({ state: 'cannotTell', unlooked: ['pole'] });
  });

  it('rises from an untouched pole over one set by eye to a measured one', () => {
    const steps: Reading[][] = [
      [],
      [event('setByEye', at(1))],
      [event('setByEye', at(1)), error(2, 2, 1)],
      [event('setByEye', at(1)), error(2, 2, 1), error(3, 0.2, 0.2)],
    ];
    const shares = steps.map((readings) => starsOf({ readings, plan: { subS: 600 } }));
    const share = shares.map((s) => s.budget.shareAcceptable);
    expect(share).to.deep.equal([...share].sort((a, b) => a - b));
    expect(share[0]!).to.be.lessThan(0.5);
    expect(shares.map((s) => s.judgement.unlooked[0])).to.deep.equal(['pole', 'focus', 'focus', 'focus']);
  });

  it('better air stretches stars more, low air less: the seeing grows with the airmass', () => {
    const { tonight, sub } = starsOf({});
    const low = nightAt(tonight, tonight.usable!.toMs - 60_000).stars!.sub;
    expect(sub.seeingFwhmArcsec).to.be.within(2.5, 2.7);
    expect(low.seeingFwhmArcsec).to.be.greaterThan(sub.seeingFwhmArcsec + 0.3);
  });
});

describe('the sub at an hour', () => {
  const tracker = night({ ...south, plan: { subS: 30 } }).budget!;
  const at10 = (altDeg: number) => plannedSubAt(tracker, -22.75, 2, altDeg).tracking;

  it('has refraction where its formula holds, from ten degrees up', () => {
    expect(at10(9.9)).to.deep.include({ refraction: null });
    expect(at10(10)).to.deep.include({ refraction: { latDeg: -22.75, haH: 2 } });
  });
});

describe('an axis that nobody looked at', () => {
  const cosLat = Math.cos((40.33 * Math.PI) / 180);
  const off = (...readings: Reading[]) => untouchedPole(nightRecords({ readings }));
  const compass = (trueDeg: number, distanceM: number, minute = 1): Reading =>
    reading('compass', { readDeg: trueDeg, distanceM, trueDeg }, { ...at(minute), id: `c${minute}` });
  const scale = (scaleDeg: number, minute = 3): Reading =>
    reading('scaleReading', { scaleDeg, trueAltDeg: null }, { ...at(minute), id: `s${minute}` });

  it('is off by what bearing and scale leave, a degree and a half each without them', () => {
    expect(off().altArcmin).to.equal(90);
    expect(off().azOnSkyArcmin).to.be.closeTo(90 * cosLat, 1e-9);
    expect(off(compass(0, 3)).azOnSkyArcmin, 'read from afar').to.be.closeTo(24 * cosLat, 1e-9);
    expect(off(compass(0, 0.2)).azOnSkyArcmin, 'iron was not checked').to.be.closeTo(84 * cosLat, 1e-9);
    expect(off(event('scaleSet', at(1))).altArcmin).to.equal(30);
  });

  it('and by what they were read to be off', () => {
    expect(off(compass(359, 3)).azOnSkyArcmin).to.be.closeTo(60 * Math.hypot(1, 0.4) * cosLat, 1e-9);
    const { scaleDeg } = scaleToSet(nightRecords());
    expect(off(scale(scaleDeg + 2)).altArcmin).to.be.closeTo(60 * Math.hypot(2, 0.5), 1e-6);
    expect(off(scale(scaleDeg + 2), event('scaleSet', at(4))).altArcmin).to.equal(30);
  });

  it('in the south toward the other pole', () => {
    const readings = [compass(181, 3)];
    const { azOnSkyArcmin } = untouchedPole(nightRecords({ ...south, readings }));
    expect(azOnSkyArcmin).to.be.closeTo(60 * Math.hypot(1, 0.4) * Math.cos((22.75 * Math.PI) / 180), 1e-6);
  });
});

describe('the goal for the pole', () => {
  it('at the goal nine in ten subs are round by the pole alone', () => {
    const { tonight, sub } = starsOf({ plan: { subS: 1800 } });
    if (!sub.tracking.guided) throw new Error('Heron is guided');
    const { cornerArcmin } = goalOfNight(tonight);
    const tracking = { ...sub.tracking, rmsRaArcsec: 0, rmsDecArcsec: 0, flexureArcsecPerMin: 0 };
    const zenith = { ...tonight.budget!.sub, tracking, polar: { known: 'size' as const, errorArcmin: cornerArcmin } };
    expect(stretchesOf(zenith, tonight.records.limits).stretch90).to.be.closeTo(1.1, 1e-9);
  });
});
