/** What the half-turn test shows, as codes and figures. */
import { halfwayPoint, crossOffset } from '../../core/mount/halfTurn.ts';
import type { PlatePoint } from '../../core/mount/finderPlate.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { PLATE_GOOD_ARCMIN, plateOfFinder, type PlateOfFinder } from '../../core/night/plateOfFinder.ts';
import type { PlateSaying } from '../../text/plateWords.ts';

export type PlateModel = {
  saying: PlateSaying;
  plate: PlateOfFinder;
  /** The plate hangs upside down after the half turn. */
  turnDeg: number;
  halfway: PlatePoint | null;
  /** What tapping marks next; null when both marks stand. */
  marking: 'before' | 'after' | null;
  /** Screws are turned now: the test counts and is not good. */
  mending: boolean;
};

type Marks = { before: PlatePoint; after: PlatePoint };

function markingOf(before: PlatePoint | null, marks: Marks | null): PlateModel['marking'] {
  if (marks) return null;
  return before ? 'after' : 'before';
}

/** @param before @param after marks of the round that runs, not yet recorded. */
export function plateModel(night: NightStatic, before: PlatePoint | null, after: PlatePoint | null): PlateModel {
  const finder = night.numbers.mount?.finder ?? null;
  const plate = plateOfFinder(night.records);
  const running = before !== null;
  const marks = before && after ? { before, after } : null;
  const mending = !running && plate.offset !== null && !plate.good;
  const upsideDown = mending || (running && finder?.turnsWithAxis === true);
  return {
    saying: sayingOf(finder, plate, running, marks),
    plate,
    turnDeg: upsideDown ? 180 : 0,
    halfway: marks && halfwayPoint(marks),
    marking: markingOf(before, marks),
    mending,
  };
}

function sayingOf(
  finder: { turnsWithAxis: boolean } | null,
  { sizeArcmin, good, screws }: PlateOfFinder,
  running: boolean,
  marks: Marks | null,
): PlateSaying {
  if (!finder) return { code: 'noFinder' };
  if (marks) {
    const { xArcmin, yArcmin } = crossOffset(marks);
    return { code: 'reading', sizeArcmin: Math.hypot(xArcmin, yArcmin) };
  }
  if (running) return { code: 'markAfter' };
  if (sizeArcmin === null) return finder.turnsWithAxis ? { code: 'markBefore' } : { code: 'fixedFinder' };
  if (good) return { code: 'good', sizeArcmin, limitArcmin: PLATE_GOOD_ARCMIN };
  return { code: screws ? 'turnScrews' : 'noScrews', sizeArcmin };
}
