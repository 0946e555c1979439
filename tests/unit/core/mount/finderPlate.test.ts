import { expect } from 'chai';
import fc from 'fast-check';
import { viewAngleDeg } from '../../../../src/core/mount/dial.ts';
import { eyeError, starsOff } from '../../../../src/core/mount/eyeError.ts';
import { plus, times, toPlate, toPolar, turnedBy, type PlatePoint } from '../../../../src/core/mount/finderPlate.ts';
import {
  boreAccuracyDeg,
  correctedPlace,
  crossOffset,
  halfwayPoint,
  parallaxArcmin,
} from '../../../../src/core/mount/halfTurn.ts';
import { neighboursOf, sidesOf } from '../../../../src/core/mount/patternChecks.ts';
import { engravedStars, rimMarks } from '../../../../src/core/mount/plateEngraving.ts';
import { learnScrewGain, screwPlan } from '../../../../src/core/mount/plateScrews.ts';
import { fromSpherical, dot, cross, type Vec3 } from '../../../../src/core/math/vectors.ts';
import { plateAfter } from '../../../../scripts/trials/contactPlate.ts';
import { finite, holds } from '../../../support/properties.ts';

const point = fc.record({ xArcmin: finite(-80, 80), yArcmin: finite(-80, 80) });
const near = (a: PlatePoint, b: PlatePoint, by = 1e-9): void => {
  expect(a.xArcmin).to.be.closeTo(b.xArcmin, by);
  expect(a.yArcmin).to.be.closeTo(b.yArcmin, by);
};

describe('places on a plate', () => {
  it('go to angle and distance and back; 3 o’clock is to the right', () => {
    holds(fc.property(point, (p) => near(toPlate(toPolar(p)), p)));
    near(toPlate({ angleDeg: 90, distanceArcmin: 10 }), { xArcmin: 10, yArcmin: 0 });
    near(turnedBy({ xArcmin: 0, yArcmin: 5 }, 90), { xArcmin: 5, yArcmin: 0 });
  });
});

describe('the half-turn test', () => {
  /** What the eye sees through a finder whose cross circles the axis: the point stays, the cross goes round. */
  const seen = (cross0: PlatePoint, object: PlatePoint) => {
    const from = (c: PlatePoint) => plus(object, times(c, -1));
    return { before: from(cross0), after: from(turnedBy(cross0, 180)) };
  };

  it('finds the cross from any point in the view, and where the point must come to', () => {
    holds(
      fc.property(point, point, (cross0, object) => {
        const marks = seen(cross0, object);
        near(crossOffset(marks), cross0);
        // A true cross has the point where it stands from the axis.
        near(halfwayPoint(marks), object);
      }),
    );
  });

  it('turned round by round, the tips bring the plate just where it is asked, a quarter turn at most, loosened first', () => {
    const counts = fc.constantFrom([0, 120, 240], [0, 90, 180, 270], [0, 100, 200], [0, 60, 170, 230]);
    holds(
      fc.property(point, counts, finite(0, 360), (move, at, first) => {
        const { round, rounds } = screwPlan(
          at.map((angle) => first + angle),
          move,
          10,
        )!;
        expect(Math.max(...round.map((t) => Math.abs(t.turns)))).to.be.at.most(0.25 + 1e-9);
        expect(round.map((t) => t.turns)).to.deep.equal(round.map((t) => t.turns).sort((x, y) => x - y));
        near(
          plateAfter(
            { xArcmin: 3, yArcmin: -7 },
            Array.from({ length: rounds }, () => round),
            10,
          ),
          plus(move, { xArcmin: 3, yArcmin: -7 }),
          0.4,
        );
      }),
    );
  });

  it('straight away from one of three screws: that one a full measure, the others back by half each', () => {
    const { round, rounds } = screwPlan([0, 120, 240], { xArcmin: 0, yArcmin: -20 }, 10)!;
    const whole = new Map(round.map((t) => [t.angleDeg, t.turns * rounds]));
    expect([whole.get(0)!, whole.get(120)!, whole.get(240)!].map((t) => Number(t.toFixed(9)))).to.deep.equal([
      2, -1, -1,
    ]);
    expect(rounds).to.equal(8);
    expect(round.reduce((sum, t) => sum + t.turns, 0)).to.be.closeTo(0, 1e-12);
    expect(screwPlan([0, 120, 240], { xArcmin: 0, yArcmin: -2.5 }, 10)!.rounds, 'a quarter turn is one round').to.equal(
      1,
    );
  });

  it('two screws, or screws that leave half of the rim free, cannot hold it', () => {
    const move = { xArcmin: 5, yArcmin: 5 };
    expect(screwPlan([0, 180], move, 10)).to.equal(null);
    expect(screwPlan([0, 180, 0], move, 10)).to.equal(null);
    expect(screwPlan([0, 60, 120], move, 10)).to.equal(null);
    expect(screwPlan([-10, 110, 590], move, 10)).not.to.equal(null);
  });

  it('learns from what the last turn really did, within sense', () => {
    const asked = { xArcmin: 20, yArcmin: 0 };
    expect(learnScrewGain(asked, { xArcmin: 30, yArcmin: 4 }, 10)).to.be.closeTo(15, 1e-9);
    expect(learnScrewGain(asked, { xArcmin: -30, yArcmin: 0 }, 10)).to.equal(3);
    expect(learnScrewGain({ xArcmin: 2, yArcmin: 0 }, { xArcmin: 9, yArcmin: 0 }, 10)).to.equal(10);
  });

  it('a star is put about the axis although the cross stands beside it', () => {
    holds(
      fc.property(point, finite(0, 360), (cross0, angleDeg) => {
        const star = { angleDeg, distanceArcmin: 40 };
        const onPlate = toPlate(correctedPlace(star, cross0));
        // From the axis: the cross' place and then the place on the plate.
        near(plus(cross0, onPlate), toPlate(star), 1e-9);
      }),
    );
  });

  it('parallax and the open bore in figures', () => {
    expect(parallaxArcmin(0.1, 400)).to.be.closeTo(0.86, 0.01);
    expect(boreAccuracyDeg(25, 200)).to.be.closeTo(0.71, 0.01);
    expect(() => parallaxArcmin(0.1, 0)).to.throw('distanceM must be above 0');
  });
});

describe('the error that the eye sees', () => {
  const RAD = Math.PI / 180;
  /** Looks along the axis and tells where a direction stands: right and up, arcmin, in the horizon frame (N, E, up). */
  const look = (axis: Vec3, at: Vec3): PlatePoint => {
    const right = cross([0, 0, 1], axis);
    const size = Math.hypot(...right);
    const unit: Vec3 = [right[0] / size, right[1] / size, right[2] / size];
    const up = cross(axis, unit);
    return { xArcmin: (dot(at, unit) / RAD) * 60, yArcmin: (dot(at, up) / RAD) * 60 };
  };

  for (const latDeg of [40, -23]) {
    it(`is the one that the mount has, latitude ${latDeg}`, () => {
      const azDeg = latDeg < 0 ? 180 : 0;
      const [alt, az] = [14, 25];
      const pole = fromSpherical(azDeg * RAD, Math.abs(latDeg) * RAD);
      const axisAz = latDeg < 0 ? 180 - az / 60 : az / 60;
      const axis = fromSpherical(axisAz * RAD, (Math.abs(latDeg) + alt / 60) * RAD);
      const view = 'upright' as const;
      // The star stands where the pole does, moved the same way as everything around it.
      const stands = look(axis, pole);
      const error = eyeError({ xArcmin: 0, yArcmin: 0 }, stands, { latDeg, view });
      expect(error.altErrorArcmin).to.be.closeTo(alt, 0.2);
      expect(error.azErrorArcmin).to.be.closeTo(az, 0.2);
      const inverted = eyeError({ xArcmin: 0, yArcmin: 0 }, times(stands, -1), { latDeg, view: 'inverted' });
      expect(inverted.altErrorArcmin).to.be.closeTo(alt, 0.2);
      near(starsOff(error, { latDeg, view }), stands, 1e-9);
    });
  }
});

describe('the engraving', () => {
  it('puts numbers and marks where they were stated to stand', () => {
    const dial = { numbering: '12h', topMark: 0, direction: 'clockwise' } as const;
    const marks = rimMarks(dial, 0.25, 1);
    expect(marks).to.have.length(48);
    expect(marks.find((m) => m.number === 3)!.angleDeg).to.be.closeTo(90, 1e-9);
    const backwards = rimMarks({ numbering: '24h', topMark: 12, direction: 'counterclockwise' }, null, 6);
    expect(backwards.map((m) => [m.number, m.angleDeg])).to.deep.equal([
      [0, 180],
      [6, 90],
      [12, 0],
      [18, 270],
    ]);
    expect(rimMarks(dial, null, null)).to.deep.equal([]);
    expect(rimMarks(dial, 0.00001, null), 'a step too small to be engraved').to.deep.equal([]);
  });

  it('engraved stars lie as the sky does: same turn of all of them, in both hemispheres', () => {
    for (const [latDeg, hips] of [
      [40, [11767, 85822, 5372]],
      [-23, [104382, 92824, 115836]],
    ] as const) {
      const spots = engravedStars(hips, 2026, latDeg);
      expect(spots).to.have.length(3);
      // At one hour angle of the first, the others' own hour angles give the same figure.
      const ra = (spot: { angleDeg: number }) => (latDeg < 0 ? -spot.angleDeg : spot.angleDeg) / 15;
      for (const spot of spots) {
        const turned = viewAngleDeg(5 - ra(spot), latDeg, 'upright') - viewAngleDeg(5, latDeg, 'upright');
        expect((turned - spot.angleDeg + 720) % 360).to.satisfy((d: number) => Math.min(d, 360 - d) < 1e-6);
      }
    }
    expect(engravedStars([], 2026, 40)).to.deep.equal([]);
    const [then, now] = [engravedStars([11767], 2000, 40)[0]!, engravedStars([11767], 2026, 40)[0]!];
    expect(then.distanceArcmin - now.distanceArcmin, 'about a quarter of an arcmin a year').to.be.within(5, 8);
  });

  it('sides close the figure, and the brightest company of each star is told', () => {
    const stars = [
      { name: 'A', viewAngleDeg: 0, distanceArcmin: 60 },
      { name: 'B', viewAngleDeg: 90, distanceArcmin: 60 },
      { name: 'C', viewAngleDeg: 180, distanceArcmin: 60 },
    ];
    const sides = sidesOf(stars);
    expect(sides.map((s) => `${s.from}${s.to}`)).to.deep.equal(['AB', 'BC', 'CA']);
    expect(sides[2]!.lengthDeg).to.be.closeTo(2, 1e-9);
    const field = [
      { xArcmin: 0.5, yArcmin: 60, magnitude: 5 },
      { xArcmin: 20, yArcmin: 60, magnitude: 7 },
      { xArcmin: 0, yArcmin: 80, magnitude: 6.5 },
    ];
    const [a] = neighboursOf(stars, field);
    expect(a, 'not the star itself, not the fainter one').to.deep.include({ of: 'A', magnitude: 6.5, viewAngleDeg: 0 });
    const beside = (arcmin: number) =>
      neighboursOf(stars, [{ xArcmin: arcmin, yArcmin: 60, magnitude: 5 }]).map((n) => n.of);
    expect([beside(2.9), beside(3.1), beside(74), beside(76)].map((of) => of.includes('A'))).to.deep.equal([
      false,
      true,
      true,
      false,
    ]);
    expect(neighboursOf(stars, []), 'a lonely figure').to.deep.equal([]);
  });
});
