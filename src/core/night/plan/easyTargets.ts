/** Which bright objects stand well on a night: for somebody who has not chosen yet. */
import type { Night } from '../../records/night.ts';
import type { Site } from '../../records/site.ts';
import { BRIGHT_TARGETS, type BrightTarget } from '../../sky/brightTargets.ts';
import { apparentPlace } from '../../sky/ephemeris.ts';
import { toHorizontal } from '../../sky/horizontal.ts';
import { MS_PER_HOUR } from '../../time/utc.ts';
import { siteNight, type SkyPlace } from './skyOfNight.ts';
import { darkSpan, intersect, longest, lowestImagingAltDeg, upSpans } from './darkness.ts';

export type StandingTarget = BrightTarget & {
  /** Dark and above the lowest altitude for imaging, in one piece. */
  usableH: number;
  /** The part of it within the first hours of the dark. */
  eveningH: number;
  /** Where it culminates, whether in the dark or not. */
  highestAltDeg: number;
  /** Of the field's shorter side; null while the field is not known. */
  fillsShare: number | null;
};

/** Who begins at dusk looks for so long; three hours of it are enough, more do not make a target better. */
const [EVENING_H, ENOUGH_H] = [5, 3];
const [FILLS_LEAST, FILLS_MOST] = [0.08, 0.9];

function fitOf({ fillsShare }: StandingTarget): number {
  return fillsShare === null || (fillsShare >= FILLS_LEAST && fillsShare <= FILLS_MOST) ? 1 : 0;
}

/** Easy ones first, then those that fit the field, then hours in the evening's dark, then altitude. What is
 *  never dark and high enough for imaging is left out.
 *  @param fieldArcmin the shorter side of the field; null = not known. */
export function standingTargets(
  site: SkyPlace & Pick<Site, 'horizon' | 'lowestAltDeg'>,
  { eveningDate, darkness }: Pick<Night, 'eveningDate' | 'darkness'>,
  fieldArcmin: number | null,
): StandingTarget[] {
  const { events } = siteNight(site, eveningDate);
  const dark = darkSpan(events, darkness);
  if (!dark) return [];
  const lowestDeg = lowestImagingAltDeg(site);
  const standing = BRIGHT_TARGETS.flatMap((target): StandingTarget[] => {
    const ofDate = apparentPlace(target, events.startMs);
    const highestAltDeg = toHorizontal(0, ofDate.decDeg, site.latDeg).altDeg;
    if (highestAltDeg <= lowestDeg) return [];
    const span = longest(intersect(upSpans(site, ofDate, dark.fromMs, dark.toMs, lowestDeg), dark));
    if (!span) return [];
    const evening = { fromMs: dark.fromMs, toMs: dark.fromMs + EVENING_H * MS_PER_HOUR };
    const early = intersect([span], evening)[0];
    const eveningH = early ? (early.toMs - early.fromMs) / MS_PER_HOUR : 0;
    const fillsShare = fieldArcmin === null ? null : target.sizeArcmin / fieldArcmin;
    return [{ ...target, usableH: (span.toMs - span.fromMs) / MS_PER_HOUR, eveningH, highestAltDeg, fillsShare }];
  });
  const hours = ({ eveningH }: StandingTarget): number => Math.min(eveningH, ENOUGH_H);
  return standing.sort(
    (a, b) =>
      Number(b.easy) - Number(a.easy) ||
      fitOf(b) - fitOf(a) ||
      hours(b) - hours(a) ||
      b.highestAltDeg - a.highestAltDeg,
  );
}
