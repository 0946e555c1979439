import { expect } from 'chai';
import fc from 'fast-check';
import { biasedPositionM, raBalance, type RaBalanceInput } from '../../../../src/core/mount/balance.ts';
import { clampShiftTo, weightSets } from '../../../../src/core/mount/balanceProposals.ts';
import { balancePositionM, momentAtKgM, type Levers } from '../../../../src/core/mount/levers.ts';
import { tubeSideMomentKgM } from '../../../../scripts/trials/hung.ts';
import { barPlace, heavySide } from '../../../../src/core/mount/heavySide.ts';
import { judgeSteadiness } from '../../../../src/core/mount/steadiness.ts';
import { unbalancedTorque } from '../../../../src/core/mount/strainWave.ts';
import { finite, holds } from '../../../support/properties.ts';

const mass = finite(0.05, 6);
const arms = fc.array(fc.record({ massKg: mass, armM: finite(-0.5, 0.5) }), { minLength: 1, maxLength: 6 });

describe('levers about an axis', () => {
  it('after the shift of what moves nothing is left, whichever way the position is counted', () => {
    holds(
      fc.property(arms, arms, fc.constantFrom<1 | -1>(1, -1), finite(-0.3, 0.3), (fixed, moving, sense, presentM) => {
        const levers: Levers = { fixed, moving, sense, presentM };
        const atM = balancePositionM(levers);
        const leftKgM =
          fixed.reduce((total, l) => total + l.massKg * l.armM, 0) +
          moving.reduce((total, l) => total + l.massKg * (l.armM + sense * (atM - presentM)), 0);
        expect(leftKgM).to.be.closeTo(0, 1e-9);
        expect(momentAtKgM(levers, atM)).to.be.closeTo(0, 1e-9);
      }),
    );
  });

  it('what an earlier balance showed beyond the stated masses moves the place', () => {
    const levers: Levers = {
      fixed: [{ massKg: 7, armM: 0.2 }],
      moving: [{ massKg: 4, armM: 0 }],
      sense: -1,
      presentM: 0,
    };
    expect(balancePositionM(levers)).to.be.closeTo(0.35, 1e-12);
    expect(balancePositionM(levers, 0.2)).to.be.closeTo(0.4, 1e-12);
  });
});

describe('a deliberate bias', () => {
  it('the east side is the heavier one: twice the bias lies between the two sides of a flip', () => {
    expect(biasedPositionM(0.2, 3, 'west') - biasedPositionM(0.2, 3, 'east')).to.be.closeTo(0.006, 1e-12);
  });
});

describe('a tube’s side that is too heavy', () => {
  const rig: RaBalanceInput = {
    parts: [
      { id: 'tube', massKg: 3.4, fromRaAxisM: 0.17 },
      { id: 'rest', massKg: 3.57, fromRaAxisM: 0.17 },
    ],
    bar: { massKg: 0.8, centreM: 0.2 },
    movableWeights: [{ id: 'w35', massKg: 3.5 }],
    fixedWeights: [],
    barRangeM: [0.12, 0.42],
  };
  const box = [1, 2, 3.5, 5].map((massKg) => ({ id: `w${massKg}`, massKg }));

  it('answers with both schools: more weight has less inertia and more load', () => {
    const answer = heavySide({ input: rig, box, clampPartId: 'tube', setM: 0.2 });
    expect(answer?.moreWeight?.ids).to.deep.equal(['w5']);
    expect(answer?.furtherOut?.extensionM).to.equal(null);
    expect(answer!.moreWeight!.inertiaKgM2).to.be.lessThan(answer!.furtherOut!.inertiaKgM2);
    expect(answer!.moreWeight!.totalOnAxisKg).to.be.greaterThan(answer!.furtherOut!.totalOnAxisKg);
    expect(answer!.clamp!.clampShiftM).to.be.lessThan(0);
  });

  it('says nothing when the weights already stand far enough out', () => {
    expect(heavySide({ input: rig, box, clampPartId: 'tube', setM: 0.4 })).to.equal(null);
  });

  it('moving the clamp leaves no moment at the place of the weights', () => {
    holds(
      fc.property(finite(0.12, 0.42), (atM) => {
        const { clampShiftM } = clampShiftTo(rig, 'tube', atM)!;
        const moved = rig.parts.map((p) => (p.id === 'tube' ? { ...p, fromRaAxisM: p.fromRaAxisM + clampShiftM } : p));
        expect(tubeSideMomentKgM({ ...rig, parts: moved }, atM)).to.be.closeTo(0, 1e-9);
      }),
    );
    expect(clampShiftTo(rig, 'nobody', 0.2)).to.equal(null);
  });

  it('the first set proposed needs the fewest pieces of all that fit', () => {
    holds(
      fc.property(fc.array(finite(0.3, 6), { minLength: 1, maxLength: 6 }), (masses) => {
        const owned = masses.map((massKg, i) => ({ id: `b${i}`, massKg }));
        let fewest = Infinity;
        for (let bits = 1; bits < 2 ** owned.length; bits += 1) {
          const set = owned.filter((_, i) => (bits >> i) & 1);
          if (raBalance({ ...rig, movableWeights: set }).inRange) fewest = Math.min(fewest, set.length);
        }
        expect(weightSets(rig, owned)[0]?.ids.length ?? Infinity).to.equal(fewest);
      }),
    );
  });

  it('names the ends of the bar before they are reached', () => {
    const places = [0.13, 0.27, 0.4].map((m) => barPlace(m, [0.12, 0.42]));
    expect(places).to.deep.equal(['nearInnerEnd', 'fine', 'nearOuterEnd']);
  });
});

describe('a strain-wave drive', () => {
  const given = {
    parts: [{ id: 'tube', massKg: 5, fromRaAxisM: 0.15 }],
    counter: [],
    ratedKg: 8,
    referenceArmM: 0.2,
    shareUsed: 2 / 3,
  };

  it('holds the unbalanced torque against its rating', () => {
    const bare = unbalancedTorque(given);
    expect(bare.bare.torqueNm).to.be.closeTo(7.355, 0.001);
    expect(bare.allowedNm).to.be.closeTo(10.46, 0.01);
    expect([bare.bare.verdict, bare.withWeights]).to.deep.equal(['fine', null]);
    expect(unbalancedTorque({ ...given, parts: [{ ...given.parts[0]!, massKg: 9 }] }).bare.verdict).to.equal('over');
  });

  it('a counterweight takes it away, too much of it pulls the other way', () => {
    const withWeight = (atM: number) => unbalancedTorque({ ...given, counter: [{ massKg: 3, atM }] }).withWeights!;
    expect(withWeight(0.25).torqueNm).to.be.closeTo(0, 1e-9);
    expect(withWeight(0.5).torqueNm).to.be.closeTo(7.355, 0.001);
  });
});

describe('the tap test', () => {
  it('long focal lengths forgive less', () => {
    expect(judgeSteadiness(3, 384).verdict).to.equal('steady');
    expect(judgeSteadiness(3, 750).verdict).to.equal('slow');
    expect(judgeSteadiness(3, 2000).verdict).to.equal('shaky');
  });

  it('two seconds are the usual 0.3 arcsec; longer settling never counts as steadier', () => {
    expect(judgeSteadiness(2, 500).sigmaArcsec).to.be.closeTo(0.3, 1e-12);
    holds(
      fc.property(finite(0, 60), finite(0, 60), finite(20, 4000), (a, b, focalMm) => {
        const [calm, rough] = [judgeSteadiness(Math.min(a, b), focalMm), judgeSteadiness(Math.max(a, b), focalMm)];
        expect(rough.sigmaArcsec).to.be.at.least(calm.sigmaArcsec);
        expect(rough.waitAfterSlewS).to.be.at.least(calm.waitAfterSlewS);
      }),
    );
    expect(() => judgeSteadiness(-1, 500)).to.throw(RangeError, 'settleS');
  });
});
