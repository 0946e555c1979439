/** Which bright objects stand well on a night: for somebody who has not chosen yet. */
import type { Night } from '../../records/night.ts';
import type { Site } from '../../records/site.ts';
import { BRIGHT_TARGETS, type BrightTarget } from '../../sky/brightTargets.ts';
import { apparentPlace } from '../../sky/ephemeris.ts';
import { toHorizontal } from '../../sky/horizontal.ts';
import { MS_PER_DAY, MS_PER_HOUR } from '../../time/utc.ts';
import { siteNight, type SkyPlace } from '../skyOfNight.ts';
import { darkSpan, intersect, longest, lowestImagingAltDeg, upSpans } from './darkness.ts';

export type StandingTarget = BrightTarget & {
  /** Dark and above the lowest altitude for imaging, in one piece. */
  usableH: number;
  /** Where it culminates, whether in the dark or not. */
  highestAltDeg: number;
  /** Of the field's shorter side; null while the field is not known. */
  fillsShare: number | null;
};

/** A span of this length is a whole evening: longer ones do not make a target better. */
const EVENING_H = 3;
const [FILLS_LEAST, FILLS_MOST] = [0.08, 0.9];

function fitOf({ fillsShare }: StandingTarget): number {
  return fillsShare === null || (fillsShare >= FILLS_LEAST && fillsShare <= FILLS_MOST) ? 1 : 0;
}

/** Easy ones first, then those that fit the field, then hours in the dark (an evening is enough), then altitude. What is
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
    const ofDate = apparentPlace(target, events.startMs + MS_PER_DAY / 2);
    const highestAltDeg = toHorizontal(0, ofDate.decDeg, site.latDeg).altDeg;
    if (highestAltDeg <= lowestDeg) return [];
    const span = longest(intersect(upSpans(site, ofDate, dark.fromMs, dark.toMs, lowestDeg), dark));
    if (!span) return [];
    const fillsShare = fieldArcmin === null ? null : target.sizeArcmin / fieldArcmin;
    return [{ ...target, usableH: (span.toMs - span.fromMs) / MS_PER_HOUR, highestAltDeg, fillsShare }];
  });
  const hours = ({ usableH }: StandingTarget): number => Math.min(usableH, EVENING_H);
  return standing.sort(
    (a, b) =>
      Number(b.easy) - Number(a.easy) ||
      fitOf(b) - fitOf(a) ||
      hours(b) - hours(a) ||
      b.highestAltDeg - a.highestAltDeg,
  );
}
