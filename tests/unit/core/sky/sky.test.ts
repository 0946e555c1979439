import { expect } from 'chai';
import fc from 'fast-check';
import { apparentPlace } from '../../../../src/core/sky/ephemeris.ts';
import { fieldRotationDeg, fieldRotationRateArcsecPerS } from '../../../../src/core/sky/fieldRotation.ts';
import {
  fromHorizontal,
  parallacticAngleDeg,
  separationDeg,
  toHorizontal,
} from '../../../../src/core/sky/horizontal.ts';
import { magneticField } from '../../../../src/core/sky/magnetic.ts';
import { nightEvents } from '../../../../src/core/sky/nightEvents.ts';
import { NORTH_POLE_STAR, polarDistanceArcmin, SOUTH_POLE_STAR } from '../../../../src/core/sky/poleStars.ts';
import { apparentAltDeg, refractionArcmin, trueAltDeg } from '../../../../src/core/sky/refraction.ts';
import { nextTransit } from '../../../../src/core/sky/transit.ts';
import { finite, holds } from '../../../support/properties.ts';

describe('horizon frame', () => {
  it('round-trips hour angle and declination', () => {
    holds(
      fc.property(finite(-11.9, 11.9), finite(-89, 89), finite(-89, 89), (haH, decDeg, latDeg) => {
        const back = fromHorizontal(toHorizontal(haH, decDeg, latDeg), latDeg);
        expect(back.decDeg).to.be.closeTo(decDeg, 1e-6);
        expect(Math.abs(back.haH - haH) * Math.cos((decDeg * Math.PI) / 180)).to.be.lessThan(1e-5);
      }),
    );
  });

  it('west of the meridian stands in the west, in both hemispheres', () => {
    for (const lat of [40, -30]) {
      expect(toHorizontal(3, 0, lat).azDeg).to.be.within(180, 360);
      expect(toHorizontal(-3, 0, lat).azDeg).to.be.within(0, 180);
    }
  });

  it('the parallactic angle is negative east, positive west, and 180 north of the zenith', () => {
    expect(parallacticAngleDeg(-2, 10, 40)).to.be.lessThan(0);
    expect(parallacticAngleDeg(2, 10, 40)).to.be.greaterThan(0);
    expect(Math.abs(parallacticAngleDeg(0, 60, 40))).to.be.closeTo(180, 1e-9);
  });

  it('the rate of field rotation is the derivative of the angle', () => {
    holds(
      fc.property(finite(-5, 5), finite(-60, 60), finite(-60, 60), (haH, decDeg, latDeg) => {
        const { altDeg, azDeg } = toHorizontal(haH, decDeg, latDeg);
        fc.pre(altDeg < 80);
        const h = 1 / 3600;
        const slope = (fieldRotationDeg(latDeg, decDeg, haH - h, haH + h) * 3600) / (2 * 3600 * h * 0.99726957);
        const rate = fieldRotationRateArcsecPerS(latDeg, altDeg, azDeg);
        expect(rate).to.be.closeTo(slope, 0.02 + Math.abs(slope) * 0.002);
      }),
    );
  });
});

describe('refraction', () => {
  it('true to apparent and back agree to 0.1 arcmin above five degrees', () => {
    for (let alt = 5; alt <= 90; alt += 0.5) expect((trueAltDeg(apparentAltDeg(alt)) - alt) * 60).to.be.closeTo(0, 0.1);
  });

  it('is about an arcminute at 45 degrees and refuses what lies under the horizon', () => {
    expect(refractionArcmin(45)).to.be.closeTo(1.01, 0.01);
    expect(() => refractionArcmin(-2)).to.throw('trueAltDeg must be in [-1, 90], got -2');
  });
});

describe('pole stars', () => {
  it('the northern one draws nearer by about 15 arcsec a year', () => {
    const distance = (utcMs: number) => polarDistanceArcmin(apparentPlace(NORTH_POLE_STAR, utcMs));
    // Over one turn of the moon's node nutation cancels; aberration is the same on the same day of the year.
    const perYear = ((distance(Date.UTC(2026, 6, 1)) - distance(Date.UTC(2007, 6, 1))) * 60) / 19;
    expect(perYear).to.be.within(-16.5, -14);
    expect(distance(Date.UTC(2026, 10, 24))).to.be.closeTo(37.3, 0.2);
  });

  it('the southern one stands over a degree away', () => {
    expect(polarDistanceArcmin(apparentPlace(SOUTH_POLE_STAR, Date.UTC(2026, 10, 24)))).to.be.within(68, 71);
  });
});

describe('nights at the edge', () => {
  const place = (latDeg: number, lonDeg: number) => ({ latDeg, lonDeg, elevationM: 0 });

  it('high summer at 60 degrees has no astronomical and no nautical darkness', () => {
    const { twilight, sunLowestDeg } = nightEvents(Date.parse('2026-06-21T10:00:00Z'), place(60, 25));
    expect([twilight.astronomical, twilight.nautical]).to.deep.equal([
      { duskMs: null, dawnMs: null },
      { duskMs: null, dawnMs: null },
    ]);
    expect(twilight.sunset.duskMs).to.be.a('number');
    expect(sunLowestDeg).to.be.within(-7, -6);
  });

  it('midnight sun has no sunset, polar night no sunrise', () => {
    const summer = nightEvents(Date.parse('2026-06-21T10:00:00Z'), place(75, 25));
    expect(summer.twilight.sunset).to.deep.equal({ duskMs: null, dawnMs: null });
    expect(summer.sunLowestDeg).to.be.greaterThan(0);
    const winter = nightEvents(Date.parse('2026-12-21T10:00:00Z'), place(75, 25));
    expect(winter.sunHighestDeg).to.be.lessThan(-8);
  });

  it('is the same night on both sides of the date line', () => {
    const east = nightEvents(Date.parse('2026-11-24T00:00:00Z'), place(-15, 179.9));
    const west = nightEvents(Date.parse('2026-11-24T00:00:00Z'), place(-15, -179.9));
    // Fiji's winter time is UTC+12: sunset comes near 06:20 UTC.
    const dusk = Date.parse('2026-11-24T06:20:00Z');
    for (const { twilight } of [east, west]) expect(twilight.sunset.duskMs).to.be.closeTo(dusk, 15 * 60_000);
    expect(Math.abs(east.twilight.sunset.duskMs! - west.twilight.sunset.duskMs!)).to.be.within(1, 120_000);
  });
});

describe('transit', () => {
  it('says what never rises and what never sets', () => {
    const south = { raJ2000Deg: 161, decJ2000Deg: -59.9 };
    const at = (latDeg: number) => nextTransit(Date.parse('2026-11-24T12:00:00Z'), { latDeg, lonDeg: 10 }, south);
    expect([at(40).neverRises, at(40).circumpolar]).to.deep.equal([true, false]);
    expect([at(-40).neverRises, at(-40).circumpolar]).to.deep.equal([false, true]);
  });

  it('comes at or after the asked instant and within a sidereal day', () => {
    holds(
      fc.property(finite(0, 360), finite(-80, 80), fc.integer({ min: 0, max: 86_400 }), (ra, dec, s) => {
        const after = Date.parse('2026-11-24T00:00:00Z') + s * 1000;
        const { transitMs } = nextTransit(after, { latDeg: 40, lonDeg: -7 }, { raJ2000Deg: ra, decJ2000Deg: dec });
        expect(transitMs - after).to.be.within(-100, 86_164_100);
      }),
      60,
    );
  });
});

describe('magnetic declination', () => {
  it('warns outside the model years instead of throwing, and near the magnetic pole', () => {
    expect(magneticField(Date.UTC(2026, 10, 24), 40.33, -7.6, 1550)).to.include({
      insideModelYears: true,
      compass: 'reliable',
    });
    expect(magneticField(Date.UTC(2035, 0, 1), 40.33, -7.6, 1550).insideModelYears).to.equal(false);
    expect(magneticField(Date.UTC(2026, 0, 1), 86, 139, 0).compass).to.equal('unusable');
    expect(() => magneticField(0, 91, 0, 0)).to.throw('latDeg must be in [-90, 90], got 91');
  });

  it('separation is symmetric', () => {
    expect(separationDeg({ raDeg: 10, decDeg: 80 }, { raDeg: 190, decDeg: 80 })).to.be.closeTo(20, 1e-9);
  });
});
