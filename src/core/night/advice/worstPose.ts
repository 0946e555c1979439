/** The pose of tonight's plan in which the tube comes nearest to what stands: to be set by hand in daylight, and measured. */
import { asinClamped, DEG_PER_RAD, RAD_PER_DEG, wrap12 } from '../../math/angles.ts';
import { clearanceOf, type Clearance, type SkyPose } from '../../mount/clearance.ts';
import { surelyM, type KnownClearance } from '../plan/tubeClearance.ts';
import { oncePer } from '../../once.ts';
import { hourAngleH } from '../../sky/horizontal.ts';
import { MS_PER_MINUTE } from '../../time/utc.ts';
import { aimedAt, type NightStatic } from '../nightStatic.ts';
import type { Plan } from '../plan/plan.ts';

const STEP_MS = 2 * MS_PER_MINUTE;
const DEG_PER_HOUR = 15;

export type WorstPose = SkyPose & {
  timeMs: number;
  /** By the model, with what measured gaps say of it and its doubt. */
  clearance: KnownClearance;
  barClearanceM: number;
  barClosest: Clearance['barClosest'];
};

/** How the bar stands: how far its tube's end is below the level, degrees in [-90, 90], negative = above, and on which side
 *  of the column. On the meridian the bar is level; before the flip the tube is west and sinks with the hour angle, after it
 *  is east and rises; beyond six hours it has gone over the top or under to the other side. */
export function barOfPose({ haH, state }: Pick<SkyPose, 'haH' | 'state'>): { belowDeg: number; west: boolean } {
  const turned = (state === 'beforeFlip' ? 1 : -1) * DEG_PER_HOUR * haH * RAD_PER_DEG;
  const isUnturned = Math.cos(turned) >= 0;
  return {
    belowDeg: asinClamped(Math.sin(turned)) * DEG_PER_RAD,
    west: (state === 'beforeFlip') === isUnturned,
  };
}

const nearest = (poses: readonly WorstPose[]): WorstPose | null =>
  poses.reduce<WorstPose | null>(
    (least, one) => (least === null || surelyM(one.clearance) < surelyM(least.clearance) ? one : least),
    null,
  );

/** The pose of a plan's subs, of the target that the night looks at, in which the tube is nearest; null for mounts that never
 *  flip, rigs without their parts, and plans without subs. */
export function nearestOfPlan({ targetSky, limit, records }: NightStatic, plan: Plan): WorstPose | null {
  const { tube } = limit;
  if (!targetSky || !tube) return null;
  const { latDeg, lonDeg } = records.site;
  const { raDeg, decDeg } = targetSky.ofDate;
  const drawnAt = clearanceOf(tube.geometry, latDeg);
  const poses = plan.subs.flatMap(({ startMs, endMs, side }): WorstPose[] => {
    const steps = Math.max(1, Math.ceil((endMs - startMs) / STEP_MS));
    return Array.from({ length: steps + 1 }, (_, i) => {
      const timeMs = startMs + ((endMs - startMs) * i) / steps;
      const state = side === 'before' ? 'beforeFlip' : 'afterFlip';
      const pose: SkyPose = { haH: wrap12(hourAngleH(timeMs, lonDeg, raDeg)), decDeg, state };
      const { barClearanceM, barClosest } = drawnAt(pose);
      return { ...pose, barClearanceM, barClosest, clearance: tube.at(pose), timeMs };
    });
  });
  return nearest(poses);
}

/** Of all of tonight's targets. */
export const worstPose = oncePer((night: NightStatic): WorstPose | null => {
  const poses = night.legs.flatMap(({ plan }, index) => (plan && nearestOfPlan(aimedAt(night, index), plan)) ?? []);
  return nearest(poses);
});
