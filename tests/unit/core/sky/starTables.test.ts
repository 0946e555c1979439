import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { capOfDate, poleField } from '../../../../src/core/mount/poleField.ts';
import { viewAngleDeg } from '../../../../src/core/mount/dial.ts';
import { toPolar } from '../../../../src/core/mount/finderPlate.ts';
import { BRIGHT_STARS } from '../../../../src/core/sky/brightStars.ts';
import { apparentPlace, apparentPlaces } from '../../../../src/core/sky/ephemeris.ts';
import { NORTH_PATTERN, SOUTH_PATTERN } from '../../../../src/core/sky/poleStars.ts';
import { elevatedPole, projectFrom, starHops } from '../../../../src/core/sky/starHop.ts';
import { decodeStars, encodeStars } from '../../../../src/core/sky/starTable.ts';
import { finite, holds } from '../../../support/properties.ts';
import { NOW } from '../../../support/records.ts';

const bytes = new Uint8Array(readFileSync(join(import.meta.dirname, '../../../../src/core/sky/data/polar-caps.bin')));
const caps = decodeStars(bytes);

describe('the star table', () => {
  it('comes back as it was written, to the precision of the catalogue', () => {
    const star = fc.record({
      raJ2000Deg: finite(0, 359.9999),
      decJ2000Deg: finite(-90, 90),
      magnitude: finite(-1.5, 9.5),
    });
    holds(
      fc.property(fc.array(star, { maxLength: 20 }), (stars) => {
        const back = decodeStars(encodeStars(stars));
        expect(back).to.have.length(stars.length);
        back.forEach((b, i) => {
          expect(b.raJ2000Deg).to.be.closeTo(stars[i]!.raJ2000Deg, 0.6e-4);
          expect(b.decJ2000Deg).to.be.closeTo(stars[i]!.decJ2000Deg, 0.6e-4);
          expect(b.magnitude).to.be.closeTo(stars[i]!.magnitude, 0.026);
        });
      }),
    );
    expect(() => decodeStars(bytes.slice(0, 100))).to.throw('9 bytes a star');
    expect(() => decodeStars(new Uint8Array(2))).to.throw(RangeError);
  });

  it('holds both caps to 15 degrees and magnitude 9.5, the named stars of both patterns among them', () => {
    expect(caps.length).to.be.within(3000, 4000);
    expect(caps.every((s) => Math.abs(s.decJ2000Deg) >= 75 && s.magnitude <= 9.51)).to.equal(true);
    for (const named of [...NORTH_PATTERN, ...SOUTH_PATTERN])
      expect(
        caps.filter(
          (s) => Math.abs(s.decJ2000Deg - named.decJ2000Deg) < 2e-4 && Math.abs(s.magnitude - named.magnitude) < 0.2,
        ).length,
        named.name,
      ).to.be.greaterThan(0);
  });

  it('the bright list holds names and no star twice', () => {
    expect(new Set(BRIGHT_STARS.map((s) => s.hip)).size).to.equal(BRIGHT_STARS.length);
    expect(BRIGHT_STARS.every((s) => /^[\p{L}\d’' ]{2,}$/u.test(s.name) && s.magnitude <= 4)).to.equal(true);
    expect(BRIGHT_STARS.filter((s) => /undefined|null|NaN/.test(s.name))).to.deep.equal([]);
    expect(new Set(BRIGHT_STARS.map((s) => s.name)).size, 'no name twice').to.equal(BRIGHT_STARS.length);
    expect(BRIGHT_STARS[0]!.name).to.equal('Sirius');
  });

  it('places of a whole list are those of its single stars', () => {
    const some = BRIGHT_STARS.slice(0, 5);
    expect(apparentPlaces(some, NOW)).to.deep.equal(some.map((s) => apparentPlace(s, NOW)));
  });
});

describe('the field at the pole', () => {
  for (const [latDeg, star] of [
    [40.33, NORTH_PATTERN[0]!],
    [-22.75, SOUTH_PATTERN[0]!],
  ] as const) {
    it(`shows ${star.name} where the dial puts it`, () => {
      const cap = capOfDate(caps, NOW, latDeg);
      const own = apparentPlace(star, NOW);
      const siderealH = 4;
      const field = poleField(cap, { siderealH, latDeg, view: 'inverted' }, { radiusArcmin: 240, faintestMag: 6 });
      const angle = viewAngleDeg(siderealH - own.raDeg / 15, latDeg, 'inverted');
      const distance = (90 - Math.abs(own.decDeg)) * 60;
      const near = field.map(toPolar).filter((p) => Math.abs(p.distanceArcmin - distance) < 0.4);
      expect(near.some((p) => Math.abs(((p.angleDeg - angle + 540) % 360) - 180) < 1)).to.equal(true);
      expect(field.every((s) => Math.hypot(s.xArcmin, s.yArcmin) <= 240 && s.magnitude <= 6)).to.equal(true);
    });
  }
});

describe('star hops', () => {
  it('from any group the stated way and distance end at the pole', () => {
    for (const latDeg of [55, 40, -23, -45])
      for (let hour = 0; hour < 24; hour += 3)
        for (const hop of starHops(NOW + hour * 3_600_000, { latDeg, lonDeg: 0 })) {
          const a = (hop.directionDeg * Math.PI) / 180;
          const reach = Math.hypot(hop.from.rightDeg, hop.from.upDeg);
          expect(hop.from.rightDeg + reach * Math.sin(a)).to.be.closeTo(0, 1e-6);
          expect(hop.from.upDeg + reach * Math.cos(a)).to.be.closeTo(0, 1e-6);
          expect(hop.lowestAltDeg).to.be.at.least(10);
          expect(hop.distanceDeg).to.be.within(8, 45);
        }
  });

  it('far enough from the equator some group is always up', () => {
    for (const latDeg of [45, -35])
      for (let hour = 0; hour < 24; hour += 1)
        expect(starHops(NOW + hour * 3_600_000, { latDeg, lonDeg: 0 }), `${latDeg} ${hour}`).not.to.deep.equal([]);
  });

  it('plain stars come before faint ones, whichever stands higher', () => {
    const FAINT = ['cepheus', 'hydrus'];
    for (const latDeg of [45, 30, -23, -35])
      for (let hour = 0; hour < 24; hour += 1) {
        const groups = starHops(NOW + hour * 3_600_000, { latDeg, lonDeg: 0 }).map((hop) => hop.group);
        const faint = groups.map((group) => FAINT.includes(group));
        expect(faint, groups.join()).to.deep.equal([...faint].sort((a, b) => Number(a) - Number(b)));
      }
  });

  it('a wall before a group hides it', () => {
    const place = { latDeg: 45, lonDeg: 0 };
    expect(starHops(NOW, place, () => 89)).to.deep.equal([]);
    expect(starHops(NOW, place).length).to.be.greaterThan(0);
  });

  it('Merak and Dubhe point at the pole: five times their distance', () => {
    const plough = starHops(NOW + 10 * 3_600_000, { latDeg: 55, lonDeg: 0 }).find((h) => h.group === 'plough')!;
    const [dubhe, merak] = [plough.lines[0]![4]!, plough.lines[0]![5]!];
    const step = Math.hypot(dubhe.rightDeg - merak.rightDeg, dubhe.upDeg - merak.upDeg);
    expect(plough.distanceDeg / step).to.be.within(4.8, 5.8);
  });

  it('the view looks toward the pole: up is up, in the south east is on the left', () => {
    const north = elevatedPole(40);
    expect(projectFrom(north, { altDeg: 50, azDeg: 0 }).upDeg).to.be.closeTo(10, 0.05);
    expect(projectFrom(north, { altDeg: 40, azDeg: 10 }).rightDeg).to.be.greaterThan(5);
    expect(projectFrom(elevatedPole(-40), { altDeg: 40, azDeg: 90 }).rightDeg).to.be.lessThan(0);
  });
});
