/** How true this mount's polar finder is, from its half-turn tests; a test counts until the plate's screws were turned. */
import { firstOf } from '../firstOf.ts';
import { oncePer } from '../once.ts';
import { plus, times, type PlatePoint } from '../mount/finderPlate.ts';
import { crossOffset, type HalfTurnMarks } from '../mount/halfTurn.ts';
import { learnScrewGain, screwPlan, USUAL_ARCMIN_PER_TURN, type ScrewPlan } from '../mount/plateScrews.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { mountOf } from '../rig/rigState.ts';

/** A test that reads this little leaves the plate alone: read by eye it is off by one arcmin or so, and three are wanted. */
export const PLATE_GOOD_ARCMIN = 2;
/** From this on an old offset is worth taking off the reading. */
const WORTH_CORRECTING_ARCMIN = 1;

export type PlateOfFinder = {
  /** Of the last test that counts. */
  marks: HalfTurnMarks | null;
  /** Of the cross from the axis, plate upright; null = never tested, or its screws were turned since. */
  offset: PlatePoint | null;
  sizeArcmin: number | null;
  good: boolean;
  takenAtUtc: string | null;
  /** What one turn of a screw does: usual, or seen in the tests. */
  arcminPerTurn: number;
  /** What to do to each screw now, the axis left as it is after the half turn; null when there is nothing to do or the
   *  screws are not entered. Angles clockwise in the view as it is then. */
  screws: ScrewPlan | null;
  /** Tests since the last night without one. */
  rounds: number;
};

/** Tests and turns of the screws that are looked back on. */
const KEPT = 60;

const isTest = (r: Reading): r is ReadingOf<'halfTurn'> => r.kind === 'halfTurn';
const isMove = (r: Reading): boolean => r.kind === 'event' && r.values.what === 'plateMoved';

function marksOf({ values: v }: ReadingOf<'halfTurn'>): HalfTurnMarks {
  return {
    before: { xArcmin: v.beforeXArcmin, yArcmin: v.beforeYArcmin },
    after: { xArcmin: v.afterXArcmin, yArcmin: v.afterYArcmin },
  };
}

/** Tests in a row with one turn of the screws between them teach what the screws do. */
function learnedGain(all: readonly Reading[]): number {
  let gain = USUAL_ARCMIN_PER_TURN;
  let before: PlatePoint | null = null;
  let moves = 0;
  for (const r of all) {
    if (isMove(r)) moves += 1;
    if (!isTest(r)) continue;
    const offset = crossOffset(marksOf(r));
    if (before && moves === 1) gain = learnScrewGain(times(before, -1), plus(offset, times(before, -1)), gain);
    before = offset;
    moves = 0;
  }
  return gain;
}

export const plateOfFinder = oncePer((records: NightRecords): PlateOfFinder => {
  const all = firstOf(records.known.plate(records.rig.mountId), KEPT).reverse();
  const finder = mountOf(records)?.finder ?? null;
  const last = all.findLastIndex(isTest);
  const test = all[last];
  const arcminPerTurn = learnedGain(all);
  const none = { marks: null, offset: null, sizeArcmin: null, good: false, takenAtUtc: null, screws: null };
  const rounds = records.tonight.of('halfTurn').length;
  if (!test || !isTest(test) || all.slice(last + 1).some(isMove)) return { ...none, arcminPerTurn, rounds };
  const marks = marksOf(test);
  const offset = crossOffset(marks);
  const sizeArcmin = Math.hypot(offset.xArcmin, offset.yArcmin);
  const good = sizeArcmin <= PLATE_GOOD_ARCMIN;
  // After the half turn the screws stand opposite to where they are engraved.
  const angles = (finder?.screwAnglesDeg ?? []).map((a) => (a + 180) % 360);
  const screws = good ? null : screwPlan(angles, offset, arcminPerTurn);
  return { marks, offset, sizeArcmin, good, takenAtUtc: test.takenAtUtc, arcminPerTurn, screws, rounds };
});

/** The offset that the dial's reading is corrected by; null when there is none worth it. */
export function dialCorrection(plate: PlateOfFinder): PlatePoint | null {
  return plate.sizeArcmin !== null && plate.sizeArcmin >= WORTH_CORRECTING_ARCMIN ? plate.offset : null;
}
