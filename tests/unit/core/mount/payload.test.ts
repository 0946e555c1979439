import { expect } from 'chai';
import fc from 'fast-check';
import { biasedPositionM, raBalance, raImbalanceKgM, type RaBalanceInput } from '../../../../src/core/mount/balance.ts';
import { clampShiftTo, weightSets } from '../../../../src/core/mount/balanceProposals.ts';
import {
  counterMassKg,
  decBalance,
  sidewaysBalance,
  sidewaysShiftM,
  type MassAside,
} from '../../../../src/core/mount/decBalance.ts';
import { barPlace, heavySide } from '../../../../src/core/mount/heavySide.ts';
import { judgeSteadiness } from '../../../../src/core/mount/steadiness.ts';
import { unbalancedTorque } from '../../../../src/core/mount/strainWave.ts';
import { finite, holds } from '../../../support/properties.ts';

const mass = finite(0.05, 6);
const parts = fc.array(
  fc.record({
    id: fc.constantFrom('a', 'b', 'c'),
    massKg: mass,
    alongTubeM: finite(-0.5, 0.5),
    sidewaysM: finite(-0.2, 0.2),
    slides: fc.boolean(),
  }),
  { minLength: 1, maxLength: 6 },
);

describe('balance about the declination axis', () => {
  it('after the slide nothing is left', () => {
    holds(
      fc.property(parts, (rig) => {
        const { slideM, momentKgM, heavyEnd } = decBalance(rig);
        if (slideM === null) {
          expect(rig.some((p) => p.slides)).to.equal(false);
          return;
        }
        const slid = rig.map((p) => ({ ...p, alongTubeM: p.alongTubeM + (p.slides ? slideM : 0) }));
        expect(decBalance(slid).momentKgM).to.be.closeTo(0, 1e-9);
        if (heavyEnd === 'none') return;
        expect(slideM > 0).to.equal(heavyEnd === 'rear');
        expect(momentKgM > 0).to.equal(heavyEnd === 'front');
      }),
    );
  });

  it('a shift or a counter mass takes the sideways moment away', () => {
    holds(
      fc.property(parts, finite(-0.3, -0.05), (rig, atM) => {
        const whole: MassAside[] = rig.map((p, i) => ({ ...p, id: `p${i}` }));
        const shift = sidewaysShiftM(whole, 'p0') ?? 0;
        const moved = whole.map((p) => (p.id === 'p0' ? { ...p, sidewaysM: p.sidewaysM + shift } : p));
        expect(sidewaysBalance(moved).torqueTubeUpNm).to.be.closeTo(0, 1e-9);
        const added = counterMassKg(whole, atM);
        const aside = sidewaysBalance(whole).sidewaysMomentKgM;
        expect(added === null).to.equal(aside <= 0);
        if (added !== null) expect(aside + added * atM).to.be.closeTo(0, 1e-9);
      }),
    );
  });

  it('the torque at 45 degrees is that of a turned rig', () => {
    holds(
      fc.property(parts, (rig) => {
        const turned = rig.reduce(
          (total, p) => total + p.massKg * (p.alongTubeM * Math.cos(Math.PI / 4) - p.sidewaysM * Math.sin(Math.PI / 4)),
          0,
        );
        expect(sidewaysBalance(rig).torqueTubeAt45Nm).to.be.closeTo(Math.abs(turned) * 9.80665, 1e-9);
      }),
    );
  });

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
        expect(raImbalanceKgM({ ...rig, parts: moved }, atM)).to.be.closeTo(0, 1e-9);
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
    const places = [0.1, 0.13, 0.27, 0.4, 0.43].map((m) => barPlace(m, [0.12, 0.42]));
    expect(places).to.deep.equal(['insideInnerEnd', 'nearInnerEnd', 'fine', 'nearOuterEnd', 'beyondOuterEnd']);
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
