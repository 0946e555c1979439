import { expect } from 'chai';
import fc from 'fast-check';
import { acosClamped, asinClamped, sinc, wrap12, wrap180, wrap24, wrap360 } from '../../../../src/core/math/angles.ts';
import { eigenvalues, lengthOverWidth, roundSpread, spreadAlong } from '../../../../src/core/math/covariance2.ts';
import { findCrossings } from '../../../../src/core/math/crossings.ts';
import { angleBetween, fromSpherical, normalize, rotateAbout, toSpherical } from '../../../../src/core/math/vectors.ts';
import { finite, holds } from '../../../support/properties.ts';

describe('angles', () => {
  it('wraps into half-open ranges and stays the same angle', () => {
    holds(
      fc.property(finite(-1e6, 1e6), (deg) => {
        const [a, b, c, d] = [wrap360(deg), wrap180(deg), wrap24(deg), wrap12(deg)];
        expect(a >= 0 && a < 360 && b > -180 && b <= 180 && c >= 0 && c < 24 && d > -12 && d <= 12).to.equal(true);
        expect(Math.cos(((a - deg) * Math.PI) / 180)).to.be.closeTo(1, 1e-6);
        expect(Math.cos(((b - deg) * Math.PI) / 180)).to.be.closeTo(1, 1e-6);
      }),
    );
  });

  it('keeps tiny negative angles inside the range', () => {
    expect(wrap360(-1e-17)).to.equal(0);
    expect(wrap180(180)).to.equal(180);
    expect(wrap12(-12)).to.equal(12);
  });

  it('clamps trigonometry that rounding pushed out of its domain', () => {
    expect(asinClamped(1 + 1e-12)).to.equal(Math.PI / 2);
    expect(acosClamped(-1 - 1e-12)).to.equal(Math.PI);
  });

  it('sinc is smooth through zero', () => {
    expect(sinc(0)).to.equal(1);
    expect(sinc(1e-8)).to.be.closeTo(sinc(2e-8), 1e-12);
    expect(sinc(Math.PI)).to.be.closeTo(0, 1e-12);
  });
});

describe('vectors', () => {
  it('round-trips spherical angles', () => {
    holds(
      fc.property(finite(-3.1, 3.1), finite(-1.55, 1.55), (lon, lat) => {
        const [lon2, lat2] = toSpherical(fromSpherical(lon, lat));
        expect(lon2).to.be.closeTo(lon, 1e-9);
        expect(lat2).to.be.closeTo(lat, 1e-9);
      }),
    );
  });

  it('rotation keeps the angle to the axis, and the opposite turn undoes it', () => {
    const axis = normalize([1, 2, -0.5]);
    holds(
      fc.property(finite(-3, 3), finite(-1.5, 1.5), finite(-7, 7), (lon, lat, angle) => {
        const v = fromSpherical(lon, lat);
        const turned = rotateAbout(v, axis, angle);
        expect(angleBetween(turned, axis)).to.be.closeTo(angleBetween(v, axis), 1e-9);
        expect(angleBetween(rotateAbout(turned, axis, -angle), v)).to.be.closeTo(0, 1e-9);
      }),
    );
  });

  it('turns x toward y about z', () => {
    const [x, y] = rotateAbout([1, 0, 0], [0, 0, 1], Math.PI / 2);
    expect([Math.abs(x) < 1e-12, y]).to.deep.equal([true, 1]);
  });

  it('refuses the zero vector', () => {
    expect(() => normalize([0, 0, 0])).to.throw(RangeError);
  });
});

describe('covariances', () => {
  it('along a line lies along it alone', () => {
    holds(
      fc.property(finite(-9, 9), finite(-9, 9), finite(0.1, 9), (x, y, variance) => {
        fc.pre(Math.hypot(x, y) > 0.01);
        const [large, small] = eigenvalues(spreadAlong(x, y, variance));
        expect(large).to.be.closeTo(variance, 1e-9);
        expect(small).to.be.closeTo(0, 1e-9);
      }),
    );
  });

  it('round never stretches, and none has no shape', () => {
    expect(lengthOverWidth(roundSpread(2))).to.equal(1);
    expect(lengthOverWidth({ xx: 9, xy: 0, yy: 4 })).to.equal(1.5);
    expect(lengthOverWidth({ xx: 0, xy: 0, yy: 0 })).to.equal(1);
    expect(spreadAlong(0, 0, 5)).to.deep.equal({ xx: 0, xy: 0, yy: 0 });
  });
});

describe('crossings', () => {
  it('finds both ends of a dip shorter than the step', () => {
    const dip = (t: number): number => (t - 1_000_000) ** 2 / 1e10 - 1;
    const found = findCrossings(dip, 0, 2_000_000, 0, 600_000);
    expect(found.map((c) => c.direction)).to.deep.equal(['down', 'up']);
    expect(found[0]?.timeMs).to.be.closeTo(900_000, 200);
    expect(found[1]?.timeMs).to.be.closeTo(1_100_000, 200);
  });

  it('gives the crossings of a sine in order, whatever the phase', () => {
    holds(
      fc.property(finite(0, 6.28), (phase) => {
        const found = findCrossings((t) => Math.sin(t / 5_000_000 + phase), 0, 86_400_000, 0.3);
        for (const c of found) expect(Math.sin(c.timeMs / 5_000_000 + phase)).to.be.closeTo(0.3, 1e-4);
        expect(found.every((c, i) => i === 0 || c.direction !== found[i - 1]?.direction)).to.equal(true);
        expect(found.length).to.be.within(5, 6);
      }),
      50,
    );
  });
});
