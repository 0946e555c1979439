import { expect } from 'chai';
import fc from 'fast-check';
import { opticalTrain } from '../../../../src/core/optics/train.ts';
import { curveVariance, sinusoidVariance, wormPeriodS } from '../../../../src/core/tracking/periodicError.ts';
import { roundnessBudget, verdictOf } from '../../../../src/core/verdict/budget.ts';
import { refractionDriftArcsec, type BudgetInput } from '../../../../src/core/verdict/contributions.ts';
import { parallacticAngleDeg, toHorizontal } from '../../../../src/core/sky/horizontal.ts';
import { apparentAltDeg } from '../../../../src/core/sky/refraction.ts';
import { SOLAR_PER_SIDEREAL } from '../../../../src/core/time/utc.ts';
import { polarGoal } from '../../../../src/core/verdict/polarGoal.ts';
import { finite, holds } from '../../../support/properties.ts';

const base: BudgetInput = {
  scaleArcsecPerPx: 2,
  widthPx: 6000,
  heightPx: 4000,
  cameraAngleDeg: 0,
  apertureMm: 80,
  declinationDeg: 40,
  exposureS: 120,
  seeingFwhmArcsec: 2.5,
  defocusDiscArcsec: 0,
  balanceWindArcsec: 0.3,
  polar: { known: 'size', errorArcmin: 5 },
  tracking: {
    guided: false,
    sinusoids: [{ amplitudeArcsec: 6, periodS: 480 }],
    curve: null,
    raRateAxisArcsecPerMin: 0.2,
    refraction: { latDeg: 40, haH: 3 },
  },
  spacing: null,
};

const GUIDED = {
  guided: true as const,
  rmsRaArcsec: 0,
  rmsDecArcsec: 0,
  guideStarArcsec: [0, 0] as const,
  flexureArcsecPerMin: 0,
  flexureDirectionDeg: null,
};

describe('roundness budget', () => {
  it('a perfect mount leaves a round star', () => {
    const perfect: BudgetInput = {
      ...base,
      polar: { known: 'size', errorArcmin: 0 },
      tracking: GUIDED,
    };
    expect(roundnessBudget(perfect)).to.deep.include({ worstRatio: 1, verdict: 'round', eccentricity: 0 });
  });

  it('better seeing never makes a stretched star rounder', () => {
    holds(
      fc.property(finite(1, 5), finite(0.1, 2), (seeing, better) => {
        const at = (seeingFwhmArcsec: number) => roundnessBudget({ ...base, seeingFwhmArcsec }).worstRatio;
        expect(at(seeing)).to.be.at.most(at(Math.max(0.5, seeing - better)) + 1e-12);
      }),
    );
  });

  it('a longer sub is never rounder when only drift and slow periodic error stretch it', () => {
    holds(
      fc.property(finite(5, 100), finite(1, 100), (exposureS, more) => {
        const drift: BudgetInput = {
          ...base,
          tracking: { guided: false, sinusoids: [], curve: null, raRateAxisArcsecPerMin: 0, refraction: null },
        };
        const at = (s: number) => roundnessBudget({ ...drift, exposureS: s }).worstRatio;
        expect(at(exposureS + more)).to.be.at.least(at(exposureS) - 1e-12);
      }),
    );
  });

  it('names the items in falling order and puts them into two groups', () => {
    const { items, worstRatio } = roundnessBudget(base);
    expect(items.map((i) => i.fall)).to.deep.equal([...items.map((i) => i.fall)].sort((a, b) => b - a));
    expect(items.filter((i) => i.group === 'widens').map((i) => i.item)).to.have.members([
      'seeing',
      'defocus',
      'diffraction',
      'pixel',
      'balanceWind',
    ]);
    expect(items[0]!.fall).to.be.within(0, worstRatio - 1 + 1e-9);
  });

  it('the camera angle turns the corners but not the verdict of a round field', () => {
    const spacing = { sigmaArcsec: [1, 1, 1, 1] as const, direction: 'radial' as const };
    const still: BudgetInput = {
      ...base,
      spacing,
      polar: { known: 'size', errorArcmin: 0 },
      tracking: { guided: false, sinusoids: [], curve: null, raRateAxisArcsecPerMin: 0, refraction: null },
    };
    const at = (cameraAngleDeg: number) => roundnessBudget({ ...still, cameraAngleDeg }).worstRatio;
    expect(at(37)).to.be.closeTo(at(0), 1e-9);
  });

  it('flexure stretches guided subs and an off-axis guider has none', () => {
    const guided = (flexureArcsecPerMin: number): BudgetInput => ({
      ...base,
      exposureS: 600,
      tracking: { ...GUIDED, rmsRaArcsec: 0.5, rmsDecArcsec: 0.5, flexureArcsecPerMin },
    });
    expect(roundnessBudget(guided(0.5)).worstRatio).to.be.greaterThan(roundnessBudget(guided(0)).worstRatio);
  });

  it('a bending tube smears by rate times time, along its own direction, and along declination when none is known', () => {
    const smear = (flexureArcsecPerMin: number, flexureDirectionDeg: number | null, exposureS: number) => {
      const tracking = { ...GUIDED, flexureArcsecPerMin, flexureDirectionDeg };
      const { covariances } = roundnessBudget({
        ...base,
        polar: { known: 'size', errorArcmin: 0 },
        exposureS,
        tracking,
      });
      return covariances[0]!.covariance;
    };
    const none = smear(0, 0, 120);
    // Six arcsec in two minutes, spread evenly: 36 / 12.
    expect(smear(3, 90, 120).xx - none.xx).to.be.closeTo(3, 1e-9);
    expect(smear(3, 90, 120).yy - none.yy).to.be.closeTo(0, 1e-9);
    expect(smear(3, null, 240).yy - none.yy).to.be.closeTo(12, 1e-9);
    expect(smear(3, 45, 120).xy - none.xy).to.be.closeTo(1.5, 1e-9);
  });

  it('refraction moves the star by what the air lifts it more at one end than at the other', () => {
    holds(
      fc.property(finite(20, 50), finite(-10, 60), finite(0.5, 3.5), (latDeg, declinationDeg, haH) => {
        const halfH = (600 / 3600 / 2) * SOLAR_PER_SIDEREAL;
        const [first, last] = [-halfH, halfH].map((h) => {
          const { altDeg } = toHorizontal(haH + h, declinationDeg, latDeg);
          const lift = (apparentAltDeg(altDeg) - altDeg) * 3600;
          const q = (parallacticAngleDeg(haH + h, declinationDeg, latDeg) * Math.PI) / 180;
          return { altDeg, x: lift * Math.sin(q), y: lift * Math.cos(q) };
        });
        fc.pre(last!.altDeg > 20);
        const [x, y] = refractionDriftArcsec({ ...base, declinationDeg, exposureS: 600 }, { latDeg, haH });
        const size = Math.hypot(last!.x - first!.x, last!.y - first!.y);
        expect(Math.hypot(x - (last!.x - first!.x), y - (last!.y - first!.y))).to.be.below(0.04 * size + 0.02);
      }),
    );
  });

  it('names every point where the star is as long as at the worst, and the ellipse by its axes', () => {
    const still = roundnessBudget({ ...base, polar: { known: 'size', errorArcmin: 0 } });
    expect(still.worstAt).to.deep.equal(['centre', 'corner0', 'corner1', 'corner2', 'corner3']);
    expect(still.eccentricity).to.be.closeTo(Math.sqrt(1 - (still.fwhmMinorArcsec / still.fwhmMajorArcsec) ** 2), 1e-9);
    expect(still.eccentricity).to.be.within(0.3, 1);
    const spacing = { sigmaArcsec: [3, 0, 0, 0] as const, direction: 'radial' as const };
    const one = roundnessBudget({ ...base, polar: { known: 'size', errorArcmin: 0 }, spacing });
    expect(one.worstAt).to.deep.equal(['corner0']);
    expect(one.centreRatio).to.be.closeTo(still.worstRatio, 1e-9);
  });

  it('what adds nothing falls by exactly nothing; what adds only elsewhere does not count as nothing', () => {
    const { items } = roundnessBudget(base);
    for (const item of ['defocus', 'spacing'] as const) {
      expect(items.find((i) => i.item === item)).to.deep.include({ fall: 0, sigmaArcsec: 0 });
    }
    expect(items.find((i) => i.item === 'refraction')!.fall).to.be.greaterThan(0);
  });

  it('limits: under round, up to and including acceptable, above elongated', () => {
    expect([verdictOf(1.0999), verdictOf(1.1), verdictOf(1.25), verdictOf(1.2501)]).to.deep.equal([
      'round',
      'acceptable',
      'acceptable',
      'elongated',
    ]);
    expect(verdictOf(1.15, { round: 1.2, acceptable: 1.4 })).to.equal('round');
  });
});

describe('the goal of the pole', () => {
  it('is the largest error that still leaves the star round, at the centre and in the corner', () => {
    const alone: BudgetInput = {
      ...base,
      exposureS: 600,
      tracking: { guided: false, sinusoids: [], curve: null, raRateAxisArcsecPerMin: 0, refraction: null },
    };
    const goal = polarGoal({ ...base, exposureS: 600 });
    const at = (errorArcmin: number) => roundnessBudget({ ...alone, polar: { known: 'size', errorArcmin } });
    expect(at(goal.centreArcmin).centreRatio).to.be.below(1.1);
    expect(at(goal.centreArcmin + 0.002).centreRatio).to.be.at.least(1.1);
    expect(at(goal.cornerArcmin).worstRatio).to.be.below(1.1);
    expect(at(goal.cornerArcmin + 0.002).worstRatio).to.be.at.least(1.1);
    expect(goal.goalArcmin).to.equal(Math.min(10, goal.centreArcmin, goal.cornerArcmin));
  });
});

describe('periodic error within a sub', () => {
  it('nothing in no time, the whole sine in whole turns', () => {
    expect(sinusoidVariance([{ amplitudeArcsec: 6, periodS: 480 }], 0)).to.equal(0);
    expect(sinusoidVariance([{ amplitudeArcsec: 6, periodS: 480 }], 480)).to.be.closeTo(18, 1e-9);
  });

  it('a sampled sine agrees with the closed form', () => {
    const periodS = 480;
    const errorArcsec = Array.from({ length: 4800 }, (_, i) => 5 * Math.sin((2 * Math.PI * i) / periodS));
    for (const exposureS of [30, 120, 300]) {
      const sampled = curveVariance({ stepS: 1, errorArcsec }, exposureS);
      expect(sampled).to.be.closeTo(sinusoidVariance([{ amplitudeArcsec: 5, periodS }], exposureS), 0.15);
    }
  });

  it('a window longer than the curve is cut to it', () => {
    expect(curveVariance({ stepS: 1, errorArcsec: [1, 3] }, 100)).to.equal(1);
    expect(wormPeriodS(180)).to.be.closeTo(478.69, 0.01);
  });
});

describe('optical train', () => {
  it('names the argument that cannot be', () => {
    expect(() =>
      opticalTrain({ apertureMm: 80, focalMm: 0, factor: 1, pixelUm: 3.76, widthPx: 10, heightPx: 10 }),
    ).to.throw('focalMm must be above 0, got 0');
  });
});
