/** The clearance against a simulation that shares no formula with it: thousands of points on the surfaces, in a frame that is
 *  turned by hand. */
import { expect } from 'chai';
import fc from 'fast-check';
import { clearanceOf, closestPoints, fastestM, type ClearanceGeometry } from '../../../../src/core/mount/clearance.ts';
import { firstUsedUp } from '../../../../src/core/mount/clearanceSearch.ts';
import type { FlipState } from '../../../../src/core/mount/pose.ts';
import { nearest, type Segment } from '../../../../src/core/math/segments.ts';
import { finite, holds } from '../../../support/properties.ts';
import { GEOMETRY } from '../../../support/tripods.ts';

type Point = [number, number, number];
/** Turns about the west-east line so that a point made for the pole straight up stands at this latitude. */
const leaned = ([x, y, z]: Point, latDeg: number): Point => {
  const a = ((90 - latDeg) * Math.PI) / 180;
  return [x, y * Math.cos(a) + z * Math.sin(a), -y * Math.sin(a) + z * Math.cos(a)];
};

/** Points of a line in the mount's own frame, polar axis up: the declination axis swings round it, the tube turns about the
 *  declination axis. Built by turning things in the order in which a hand turns them. */
function pointsOf(
  g: ClearanceGeometry,
  part: 'ota' | 'bar',
  haH: number,
  decDeg: number,
  state: FlipState,
  latDeg: number,
) {
  // With the pole up, hour angle 0 on the equator looks to -y (south), growing toward -x (west).
  const swing = ((haH + (state === 'beforeFlip' ? 6 : -6)) * 15 * Math.PI) / 180;
  const side: Point = [-Math.sin(swing), -Math.cos(swing), 0];
  const h = (haH * 15 * Math.PI) / 180;
  const d = (decDeg * Math.PI) / 180;
  const tube: Point = [-Math.sin(h) * Math.cos(d), -Math.cos(h) * Math.cos(d), Math.sin(d)];
  const at = (s: number, t: number): Point => {
    const p = leaned([s * side[0] + t * tube[0], s * side[1] + t * tube[1], s * side[2] + t * tube[2]], latDeg);
    return [p[0], p[1], p[2] + g.pivotHeightM];
  };
  const line = (from: number, to: number, make: (x: number) => Point, radius: number) =>
    Array.from({ length: 400 }, (_, i) => ({ p: make(from + ((to - from) * i) / 399), radius }));
  return part === 'bar'
    ? line(0, -g.barLengthM, (s) => at(s, 0), g.barRadiusM)
    : [
        ...line(-g.tubeBackM, g.tubeFrontM, (t) => at(g.tubeOffsetM, t), g.tubeRadiusM),
        ...line(-g.tubeBackM - g.cameraLengthM, -g.tubeBackM, (t) => at(g.tubeOffsetM, t), g.cameraRadiusM),
      ];
}

function obstaclesOf(g: ClearanceGeometry, latDeg: number) {
  const y = -g.axisForwardM * (latDeg < 0 ? -1 : 1);
  const line = (from: Point, to: Point, radius: number) =>
    Array.from({ length: 400 }, (_, i) => ({
      p: from.map((v, k) => v + ((to[k]! - v) * i) / 399) as Point,
      radius,
    }));
  const column = line([0, y, g.pivotHeightM - g.columnTopDropM], [0, y, g.pier ? 0 : g.hubHeightM], g.columnRadiusM);
  if (g.pier) return column;
  const legs = [0, 120, 240].flatMap((turn) => {
    const a = ((g.firstFootAzimuthDeg + turn) * Math.PI) / 180;
    return line([0, y, g.hubHeightM], [g.footRadiusM * Math.sin(a), y + g.footRadiusM * Math.cos(a), 0], g.legRadiusM);
  });
  return [...column, ...legs];
}

function sampled(
  g: ClearanceGeometry,
  part: 'ota' | 'bar',
  haH: number,
  decDeg: number,
  state: FlipState,
  lat: number,
) {
  let least = Number.POSITIVE_INFINITY;
  const obstacles = obstaclesOf(g, lat);
  for (const { p, radius } of pointsOf(g, part, haH, decDeg, state, lat)) {
    least = Math.min(least, p[2] - radius);
    for (const o of obstacles) {
      least = Math.min(least, Math.hypot(p[0] - o.p[0], p[1] - o.p[1], p[2] - o.p[2]) - radius - o.radius);
    }
  }
  return least;
}

const geometry: fc.Arbitrary<ClearanceGeometry> = fc
  .record({
    axisForwardM: finite(0, 0.2),
    columnTopDropM: finite(0.1, 0.4),
    pier: fc.boolean(),
    firstFootAzimuthDeg: finite(0, 360),
    tubeOffsetM: finite(0.1, 0.35),
    tubeFrontM: finite(0.2, 0.9),
    tubeBackM: finite(0.2, 0.9),
    cameraLengthM: finite(0, 0.25),
    barLengthM: finite(0.2, 0.6),
  })
  .map((change) => ({ ...GEOMETRY, ...change }));
const anyPose = fc.record({
  haH: finite(-6, 12),
  decDeg: finite(-60, 89),
  state: fc.constantFrom<FlipState>('beforeFlip', 'afterFlip'),
});

describe('clearance', () => {
  it('is what thousands of points on the pieces say, at any pose, place and tripod', () => {
    holds(
      fc.property(geometry, anyPose, finite(-65, 65), (g, { haH, decDeg, state }, latDeg) => {
        const found = clearanceOf(g, latDeg)({ haH, decDeg, state });
        expect(found.clearanceM).to.be.closeTo(sampled(g, 'ota', haH, decDeg, state, latDeg), 0.002);
        expect(found.barClearanceM).to.be.closeTo(sampled(g, 'bar', haH, decDeg, state, latDeg), 0.002);
      }),
      25,
    );
  });

  it('is the same in the south with the sky and the tripod mirrored', () => {
    holds(
      fc.property(geometry, anyPose, finite(5, 65), (g, { haH, decDeg, state }, latDeg) => {
        const north = clearanceOf(g, latDeg)({ haH, decDeg, state });
        // North and south change places: azimuths are mirrored about the east-west line.
        const mirrored = { ...g, firstFootAzimuthDeg: 180 - g.firstFootAzimuthDeg };
        const south = clearanceOf(mirrored, -latDeg)({ haH, decDeg: -decDeg, state });
        expect(south.clearanceM).to.be.closeTo(north.clearanceM, 1e-9);
        expect(south.barClearanceM).to.be.closeTo(north.barClearanceM, 1e-9);
      }),
      200,
    );
  });

  it('before the flip at one hour angle is as after it at the opposite one, with a tripod that is even', () => {
    const even = { ...GEOMETRY, firstFootAzimuthDeg: 0 };
    const at = clearanceOf(even, 40);
    for (const haH of [-4, -1, 0.5, 3])
      expect(at({ haH, decDeg: 20, state: 'beforeFlip' }).clearanceM, String(haH)).to.be.closeTo(
        at({ haH: -haH, decDeg: 20, state: 'afterFlip' }).clearanceM,
        1e-12,
      );
  });

  it('finds the first crossing of the margin, none where there is none, and never steps over one', () => {
    let crossed = 0;
    holds(
      fc.property(geometry, finite(-20, 80), finite(20, 60), finite(0.02, 0.12), (g, decDeg, latDeg, marginM) => {
        const at = clearanceOf(g, latDeg);
        const clearAt = (haH: number) => at({ haH, decDeg, state: 'beforeFlip' }).clearanceM;
        const limitWith = (wantedM: number) =>
          firstUsedUp((haH) => ({ roomM: clearAt(haH) - wantedM, safeM: clearAt(haH) - wantedM }), fastestM(g), {
            fromH: 0,
            toH: 6,
          });
        const limitH = limitWith(marginM);
        const end = limitH ?? 6;
        for (let i = 0; i < 600 && end > 0; i += 1) expect(clearAt((end * i) / 600)).to.be.greaterThan(marginM - 1e-9);
        if (limitH === null) return;
        if (limitH === 0) expect(clearAt(0)).to.be.at.most(marginM);
        else {
          crossed += 1;
          expect(clearAt(limitH)).to.be.closeTo(marginM, 1e-4);
        }
        // A wider margin never lets it run longer.
        expect(limitWith(marginM + 0.02) ?? 7).to.be.at.most(end + 1e-9);
      }),
      120,
    );
    expect(crossed).to.be.greaterThan(10);
  });

  it('names the pair whose surfaces come nearest, and where', () => {
    holds(
      fc.property(geometry, anyPose, finite(-65, 65), (g, pose, latDeg) => {
        const { closest, clearanceM } = clearanceOf(g, latDeg)(pose);
        const { distance, onFirst, onSecond } = closestPoints(g, latDeg, pose, closest);
        expect(distance).to.be.closeTo(clearanceM, 1e-9);
        const apart = Math.hypot(...onFirst.map((v, i) => v - onSecond[i]!));
        expect(apart).to.be.closeTo(Math.abs(clearanceM), 1e-6);
      }),
      200,
    );
    expect(() => clearanceOf({ ...GEOMETRY, pivotHeightM: 0 }, 40)).to.throw(RangeError, 'pivotHeightM');
  });
});

describe('two lines in space', () => {
  const point = fc.tuple(finite(-1, 1), finite(-1, 1), finite(-1, 1)) as fc.Arbitrary<Point>;
  const line: fc.Arbitrary<Segment> = fc.record({ from: point, to: point });

  it('come as near as the nearest of many points on both, never nearer, either way round', () => {
    holds(
      fc.property(line, line, (a, b) => {
        const { distance, onFirst, onSecond } = nearest(a, b);
        expect(nearest(b, a).distance).to.be.closeTo(distance, 1e-9);
        expect(Math.hypot(...onFirst.map((v, i) => v - onSecond[i]!))).to.be.closeTo(distance, 1e-12);
        let least = Number.POSITIVE_INFINITY;
        for (let i = 0; i <= 60; i += 1)
          for (let k = 0; k <= 60; k += 1) {
            const gap = [0, 1, 2].map(
              (x) => a.from[x]! + ((a.to[x]! - a.from[x]!) * i) / 60 - b.from[x]! - ((b.to[x]! - b.from[x]!) * k) / 60,
            );
            least = Math.min(least, Math.hypot(...gap));
          }
        expect(distance).to.be.at.most(least + 1e-12);
        expect(least - distance).to.be.lessThan(0.06);
      }),
      100,
    );
  });

  it('points and parallels are lines too', () => {
    const p: Segment = { from: [0, 0, 0], to: [0, 0, 0] };
    expect(nearest(p, p).distance).to.equal(0);
    expect(nearest(p, { from: [1, -1, 0], to: [1, 1, 0] }).distance).to.equal(1);
    expect(nearest({ from: [1, -1, 0], to: [1, 1, 0] }, p).distance).to.equal(1);
    expect(nearest({ from: [0, 0, 0], to: [1, 0, 0] }, { from: [3, 1, 0], to: [2, 1, 0] }).distance).to.be.closeTo(
      Math.SQRT2,
      1e-12,
    );
  });
});
