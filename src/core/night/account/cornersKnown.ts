/** What the corners of the frame say of the corrector's distance: measured, seen by eye, or not looked at. No sub length mends
 *  it, so it is told beside the account and not in its shares. */
import type { NightRecords } from '../../history/nightRecords.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import type { LightPath } from '../../rig/lightPathOfRig.ts';
import { isKnownRight } from '../../optics/spacing.ts';
import { cornersStretch, evenVariance } from '../../verdict/evenWidth.ts';
import type { PlannedSub } from '../../verdict/plannedSub.ts';
import { learnedOf } from '../learned/learned.ts';
import { presentLook, seenSpread } from './seenSpread.ts';
import { NOT_LOOKED_SOURCE, TOLD_SOURCE, type Source } from './sources.ts';

export type CornersKnown = {
  /** Length of the worst corner's star over its even width; 1 = nothing is known to be wrong. */
  stretch: number;
  source: Source;
};

/** A lens has no distance to check; a stack that is drawn piece by piece and fits has been. */
function sourceOfStack({ spacing, misfits }: LightPath): Source {
  const fits = spacing === null || (isKnownRight(spacing) && misfits.length === 0);
  return fits ? TOLD_SOURCE : NOT_LOOKED_SOURCE;
}

/** Of corners that were measured, and seen by eye with the stack as it stands, the later of the two. */
export function cornersKnown(records: NightRecords, { lightPath }: RigNumbers, sub: PlannedSub): CornersKnown {
  const { corners: measured, spacing: tried } = learnedOf(records);
  const seen = presentLook(tried, lightPath.spacing);
  const isSeenLater = seen && (!measured || seen.reading.takenAtUtc > measured.takenAtUtc);
  if (isSeenLater) {
    const spacing = seenSpread(seen, Math.sqrt(evenVariance(sub)));
    return { stretch: cornersStretch(sub, spacing), source: { basis: 'measured', asOf: seen.reading.takenAtUtc } };
  }
  if (!measured) return { stretch: 1, source: sourceOfStack(lightPath) };
  const { sigmaArcsec, direction } = measured.values;
  return {
    stretch: cornersStretch(sub, { sigmaArcsec, direction }),
    source: { basis: 'measured', asOf: measured.takenAtUtc },
  };
}
