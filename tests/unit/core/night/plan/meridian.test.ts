/** How far the tube may run: what says so, what a measured gap changes, and the pose to try by day. */
import { expect } from 'chai';
import fc from 'fast-check';
import { clearanceOf, type SkyPose } from '../../../../../src/core/mount/clearance.ts';
import { meridianLimit } from '../../../../../src/core/night/plan/meridianLimit.ts';
import { surelyM, tubeClearance } from '../../../../../src/core/night/plan/tubeClearance.ts';
import { barOfPose, worstPose } from '../../../../../src/core/night/advice/worstPose.ts';
import { pose } from '../../../../../src/core/mount/pose.ts';
import type { PlanEntry } from '../../../../../src/core/records/night.ts';
import { clearanceOfRig, weightRadiusM } from '../../../../../src/core/rig/clearanceOfRig.ts';
import { rigNumbers } from '../../../../../src/core/rig/rigNumbers.ts';
import { clearNightHolds, clearNights } from '../../../../../scripts/trials/clearNightsTrial.ts';
import { holds } from '../../../../support/properties.ts';
import { changed, night } from '../../../../support/nights.ts';
import { GAP_MEASURED, parts, reading, rigs, snapshotOf } from '../../../../support/records.ts';

const heron = rigs.find((r) => r.name === 'Heron')!;
const LAT = 40.33;
const numbers = rigNumbers(heron, parts);
const entry = (limitH: number | null) => ({ limitH }) as PlanEntry;

describe('the limit past the meridian', () => {
  const tube = night({ snapshots: [snapshotOf()], readings: [GAP_MEASURED] }).limit.tube!;
  const ending = (toH: number | null, toldToH = toH) => ({ fromH: null, toH, toldToH });
  const clear = { ...tube, before: ending(null), closest: null };
  const own = (mountH: number | null, cableH: number | null = null, fittingH: number | null = null) => ({
    mountH,
    cableH,
    fittingH,
  });
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

  it('where doubt ends the run the tube goes over at the meridian, unless somebody says how far it may run', () => {
    const doubtful = { ...tube, before: ending(0, 2) };
    expect(meridianLimit(entry(null), own(null), doubtful)).to.include({ source: 'doubt', limitH: 0 });
    expect(meridianLimit(null, own(null), null)).to.include({ source: 'doubt', limitH: 0 });
    expect(meridianLimit(entry(null), own(null, 1), doubtful)).to.include({ source: 'doubt', limitH: 0 });
    expect(meridianLimit(entry(null), own(0.75), doubtful)).to.include({ source: 'mount', limitH: 0.75 });
    expect(meridianLimit(entry(1), own(null), doubtful)).to.include({ source: 'night', limitH: 1 });
    expect(meridianLimit(entry(3), own(null), doubtful)).to.include({ source: 'clearance', limitH: 2 });
  });

  const numbersWith = (change: Partial<Record<'mount' | 'tube' | 'camera' | 'support', object>>) =>
    rigNumbers(
      heron,
      parts.map((p) => ({ ...p, ...change[p.kind as keyof typeof change] })),
    );
  /** A thinner column and a lower hub leave more room. */
  const roomy = { hubHeightM: 0.91, columnRadiusM: 0.04 };
  const limitOf = (numbers_: typeof numbers, decDeg = 56.6) =>
    meridianLimit(null, own(null), tubeClearance(numbers_, LAT, decDeg, null));

  it('ends where the margin is reached with two sigmas of the doubt against it: the worse the lengths are known, the earlier', () => {
    const by = (sizeBasis: string) =>
      limitOf(
        numbersWith({
          mount: { sizeBasis },
          tube: { sizeBasis },
          camera: { sizeBasis },
          support: { ...roomy, sizeBasis },
        }),
      );
    const [measured, stated, assumed] = [by('measured'), by('stated'), by('assumed')];
    const at = measured.tube!.at({ haH: measured.limitH, decDeg: 56.6, state: 'beforeFlip' });
    expect(measured.source).to.equal('clearance');
    expect(at.value - 2 * at.doubt).to.be.closeTo(0.05, 5e-4);
    expect(stated.limitH).to.be.at.most(measured.limitH);
    expect([assumed.limitH, assumed.source]).to.deep.equal([0, 'doubt']);
    expect(assumed.tube!.mayTouch!.haH).to.be.greaterThan(0);
  });

  it('a guess never puts the limit before the meridian and never forbids a side; what was told does', () => {
    const long = { backM: 0.5, radiusM: 0.11 };
    const by = (sizeBasis: string) =>
      limitOf(numbersWith({ mount: { sizeBasis }, tube: { ...long, sizeBasis }, camera: { sizeBasis } }), 60);
    expect([by('measured').source, by('stated').source]).to.deep.equal(['clearance', 'clearance']);
    expect(by('measured').limitH).to.be.below(0);
    expect(by('measured').tube!.after!.fromH).to.be.above(0);
    const guessed = by('assumed');
    expect([guessed.limitH, guessed.source, guessed.tube!.after!.fromH]).to.deep.equal([0, 'doubt', 0]);
    expect(guessed.tube!.unmeasured).to.include('tube');
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
    expect(of({ sizeBasis: 'assumed' }, 'support')).to.deep.equal(['tripod']);
    expect(of({ sizeBasis: 'assumed' }, 'tube')).to.deep.equal(['tube']);
    expect(of({ sizeBasis: 'assumed' }, 'camera')).to.deep.equal(['camera']);
    expect(of({ massBasis: 'assumed' }, 'tube')).to.deep.equal([]);
    expect(of({ mountKind: 'forkOnWedge' }, 'camera')).to.deep.equal([]);
    expect(clearanceOfRig(rigNumbers(heron, changed('demo-heron-mount', { mountKind: 'forkOnWedge' })), LAT)).to.equal(
      null,
    );
    const loose = { ...heron, placed: heron.placed.map((p) => ({ ...p, placeBasis: 'assumed' as const })) };
    expect(clearanceOfRig(rigNumbers(loose, parts), LAT)!.unmeasured).to.deep.equal(['place']);
  });

  it('a bracket tracker has a bracket’s axes, not a German mount’s', () => {
    const axesOf = (mountKind: string) =>
      clearanceOfRig(numbersWith({ mount: { mountKind, geometry: null } }), LAT)!.geometry;
    const [bracket, german] = [axesOf('trackerBracket'), axesOf('germanEquatorial')];
    expect(bracket.axisForwardM).to.be.greaterThan(german.axisForwardM);
    expect(bracket.columnTopDropM).to.be.below(german.columnTopDropM);
    expect(bracket.pivotHeightM).to.be.below(german.pivotHeightM);
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
    expect(at(worst).clearanceM).to.be.closeTo(worst.clearance.value, 1e-12);
    const surely = (pose: SkyPose) => {
      const { value, doubt } = one.limit.tube!.at(pose);
      return value - 2 * doubt;
    };
    for (const { startMs, side } of one.plan!.subs) {
      const haH = ((startMs - one.targetSky!.transit.transitMs) / 3_600_000) * 1.0027379;
      const state = side === 'before' ? 'beforeFlip' : 'afterFlip';
      expect(surely({ haH, decDeg: worst.decDeg, state })).to.be.greaterThan(surely(worst) - 1e-3);
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

  const gapsOf = (values: object[], rig?: (r: typeof heron) => typeof heron) =>
    night({
      snapshots: [snapshotOf({}, 's1', rig)],
      readings: values.map((v) => reading('gap', v, { subject: { type: 'rig', id: heron.id } })),
    });

  it('what went through teaches nothing: neither more room nor less', () => {
    const before = night();
    const { haH, decDeg, state, clearance } = worstPose(before)!;
    for (const by of [-0.02, 0.02, 0.3]) {
      const after = gapsOf([{ haH, decDeg, state, gapM: clearance.value + by, atLeast: true }]);
      expect(after.limit.tube!.shift).to.equal(null);
      expect(after.limit.limitH).to.equal(before.limit.limitH);
    }
  });

  it('a measured gap shifts what it was measured like, by what it was more than the drawing of its day', () => {
    const before = night();
    const worst = worstPose(before)!;
    const { haH, decDeg, state } = worst;
    const values = { haH, decDeg, state, ...worst.clearance.closest, gapM: worst.clearance.value + 0.004 };
    const after = gapsOf([values]);
    const tube = after.limit.tube!;
    expect(tube.shift).to.deep.include({ count: 1 });
    expect(tube.shift!.shiftM).to.be.closeTo(0.004, 1e-9);
    expect(tube.at(worst).basis).to.equal('measured');
    expect(surelyM(tube.at(worst))).to.be.greaterThan(surelyM(worst.clearance));
    // Another pair comes nearly as near there, and nobody measured that: it is the one in doubt now.
    expect(tube.at(worst).closest).not.to.deep.equal(worst.clearance.closest);
    const close = gapsOf([{ ...values, gapM: worst.clearance.value - 0.004 }]).limit.tube!.at(worst);
    expect([close.closest, Number(close.value.toFixed(9))]).to.deep.equal([
      worst.clearance.closest,
      Number((worst.clearance.value - 0.004).toFixed(9)),
    ]);
    expect(close.doubt).to.be.below(0.005);
    expect(tube.before!.toH!).to.be.greaterThan(before.limit.tube!.before!.toH!);
    // Where other pieces come near, more room here is no more room there; less room is less everywhere.
    const far: SkyPose = { haH: -5, decDeg: 0, state: 'beforeFlip' };
    const drawnM = before.limit.tube!.at(far).value;
    expect(tube.at(far).value - drawnM).to.be.within(0, 0.0035);
    const less = gapsOf([{ ...values, gapM: worst.clearance.value - 0.03 }]).limit.tube!;
    expect(less.at(far).value - drawnM).to.be.closeTo(-0.03, 1e-9);
  });

  it('measured with another tube it says the same of the axes: what that tube’s drawing was off by', () => {
    const worst = worstPose(night())!;
    const values = { haH: worst.haH, decDeg: worst.decDeg, state: worst.state, gapM: worst.clearance.value + 0.03 };
    const longer = (rig: typeof heron) => ({
      ...rig,
      placed: rig.placed.map((p) => (p.partId === rig.imagingTubeId ? { ...p, alongTubeM: p.alongTubeM - 0.05 } : p)),
    });
    const then = gapsOf([values], longer);
    const drawnThen = clearanceOf(clearanceOfRig(rigNumbers(longer(heron), parts), LAT)!.geometry, LAT)(worst);
    expect(then.limit.tube!.shift!.shiftM).to.be.closeTo(values.gapM - drawnThen.clearanceM, 1e-9);
    // It says less of the present tube than one that was measured on it.
    expect(then.limit.tube!.at(worst).doubt).to.be.greaterThan(gapsOf([values]).limit.tube!.at(worst).doubt);
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
