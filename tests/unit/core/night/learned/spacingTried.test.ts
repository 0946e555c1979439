import { expect } from 'chai';
import { presentLook, seenSpread } from '../../../../../src/core/night/account/seenSpread.ts';
import { unlookedOf } from '../../../../../src/core/night/ledger/judgement.ts';
import { nightAt } from '../../../../../src/core/night/nightAt.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { cornersSaying, drawnAlong } from '../../../../../src/features/light-path/corners/cornersModel.ts';
import { lightPathSummary } from '../../../../../src/features/light-path/station.ts';
import { makeFormat } from '../../../../../src/text/format.ts';
import { changed, night, type Wish } from '../../../../support/nights.ts';
import { around, lookAt, ROUND, stick, toward } from '../../../../support/cornersSeen.ts';
import { error } from '../../../../support/polar.ts';

const { spacing, corrector } = night().numbers.lightPath;
const zeroMm = spacing!.specifiedMm + spacing!.glassMm;
const look = (minute: number, offsetMm: number, places: object, more: object = {}): Reading =>
  lookAt(corrector!.id, minute, places, { spacingMm: zeroMm + offsetMm, glassMm: spacing!.glassMm, ...more });
const triedOf = (...readings: Reading[]) => night({ readings }).learned.spacing;
const presentMm = spacing!.presentMm - zeroMm;

describe('distances tried by eye', () => {
  it('nothing looked at is nothing reckoned', () => {
    const { tried, best, isLearned, learnedMm } = triedOf();
    expect([tried, best, isLearned, learnedMm]).to.deep.equal([[], null, false, null]);
  });

  it('keeps each look with its offset from what this corrector asks for with that glass', () => {
    const { tried, best, isLearned, learnedMm } = triedOf(look(1, 0.5, toward(false)));
    expect(tried.map((t) => [t.verdict.code, t.offsetMm!.toFixed(3)])).to.deep.equal([['tooClose', '0.500']]);
    expect(best!.bestMm).to.be.greaterThan(0.6);
    expect([isLearned, learnedMm]).to.deep.equal([false, null]);
    const other = look(2, 0, toward(false), { spacingMm: zeroMm + 1, glassMm: spacing!.glassMm + 1 });
    expect(triedOf(other).tried[0]!.offsetMm).to.be.closeTo(0, 1e-9);
  });

  it('learns the best from looks that agree, and asks for it everywhere', () => {
    const readings = [look(1, 0, toward(true)), look(2, 1.4, around(true)), look(3, 0.7, ROUND)];
    const { learned, numbers } = night({ readings });
    expect(learned.spacing.isLearned).to.equal(true);
    expect(learned.spacing.learnedMm!).to.be.within(0.55, 0.85);
    expect(numbers.lightPath.spacing!.neededMm).to.be.closeTo(zeroMm + learned.spacing.learnedMm!, 1e-9);
    expect(night({ readings: readings.slice(0, 1) }).numbers.lightPath.spacing!.neededMm).to.equal(zeroMm);
  });

  it('one look, or two however near each other, tell too little to be learned', () => {
    for (const apartMm of [0.05, 0.2, 0.4, 0.8]) {
      const two = triedOf(look(1, 0, toward(true)), look(2, apartMm, around(true)));
      expect([two.isLearned, two.best!.sigmaMm > 0.3]).to.deep.equal([false, true]);
    }
    expect(triedOf(look(1, 0, toward(true))).isLearned).to.equal(false);
  });

  it('once told round at a distance wants that distance, by sentence, drawing and search alike', () => {
    const readings = [look(1, 0, toward(true)), look(2, 0.8, ROUND)];
    const { learned, numbers } = night({ readings });
    expect([learned.spacing.isLearned, learned.spacing.learnedMm]).to.deep.equal([true, learned.spacing.best!.bestMm]);
    expect(learned.spacing.learnedMm!).to.be.closeTo(0.8, 1e-9);
    expect(numbers.lightPath.spacing!.neededMm).to.be.closeTo(zeroMm + 0.8, 1e-9);
    const said = cornersSaying(night({ readings }));
    expect(said.code === 'told' && said.stepMm).to.be.closeTo(0, 1e-9);
    // A later look at the same distance takes it back; one elsewhere does not.
    expect(triedOf(...readings, look(3, 0.8, around(true))).learnedMm).not.to.equal(0.8);
    expect(triedOf(...readings, look(3, 1.9, around(true))).learnedMm).to.be.closeTo(0.8, 1e-9);
  });

  it('a corrector whose corners behave the other way round learns the other way', () => {
    const wish: Wish = {
      parts: changed(corrector!.id, { cornerRuleInverted: true }),
      readings: [look(1, 0, toward(true))],
    };
    expect(night(wish).learned.spacing.best!.bestMm).to.be.lessThan(-0.2);
  });

  it('a long exposure under a bad pole does not speak of the distance, a short one does', () => {
    const bad = error(0, 300, 300);
    const long = look(1, 0, around(false), { exposureS: 300 });
    expect(triedOf(bad, long).tried[0]!.verdict).to.deep.equal({ code: 'cannotTell', why: 'fieldTurn' });
    expect(triedOf(error(0, 1, 1), long).tried[0]!.verdict.code).to.equal('tooFar');
    expect(triedOf(bad, look(1, 0, around(false))).tried[0]!.verdict.code).to.equal('tooFar');
  });
});

describe('corners by eye in the account', () => {
  const stars = (wish: Wish) => {
    const tonight = night(wish);
    return nightAt(tonight, tonight.targetSky!.transit.transitMs).stars!.budget;
  };
  /** A stack two millimetres short: by its number nobody would trust it. */
  const short = changed('demo-heron-adapter', { lengthMm: 5.5 });

  it('a look at the stack as it stands lifts “cannot tell”, one at another stack does not', () => {
    const wish = (...readings: Reading[]): Wish => ({ parts: short, readings });
    expect(unlookedOf(night(wish()))).to.include('spacing');
    expect(unlookedOf(night(wish(look(1, presentMm - 2, toward(false)))))).not.to.include('spacing');
    expect(unlookedOf(night(wish(look(1, presentMm, toward(false)))))).to.include('spacing');
    const unfocused = look(1, presentMm - 2, ROUND, { centreFocused: false });
    expect(unlookedOf(night(wish(unfocused)))).to.include('spacing');
  });

  it('what an earlier look at this stack said still stands, whatever was tried in between', () => {
    const near = look(1, presentMm, toward(true));
    const elsewhere = look(2, presentMm + 1.2, around(true));
    const { learned, budget, numbers } = night({ readings: [near, elsewhere] });
    expect(presentLook(learned.spacing, numbers.lightPath.spacing)!.reading.id).to.equal('look1');
    expect(budget!.corners.stretch).to.be.greaterThan(1.2);
  });

  it('a stack that differs by less than a twentieth of a millimetre is the same, one that differs by more is not', () => {
    const of = (offMm: number) => presentLook(triedOf(look(1, presentMm + offMm, ROUND)), spacing);
    expect([of(0.045) === null, of(0.055) === null]).to.deep.equal([false, true]);
  });

  it('a look at a stack of no known distance is not one at a known stack, nor the other way round', () => {
    const known = triedOf(look(1, presentMm, ROUND));
    const unknown = { ...known, tried: known.tried.map((one) => ({ ...one, offsetMm: null })) };
    expect([presentLook(known, null), presentLook(unknown, spacing)]).to.deep.equal([null, null]);
    expect(presentLook(unknown, null)).to.equal(unknown.tried[0]);
  });

  it('of two distances that were told round the later one is wanted', () => {
    const { learnedMm } = triedOf(look(1, 0, ROUND), look(2, 0.8, ROUND));
    expect(learnedMm!).to.be.closeTo(0.8, 1e-9);
  });

  it('another filter with as much more tube is the same stack', () => {
    const thicker = look(1, presentMm, toward(false), {
      spacingMm: spacing!.presentMm + 1,
      glassMm: spacing!.glassMm + 1,
    });
    expect(presentLook(triedOf(thicker), spacing)).not.to.equal(null);
    const same = look(1, presentMm, toward(false), { glassMm: spacing!.glassMm + 1 });
    expect(presentLook(triedOf(same), spacing)).to.equal(null);
  });

  it('longer corners are told beside the account, as long as they were seen; no share of subs hangs on them', () => {
    const of = (places: object) => {
      const wish = { readings: [look(1, presentMm, places)] };
      return { stretch: night(wish).budget!.corners.stretch, ...stars(wish) };
    };
    const [none, slight, strong] = [of(ROUND), of(toward(false)), of(toward(true))];
    expect(none.stretch).to.equal(1);
    expect(slight.stretch).to.be.closeTo(1.15, 1e-9);
    expect(strong.stretch).to.be.closeTo(1.4, 1e-9);
    for (const one of [none, slight, strong]) {
      expect(one.shareAcceptable).to.equal(stars({}).shareAcceptable);
      expect(one.stretches.map((e) => e.item)).not.to.include('spacing');
    }
  });

  it('makes a star as long as it was seen: 1.15 slight, 1.4 strong, across where it lay across', () => {
    const { tried } = triedOf(
      look(1, presentMm, { ...ROUND, topLeft: stick('rising', false), topRight: stick('falling', true) }),
    );
    const spread = seenSpread(tried[0]!, 2);
    expect(spread.direction).to.equal('tangential');
    expect(spread.sigmaArcsec.map((s) => Math.sqrt(4 + s ** 2) / 2)).to.deep.equal([1.4, 1.15, 1, 1].map((r) => r));
    expect(presentLook(triedOf(), spacing)).to.equal(null);
  });

  it('lies along the radius where more stars lie so than across, and where none does', () => {
    const directionOf = (places: object) => seenSpread(triedOf(look(1, presentMm, places)).tried[0]!, 2).direction;
    expect(directionOf({ ...ROUND, topLeft: stick('falling', true) })).to.equal('radial');
    expect(directionOf({ ...ROUND, topLeft: stick('rising', true) })).to.equal('tangential');
    expect(directionOf(ROUND)).to.equal('radial');
  });
});

describe('the light path’s mark in the run', () => {
  const state = (...readings: Reading[]) =>
    lightPathSummary(night({ readings }), makeFormat('metric', 'Europe/Lisbon')).state;

  it('asks for attention while corners of the present stack want a change, whatever the numbers say', () => {
    expect(state()).to.equal('done');
    expect(state(look(1, presentMm, toward(false)))).to.equal('attention');
    expect(state(look(1, presentMm + 1, around(false)))).to.equal('done');
    expect(state(look(1, presentMm, toward(false)), look(2, presentMm, ROUND))).to.equal('done');
  });
});

describe('what the corners tab says', () => {
  const saying = (...readings: Reading[]) => cornersSaying(night({ readings }));

  it('steps from the distance of the frame that was looked at', () => {
    expect(saying()).to.deep.equal({ code: 'none', hasCorrector: true });
    const told = saying(look(1, presentMm, toward(true)));
    expect(told.code === 'told' && told.verdict.code).to.equal('tooClose');
    expect(told.code === 'told' && told.stepMm).to.be.greaterThan(0.2);
    const far = saying(look(1, presentMm, around(true)));
    expect(far.code === 'told' && far.stepMm).to.be.lessThan(-0.2);
    const elsewhere = saying(look(1, presentMm - 1.5, toward(true)));
    const { best } = elsewhere as Extract<typeof elsewhere, { code: 'told' }>;
    expect(elsewhere.code === 'told' && elsewhere.stepMm).to.be.closeTo(
      best!.distanceMm - (zeroMm + presentMm - 1.5),
      1e-9,
    );
  });

  it('names the axis only where the camera stands square', () => {
    expect(drawnAlong('level', 0)).to.equal('ra');
    expect(drawnAlong('upright', 3)).to.equal('dec');
    expect(drawnAlong('level', 90)).to.equal('dec');
    expect(drawnAlong('upright', -92)).to.equal('ra');
    expect(drawnAlong('level', 45)).to.equal(null);
    expect(drawnAlong('rising', 0)).to.equal(null);
    expect(drawnAlong('level', 180)).to.equal('ra');
  });
});
