/** Sentences of the watch. */
import type { RigHas } from '../core/rig/rigHas.ts';
import type { Watch, WatchEvent } from '../core/night/advice/watch.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export const WATCH_EVENTS: Record<WatchEvent, string> = {
  dark: 'until it is dark',
  start: 'to the first sub',
  refocus: 'until you refocus',
  reset: 'until the platform is set back',
  flip: 'to the flip',
  secondFlip: 'to the second flip',
  limit: 'until the tube must stop',
  end: 'to the end of the last sub',
  dawn: 'until dawn',
};

/** What the big figure counts to. */
export function countdownWords(watch: Watch): string {
  switch (watch.code) {
    case 'waiting':
    case 'running':
      return WATCH_EVENTS[watch.next];
    case 'flipDue':
      return 'left for the flip';
    case 'tubeLate':
      return watch.limitMs === null ? '' : 'past the limit';
    case 'paused':
      return watch.limitMs === null ? '' : 'until the tube must go over or stop';
    case 'targetDue':
      return 'to the first sub';
    case 'flipping':
      return 'flip running';
    default:
      return '';
  }
}

/** `30:42`, `2:31:08`. */
export function countdown(ms: number): string {
  const seconds = Math.max(0, Math.floor(Math.abs(ms) / 1000));
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const two = (n: number): string => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** Without a motor on both axes the hand carries the tube over. */
export function watchSentence(watch: Watch, f: Format, has: RigHas): Said {
  const byHand = !has.has('slew');
  switch (watch.code) {
    case 'byEye':
      return 'Look at it: **no sub stays round** on this target with this rig.';
    case 'noDark':
      return 'It does not get **dark enough** tonight.';
    case 'noTarget':
      return 'Choose a **target** for this night.';
    case 'noSubs':
      return 'No subs fit tonight. See the **Meridian** bench.';
    case 'over':
      return `The plan is done. **Unload**: camera and tube first${has.has('bar') ? ', weights last' : ', then what carries them'}.`;
    case 'waiting':
      return `Nothing to do until **${f.clock(watch.untilMs)}**.`;
    case 'running':
      return `Sub ${watch.sub} of ${watch.count} is running. Nothing to do until **${f.clock(watch.untilMs)}**.`;
    case 'paused':
      return `**${watch.target} is paused.** Press **Go on** when the sky is ready again.`;
    case 'targetDue':
      return `**Go to ${watch.target} now**, and look at a short frame. Then press.`;
    case 'flipDue':
      return `**Flip now**: free the cables, then ${byHand ? 'hold the tube, open both clutches and carry it over' : 'send the tube over'}. Latest ${f.clock(watch.latestMs)}.`;
    case 'tubeLate':
      return lateSentence(watch, f);
    case 'flipping':
      return 'The tube is over and the first sub runs: **hold “Flip done”**.';
  }
}

type Late = Extract<Watch, { code: 'tubeLate' }>;

/** The tube stands where it must not: what the hand does. */
function lateSentence({ limitMs, fromMs, flips }: Late, f: Format): Said {
  if (limitMs === null) return '**Stop the tube**: on this side it may not stand yet.';
  const since = `its limit on this side passed at ${f.clock(limitMs)}`;
  if (!flips) return `**Stop the tube**: ${since}.`;
  return fromMs === null
    ? `**Stop the tube or flip now**: ${since}. Look at the gap first.`
    : `**Stop the tube**: ${since}. From **${f.clock(fromMs)}** it may go over.`;
}

function lateReason(isPaused: boolean, has: RigHas): string {
  if (!has.has('motor'))
    return 'Followed on by hand, the tube comes nearer to what it may touch. No flip is on record.';
  return isPaused
    ? 'A paused night still tracks: the tube comes nearer to what it may touch while nothing is exposed.'
    : 'The tube tracks on, nearer with every minute to what it may touch. No flip is on record.';
}

/** Above the pole and below it the tube goes over to the east. */
const overWords = (south: boolean, has: RigHas): string =>
  `Then: free the cables, ${has.has('bar') ? 'weights pass low, ' : ''}tube over to the ${south ? 'left' : 'right'} (east) side.`;

/** Before the first sub, while something is still to be set up. */
export const setUpFirst = (name: string, { next, untilMs }: { next: WatchEvent; untilMs: number }, f: Format): Said =>
  `Do **${name}** first; ${next === 'dark' ? 'it is dark' : 'the first sub begins'} at **${f.clock(untilMs)}**.`;
export const SET_UP_REASON = 'Nothing is in a hurry: each step says what it needs. This page comes after them.';

/** What comes after the next thing. */
export function watchReason(watch: Watch, south: boolean, has: RigHas): string {
  const low = has.has('bar') ? 'Weights pass low' : 'The tube passes high';
  switch (watch.code) {
    case 'waiting':
    case 'running':
      return watch.next === 'flip' || watch.next === 'secondFlip'
        ? overWords(south, has)
        : nextWords(watch.next, watch.target);
    case 'flipDue':
      return has.has('slew')
        ? `${low}; keep a hand near the power switch.`
        : `${low}: right ascension half a turn, then declination through the pole’s side, one hand on the tube.`;
    case 'tubeLate':
      return lateReason(watch.state === 'paused', has);
    case 'paused':
      return watch.limitMs === null || !has.has('motor')
        ? ''
        : 'The mount tracks on meanwhile: at its limit the tube must go over or stop.';
    case 'targetDue':
      return 'What nobody pressed did not happen: the plan waits for it.';
    case 'flipping':
      return 'The minutes it takes are remembered for the next plan.';
    case 'over':
      return has.has('bar')
        ? 'Weights straight down, tube over the pole, both clutches tight.'
        : 'Tube low and held, then camera and tube off.';
    default:
      return '';
  }
}

const nextWords = (next: keyof typeof NEXT_REASONS, target: string | null): string =>
  next === 'start' && target !== null ? `Then: the first sub of ${target}.` : NEXT_REASONS[next];

const NEXT_REASONS: Record<Exclude<WatchEvent, 'flip' | 'secondFlip'>, string> = {
  refocus: 'Then: refocus before the next sub.',
  reset: 'Then: set the platform back and push the tube to the target.',
  dark: 'Then: fine focus and framing.',
  start: 'Then: the first sub.',
  limit: 'Then: stop tracking. No flip is planned.',
  end: 'Then: the next target, or flats and unloading.',
  dawn: 'Then: unloading.',
};
