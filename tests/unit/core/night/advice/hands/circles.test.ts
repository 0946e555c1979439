import { expect } from 'chai';
import fc from 'fast-check';
import { circleHop } from '../../../../../../src/core/night/advice/hands/circles.ts';
import type { NightStatic } from '../../../../../../src/core/night/nightStatic.ts';
import { BRIGHT_STARS } from '../../../../../../src/core/sky/brightStars.ts';
import { apparentPlace } from '../../../../../../src/core/sky/ephemeris.ts';
import { altAzAt, hourAngleH, separationDeg } from '../../../../../../src/core/sky/horizontal.ts';
import { holds } from '../../../../../support/properties.ts';

const NOW = Date.parse('2026-11-24T21:00:00Z');
const at = (latDeg: number, raDeg: number, decDeg: number): NightStatic =>
  ({ records: { site: { latDeg, lonDeg: -7.6 } }, targetSky: { ofDate: { raDeg, decDeg } } }) as NightStatic;

describe('from a bright star to the target by the circles', () => {
  it('takes the nearest star that stands up on the target’s side, and turns from its hour angle to the target’s', () => {
    let found = 0;
    const place = fc.record({
      latDeg: fc.constantFrom(40.33, -22.75),
      raDeg: fc.double({ min: 0, max: 359.9, noNaN: true }),
      decDeg: fc.double({ min: -80, max: 80, noNaN: true }),
      hours: fc.integer({ min: 0, max: 23 }),
    });
    holds(
      fc.property(place, ({ latDeg, raDeg, decDeg, hours }) => {
        const timeMs = NOW + hours * 3_600_000;
        const hop = circleHop(at(latDeg, raDeg, decDeg), timeMs);
        const haOf = (deg: number) => hourAngleH(timeMs, -7.6, deg);
        const eligible = BRIGHT_STARS.filter((s) => s.magnitude <= 3)
          .map((s) => apparentPlace(s, timeMs))
          .filter((p) => altAzAt(timeMs, { latDeg, lonDeg: -7.6 }, p).altDeg >= 15)
          .filter((p) => haOf(p.raDeg) > 0 === haOf(raDeg) > 0)
          .map((p) => separationDeg(p, { raDeg, decDeg }))
          .filter((deg) => deg <= 30);
        expect(hop === null).to.equal(eligible.length === 0);
        if (hop === null) return;
        found += 1;
        expect(hop.apartDeg).to.be.closeTo(Math.min(...eligible), 1e-3);
        const gone = haOf(hop.starOfDate.raDeg) + hop.turnWestH - haOf(raDeg);
        expect(Math.abs(gone - 24 * Math.round(gone / 24))).to.be.lessThan(1e-9);
        expect(hop.starOfDate.decDeg + hop.turnNorthDeg).to.be.closeTo(decDeg, 1e-9);
      }),
      60,
    );
    expect(found).to.be.greaterThan(30);
  });

  it('lands within half a division of both circles, less across near the pole', () => {
    // 5 min of right ascension are 1.25 degrees on the equator: half of it and half of two degrees together.
    expect(circleHop(at(40.33, 16, 0), NOW)!.missDeg).to.be.closeTo(Math.hypot(0.625, 1), 1e-9);
    expect(circleHop(at(40.33, 16, 60), NOW)!.missDeg).to.be.closeTo(Math.hypot(0.3125, 1), 1e-9);
    expect(circleHop({ records: { site: {} }, targetSky: null } as NightStatic, NOW)).to.equal(null);
  });
});
