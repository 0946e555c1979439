import { expect } from 'chai';
import fc from 'fast-check';
import { wrap180 } from '../../../../src/core/math/angles.ts';
import { cross, normalize, type Vec3 } from '../../../../src/core/math/vectors.ts';
import { finderEyeM, heightAdvice } from '../../../../src/core/mount/finderEye.ts';
import {
  footAzimuthsDeg,
  legStretches,
  tiltFromBubble,
  tiltFromTurnedPhone,
} from '../../../../src/core/mount/level.ts';
import {
  altitudeTurn,
  azimuthShiftByTiltDeg,
  azimuthTurn,
  scaleForAltitudeDeg,
  slopesOf,
  tiltFromSlopes,
  trueAltitudeDeg,
} from '../../../../src/core/mount/tiltedBase.ts';
import { finite, holds } from '../../../support/properties.ts';

const RAD = Math.PI / 180;
const tripod = { footRadiusM: 0.5, hubHeightM: 0.9, firstFootAzimuthDeg: 0 };

/** A spread and locked tripod under a level hub, its legs drawn out, on ground that leans: x east, y north, z up from the
 *  hub. Each leg runs from the hub through its foot; how far the ground lies under each foot, against the first. */
function gapsUnderFeet(
  stretches: readonly { azimuthDeg: number; stretchM: number }[],
  legs: typeof tripod,
  tiltDeg: number,
  uphillDeg: number,
): number[] {
  const length = Math.hypot(legs.footRadiusM, legs.hubHeightM);
  const gaps = stretches.map(({ azimuthDeg, stretchM }) => {
    const out = (legs.footRadiusM * (length + stretchM)) / length;
    const down = (legs.hubHeightM * (length + stretchM)) / length;
    const uphill = out * Math.cos((azimuthDeg - uphillDeg) * RAD);
    return -down - uphill * Math.tan(tiltDeg * RAD);
  });
  return gaps.map((g) => g - (gaps[0] ?? 0));
}

describe('levelling a tripod', () => {
  it('legs drawn out as told stand on the leaning ground under a level hub, and none is pushed in', () => {
    holds(
      fc.property(finite(0, 12), finite(0, 360), finite(0.3, 0.7), finite(0.5, 1.3), finite(0, 360), (...given) => {
        const [tiltDeg, uphill, footRadiusM, hubHeightM, firstFootAzimuthDeg] = given;
        const legs = { footRadiusM, hubHeightM, firstFootAzimuthDeg };
        const stretches = legStretches({ tiltDeg, uphillAzimuthDeg: uphill }, legs);
        for (const gap of gapsUnderFeet(stretches, legs, tiltDeg, uphill)) expect(gap).to.be.closeTo(0, 1e-9);
        expect(Math.min(...stretches.map((s) => s.stretchM))).to.be.closeTo(0, 1e-12);
      }),
    );
  });

  it('one degree up toward a leg: the other two by 15.0 mm of leg, 13.1 mm of height', () => {
    const found = legStretches({ tiltDeg: 1, uphillAzimuthDeg: 0 }, tripod);
    expect(found.map((s) => Math.round(s.stretchM * 10_000) / 10)).to.deep.equal([0, 15, 15]);
    expect(found.map((s) => Math.round(s.liftM * 10_000) / 10)).to.deep.equal([0, 13.1, 13.1]);
    expect(() => legStretches({ tiltDeg: 60, uphillAzimuthDeg: 0 }, tripod)).to.throw(
      'tiltDeg must be in [0, 45], got 60',
    );
    expect(() => legStretches({ tiltDeg: 1, uphillAzimuthDeg: 0 }, { ...tripod, footRadiusM: 0 })).to.throw(
      'footRadiusM must be above 0',
    );
  });

  it('the feet stand 120 degrees apart', () => {
    expect(footAzimuthsDeg(330)).to.deep.equal([330, 90, 210]);
  });

  it('a bubble a ring and a half out on a half-degree level is 0.75 degrees', () => {
    expect(tiltFromBubble(1.5, 0.5, 400)).to.deep.equal({ tiltDeg: 0.75, uphillAzimuthDeg: 40 });
  });
});

/** The plane of a base by three of its points. */
function normalOfPlane(points: readonly [Vec3, Vec3, Vec3]): Vec3 {
  const [a, b, c] = points;
  const side = (p: Vec3, q: Vec3): Vec3 => [q[0] - p[0], q[1] - p[1], q[2] - p[2]];
  return normalize(cross(side(a, b), side(a, c)));
}

describe('a phone on the base', () => {
  /** What a device reports lying on a leaning base, its top edge at an azimuth, with an error of its own. */
  const phoneOn = (tiltDeg: number, uphillDeg: number, topDeg: number, own: readonly [number, number]) => {
    const rise = (azimuthDeg: number) =>
      Math.asin(Math.sin(tiltDeg * RAD) * Math.cos((azimuthDeg - uphillDeg) * RAD)) / RAD;
    return { frontBackDeg: rise(topDeg) + own[0], leftRightDeg: -rise(topDeg + 90) + own[1] };
  };

  it('turned round, its own error drops out, in both hemispheres', () => {
    holds(
      fc.property(finite(0.05, 6), finite(0, 359.9), finite(-3, 3), finite(-3, 3), fc.boolean(), (...given) => {
        const [tiltDeg, uphillDeg, a, b, south] = given;
        const pole = south ? 180 : 0;
        const found = tiltFromTurnedPhone(
          phoneOn(tiltDeg, uphillDeg, pole, [a, b]),
          phoneOn(tiltDeg, uphillDeg, pole + 180, [a, b]),
          south ? -30 : 40,
        );
        expect(found.tiltDeg).to.be.closeTo(tiltDeg, 1e-6);
        expect(Math.abs(wrap180(found.uphillAzimuthDeg - uphillDeg))).to.be.lessThan(1e-4);
      }),
    );
  });
});

describe('a head on a base that leans', () => {
  const bases = fc.record({ latDeg: finite(4, 66), tiltDeg: finite(0, 5), uphillAzimuthDeg: finite(0, 359.9) });
  const both = fc.tuple(bases, fc.boolean()).map(([b, south]) => ({ ...b, latDeg: south ? -b.latDeg : b.latDeg }));

  it('slopes read along two lines give the tilt back', () => {
    holds(
      fc.property(finite(0.01, 20), finite(0, 359.9), (tiltDeg, uphillAzimuthDeg) => {
        const { poleSideUpDeg, eastSideUpDeg } = slopesOf({ latDeg: 40, tiltDeg, uphillAzimuthDeg });
        const found = tiltFromSlopes(poleSideUpDeg, eastSideUpDeg);
        expect(found.tiltDeg).to.be.closeTo(tiltDeg, 1e-9);
        expect(Math.abs(wrap180(found.uphillAzimuthDeg - uphillAzimuthDeg))).to.be.lessThan(1e-7);
        expect(found.uphillAzimuthDeg).to.be.within(0, 360);
      }),
    );
  });

  it('the slopes are those of the plane through three points of the base', () => {
    holds(
      fc.property(both, (base) => {
        const [t, u] = [Math.tan(base.tiltDeg * RAD), base.uphillAzimuthDeg * RAD];
        const at = (x: number, y: number): Vec3 => [x, y, t * (x * Math.sin(u) + y * Math.cos(u))];
        const up = normalOfPlane([at(0, 0), at(1, 0), at(0, 1)]);
        // The angle between the normal and the vertical is the tilt.
        const { poleSideUpDeg, eastSideUpDeg } = slopesOf(base);
        expect(Math.acos(Math.min(1, up[2])) / RAD).to.be.closeTo(base.tiltDeg, 1e-6);
        const pole = base.latDeg < 0 ? -1 : 1;
        const toward = (slopeDeg: number, part: number) => expect(Math.sign(slopeDeg) * part).to.be.at.most(1e-12);
        // The normal leans away from the high side.
        toward(poleSideUpDeg, pole * up[1]);
        toward(eastSideUpDeg, up[0]);
      }),
    );
  });

  it('the scale for the pole puts the axis on the pole, and reading and altitude invert each other', () => {
    holds(
      fc.property(both, (base) => {
        const scaleDeg = scaleForAltitudeDeg(base, Math.abs(base.latDeg));
        expect(trueAltitudeDeg(base, scaleDeg)).to.be.closeTo(Math.abs(base.latDeg), 1e-8);
      }),
    );
  });

  it('the rules of thumb hold for small slopes: whole toward the pole, and the turns across', () => {
    for (const latDeg of [40.33, -22.75]) {
      const south = latDeg < 0;
      const size = Math.abs(latDeg);
      const poleUp = { latDeg, tiltDeg: 0.2, uphillAzimuthDeg: south ? 180 : 0 };
      expect(trueAltitudeDeg(poleUp, size) - size).to.be.closeTo(0.2, 1e-9);
      const eastUp = { latDeg, tiltDeg: 0.2, uphillAzimuthDeg: 90 };
      const across = Math.sin(0.2 * RAD);
      const up = altitudeTurn(eastUp, size, 0.1);
      expect(up.azimuthMovedArcmin).to.be.closeTo((-6 * across) / Math.cos(size * RAD) ** 2, 2e-4);
      expect(azimuthTurn(eastUp, size, 0.1).altitudeMovedArcmin).to.be.closeTo(6 * across, 2e-4);
      expect(azimuthShiftByTiltDeg(eastUp, size)).to.be.closeTo(-0.2 * Math.tan(size * RAD), 1e-3);
    }
  });

  it('level, a turn moves what it should and nothing else', () => {
    const level = { latDeg: -30, tiltDeg: 0, uphillAzimuthDeg: 0 };
    expect(altitudeTurn(level, 30, 2).reachedAltitudeDeg).to.be.closeTo(32, 1e-9);
    expect(altitudeTurn(level, 30, 2).azimuthMovedArcmin).to.be.closeTo(0, 1e-9);
    expect(azimuthTurn(level, 30, 2).azimuthMovedArcmin).to.be.closeTo(120, 1e-9);
    expect(azimuthTurn(level, 30, 2).altitudeMovedArcmin).to.be.closeTo(0, 1e-9);
  });
});

describe('the height of the legs', () => {
  it('the eye sits at the lower end of the axis: lower legs while it stays usable', () => {
    expect(finderEyeM(1.25, 40.33)).to.be.closeTo(1.1206, 1e-4);
    expect(finderEyeM(1.25, -40.33)).to.equal(finderEyeM(1.25, 40.33));
    const high = heightAdvice(1.25, 40.33);
    expect(high.code).to.equal('lower');
    expect(heightAdvice(1.25 - high.byM, 40.33).code).to.equal('right');
    expect(heightAdvice(0.6, 10)).to.deep.include({ code: 'raise' });
    const off = (byM: number) => heightAdvice(1.25 - high.byM + byM, 40.33).code;
    expect([off(0.049), off(0.051), off(-0.049), off(-0.051)]).to.deep.equal(['right', 'lower', 'right', 'raise']);
  });
});
