/** Sentences of the load on the payload bench. */
import type { ClampShift } from '../core/mount/balanceProposals.ts';
import type { BarPlace, HeavySide } from '../core/mount/heavySide.ts';
import type { LoadVerdict } from '../core/mount/load.ts';
import type { Payload, SaddleMisfit } from '../core/rig/payloadOfRig.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';
import { capital } from './tubeEnds.ts';

export type PayloadSaying =
  | { code: 'noMount' }
  | { code: 'empty' }
  | {
      code: 'load';
      verdict: LoadVerdict;
      decides: 'mass' | 'moment';
      massKg: number;
      allowedKg: number;
      /** The guessed piece that decides whether it is over. */
      guess: string | null;
      /** Hangs anything there that could be left off? */
      hasSpare: boolean;
    }
  /** Near the limit with the tube's side heavier: the lever, not another weight. */
  | { code: 'longerLever'; moveM: number; toM: number; extensionM: number | null; massKg: number; allowedKg: number }
  | { code: 'strain'; verdict: LoadVerdict; torqueNm: number; allowedNm: number; weightsHelp: boolean };

export const LOAD_NAMES: Record<LoadVerdict, string> = { fine: 'fine', near: 'near the limit', over: 'over the limit' };

/** The inertia is held against one's own nights: no rating, so nothing is over a limit. */
export const INERTIA_NAMES: Record<LoadVerdict, string> = {
  fine: 'proven',
  near: 'your largest',
  over: 'untried',
};

type LoadSaying = Extract<PayloadSaying, { code: 'load' }>;

const carriedWords = (s: { massKg: number; allowedKg: number }, f: Format): string =>
  `**${f.quantity(s.massKg, 'mass', 1)} of ${f.quantity(s.allowedKg, 'mass', 1)}**`;

function nearLimitSentence({ hasSpare }: LoadSaying, carried: string, hasBar: boolean): Said {
  const ways = [hasSpare && 'Leave something off', hasBar && 'prefer a longer lever to another weight'].filter(Boolean);
  return `Near the limit: ${carried}.${ways.length === 0 ? ' Add nothing to it.' : ` ${capital(ways.join(', or '))}.`}`;
}

function tooHeavySentence({ guess, hasSpare }: LoadSaying, carried: string): Said {
  if (guess !== null) return `Weigh **${guess}**: by a guess it is ${carried}.`;
  return hasSpare
    ? `Too heavy: ${carried}. **Take something off**, or use a larger mount.`
    : `Too heavy: ${carried}. Use a **lighter tube**, or a larger mount.`;
}

function loadSentence(s: LoadSaying, f: Format, hasBar: boolean): Said {
  const carried = carriedWords(s, f);
  switch (s.verdict) {
    case 'fine':
      return `Load it: the mount carries this rig, ${carried}.`;
    case 'near':
      return s.decides === 'mass'
        ? nearLimitSentence(s, carried, hasBar)
        : 'Near the limit: it hangs **far out**. Bring the heavy pieces closer to the axis.';
    case 'over':
      return s.decides === 'mass'
        ? tooHeavySentence(s, carried)
        : 'Too far out: **bring the tube closer** to the axis, or use a larger mount.';
  }
}

function strainSentence(s: Extract<PayloadSaying, { code: 'strain' }>, f: Format, hasBar: boolean): Said {
  const held = `**${f.quantity(s.torqueNm, 'torque')} of ${f.quantity(s.allowedNm, 'torque')}**`;
  if (s.verdict === 'fine') return `Load it: the drive holds this rig unbalanced, ${held}.`;
  if (!s.weightsHelp && !hasBar) return `Bring the **tube closer**, or take something off: the drive holds ${held}.`;
  return s.weightsHelp
    ? `Hang the **counterweight** on: without it the drive holds ${held}.`
    : `Add a **counterweight** or bring the tube closer: the drive holds ${held}.`;
}

export function payloadSentence(s: PayloadSaying, f: Format, hasBar: boolean): Said {
  switch (s.code) {
    case 'noMount':
      return 'Choose a **mount** for this rig in Kit.';
    case 'empty':
      return 'Nothing with a mass hangs on this rig yet. **Place its parts** in Kit.';
    case 'load':
      return loadSentence(s, f, hasBar);
    case 'strain':
      return strainSentence(s, f, hasBar);
    case 'longerLever':
      return s.extensionM === null
        ? `Tube side heavy, near the limit: slide the **weight ${f.quantity(s.moveM, 'barLength')} outward**, to ${f.quantity(s.toM, 'barLength')}. Add none.`
        : `Tube side heavy, near the limit: **lengthen the bar by ${f.quantity(s.extensionM, 'barLength')}**. Add no weight.`;
  }
}

/** `two thirds` */
function shareName(share: number, f: Format): string {
  const near = SHARE_CHOICES.find((one) => Math.abs(one.share - share) < 0.005);
  return near ? (near.words.split(':')[0] ?? '') : f.quantity(share, 'percent');
}

type Circumstances = {
  share: number;
  hasBar: boolean;
  ratingIncludesWeights: boolean;
  withOneKgMore: LoadVerdict | null;
};

export function payloadReason(s: PayloadSaying, about: Circumstances, f: Format): string {
  if (s.code === 'noMount') return 'Its rating is what the load is held against.';
  if (s.code === 'empty') return 'Mass and lever arm follow from the parts and where they sit.';
  if (s.code === 'strain') return 'A strain-wave drive holds its load by torque: nothing is to be balanced.';
  if (s.code === 'longerLever') {
    const more = about.withOneKgMore === 'over' ? 'another kilogram would be over' : 'every kilogram counts here';
    return `${f.quantity(s.massKg, 'mass', 1)} of ${f.quantity(s.allowedKg, 'mass', 1)} as this rating counts it; ${more}.`;
  }
  const counted = !about.hasBar
    ? ''
    : about.ratingIncludesWeights
      ? '; bar and weights counted in, as by this rating'
      : '; bar and weights left out, as by this rating';
  const used = (s.massKg / s.allowedKg) * about.share;
  const limit = `your own limit of ${shareName(about.share, f)} is ${f.quantity(s.allowedKg, 'mass', 1)}`;
  return `You use ${f.quantity(used, 'percent')} of the rating; ${limit}${counted}. Lever arm, tube length and wind decide more than the number.`;
}

/** How much of the rating people use, and for what. */
export const SHARE_HINT =
  'It starts by use: looking nearly all, imaging two thirds. Nobody measured it: the choice is yours.';
export const SHARE_CHOICES: readonly { share: number; words: string }[] = [
  { share: 1 / 2, words: 'half: long tube or wind' },
  { share: 2 / 3, words: 'two thirds: imaging, sheltered' },
  { share: 4 / 5, words: 'four fifths: short lens' },
  { share: 0.95, words: 'nearly all: looking only' },
];

export const SCHOOLS_TITLE = 'The tube’s side is the heavier one: two ways';
export const SCHOOL_NAMES = {
  weightCloseIn: 'More weight, close in',
  longerLever: 'The same weight, further out',
  clamp: 'Or the clamp moved',
};

const costWords = (one: { totalOnAxisKg: number; inertiaKgM2: number }, f: Format): string =>
  `load ${f.quantity(one.totalOnAxisKg, 'mass', 1)}, inertia ${f.quantity(one.inertiaKgM2, 'inertia')}`;

/** The three ways of a heavy tube's side, each with where and what it costs. */
export function moreWeightWords(set: HeavySide['moreWeight'], nameOf: (partId: string) => string, f: Format): string {
  if (!set) return 'Nothing heavier in your box fits on this bar.';
  return `${set.ids.map(nameOf).join(' and ')} at ${f.quantity(set.positionM, 'barLength')}, ${costWords(set, f)}`;
}

export function furtherOutWords(way: HeavySide['furtherOut'], f: Format): string {
  if (!way) return 'No weight hangs on the bar yet.';
  const longer = way.extensionM === null ? '' : `, the bar longer by ${f.quantity(way.extensionM, 'barLength')}`;
  return `at ${f.quantity(way.positionM, 'barLength')}${longer}, ${costWords(way, f)}`;
}

export function clampWords({ clampShiftM, weightsAtM, inertiaKgM2 }: ClampShift, f: Format): string {
  const shift = `${f.quantity(Math.abs(clampShiftM), 'barLength')} ${clampShiftM < 0 ? 'closer in' : 'further out'}`;
  return `the heaviest piece ${shift}, weights left at ${f.quantity(weightsAtM, 'barLength')}, inertia ${f.quantity(inertiaKgM2, 'inertia')}`;
}

export function preferWords(prefer: Payload['prefer']): string {
  return prefer === 'longerLever'
    ? 'Preferred: the longer lever. Near the load limit every kilogram counts.'
    : 'Preferred: the weight close in. It swings less and settles sooner.';
}

export const BAR_PLACE_WORDS: Record<BarPlace, string | null> = {
  fine: null,
  nearInnerEnd: 'Balance lies close to the inner end of the bar: a lighter weight would leave room to slide both ways.',
  nearOuterEnd:
    'Balance lies nearly at the end of the bar: nothing is left for a heavier piece, and the swing is slow to settle. Use more weight closer in, or a longer bar.',
};

/** What else to mind before carrying it outside. */
export function heavyPieceWords({ name, massKg }: Payload['heavyPieces'][number], f: Format): string {
  return `Lift ${name} with two people: ${f.quantity(massKg, 'mass', 1)} in one piece.`;
}

export function saddleWords({ plateName, dovetail, saddle }: SaddleMisfit): string {
  return `${plateName} is a ${dovetail} dovetail; this saddle grips ${saddle} ones. Change the plate before you go out.`;
}

export function inertiaWords(inertiaKgM2: number, f: Format): string {
  return `${f.quantity(inertiaKgM2, 'inertia')}; no night with good stars yet to hold it against`;
}

/** One piece taken to another place. */
export function movedWords(name: string, toM: number, f: Format): string {
  return `${name} moved to ${f.quantity(toM, 'barLength')}.`;
}
