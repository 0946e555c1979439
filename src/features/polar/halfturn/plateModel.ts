/** What the half-turn test shows, as codes and figures. */
import { crossOffset, halfwayPoint, type HalfTurnMarks } from '../../../core/mount/halfTurn.ts';
import type { PlatePoint } from '../../../core/mount/finderPlate.ts';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import { PLATE_GOOD_ARCMIN, plateOfFinder, type PlateOfFinder } from '../../../core/pole/plateOfFinder.ts';
import type { PlateSaying } from '../../../text/plateWords.ts';

export type PlateModel = {
  saying: PlateSaying;
  plate: PlateOfFinder;
  /** The plate hangs upside down after the half turn. */
  turnDeg: number;
  halfway: PlatePoint | null;
  /** Marks to draw: of the round that runs, or of the test that is being mended. */
  before: PlatePoint | null;
  after: PlatePoint | null;
  /** What tapping marks next; null when nothing is to be marked. */
  marking: 'before' | 'after' | null;
  /** Screws are turned now: the test counts and is not good. */
  mending: boolean;
};

/** Where a round stands: nothing marked, turned and to be marked again, marked twice, or its screws being turned. */
type Phase =
  | { name: 'begin' }
  | { name: 'turned'; before: PlatePoint }
  | { name: 'marked'; marks: HalfTurnMarks }
  | { name: 'mending'; marks: HalfTurnMarks };

function phaseOf(plate: PlateOfFinder, before: PlatePoint | null, after: PlatePoint | null, again: boolean): Phase {
  if (before && after) return { name: 'marked', marks: { before, after } };
  if (before) return { name: 'turned', before };
  if (plate.marks && !plate.good && !again) return { name: 'mending', marks: plate.marks };
  return { name: 'begin' };
}

type Drawn = Pick<PlateModel, 'before' | 'after' | 'halfway' | 'marking'>;

function drawnIn(phase: Phase): Drawn {
  switch (phase.name) {
    case 'begin':
      return { before: null, after: null, halfway: null, marking: 'before' };
    case 'turned':
      return { before: phase.before, after: null, halfway: null, marking: 'after' };
    case 'marked':
      return { ...phase.marks, halfway: halfwayPoint(phase.marks), marking: null };
    case 'mending':
      // While screws are turned the point itself stands at its second mark.
      return { before: null, after: phase.marks.after, halfway: halfwayPoint(phase.marks), marking: null };
  }
}

function sayingOf(
  finder: { turnsWithAxis: boolean } | null,
  { sizeArcmin, good, screws }: PlateOfFinder,
  phase: Phase,
  again: boolean,
): PlateSaying {
  if (!finder) return { code: 'noFinder' };
  if (phase.name === 'marked') {
    const { xArcmin, yArcmin } = crossOffset(phase.marks);
    return { code: 'reading', sizeArcmin: Math.hypot(xArcmin, yArcmin) };
  }
  if (phase.name === 'turned') return { code: 'markAfter', turnsWithAxis: finder.turnsWithAxis };
  if (sizeArcmin === null || again) return { code: finder.turnsWithAxis ? 'markBefore' : 'fixedFinder' };
  if (good) return { code: 'good', sizeArcmin, limitArcmin: PLATE_GOOD_ARCMIN };
  return { code: screws ? 'turnScrews' : 'noScrews', sizeArcmin };
}

/** @param before @param after marks of the round that runs, not yet recorded.
 *  @param again another test is wanted before any screw is turned. */
export function plateModel(
  night: NightStatic,
  before: PlatePoint | null,
  after: PlatePoint | null,
  again = false,
): PlateModel {
  const finder = night.numbers.mount?.finder ?? null;
  const plate = plateOfFinder(night.records);
  const phase = phaseOf(plate, before, after, again);
  return {
    saying: sayingOf(finder, plate, phase, again),
    plate,
    // The plate goes round with whatever is turned: the axis, or the finder in its holder.
    turnDeg: phase.name === 'begin' ? 0 : 180,
    ...drawnIn(phase),
    mending: phase.name === 'mending',
  };
}
