import { expect } from 'chai';
import fc from 'fast-check';
import { normal, seeded } from '../../../../src/core/math/random.ts';
import { roundnessBudget, stretchesOf } from '../../../../src/core/verdict/budget.ts';
import { cornersStretch, evenVariance, partsOfWidth } from '../../../../src/core/verdict/evenWidth.ts';
import type { PlannedSub, PoleDoubt } from '../../../../src/core/verdict/plannedSub.ts';
import { finite, holds } from '../../../support/properties.ts';
import { along, base, EVEN, GUIDED, planned, STILL } from '../../../support/subs.ts';

describe('what is known with a doubt', () => {
  const measured = (alt: number, az: number, doubt: PoleDoubt | null): PlannedSub['polar'] => ({
    known: 'components',
    altErrorArcmin: alt,
    azErrorArcmin: az,
    doubt,
    latDeg: 40,
    haH: 1.3,
  });

  it('a measured pole spreads the subs as poles drawn one by one from its covariance do', () => {
    const doubt: PoleDoubt = { altVar: 25, azVar: 81, covariance: -30 };
    const sub = { ...base, exposureS: 300, tracking: STILL };
    const random = seeded(7);
    const drawn = Array.from({ length: 3000 }, () => {
      const alt = 5 * normal(random);
      const az = (-30 / 25) * alt + Math.sqrt(81 - 30 ** 2 / 25) * normal(random);
      return stretchesOf({ ...sub, polar: measured(4 + alt, -6 + az, null) }).stretch50;
    }).sort((a, b) => a - b);
    const found = stretchesOf({ ...sub, polar: measured(4, -6, doubt) });
    expect(found.stretch90).to.be.closeTo(drawn[2700]!, 0.02 * drawn[2700]!);
    expect(found.stretch50).to.be.closeTo(drawn[1500]!, 0.02 * drawn[1500]!);
    expect(found.shareAcceptable).to.be.closeTo(drawn.filter((s) => s <= 1.25).length / 3000, 0.03);
  });

  it('more doubt of the pole never makes better stars, and the pole holds all of it', () => {
    holds(
      fc.property(planned, finite(-30, 30), finite(-30, 30), finite(0.5, 20), (sub, alt, az, sigma) => {
        const doubts = [null, ...[1, 2, 4].map((by) => spread(by * sigma))];
        const series = doubts.map((doubt) => stretchesOf({ ...sub, polar: measured(alt, az, doubt) }).stretch90);
        series.slice(1).forEach((stretch, i) => expect(stretch).to.be.at.least(0.985 * series[i]!));
        const { stretches } = roundnessBudget({ ...sub, polar: measured(0, 0, spread(sigma)) });
        expect(stretches.map((e) => e.item)).to.include('polar');
      }),
      100,
    );
  });
  const spread = (sigma: number): PoleDoubt => ({ altVar: sigma ** 2, azVar: sigma ** 2, covariance: 0 });

  it('a sag spreads the subs as sags drawn one by one from its doubt do, and more doubt is never better', () => {
    const sag = (east: number, north: number, sigma: number) =>
      stretchesOf({
        ...base,
        exposureS: 300,
        tracking: {
          ...GUIDED,
          flexureArcsecPerMin: Math.hypot(east, north),
          flexureDirectionDeg: (Math.atan2(east, north) * 180) / Math.PI,
          flexureSigmaArcsecPerMin: sigma,
        },
      });
    const random = seeded(11);
    const drawn = Array.from(
      { length: 3000 },
      () => sag(0.6 + 0.4 * normal(random), -0.2 + 0.4 * normal(random), 0).stretch50,
    ).sort((a, b) => a - b);
    const found = sag(0.6, -0.2, 0.4);
    expect(found.stretch90).to.be.closeTo(drawn[2700]!, 0.02 * drawn[2700]!);
    expect(found.stretch50).to.be.closeTo(drawn[1500]!, 0.02 * drawn[1500]!);
    const series = [0, 0.1, 0.2, 0.4, 0.8].map((sigma) => sag(0.6, -0.2, sigma).stretch90);
    series.slice(1).forEach((stretch, i) => expect(stretch).to.be.greaterThan(series[i]!));
  });

  it('one motor that guides leaves what moves in declination', () => {
    const polar = measured(10, 0, null);
    const guided = (axes: 'both' | 'ra', rmsDecArcsec = 0) =>
      roundnessBudget({ ...base, widthPx: 1, heightPx: 1, polar, tracking: { ...GUIDED, axes, rmsDecArcsec } });
    expect(guided('both').stretch90).to.be.closeTo(1, 1e-6);
    // Across the meridian angle of 1.3 h an axis too high drifts a star in declination by its sine.
    const drift = 0.26252 * 10 * Math.sin((1.3 * Math.PI) / 12) * 2;
    expect(guided('ra').stretch90).to.be.closeTo(along(drift ** 2 / 12), 1e-4);
    expect(Math.abs(guided('ra').star.angleDeg)).to.be.closeTo(90, 0.01);
    expect(guided('ra', 2).stretch90, 'nothing corrects in declination').to.equal(guided('ra').stretch90);
  });
});

describe('the even width', () => {
  it('holds the blur of the optics themselves, which no star is sharper than', () => {
    const lens = stretchesOf({ ...base, opticsFwhmArcsec: 12.2 });
    expect(lens.evenFwhmArcsec).to.be.closeTo(Math.hypot(2.3548 * Math.sqrt(EVEN), 12.2), 1e-9);
  });

  it('of a measured star is its width: what air, pixel and diffraction leave is the optics', () => {
    holds(
      fc.property(finite(0.5, 20), finite(1, 6), finite(0.3, 8), (widthArcsec, seeingFwhmArcsec, scaleArcsecPerPx) => {
        const at = { apertureMm: 80, scaleArcsecPerPx, seeingFwhmArcsec };
        const parts = partsOfWidth(widthArcsec, at);
        const width = Math.sqrt(evenVariance({ ...base, ...at, ...parts, balanceWindArcsec: 0 })) * 2.3548;
        const least = Math.sqrt(
          evenVariance({ ...base, ...at, seeingFwhmArcsec: 0, opticsFwhmArcsec: 0, balanceWindArcsec: 0 }),
        );
        expect(width).to.be.closeTo(Math.max(widthArcsec, least * 2.3548), 1e-9);
        expect(parts.seeingFwhmArcsec).to.be.at.most(seeingFwhmArcsec);
        if (parts.opticsFwhmArcsec > 0) expect(parts.seeingFwhmArcsec).to.equal(seeingFwhmArcsec);
      }),
    );
  });

  it('corners are as long as what spreads them', () => {
    const spacing = { sigmaArcsec: [0, 1, 0, 0.5] as const, direction: 'radial' as const };
    expect(cornersStretch(base, spacing)).to.be.closeTo(along(1), 1e-12);
    expect(cornersStretch(base, null)).to.equal(1);
  });
});
