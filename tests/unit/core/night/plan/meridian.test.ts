/** How far the tube may run: what says so, what a measured gap changes, and the pose to try by day. */
import { expect } from 'chai';
import fc from 'fast-check';
import { clearanceOf } from '../../../../../src/core/mount/clearance.ts';
import { meridianLimit, tubeClearance } from '../../../../../src/core/night/plan/meridianLimit.ts';
import { barOfPose, worstPose } from '../../../../../src/core/night/advice/worstPose.ts';
import { pose } from '../../../../../src/core/mount/pose.ts';
import type { PlanEntry } from '../../../../../src/core/records/night.ts';
import { clearanceOfRig, weightRadiusM } from '../../../../../src/core/rig/clearanceOfRig.ts';
import { rigNumbers } from '../../../../../src/core/rig/rigNumbers.ts';
import { clearNightHolds, clearNights } from '../../../../../scripts/trials/clearNightsTrial.ts';
import { holds } from '../../../../support/properties.ts';
import { changed, night } from '../../../../support/nights.ts';
import { parts, reading, rigs, snapshotOf } from '../../../../support/records.ts';

const heron = rigs.find((r) => r.name === 'Heron')!;
const LAT = 40.33;
const numbers = rigNumbers(heron, parts);
const entry = (limitH: number | null) => ({ limitH }) as PlanEntry;

describe('the limit past the meridian', () => {
  const tube = tubeClearance(numbers, LAT, 56.6, null)!;
  const ending = (toH: number | null) => ({ fromH: null, toH });
  const clear = { ...tube, before: ending(null), closest: null };
  const own = (mountH: number | null, cableH: number | null = null, fittingH: number | null = null) => ({
    mountH,
    cableH,
    fittingH,
  });
  const guessed = { ...tube, trusted: false };

  it('is the earliest of what night, mount and clearance allow, and says whose it is', () => {
    const of = (night: number | null, mount: number | null, with_ = tube) => {
      const { source, limitH } = meridianLimit(entry(night), own(mount), with_);
      return [source, Number(limitH.toFixed(2))];
    };
    expect(tube.before!.toH!).to.be.within(0.1, 0.4);
    expect(of(null, 0.75)).to.deep.equal(['clearance', Number(tube.before!.toH!.toFixed(2))]);
    expect(of(0.1, 0.75)).to.deep.equal(['night', 0.1]);
    expect(of(-0.5, null)).to.deep.equal(['night', -0.5]);
    expect(of(null, 0.05)).to.deep.equal(['mount', 0.05]);
    expect(of(null, 0.75, clear)).to.deep.equal(['mount', 0.75]);
    expect(of(null, null, clear)).to.deep.equal(['clear', 6]);
  });

  it('a clearance that was never measured shortens the run and never lengthens it', () => {
    const late = { ...guessed, before: ending(2) };
    expect(meridianLimit(entry(null), own(null), late)).to.include({ source: 'unmeasured', limitH: 0 });
    expect(meridianLimit(null, own(null), null)).to.include({ source: 'unmeasured', limitH: 0 });
    expect(meridianLimit(entry(null), own(0.75), late)).to.include({ source: 'mount', limitH: 0.75 });
    expect(meridianLimit(entry(null), own(0.75), guessed).source).to.equal('clearance');
  });

  it('knows what of the rig a tape has told', () => {
    const of = (change: object, kind: string) =>
      clearanceOfRig(
        rigNumbers(
          heron,
          parts.map((p) => (p.kind === kind ? { ...p, ...change } : p)),
        ),
        LAT,
      )!.unmeasured;
    expect(clearanceOfRig(numbers, LAT)!.unmeasured).to.deep.equal([]);
    expect(of({ geometry: null }, 'mount')).to.deep.equal(['axes']);
    expect(of({ massBasis: 'assumed' }, 'support')).to.deep.equal(['tripod']);
    expect(of({ massBasis: 'assumed' }, 'tube')).to.deep.equal(['tube']);
    expect(of({ mountKind: 'forkOnWedge' }, 'camera')).to.deep.equal([]);
    expect(clearanceOfRig(rigNumbers(heron, changed('demo-heron-mount', { mountKind: 'forkOnWedge' })), LAT)).to.equal(
      null,
    );
    const loose = { ...heron, placed: heron.placed.map((p) => ({ ...p, placeBasis: 'assumed' as const })) };
    expect(clearanceOfRig(rigNumbers(loose, parts), LAT)!.unmeasured).to.deep.equal(['place']);
  });

  it('takes the tube where it lies, the camera as far as it reaches, the bar to its end and its widest weight', () => {
    const { geometry } = clearanceOfRig(numbers, LAT)!;
    const placed = heron.placed.find((p) => p.partId === heron.imagingTubeId)!;
    const { tube: part, camera } = numbers;
    expect(geometry.tubeOffsetM).to.equal(placed.fromRaAxisM);
    expect(geometry.tubeFrontM).to.be.closeTo(part!.frontM + placed.alongTubeM, 1e-12);
    const cameraAt = heron.placed.find((p) => p.partId === heron.cameraId)!;
    const endM = -cameraAt.alongTubeM + camera!.lengthM / 2;
    expect(geometry.tubeBackM + geometry.cameraLengthM).to.be.closeTo(endM, 1e-12);
    const weights = numbers.masses.weights.map((w) => weightRadiusM(w.massKg));
    expect(geometry.barRadiusM).to.equal(Math.max(...weights));
    expect(weightRadiusM(5)).to.be.closeTo(0.065, 0.001);
    expect(() => weightRadiusM(0)).to.throw(RangeError, 'massKg');
    const slid = {
      ...heron,
      placed: heron.placed.map((p) => (p === placed ? { ...p, alongTubeM: placed.alongTubeM + 0.1 } : p)),
    };
    const after = clearanceOfRig(rigNumbers(slid, parts), LAT)!.geometry;
    expect(after.tubeFrontM - geometry.tubeFrontM).to.be.closeTo(0.1, 1e-12);
    expect(after.tubeBackM - geometry.tubeBackM).to.be.closeTo(-0.1, 1e-12);
  });
});

describe('the worst pose of the night', () => {
  it('is the nearest of all subs on both sides, none nearer', () => {
    const one = night();
    const worst = worstPose(one)!;
    const { latDeg } = one.records.site;
    const at = clearanceOf(one.limit.tube!.geometry, latDeg);
    expect(at(worst).clearanceM).to.be.closeTo(worst.clearanceM, 1e-12);
    for (const { startMs, side } of one.plan!.subs) {
      const haH = ((startMs - one.targetSky!.transit.transitMs) / 3_600_000) * 1.0027379;
      const state = side === 'before' ? 'beforeFlip' : 'afterFlip';
      expect(at({ haH, decDeg: worst.decDeg, state }).clearanceM).to.be.greaterThan(worst.clearanceM - 1e-3);
    }
    expect(worstPose(night({ targetId: null }))).to.equal(null);
  });

  it('tells how far the tube’s end stands below the level and on which side, as the bar really leans', () => {
    for (const latDeg of [LAT, -22.75])
      for (const state of ['beforeFlip', 'afterFlip'] as const)
        for (const haH of [-8, -4, -0.5, 0, 1, 3, 7, 11.5]) {
          // The bar leans in the plane across the polar axis: what sinks is the lean times the cosine of the latitude.
          const { side } = pose(haH, 30, state, latDeg);
          const { belowDeg, west } = barOfPose({ haH, state });
          const sinks = -side[2] / Math.cos((latDeg * Math.PI) / 180);
          expect(Math.sin((belowDeg * Math.PI) / 180), `${state} ${haH}`).to.be.closeTo(sinks, 1e-9);
          expect(belowDeg).to.be.within(-90, 90);
          expect(west, `${state} ${haH}`).to.equal(side[0] < 0);
        }
  });

  it('what went through proves no less room than the drawing has, and never takes any away', () => {
    const { haH, decDeg, state, clearanceM } = worstPose(night())!;
    const shiftWith = (gapM: number, atLeast?: true) => {
      const values = { haH, decDeg, state, gapM, ...(atLeast && { atLeast }) };
      const readings = [reading('gap', values, { subject: { type: 'rig', id: heron.id } })];
      return night({ snapshots: [snapshotOf()], readings }).limit.tube!.shift!.shiftM;
    };
    expect(shiftWith(clearanceM - 0.02)).to.be.closeTo(-0.02, 1e-9);
    expect(shiftWith(clearanceM - 0.02, true)).to.equal(0);
    expect(shiftWith(clearanceM + 0.02, true)).to.be.closeTo(0.02, 1e-9);
  });

  it('a measured gap shifts the night, by what it was more than the drawing of its day', () => {
    const before = night();
    const worst = worstPose(before)!;
    const { haH, decDeg, state } = worst;
    const values = { haH, decDeg, state, gapM: worst.clearanceM + 0.03 };
    const after = night({
      snapshots: [snapshotOf()],
      readings: [reading('gap', values, { subject: { type: 'rig', id: heron.id } })],
    });
    expect(after.limit.tube!.shift).to.deep.include({ count: 1 });
    expect(after.limit.tube!.shift!.shiftM).to.be.closeTo(0.03, 1e-9);
    expect(after.limit.tube!.trusted).to.equal(true);
    expect(after.limit.tube!.before!.toH!).to.be.greaterThan(before.limit.tube!.before!.toH! + 0.2);
    expect(worstPose(after)!.clearanceM).to.be.greaterThan(worst.clearanceM);
    // Measured with another tube, it says the same of the axes: what that tube's drawing was off by.
    const longer = (backM: number) => (rig: typeof heron) => ({
      ...rig,
      placed: rig.placed.map((p) => (p.partId === rig.imagingTubeId ? { ...p, alongTubeM: p.alongTubeM - backM } : p)),
    });
    const then = night({
      snapshots: [snapshotOf({}, 's1', longer(0.05))],
      readings: [reading('gap', values, { subject: { type: 'rig', id: heron.id } })],
    });
    const drawnThen = clearanceOf(clearanceOfRig(rigNumbers(longer(0.05)(heron), parts), LAT)!.geometry, LAT)(worst);
    expect(then.limit.tube!.shift!.shiftM).to.be.closeTo(values.gapM - drawnThen.clearanceM, 1e-9);
  });
});

describe('no sub stands where the tube is not clear', () => {
  it('under any strategy, place, targets, tube, tripod and limits, on both sides of the meridian', () => {
    const seen = { before: 0, after: 0, second: 0, later: 0 };
    holds(
      fc.property(clearNights, (w) => clearNightHolds(w, seen)),
      80,
    );
    expect(seen.before).to.be.greaterThan(300);
    expect(seen.after).to.be.greaterThan(500);
    expect(seen.later).to.be.greaterThan(10);
  });
});
