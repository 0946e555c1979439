/** Sub-exposures around meridian flips: no sub runs while the tube may not stand on its side of the mount. */
import { requirePositive } from '../../result.ts';
import { MS_PER_MINUTE } from '../../time/utc.ts';
import { breaksAmong, roundOf, subStartMs, subsThatFit, type Cadence, type SubBreak } from './stretch.ts';

export type FlipStrategy = 'endOfCrossingSub' | 'asLateAsAllowed' | 'asSoonAsAllowed' | 'stopAtLimit' | 'startAfter';
export type MountSide = 'before' | 'after';

/** While the tube may stand on a side. Where two overlap, the flip may come at any time of the overlap; where the next begins
 *  later than one ends, the tube has to wait. */
export type SideWindow = {
  side: MountSide;
  fromMs: number;
  toMs: number;
  /** When the target crosses the meridian in it: the natural moment to leave it. */
  crossingMs: number;
};

export type PlanInput = {
  startMs: number;
  endMs: number;
  subS: number;
  gapS: number;
  /** Most subs wanted; null = as many as fit. */
  count: number | null;
  /** In order of time; null = the mount never flips. */
  windows: readonly SideWindow[] | null;
  /** On which side the tube stands at the start; null = it is sent to the better one. */
  standsOn: MountSide | null;
  flipMinutes: number;
  /** Null = focus is left alone. A flip has its own. */
  refocus: { everyMin: number; minutes: number } | null;
  /** A small step of the frame after every so many subs, and how long guiding is unquiet after it; null = none. */
  dither: { everySubs: number; seconds: number } | null;
  /** How long the mount follows before it is set back, and how long that takes; null = all night. */
  reset: { everyMin: number; minutes: number } | null;
  strategy: FlipStrategy;
};

export type Sub = { startMs: number; endMs: number; side: MountSide };
/** When it begins, when the next sub may start, until when the tube must have left its side, and where it goes. `done`: as it
 *  was recorded. */
export type Flip = { startMs: number; endMs: number; latestMs: number; to: MountSide; done: boolean };
/** Until when a flip may wait; null = its limit has passed: at once. */
export const waitsUntilMs = ({ startMs, latestMs }: Flip): number | null => (latestMs < startMs ? null : latestMs);
export type Plan = {
  subs: Sub[];
  /** Those that were begun and broken off. */
  lost: readonly Sub[];
  flips: Flip[];
  /** To refocus, to set a platform back. */
  breaks: SubBreak[];
  /** When the tube must have stopped or gone over; null when the mount never flips or the plan ends earlier. */
  limitMs: number | null;
  /** True when imaging stops at the limit because no flip is wanted, or none would bring more. */
  stopsAtLimit: boolean;
  integrationS: number;
};

const NOTHING: Plan = {
  subs: [],
  lost: [],
  flips: [],
  breaks: [],
  limitMs: null,
  stopsAtLimit: false,
  integrationS: 0,
};

/** How many subs one run of a platform holds, wherever the other breaks fall in it: none outlasts it. */
function subsOfRun(free: Cadence, runMin: number): number {
  const shiftedMs = (free.refocus?.ms ?? 0) + (free.dither?.ms ?? 0);
  return Math.max(1, subsThatFit(free, 0, runMin * MS_PER_MINUTE - shiftedMs));
}

function cadenceOf({ subS, gapS, refocus, dither, reset, flipMinutes }: PlanInput): Cadence {
  const stepMs = (subS + gapS) * 1000;
  // A flip refocuses and settles among other things: it never takes less than these.
  const within = (ms: number): number => Math.min(ms, (flipMinutes * MS_PER_MINUTE) / 2);
  const free: Cadence = {
    subMs: subS * 1000,
    stepMs,
    refocus: refocus && {
      every: Math.max(1, Math.round((refocus.everyMin * MS_PER_MINUTE) / stepMs)),
      ms: within(refocus.minutes * MS_PER_MINUTE),
    },
    dither: dither && { every: dither.everySubs, ms: within(dither.seconds * 1000) },
    reset: null,
  };
  return reset
    ? { ...free, reset: { every: subsOfRun(free, reset.everyMin), ms: reset.minutes * MS_PER_MINUTE } }
    : free;
}

/** What is laid on one side, and the flip before it. */
type Stretch = { window: SideWindow; fromMs: number; count: number; flip: Flip | null };

/** The window in which a tube stands that was put on a side, and those after it. One that has closed is still the one that it
 *  has to leave; where none has opened yet, it waits for the first. */
export function windowsFrom(windows: readonly SideWindow[], standsOn: MountSide, timeMs: number): SideWindow[] {
  const stands = windows.findLastIndex((w) => w.side === standsOn && w.fromMs <= timeMs);
  const first = stands === -1 ? windows.findIndex((w) => w.side === standsOn) : stands;
  return first === -1 ? [] : windows.slice(first);
}

/** The windows that the plan's time touches, from the one in which the tube starts: the side that it stands on already, else
 *  the one it will not have to leave so soon. */
function windowsOf({ windows, startMs, endMs, standsOn, strategy }: PlanInput): SideWindow[] {
  const isOpen = (w: SideWindow): boolean => w.toMs > startMs && w.fromMs < endMs;
  const open = (windows ?? []).filter(isOpen);
  // Who wants no flip stays on the side on which the target stands at the start, even where its limit has passed.
  if (strategy === 'stopAtLimit' && standsOn === null)
    return (windows ?? [])
      .filter((w) => w.crossingMs > startMs)
      .slice(0, 1)
      .filter(isOpen);
  if (standsOn !== null) return windowsFrom(windows ?? [], standsOn, startMs).filter((w, i) => i === 0 || isOpen(w));
  const crossed = (w: SideWindow, i: number): boolean => {
    const next = open[i + 1];
    return next !== undefined && w.crossingMs <= startMs && next.fromMs <= startMs;
  };
  const first = open.findIndex((w, i) => !crossed(w, i));
  const from = open.slice(Math.max(0, first));
  const [one, two] = from;
  return strategy === 'startAfter' && one && two && one.crossingMs > startMs ? from.slice(1) : from;
}

type Laying = { input: PlanInput; cadence: Cadence; windows: readonly SideWindow[] };
/** What stands at a window's start: when the tube arrives, how many subs are still wanted, and the flip that led here. */
type Arrival = { index: number; arrivedMs: number; most: number; flip: Flip | null };

const total = (stretches: readonly Stretch[]): number => stretches.reduce((sum, { count }) => sum + count, 0);

/** How many subs the strategy wants on this side, of those that fit. */
function wantedHere({ input, cadence }: Laying, window: SideWindow, next: SideWindow, fromMs: number, all: number) {
  if (input.strategy === 'asLateAsAllowed') return all;
  const soon = input.strategy === 'asSoonAsAllowed';
  const goalMs = soon ? next.fromMs : Math.max(window.crossingMs, next.fromMs);
  // What has crossed already goes over at once.
  if (fromMs >= goalMs) return 0;
  const ended = subsThatFit(cadence, fromMs, goalMs);
  const endOfLastMs = ended > 0 ? subStartMs(cadence, fromMs, ended - 1) + cadence.subMs : fromMs;
  return Math.min(all, soon || endOfLastMs >= goalMs ? ended : ended + 1);
}

/** More of them are not tried. */
const MOST_TRIED = 240;

/** The wanted count first; then those of one round of breaks before it, of which one may save a break, and none: then the
 *  tube starts on the other side. So a wider limit never costs light. */
function countsToTry({ cadence }: Laying, wanted: number): number[] {
  if (wanted === 0) return [0];
  const round = Math.min(roundOf(cadence) - 1, wanted - 1, MOST_TRIED);
  return [wanted, ...Array.from({ length: round }, (_, i) => wanted - 1 - i), 0];
}

/** The other sides, after so many subs on this one; empty where nothing more fits over there. */
function goOver(laying: Laying, { index, most }: Arrival, fromMs: number, count: number): Stretch[] {
  const { input, cadence, windows } = laying;
  const [window, next] = [windows[index], windows[index + 1]];
  if (!window || !next) return [];
  const leftMs = count > 0 ? subStartMs(cadence, fromMs, count - 1) + cadence.subMs : fromMs;
  const startMs = Math.max(leftMs, next.fromMs);
  // Where nothing was taken on this side, and nobody says that the tube stands there, it is sent to the other at once.
  const goes = count > 0 || index > 0 || input.standsOn !== null;
  const endMs = startMs + input.flipMinutes * MS_PER_MINUTE;
  const flip = { startMs, endMs, latestMs: window.toMs, to: next.side, done: false };
  const rest = layFrom(laying, {
    index: index + 1,
    arrivedMs: goes ? flip.endMs : startMs,
    most: most - count,
    flip: goes ? flip : null,
  });
  return total(rest) > 0 ? rest : [];
}

/** Lays the windows from one on: how many subs on each side. */
function layFrom(laying: Laying, arrival: Arrival): Stretch[] {
  const { input, cadence, windows } = laying;
  const { index, arrivedMs, most, flip } = arrival;
  const [window, next] = [windows[index], windows[index + 1]];
  if (!window) return [];
  const fromMs = Math.max(arrivedMs, window.fromMs);
  const all = subsThatFit(cadence, fromMs, Math.min(window.toMs, input.endMs), most);
  const here = (count: number): Stretch => ({ window, fromMs, count, flip });
  if (!next || all >= most || window.toMs >= input.endMs || input.strategy === 'stopAtLimit') return [here(all)];
  const wanted = wantedHere(laying, window, next, fromMs, all);
  const options = countsToTry(laying, wanted).map((count) => [here(count), ...goOver(laying, arrival, fromMs, count)]);
  // Until the limit and no further, where going over would bring less.
  return [...options, [here(all)]].reduce((best, one) => (total(one) > total(best) ? one : best));
}

function subsOf(cadence: Cadence, { window, fromMs, count }: Stretch): Sub[] {
  return Array.from({ length: count }, (_, i): Sub => {
    const startMs = subStartMs(cadence, fromMs, i);
    return { startMs, endMs: startMs + cadence.subMs, side: window.side };
  });
}

const ALWAYS: SideWindow = { side: 'before', fromMs: -Infinity, toMs: Infinity, crossingMs: Infinity };

/** Lays the subs: those before the flip, the flip, those after it, and once more where a target that never sets crosses the
 *  meridian below the pole.
 *  @throws RangeError for a sub without length. */
export function planSubs(input: PlanInput): Plan {
  requirePositive('subS', input.subS);
  if (input.endMs <= input.startMs) return NOTHING;
  const laying = { input, cadence: cadenceOf(input), windows: input.windows ? windowsOf(input) : [ALWAYS] };
  const most = input.count ?? Infinity;
  const stretches = layFrom(laying, { index: 0, arrivedMs: input.startMs, most, flip: null }).filter(
    (s) => s.count > 0,
  );
  const taken = total(stretches);
  const flips = stretches.flatMap(({ flip }) => flip ?? []);
  const { toMs } = stretches.at(-1)?.window ?? ALWAYS;
  return {
    subs: stretches.flatMap((stretch) => subsOf(laying.cadence, stretch)),
    lost: [],
    flips,
    breaks: stretches.flatMap(({ fromMs, count }) => breaksAmong(laying.cadence, fromMs, count)),
    limitMs: flips[0]?.latestMs ?? (toMs < input.endMs ? toMs : null),
    stopsAtLimit: taken < most && toMs < input.endMs,
    integrationS: taken * input.subS,
  };
}

/** The sub that is taken at an instant, counted from 0; null between subs. Its end belongs to it no more. */
export function subAt(subs: readonly Sub[], timeMs: number): number | null {
  const index = subs.findIndex((s) => timeMs >= s.startMs && timeMs < s.endMs);
  return index === -1 ? null : index;
}
