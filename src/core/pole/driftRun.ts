/** The star that is being timed now, from its marks on record; any tab and any reload shows the same. */
import { wrap12 } from '../math/angles.ts';
import { driftRate, refractionDriftArcsecPerMin, type DriftMark, type DriftRate } from '../mount/driftMeasure.ts';
import { withDrift, type PoleEstimate } from '../mount/poleEstimate.ts';
import type { ReadingOf } from '../records/reading.ts';
import { localSiderealHours } from '../sky/ephemeris.ts';
import { fromUtcText } from '../time/utc.ts';
import type { NightRecords } from '../history/nightRecords.ts';

export type DriftRun = {
  starName: string;
  raDeg: number;
  decDeg: number;
  startMs: number;
  sigmaArcsec: number;
  marks: DriftMark[];
  rate: DriftRate | null;
  /** Hour angle halfway between the first and the last mark. */
  haH: number;
  /** The part of the rate that the air makes. */
  airArcsecPerMin: number;
};

/** Null when no star is being timed: none begun, or the last one finished or given up. */
export function driftRun({ readings, site }: NightRecords): DriftRun | null {
  const begun = readings.findLastIndex((r) => r.kind === 'driftMark' && r.values.starts);
  const first = readings[begun];
  if (first?.kind !== 'driftMark') return null;
  const since = readings.slice(begun);
  const over = since.some((r) => r.kind === 'drift' || (r.kind === 'event' && r.values.what === 'driftGivenUp'));
  if (over) return null;
  const startMs = fromUtcText(first.takenAtUtc);
  const marks = since
    .filter((r): r is ReadingOf<'driftMark'> => r.kind === 'driftMark')
    .map((r) => ({ timeS: (fromUtcText(r.takenAtUtc) - startMs) / 1000, northArcsec: r.values.northArcsec }));
  const { starName, raDeg, decDeg, sigmaArcsec } = first.values;
  const middleMs = startMs + ((marks.at(-1)?.timeS ?? 0) * 1000) / 2;
  const haH = wrap12(localSiderealHours(middleMs, site.lonDeg) - raDeg / 15);
  return {
    starName,
    raDeg,
    decDeg,
    startMs,
    sigmaArcsec,
    marks,
    rate: driftRate(marks, sigmaArcsec),
    haH,
    airArcsecPerMin: refractionDriftArcsecPerMin(haH, decDeg, site.latDeg),
  };
}

/** What would be known if the run ended with these marks; null while they tell no rate. */
export function estimateAfter(
  before: PoleEstimate,
  { haH, decDeg, sigmaArcsec }: DriftRun,
  marks: readonly DriftMark[],
  latDeg: number,
): PoleEstimate | null {
  const rate = driftRate(marks, sigmaArcsec);
  return rate && withDrift(before, { haH, decDeg, latDeg, ...rate });
}

/** The same with one more mark at a later time, laid on the line: only the doubt changes. */
export function estimateWithMarkAt(
  before: PoleEstimate,
  run: DriftRun,
  timeS: number,
  latDeg: number,
): PoleEstimate | null {
  const northArcsec = ((run.rate?.rateArcsecPerMin ?? 0) * timeS) / 60;
  return estimateAfter(before, run, [...run.marks, { timeS, northArcsec }], latDeg);
}
