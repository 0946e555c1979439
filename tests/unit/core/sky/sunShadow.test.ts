import { expect } from 'chai';
import { wrap180, wrap360 } from '../../../../src/core/math/angles.ts';
import { bearingFromShadowDeg, sunOnMeridianMs, sunShadow } from '../../../../src/core/sky/sunShadow.ts';

const estrela = { latDeg: 40.33, lonDeg: -7.6, elevationM: 1550 };
const auas = { latDeg: -22.75, lonDeg: 17.2, elevationM: 1800 };

describe('the shadow of a plumb line', () => {
  it('on the meridian it points to the pole away from the sun, in both hemispheres', () => {
    const noon = sunOnMeridianMs(Date.parse('2026-11-24T08:00:00Z'), estrela);
    // Longitude 7.6 west is 30.4 minutes after Greenwich; the sun is 13.3 minutes early in late November.
    expect(new Date(noon).toISOString()).to.match(/^2026-11-24T12:17/);
    expect(Math.abs(wrap180(sunShadow(noon, estrela).shadowAzDeg))).to.be.lessThan(0.05);
    const winter = sunOnMeridianMs(Date.parse('2026-06-21T06:00:00Z'), auas);
    const south = sunShadow(winter, auas);
    expect(Math.abs(wrap180(south.sunAzDeg)), 'the winter sun stands north of Namibia').to.be.lessThan(0.05);
    expect(Math.abs(wrap180(south.shadowAzDeg - 180))).to.be.lessThan(0.05);
    expect(Math.abs(south.toPoleDeg)).to.be.lessThan(0.05);
  });

  it('the next passage lies ahead, at most a day and a minute', () => {
    for (let hour = 0; hour < 24; hour += 1) {
      const from = Date.parse('2026-03-10T00:00:00Z') + hour * 3_600_000;
      const found = sunOnMeridianMs(from, auas);
      expect(found - from).to.be.within(0, 86_460_000);
    }
  });

  it('in the afternoon it points east of north, and north lies to its left', () => {
    const shadow = sunShadow(Date.parse('2026-11-24T15:30:00Z'), estrela);
    expect(shadow.use).to.equal('good');
    expect(shadow.shadowAzDeg).to.be.within(30, 70);
    expect(shadow.toPoleDeg).to.be.closeTo(-shadow.shadowAzDeg, 1e-9);
    expect(wrap360(shadow.shadowAzDeg + shadow.toPoleDeg)).to.be.closeTo(0, 1e-9);
  });

  it('turning from the shadow as told ends at the pole’s bearing', () => {
    for (const place of [estrela, auas]) {
      const { shadowAzDeg, toPoleDeg } = sunShadow(Date.parse('2026-11-24T14:00:00Z'), place);
      const reached = bearingFromShadowDeg(shadowAzDeg, toPoleDeg);
      expect(Math.abs(wrap180(reached - (place.latDeg < 0 ? 180 : 0)))).to.be.lessThan(1e-9);
    }
  });

  it('says when there is none, and when it is too short', () => {
    expect(sunShadow(Date.parse('2026-11-24T20:00:00Z'), estrela).use).to.equal('none');
    expect(sunShadow(Date.parse('2026-11-24T10:45:00Z'), auas).use).to.equal('short');
  });
});
