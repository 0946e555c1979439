/** The doubt of a clearance against many mounts whose lengths are drawn, and what a gap says by regression over them: nothing
 *  here knows of slopes or of covariances. */
import { expect } from 'chai';
import fc from 'fast-check';
import { normal, seeded } from '../../../../src/core/math/random.ts';
import { clearanceOf, type ClearanceGeometry, type SkyPose } from '../../../../src/core/mount/clearance.ts';
import { doubtfulClearances, type LengthDoubts, type MeasuredGap } from '../../../../src/core/mount/clearanceDoubt.ts';
import { slopedClearances, TUBE_LENGTHS, type TubeLength } from '../../../../src/core/mount/clearanceSlopes.ts';
import { finite, holds } from '../../../support/properties.ts';
import { GEOMETRY } from '../../../support/tripods.ts';

const LAT = 40;
const sloped = (g: ClearanceGeometry, latDeg: number) => (pose: SkyPose) => slopedClearances(g, latDeg, 0)(pose)[0];
const doubtful = (doubts: LengthDoubts, gaps: MeasuredGap[]) => (pose: SkyPose) =>
  doubtfulClearances(GEOMETRY, { latDeg: LAT, doubts, gaps, withinM: 0 })(pose)[0];
const anyPose: fc.Arbitrary<SkyPose> = fc.record({
  haH: finite(-6, 12),
  decDeg: finite(-60, 85),
  state: fc.constantFrom('beforeFlip' as const, 'afterFlip' as const),
});
const doubtsOf = (sigmaM: (name: TubeLength) => number, guessed: readonly TubeLength[] = []): LengthDoubts =>
  Object.fromEntries(
    TUBE_LENGTHS.map((name) => [name, { sigmaM: sigmaM(name), guessed: guessed.includes(name) }]),
  ) as LengthDoubts;

/** Small enough that a clearance goes in a straight line with each length. */
const SMALL_M = 2e-4;
const small = doubtsOf((name) => (name === 'tubeBackM' || name === 'pivotHeightM' ? 4 * SMALL_M : SMALL_M));

type Drawn = { g: ClearanceGeometry; random: () => number };
function drawn(count: number, doubts: LengthDoubts, seed: number): Drawn[] {
  const random = seeded(seed);
  return Array.from({ length: count }, () => {
    const g = { ...GEOMETRY };
    for (const name of TUBE_LENGTHS) g[name] += doubts[name].sigmaM * normal(random);
    return { g, random };
  });
}
const spread = (values: readonly number[]): number => {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length);
};

/** What is left of `y` once a straight line through each `x` has been taken out, one after the other (Gram-Schmidt). */
function residual(y: readonly number[], xs: readonly (readonly number[])[]): number[] {
  const centred = (v: readonly number[]): number[] => {
    const mean = v.reduce((a, b) => a + b, 0) / v.length;
    return v.map((one) => one - mean);
  };
  const without = (v: number[], x: number[]): number[] => {
    const share = v.reduce((sum, one, i) => sum + one * x[i]!, 0) / x.reduce((sum, one) => sum + one * one, 0);
    return v.map((one, i) => one - share * x[i]!);
  };
  const basis: number[][] = [];
  for (const x of xs) basis.push(basis.reduce(without, centred(x)));
  return basis.reduce(without, centred(y));
}

describe('the doubt of a clearance', () => {
  it('goes with each length as the clearance itself does when that length is changed', () => {
    const seen = { followed: 0, jumped: 0 };
    holds(
      fc.property(anyPose, finite(-60, 60), fc.boolean(), (pose, latDeg, pier) => {
        const g = { ...GEOMETRY, pier };
        const { slopes, closest, clearanceM } = sloped(g, latDeg)(pose);
        expect(clearanceM).to.equal(clearanceOf(g, latDeg)(pose).clearanceM);
        if (clearanceM < -0.02) return;
        TUBE_LENGTHS.forEach((name, i) => {
          const by = (byM: number) => clearanceOf({ ...g, [name]: g[name] + byM }, latDeg)(pose);
          const [less, more] = [by(-1e-6), by(1e-6)];
          const same = [less, more].every((c) => JSON.stringify(c.closest) === JSON.stringify(closest));
          if (!same) {
            seen.jumped += 1;
            return;
          }
          seen.followed += 1;
          expect(slopes[i]!, name).to.be.closeTo((more.clearanceM - less.clearanceM) / 2e-6, 2e-3);
        });
      }),
      300,
    );
    expect(seen.followed).to.be.greaterThan(3000);
    expect(seen.jumped).to.be.lessThan(30);
  });

  it('is as wide as the clearances of many mounts with such lengths, guesses and the rest told apart', () => {
    const guessed: TubeLength[] = ['tubeBackM', 'cameraRadiusM', 'footRadiusM'];
    const doubts = doubtsOf((name) => small[name].sigmaM, guessed);
    const all = drawn(3000, doubts, 5);
    const onlyGuesses = drawn(
      3000,
      doubtsOf((name) => (guessed.includes(name) ? doubts[name].sigmaM : 0)),
      6,
    );
    const at = doubtful(doubts, []);
    for (const pose of [
      { haH: 0, decDeg: 56, state: 'beforeFlip' },
      { haH: 0.3, decDeg: 56, state: 'beforeFlip' },
      { haH: -4, decDeg: 20, state: 'beforeFlip' },
      { haH: 1.5, decDeg: -10, state: 'afterFlip' },
    ] as const) {
      const found = at(pose);
      const widthOf = (mounts: readonly Drawn[]) => spread(mounts.map(({ g }) => clearanceOf(g, LAT)(pose).clearanceM));
      expect(found.sigmaM).to.be.closeTo(widthOf(all), 0.06 * found.sigmaM);
      expect(found.guessSigmaM).to.be.closeTo(widthOf(onlyGuesses), 0.06 * found.sigmaM);
      expect(Math.hypot(found.guessSigmaM, found.knownSigmaM)).to.be.closeTo(found.sigmaM, 1e-12);
      expect(found.likeness).to.equal(0);
    }
  });

  it('after gaps is what a regression over those mounts leaves, also where a piece was another one then', () => {
    const poses: SkyPose[] = [
      { haH: 0.2, decDeg: 56, state: 'beforeFlip' },
      { haH: -1, decDeg: 10, state: 'afterFlip' },
    ];
    const rulerM = 1.5 * SMALL_M;
    const all = TUBE_LENGTHS;
    const then = new Set<TubeLength>(all.filter((name) => name !== 'tubeBackM'));
    const gaps = poses.map((pose, i): MeasuredGap => ({
      slopes: sloped(GEOMETRY, LAT)(pose).slopes,
      sigmaM: rulerM,
      shared: i === 0 ? new Set(all) : then,
      doubts: small,
    }));
    const mounts = drawn(6000, small, 9);
    const measured = poses.map((pose, i) =>
      mounts.map(({ g, random }) => {
        const other = i === 0 ? g : { ...g, tubeBackM: GEOMETRY.tubeBackM + small.tubeBackM.sigmaM * normal(random) };
        return clearanceOf(other, LAT)(pose).clearanceM + rulerM * normal(random);
      }),
    );
    for (const pose of [
      ...poses,
      { haH: 1, decDeg: 50, state: 'beforeFlip' },
      { haH: -5, decDeg: 0, state: 'beforeFlip' },
    ] as const) {
      const told = mounts.map(({ g }) => clearanceOf(g, LAT)(pose).clearanceM);
      for (const count of [1, 2]) {
        const found = doubtful(small, gaps.slice(0, count))(pose);
        const left = spread(residual(told, measured.slice(0, count)));
        expect(found.sigmaM, `${pose.haH} h after ${count}`).to.be.closeTo(left, 0.05 * left);
      }
    }
  });

  it('a gap tells of its own pose all, of one that comes near with other pieces little', () => {
    const pose: SkyPose = { haH: 0.2, decDeg: 56, state: 'beforeFlip' };
    const doubts = doubtsOf(() => 0.015);
    const { slopes } = sloped(GEOMETRY, LAT)(pose);
    const gap = { slopes, sigmaM: 0.005, shared: new Set(TUBE_LENGTHS), doubts };
    const at = doubtful(doubts, [gap]);
    expect(at(pose).likeness).to.be.closeTo(1, 1e-12);
    expect(at({ ...pose, haH: 0.3 }).likeness).to.be.within(0.8, 1);
    const elsewhere = at({ haH: 5, decDeg: 0, state: 'beforeFlip' });
    expect(elsewhere.likeness).to.be.below(0.3);
    expect(elsewhere.sigmaM).to.be.above(0.025);
    expect(at(pose).sigmaM).to.be.below(0.0051);
  });
});
