/** Words of the plan: ways about the meridian, targets in sequence, groups to key in, the moon. */
import type { MoonOfNight } from '../core/night/advice/moonOfNight.ts';
import type { ExposureGroup } from '../core/night/advice/exposureGroups.ts';
import type { Plan } from '../core/night/plan/plan.ts';
import type { Choice, OtherFirst } from '../core/night/advice/strategies.ts';
import type { Format } from './format.ts';

export const PLAN = {
  ways: 'Ways about the meridian',
  wayHint: 'What each gathers from this target tonight, and how near it comes.',
  wayColumns: ['Way', 'Light', 'Lost', 'In hand', 'Nearest', '[Choose]'],
  choose: 'Choose',
  chosen: 'Chosen',
  sequence: 'Targets in sequence',
  sequenceHint: 'A later target begins at its own start, or when the one before it is over.',
  add: 'Add a target',
  addChoice: 'choose…',
  groups: 'To key in',
  groupColumns: ['Start', 'Target', 'Number', 'Length'],
  pause: 'Pause',
  interval: 'Start to start',
  counts: 'Your intervalometer counts',
  countsPause: 'the pause from end to start',
  countsInterval: 'from start to start',
  free: 'Free on the card',
  limits: 'What else limits this rig',
  limitsHint: 'Hours past the meridian; minus = before it. Empty = nobody looked. The earliest of all counts.',
} as const;

export const onMeridianName = (target: string | null): string =>
  target === null ? 'On the meridian' : `On the meridian, ${target}`;

/** `62 × 2 min, 2 h 4 min` */
export const subsWords = (t: { count: number; subS: number; integrationS: number }, f: Format): string =>
  `${t.count} × ${f.exposure(t.subS)}, ${f.duration(t.integrationS)}`;

/** `31 × 2 min, pause 5 s` */
export const groupWords = ({ count, subS, gapS }: ExposureGroup, f: Format): string =>
  `${count} × ${f.exposure(subS)}, pause ${f.quantity(gapS, 'seconds')}`;

/** Minutes from the planned flip to the latest one. */
export function spareWords({ plan, spareMs }: Choice, f: Format): string {
  if (plan.subs.length === 0) return 'no sub fits';
  if (spareMs === null) return 'no flip';
  return spareMs < 60_000 ? 'none' : f.duration(spareMs / 1000);
}

/** What stands against a way; empty where nothing does. */
export function riskWords({ plan, spareMs, strategy }: Choice): string {
  if (plan.subs.length === 0) return '';
  if (plan.flips.length > 1) return 'Two flips.';
  if (strategy === 'asLateAsAllowed' && spareMs !== null && spareMs < 300_000)
    return 'A late hand runs the tube past its limit.';
  return plan.stopsAtLimit ? 'Be there to stop it, or let the mount stop by itself.' : '';
}

export const NO_TIME = 'no time left';

/** When an eye can look at it. */
export const seenWords = (hours: { fromMs: number; toMs: number } | null, f: Format): string =>
  hours === null ? 'not up while it is dark' : `${f.clock(hours.fromMs)} to ${f.clock(hours.toMs)}`;

/** A moon that matters is told by what it costs, never by its phase alone.
 *  @param camera an eye only sees the sky brighten. */
export function moonWords(moon: MoonOfNight, f: Format, camera: boolean): string {
  const { up, worst, darkH, litShare } = moon;
  const lit = `the moon, ${f.quantity(litShare, 'percent')} lit`;
  if (up.length === 0 || worst === null) return `No moon in these hours: ${lit}, stays below the horizon.`;
  const hours = up.map(({ fromMs, toMs }) => `${f.clock(fromMs)} to ${f.clock(toMs)}`).join(' and ');
  const cost =
    worst.brighteningMag < 0.1
      ? 'the sky there is hardly brighter'
      : `up to ${f.quantity(worst.brighteningMag, 'magnitude')} brighter there at ${f.clock(worst.timeMs)}${camera ? `: ${f.quantity(worst.exposureFactor, 'ratio', worst.exposureFactor < 3 ? 1 : 0)} times the exposure for the same depth` : ''}`;
  const without = darkH < 0.05 ? 'No hour without it' : `${f.duration(darkH * 3600)} without it`;
  return `Moon up ${hours}, ${f.quantity(worst.separationDeg, 'angleDeg', 0)} away: ${cost}. ${without}.`;
}

/** How many frames, how much room they take, and whether the card holds them. */
export function cardWords(frames: number, neededGb: number, freeGb: number | null, f: Format): string {
  const need = `${frames} frames take about ${f.quantity(neededGb, 'gigabytes')} at two bytes a pixel`;
  if (freeGb === null) return `${need}.`;
  return freeGb >= neededGb
    ? `${need}: they fit.`
    : `${need}: ${f.quantity(neededGb - freeGb, 'gigabytes')} more than is free. Clear the card first.`;
}

/** The battery over the plan's hours. */
export const batteryWords = (emptyAtMs: number | null, f: Format): string =>
  emptyAtMs === null
    ? 'The batteries last through the dark.'
    : `A battery is empty at ${f.clock(emptyAtMs)}: see Power.`;

export const SEQUENCE = {
  up: 'Earlier',
  down: 'Later',
  remove: 'Take out',
  orderSaid: 'Order changed.',
  gone: 'a target that is gone',
} as const;
export const takenOutWords = (name: string): string => `${name} taken out of the plan.`;
export const addedWords = (name: string): string => `${name} added to the plan.`;
export const firstWords = (name: string): string => `${name} comes first.`;
export const chosenWords = (way: string): string => `${way}: chosen.`;

/** `18:43 to 20:48, 60 subs, 2 h 00` */
export const sequenceWords = (
  { subs, integrationS }: Pick<Plan, 'subs' | 'integrationS'>,
  fromMs: number,
  toMs: number,
  f: Format,
): string => `${f.clock(fromMs)} to ${f.clock(toMs)}, ${subs.length} subs, ${f.duration(integrationS)}`;

/** `M 33 first: 6 h 10 min of light instead of 5 h 50 min.` */
export function otherFirstWords({ target, nowS, thenS }: OtherFirst, f: Format): string {
  if (Math.abs(thenS - nowS) < 1) return `With ${target} first the light stays the same.`;
  return `With ${target} first: ${f.duration(thenS)} of light in all instead of ${f.duration(nowS)}.`;
}
