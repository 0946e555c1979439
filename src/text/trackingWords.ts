/** Sentences of the tracking bench. */
import type { FirstSubCheck } from '../core/records/checks.ts';
import type { SubAnswer } from '../core/night/advice/stars/subAnswer.ts';
import type { WhatIf } from '../core/night/advice/stars/whatIf.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';
import { subRests } from './subWords.ts';

export type TrackingBasis = {
  /** Where the drive's motion comes from: all of a log, its turn alone, or nobody measured it. */
  drive: 'curve' | 'turn' | 'assumed';
  /** Share that would be usable without guiding; null for a rig that does not guide. */
  unguidedShare: number | null;
};

const FROM: Record<TrackingBasis['drive'], string> = {
  curve: 'from the curve that your log drew',
  turn: 'from your measured periodic error',
  assumed: 'from an assumed periodic error: type in yours below',
};

/** The mark, what the planned length has of it, and what the answer rests on. */
export function trackingReason(answer: SubAnswer, { drive, unguidedShare }: TrackingBasis, f: Format): string {
  const share = f.quantity(answer.share, 'percent');
  const without =
    unguidedShare === null ? '' : ` Without guiding ${f.quantity(unguidedShare, 'percent')}, ${FROM[drive]}.`;
  return `Nine in ten usable subs is the mark; ${f.exposure(answer.plannedS)} keep ${share}. ${subRests(answer)}${without}`;
}

export const INCOMPLETE = {
  sentence: 'Choose a **tube and a camera** for this rig in Kit.',
  reason: 'How long a star may move follows from the image scale.',
} as const;

export const CHECK_WORDS: Record<FirstSubCheck, { do: string; why: string }> = {
  clutches: { do: 'Tighten both clutches by hand', why: 'A clutch that slips looks like bad tracking.' },
  rate: { do: 'Set the star rate', why: 'Moon and sun rates trail every star.' },
  cables: { do: 'Lift the cables clear for the whole sweep', why: 'A cable that pulls moves the guide star.' },
  caps: { do: 'Take all caps off, dew heater on', why: 'The guide scope’s cap is the one that is forgotten.' },
  parked: { do: 'Lift the mount out of park and start tracking', why: 'A parked mount stands still.' },
  hemisphere: { do: 'Set the hemisphere switch', why: 'The wrong side doubles every trail.' },
  lensSwitches: { do: 'Switch autofocus and stabiliser off', why: 'Both move the lens during the sub.' },
  focusTaped: { do: 'Tape the focus ring', why: 'It creeps as the lens cools and tilts.' },
  longExposure: { do: 'Set bulb or long exposure', why: 'Many cameras end at 30 s by themselves.' },
  shutterLead: {
    do: 'Try the shutter lead; a pause longer than the camera writes',
    why: 'A pause too short drops every other sub; the wrong lead takes none.',
  },
  cardSpace: { do: 'Room for the whole night on card or disk', why: 'It fills up at three in the morning.' },
  dew: { do: 'Dew heater on, or a shield', why: 'A lens that fogs gives no sign but wide stars.' },
  darkFrames: { do: 'Switch in-camera dark subtraction off', why: 'It takes as long as the sub itself.' },
};

export const checksSentence = (left: number): Said =>
  left === 0 ? 'Ready: **start the first sub**.' : `Go through these **${left}** before the first sub.`;
export const CHECKS_REASON = 'Each one has cost somebody a night.';

export const UNGUIDED_LINE = 'Dotted: the same rig without guiding.';
/** `25.4 kept an hour` */
export const keptWords = (perHour: number, f: Format): string => `${f.number(perHour, 1)} kept an hour`;

export const WHAT_IF = {
  title: 'What if',
  headings: ['If it were', 'Usable subs', 'Against now'],
  note: 'Finer air makes the star smaller: what the mount draws shows more in it.',
} as const;

export function whatIfWords({ code, value }: Pick<WhatIf, 'code' | 'value'>, f: Format): string {
  switch (code) {
    case 'pole':
      return `The pole within ${f.quantity(value, 'arcmin')}`;
    case 'guided':
      return `Guided to ${f.quantity(value, 'arcsec', 1)} on both axes`;
    case 'guidedRa':
      return `Guided to ${f.quantity(value, 'arcsec', 1)} in right ascension`;
    case 'seeing':
      return `Seeing of ${f.quantity(value, 'arcsec', 1)}`;
    case 'shorter':
    case 'longer':
      return `Subs of ${f.exposure(value)}`;
  }
}

/** `+12 %`, or that nothing changes. */
export function againstNow(share: number, now: number, f: Format): string {
  const by = Math.round(100 * share) - Math.round(100 * now);
  if (by === 0) return 'the same';
  return `${by > 0 ? '+' : '−'}${f.quantity(Math.abs(by) / 100, 'percent')}`;
}
