/** What optics and sensor do together tonight, as codes and figures. */
import { focusOfNight } from '../../../core/night/learned/focusOfNight.ts';
import type { StarsAt } from '../../../core/night/nightAt.ts';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import { refocusAfterC } from '../../../core/optics/focusDrift.ts';
import { samplingOf } from '../../../core/optics/train.ts';
import { opticsOfRig, type OpticsOfRig } from '../../../core/rig/opticsOfRig.ts';
import type { Rig } from '../../../core/records/rig.ts';
import type { Part } from '../../../core/records/part.ts';
import { rigNumbers } from '../../../core/rig/rigNumbers.ts';
import type { OpticsSaying } from '../../../text/opticsWords.ts';

export const opticsOfNight = ({ records, numbers, budget }: NightStatic): OpticsOfRig | null =>
  opticsOfRig(records.rig, records.parts, numbers, budget?.sub.seeingFwhmArcsec);

/** Another rig under the same sky. */
export const opticsOfOther = (rig: Rig, parts: readonly Part[], { budget }: NightStatic): OpticsOfRig | null =>
  opticsOfRig(rig, parts, rigNumbers(rig, parts), budget?.sub.seeingFwhmArcsec);

/** What of the frame's shorter side a target fills. */
export const shareOfFrame = ({ train }: OpticsOfRig, sizeArcmin: number): number =>
  sizeArcmin / 60 / Math.min(train.fieldWidthDeg, train.fieldHeightDeg);

/** A star's width: as the account expects it, where it can; else by the seeing alone. */
export function expectedStar(optics: OpticsOfRig, stars: StarsAt | null): ExpectedStar {
  const { scaleArcsecPerPx } = optics.train;
  const expected = stars?.budget.star ?? null;
  const fwhmArcsec = expected?.majorFwhmArcsec ?? optics.seeingPx * scaleArcsecPerPx;
  const lengthOverWidth = expected?.lengthOverWidth ?? 1;
  return { fwhmArcsec, fwhmPx: fwhmArcsec / scaleArcsecPerPx, lengthOverWidth, isExpected: expected !== null };
}
export type ExpectedStar = { fwhmArcsec: number; fwhmPx: number; lengthOverWidth: number; isExpected: boolean };

const WORD = { under: 'coarse', good: 'matched', over: 'fine' } as const;

/** The first thing that would spoil pictures; else what the pixels do with the star. */
export function opticsSaying(optics: OpticsOfRig, stars: StarsAt | null): OpticsSaying {
  const { coverage, guide, train } = optics;
  if (coverage !== null && coverage < 1) return { code: 'cornersDark', coverage };
  if (guide && (guide.noiseVerdict === 'tooCoarse' || guide.verdict === 'poor')) {
    return { code: 'guideCoarse', guide };
  }
  // By the width that air and optics allow: a star that the mount draws out does not suit the pixels any better.
  const even = stars?.budget.evenFwhmArcsec ?? null;
  const starPx = even === null ? optics.seeingPx : even / train.scaleArcsecPerPx;
  return { code: WORD[samplingOf(starPx)], starPx, expected: even !== null };
}

/** How far the air may change until the focus must be set again, by what the nights taught; null before they did. */
export function refocusOf({ records }: NightStatic, optics: OpticsOfRig): { degC: number; umPerDeg: number } | null {
  const { line } = focusOfNight(records);
  if (!line || line.umPerDeg === 0) return null;
  return { degC: refocusAfterC(optics.focus.toleranceUm, line.umPerDeg), umPerDeg: line.umPerDeg };
}

const EXAMPLE_FACTOR = 0.8;

/** Beside a rig that stands alone: the same with a reducer, as an example. */
export function exampleOther(night: NightStatic, name: string): OpticsOfRig | null {
  const { rig, parts } = night.records;
  const shorter = parts.map((p) =>
    p.id === rig.imagingTubeId && p.kind === 'tube' ? { ...p, focalMm: p.focalMm * EXAMPLE_FACTOR } : p,
  );
  return opticsOfOther({ ...rig, name }, shorter, night);
}
