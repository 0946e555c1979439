import { expect } from 'chai';
import fc from 'fast-check';
import {
  centreOfMass,
  feetAround,
  footing,
  tipForceN,
  tipForceTowardN,
  windForceN,
  windForForceMPerS,
  type PointMass,
} from '../../../../src/core/mount/tripod.ts';
import { finite, holds } from '../../../support/properties.ts';

const feet = feetAround(0.5, 0);
const block = (x: number, y: number, z: number, massKg = 20): PointMass[] => [{ massKg, positionM: [x, y, z] }];
const sail = { areaM2: 0.12, dragCoefficient: 1.1, airDensityKgM3: 1.2 };

/** Pushes sideways in small steps until the zero-moment point leaves the feet: the force found without any formula. */
function forceByPushing(x: number, y: number, massKg: number, heightM: number, azimuthDeg: number): number {
  const a = (azimuthDeg * Math.PI) / 180;
  const inside = (px: number, py: number): boolean =>
    feet.every(([fx, fy], k) => {
      const [gx, gy] = feet[(k + 1) % 3]!;
      return (gx - fx) * (py - fy) - (gy - fy) * (px - fx) < 0;
    });
  let forceN = 0;
  for (let step = 512; step > 1e-4; step /= 2) {
    const reach = ((forceN + step) * heightM) / (massKg * 9.80665);
    if (inside(x + reach * Math.sin(a), y + reach * Math.cos(a))) forceN += step;
  }
  return forceN;
}

describe('a tripod', () => {
  it('stands safest with its mass over the middle, equally weak on all sides', () => {
    const middle = footing(feet, block(0, 0, 1));
    expect(middle.tippingDeg).to.be.closeTo((Math.atan(0.25) * 180) / Math.PI, 1e-9);
    expect([middle.weakestEdge, middle.tipTowardAzimuthDeg]).to.deep.equal([null, null]);
    holds(
      fc.property(finite(-0.2, 0.2), finite(-0.2, 0.2), (x, y) => {
        expect(footing(feet, block(x, y, 1)).tippingDeg).to.be.at.most(middle.tippingDeg + 1e-9);
      }),
    );
  });

  it('falls over the edge nearest to the mass, and says which way', () => {
    const south = footing(feet, block(0, -0.2, 1));
    expect(south.weakestEdge).to.equal(1);
    expect(south.tipTowardAzimuthDeg).to.be.closeTo(180, 1e-9);
    expect(south.stable).to.equal(true);
    const off = footing(feet, block(0, -0.3, 1));
    expect([off.stable, off.tippingDeg < 0, tipForceN(feet, off, 1)]).to.deep.equal([false, true, 0]);
  });

  it('tips under the force that pushing finds, whichever way it pushes', () => {
    holds(
      fc.property(finite(-0.1, 0.1), finite(-0.1, 0.1), finite(0, 360), finite(0.6, 2), (x, y, azimuth, height) => {
        const found = footing(feet, block(x, y, 1));
        const pushed = forceByPushing(x, y, 20, height, azimuth);
        expect(tipForceTowardN(feet, found, height, azimuth)).to.be.closeTo(pushed, 1e-3 * pushed + 1e-3);
        const least = tipForceN(feet, found, height);
        expect(least).to.be.at.most(pushed + 1e-3);
        const weakest = found.tipTowardAzimuthDeg;
        if (weakest !== null) expect(least).to.be.closeTo(forceByPushing(x, y, 20, height, weakest), 1e-3 * least);
      }),
    );
  });

  it('a lower mass centre, wider feet and more weight below all make it firmer', () => {
    const wind = (height: number, radius: number): number => {
      const wide = feetAround(radius, 30);
      return windForForceMPerS(sail, tipForceN(wide, footing(wide, block(0.05, 0, height)), 1.3));
    };
    const angle = (height: number): number => footing(feet, block(0.05, 0, height)).tippingDeg;
    expect(angle(0.8)).to.be.greaterThan(angle(1.1));
    expect(wind(1, 0.6)).to.be.greaterThan(wind(1, 0.5));
    const battery: PointMass = { massKg: 6, positionM: [0, 0, 0.4] };
    const hung = footing(feet, [...block(0.1, 0, 1.2), battery]);
    expect(hung.tippingDeg).to.be.greaterThan(footing(feet, block(0.1, 0, 1.2)).tippingDeg);
  });

  it('wind and force are inverse to each other', () => {
    holds(
      fc.property(finite(0, 60), (v) => {
        expect(windForForceMPerS(sail, windForceN(sail, v))).to.be.closeTo(v, 1e-9);
      }),
    );
  });

  it('refuses a mass of nothing and a height of nothing', () => {
    expect(() => centreOfMass([])).to.throw(RangeError, 'totalKg');
    expect(() => tipForceN(feet, footing(feet, block(0, 0, 1)), 0)).to.throw(RangeError, 'heightM');
  });
});
