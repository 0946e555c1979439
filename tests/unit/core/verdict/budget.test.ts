import { expect } from 'chai';
import fc from 'fast-check';
import { apparentAltDeg } from '../../../../src/core/sky/refraction.ts';
import { isGoodEnough, roundnessBudget, stretchesOf, verdictOf } from '../../../../src/core/verdict/budget.ts';
import { refractionDriftArcsec } from '../../../../src/core/verdict/motions.ts';
import type { Tracking } from '../../../../src/core/verdict/plannedSub.ts';
import { polarGoal } from '../../../../src/core/verdict/polarGoal.ts';
import { finite, holds } from '../../../support/properties.ts';
import { along, base, EVEN, GUIDED, planned, size, STILL, swing } from '../../../support/subs.ts';

describe('stretch of the stars', () => {
  it('a perfect mount leaves the width that air and optics allow', () => {
    const found = roundnessBudget(base);
    expect(found).to.deep.include({ stretch90: 1, shareRound: 1, shareAcceptable: 1, verdict: 'round', stretches: [] });
    expect(found.evenFwhmArcsec).to.be.closeTo(2.3548 * Math.sqrt(EVEN), 1e-6);
    expect(found.widens.map((e) => e.item)).to.deep.equal([
      'seeing',
      'diffraction',
      'pixel',
      'balanceWind',
      'optics',
      'defocus',
    ]);
  });

  it('a rate draws a line of rate x time x cos(dec), a twelfth of its square', () => {
    const rated = { ...base, tracking: { ...STILL, raRateAxisArcsecPerMin: 3 } };
    const line = 3 * 2 * Math.cos((40 * Math.PI) / 180);
    expect(roundnessBudget(rated).stretch90).to.be.closeTo(along((line * line) / 12), 1e-9);
    expect(roundnessBudget(rated).star.angleDeg, 'along right ascension').to.be.closeTo(0, 1e-9);
  });

  it('drift and rate that run together add as vectors, not as spreads', () => {
    // Straight across the meridian an axis too high drifts stars in right ascension alone, toward the west in the north.
    const high = (altErrorArcmin: number, raRateAxisArcsecPerMin: number) =>
      roundnessBudget({
        ...base,
        widthPx: 1,
        heightPx: 1,
        polar: { known: 'components', altErrorArcmin, azErrorArcmin: 0, doubt: null, latDeg: 50, haH: 0 },
        tracking: { ...STILL, raRateAxisArcsecPerMin },
      });
    const westPerMin = 0.26252 * 20 * Math.sin((40 * Math.PI) / 180);
    const cancelling = westPerMin / Math.cos((40 * Math.PI) / 180);
    expect(high(20, 0).stretch90).to.be.closeTo(along((westPerMin * 2) ** 2 / 12), 1e-4);
    expect(high(20, cancelling).stretch90).to.be.closeTo(1, 1e-4);
    expect(high(20, -cancelling).stretch90).to.be.closeTo(along((westPerMin * 4) ** 2 / 12), 1e-4);
    expect(
      high(20, cancelling)
        .stretches.map((e) => e.fall)
        .every((fall) => fall < 0),
    ).to.equal(true);
  });

  it('guided, only the turn about the guide star is left of a polar error', () => {
    const guided = (guideStarArcsec: [number, number]) =>
      roundnessBudget({
        ...base,
        polar: { known: 'components', altErrorArcmin: 30, azErrorArcmin: 0, doubt: null, latDeg: 50, haH: 0 },
        tracking: { ...GUIDED, guideStarArcsec },
      });
    const turn = (7.2921159e-5 * 120 * (30 / 60) * (Math.PI / 180)) / Math.cos((40 * Math.PI) / 180);
    expect(guided([0, 0]).centreStretch90).to.be.closeTo(1, 1e-12);
    expect(guided([0, 0]).stretch90).to.be.closeTo(along((turn * Math.hypot(6000, 4000)) ** 2 / 12), 1e-9);
    // From a guide star 100 arcsec east the centre turns as far.
    expect(guided([100, 0]).centreStretch90).to.be.closeTo(along((turn * 100) ** 2 / 12), 1e-9);
    expect(guided([100, 0]).stretch90).to.be.greaterThan(guided([0, 0]).stretch90);
  });

  it('flexure smears by rate times time along its own direction; guiding widens both ways', () => {
    const sag = (flexureDirectionDeg: number | null) =>
      roundnessBudget({ ...base, tracking: { ...GUIDED, flexureArcsecPerMin: 3, flexureDirectionDeg } });
    expect(sag(90).stretch90).to.be.closeTo(along(3), 1e-9);
    expect(sag(90).star.angleDeg, 'toward the east').to.be.closeTo(0, 1e-9);
    expect(Math.abs(sag(0).star.angleDeg), 'toward the north').to.be.closeTo(90, 1e-9);
    expect(sag(null).stretch90).to.be.closeTo(along(3), 1e-9);
    const swollen = roundnessBudget({ ...base, tracking: { ...GUIDED, rmsRaArcsec: 1.5, rmsDecArcsec: 1.4 } });
    expect([swollen.verdict, swollen.star.lengthOverWidth < 1.1]).to.deep.equal(['swollen', true]);
    expect(roundnessBudget({ ...base, tracking: { ...GUIDED, rmsRaArcsec: 2, rmsDecArcsec: 0 } }).verdict).to.equal(
      'long',
    );
  });

  it('an alt-azimuth mount turns the field about its centre, or about the guide star', () => {
    const turning = (tracking: Tracking) =>
      roundnessBudget({ ...base, exposureS: 20, fieldTurnArcsecPerS: 12, tracking });
    const trail = ((12 * 20) / 206264.80624709636) * Math.hypot(6000, 4000);
    for (const tracking of [STILL, GUIDED]) {
      const found = turning(tracking);
      expect(found.centreStretch90).to.be.closeTo(1, 1e-12);
      expect(found.stretch90).to.be.closeTo(along(trail ** 2 / 12), 1e-9);
      expect(found.stretches.map((e) => e.item)).to.deep.equal(['fieldTurn']);
    }
    expect(turning({ ...GUIDED, guideStarArcsec: [0, 3000] }).centreStretch90).to.be.greaterThan(1.01);
  });

  it('wrong spacing stretches corners only, across or along the radius, whatever the camera angle', () => {
    const spacing = { sigmaArcsec: [1, 1, 1, 1] as const, direction: 'radial' as const };
    for (const cameraAngleDeg of [0, 37]) {
      const found = roundnessBudget({ ...base, cameraAngleDeg, spacing });
      expect([found.centreStretch90, found.stretches.map((e) => e.item)]).to.deep.equal([1, ['spacing']]);
      expect(found.stretch90).to.be.closeTo(along(1), 1e-9);
    }
    const one = { sigmaArcsec: [2, 0, 0, 0] as const, direction: 'tangential' as const };
    const { star } = roundnessBudget({ ...base, spacing: one });
    expect(star.at).to.equal('corner0');
    expect(star.angleDeg, 'across the radius to width/2, height/2').to.be.closeTo(
      (Math.atan2(3, -2) * 180) / Math.PI - 180,
      1e-6,
    );
  });

  it('slow wobble: the share is that of the phases at which the drive runs slowly enough', () => {
    // 5 s of an 8 min worm: nearly a straight line of speed 2 pi A / T |cos phase|.
    const sub = { ...base, exposureS: 5, tracking: swing(60), declinationDeg: 0 };
    const speed = ((2 * Math.PI * 60) / 480) * 5;
    const phase = Math.acos(Math.sqrt(12 * EVEN * (1.25 ** 2 - 1)) / speed);
    expect(roundnessBudget(sub).shareAcceptable).to.be.closeTo(1 - (2 * phase) / Math.PI, 0.002);
    expect(roundnessBudget({ ...sub, tracking: swing(0) }).shareAcceptable).to.equal(1);
  });

  it('known phases of one worm hold its harmonics together', () => {
    const locked = (second: number): Tracking => ({
      ...STILL,
      drive: {
        sinusoids: [
          { amplitudeArcsec: 10, periodS: 480, phaseDeg: 0 },
          { amplitudeArcsec: 10, periodS: 480, phaseDeg: second },
        ],
        curve: null,
      },
    });
    const at = (tracking: Tracking) => stretchesOf({ ...base, tracking }).stretch90;
    expect(at(locked(180)), 'they cancel').to.be.closeTo(1, 1e-9);
    expect(at(locked(0))).to.be.closeTo(at(swing(20)), 0.01);
  });

  it('refraction moves a star along with the place to which the air lifts it', () => {
    holds(
      fc.property(finite(-50, 50), finite(-30, 60), finite(-3.5, 3.5), (latDeg, declinationDeg, haH) => {
        const rad = Math.PI / 180;
        const [lat, dec] = [latDeg * rad, declinationDeg * rad];
        /** Equatorial vector of the lifted star, toward hour angle 0, west, north. */
        const lifted = (h: number) => {
          const star = [Math.cos(dec) * Math.cos(h), Math.cos(dec) * Math.sin(h), Math.sin(dec)];
          const zenith = [Math.cos(lat), 0, Math.sin(lat)];
          const sinAlt = star.reduce((sum, v, i) => sum + v * zenith[i]!, 0);
          const altDeg = Math.max(0, Math.asin(sinAlt) / rad);
          const level = star.map((v, i) => (v - sinAlt * zenith[i]!) / Math.cos(altDeg * rad));
          const alt = apparentAltDeg(altDeg) * rad;
          const seen = level.map((v, i) => v * Math.cos(alt) + Math.sin(alt) * zenith[i]!);
          // Eastward is where the hour angle falls.
          const east = (h - Math.atan2(seen[1]!, seen[0]!)) * Math.cos(dec);
          return { altDeg, x: (east / rad) * 3600, y: (Math.asin(seen[2]!) / rad) * 3600 };
        };
        const half = ((600 / 86164.09) * 2 * Math.PI) / 2;
        const [first, last] = [lifted(haH * 15 * rad - half), lifted(haH * 15 * rad + half)];
        fc.pre(Math.min(first.altDeg, last.altDeg) > 20 && Math.abs(declinationDeg) < 60);
        const [x, y] = refractionDriftArcsec({ declinationDeg, exposureS: 600 }, { latDeg, haH });
        const [wantedX, wantedY] = [last.x - first.x, last.y - first.y];
        expect(Math.hypot(x - wantedX, y - wantedY)).to.be.below(0.05 * Math.hypot(wantedX, wantedY) + 0.05);
      }),
    );
  });
});

describe('the account never flatters', () => {
  it('S90 never falls by more than a hundredth when the pole gets worse', () => {
    holds(
      fc.property(planned, (sub) => {
        const series = [0, 2, 8, 30, 60].map((error) => stretchesOf({ ...sub, polar: size(error) }).stretch90);
        series.slice(1).forEach((stretch, i) => expect(stretch).to.be.at.least(0.99 * series[i]!));
      }),
      300,
    );
  });

  it('nor when the swing of the drive, the guiding, flexure or the air’s calm grow', () => {
    holds(
      fc.property(planned, finite(1.05, 3), (sub, factor) => {
        const { tracking: t } = sub;
        const worse: Tracking = t.guided
          ? {
              ...t,
              rmsRaArcsec: t.rmsRaArcsec * factor,
              rmsDecArcsec: t.rmsDecArcsec * factor,
              flexureArcsecPerMin: t.flexureArcsecPerMin * factor,
            }
          : {
              ...t,
              drive: {
                ...t.drive,
                sinusoids: t.drive.sinusoids.map((s) => ({ ...s, amplitudeArcsec: s.amplitudeArcsec * factor })),
              },
            };
        const [now, then] = [stretchesOf(sub), stretchesOf({ ...sub, tracking: worse })];
        expect(then.stretch90).to.be.at.least(0.99 * now.stretch90);
        expect(stretchesOf({ ...sub, seeingFwhmArcsec: sub.seeingFwhmArcsec * factor }).stretch90).to.be.at.most(
          now.stretch90 + 1e-9,
        );
      }),
      100,
    );
  });

  it('shares and stretches say the same, and the items stand by their falls', () => {
    holds(
      fc.property(planned, finite(0, 60), (sub, errorArcmin) => {
        const found = roundnessBudget({ ...sub, polar: size(errorArcmin) });
        expect(found.shareRound >= 0.9).to.equal(found.stretch90 <= 1.1);
        expect(found.shareAcceptable >= 0.9).to.equal(found.stretch90 <= 1.25);
        expect(isGoodEnough(found.verdict)).to.equal(found.shareAcceptable >= 0.9);
        expect(found.stretch50).to.be.at.most(found.stretch90);
        expect(found.centreStretch90).to.be.at.most(found.stretch90);
        const falls = found.stretches.map((e) => e.fall);
        expect(falls).to.deep.equal([...falls].sort((a, b) => b - a));
        expect(found.stretches.every((e) => e.fall <= found.stretch90 - 1 + 1e-9 && e.fwhmArcsec > 0)).to.equal(true);
        expect(found.star.lengthOverWidth).to.be.at.most(found.stretch50 + 1e-9);
      }),
      100,
    );
  });

  it('an item that alone stretches falls by everything it adds', () => {
    const { stretches, stretch90 } = roundnessBudget({ ...base, polar: size(20) });
    expect(stretches).to.have.length(1);
    expect(stretches[0]).to.include({ item: 'polar' });
    expect(stretches[0]!.fall).to.be.closeTo(stretch90 - 1, 1e-12);
    expect(stretches[0]!.fwhmArcsec).to.be.closeTo(2.3548 * Math.sqrt(EVEN * (stretch90 ** 2 - 1)), 1e-6);
  });
});

describe('the verdict', () => {
  it('up to and including each limit; above them the middle star tells which', () => {
    const limits = { round: 1.1, acceptable: 1.25 };
    expect([1.1, 1.1001, 1.25].map((s) => verdictOf(s, 3, limits))).to.deep.equal([
      'round',
      'acceptable',
      'acceptable',
    ]);
    expect([verdictOf(1.2501, 1.1, limits), verdictOf(1.2501, 1.0999, limits)]).to.deep.equal(['long', 'swollen']);
    expect(verdictOf(1.15, 1, { round: 1.2, acceptable: 1.4 })).to.equal('round');
  });
});

describe('the goal of the pole', () => {
  it('is the error at which nine in ten subs are just round by the pole alone', () => {
    for (const tracking of [swing(20), GUIDED]) {
      const sub = { ...base, exposureS: 600, tracking };
      const { cornerArcmin, centreArcmin } = polarGoal(sub);
      const alone = (errorArcmin: number) =>
        stretchesOf({ ...sub, tracking: tracking.guided ? GUIDED : STILL, polar: size(errorArcmin) });
      expect(alone(cornerArcmin).stretch90).to.be.closeTo(1.1, 1e-9);
      if (centreArcmin < 60) expect(alone(centreArcmin).centreStretch90).to.be.closeTo(1.1, 1e-9);
      expect(cornerArcmin).to.be.at.most(centreArcmin);
    }
  });

  it('grows with the limit, ends at any error, and is no finer than a hand turns', () => {
    expect(polarGoal(base, { round: 1.2, acceptable: 1.3 }).cornerArcmin).to.be.greaterThan(
      polarGoal(base).cornerArcmin,
    );
    expect(polarGoal({ ...base, exposureS: 1 })).to.deep.include({
      cornerArcmin: 60,
      goalArcmin: 10,
      byEyeIsEnough: true,
    });
    expect(polarGoal({ ...base, exposureS: 7200 })).to.deep.include({ goalArcmin: 0.5, byEyeIsEnough: false });
  });
});
