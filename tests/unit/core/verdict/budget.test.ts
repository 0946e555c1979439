import { expect } from 'chai';
import fc from 'fast-check';
import { opticalTrain } from '../../../../src/core/optics/train.ts';
import { curveVariance, sinusoidVariance, wormPeriodS } from '../../../../src/core/tracking/periodicError.ts';
import { roundnessBudget, verdictOf } from '../../../../src/core/verdict/budget.ts';
import type { BudgetInput } from '../../../../src/core/verdict/contributions.ts';
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

describe('roundness budget', () => {
  it('a perfect mount leaves a round star', () => {
    const perfect: BudgetInput = {
      ...base,
      polar: { known: 'size', errorArcmin: 0 },
      tracking: {
        guided: true,
        rmsRaArcsec: 0,
        rmsDecArcsec: 0,
        guideStarArcsec: [0, 0],
        flexureArcsecPerMin: 0,
        flexureDirectionDeg: null,
      },
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
      tracking: {
        guided: true,
        rmsRaArcsec: 0.5,
        rmsDecArcsec: 0.5,
        guideStarArcsec: [0, 0],
        flexureArcsecPerMin,
        flexureDirectionDeg: null,
      },
    });
    expect(roundnessBudget(guided(0.5)).worstRatio).to.be.greaterThan(roundnessBudget(guided(0)).worstRatio);
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
