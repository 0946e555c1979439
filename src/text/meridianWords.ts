/** Sentences of the meridian bench. */
import type { SkyLight } from '../core/night/plan/skyLight.ts';
import { skyLightRests } from './skyLightWords.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

type NothingLaid = 'noTimeLeft' | 'startTooLate' | 'noSubFits' | 'outOfTravel' | 'paused' | 'stopped';

export type MeridianSaying =
  | { code: 'noTarget' }
  | { code: 'neverRises'; target: string; altDeg: number; latDeg: number }
  | { code: 'noDarkness'; light: SkyLight }
  | { code: 'notUpInDark'; target: string }
  | { code: 'byEye'; target: string; transitMs: number }
  | { code: 'noFlipMount'; target: string; transitMs: number }
  | { code: NothingLaid; target: string }
  | { code: 'flip'; flipMs: number; subNumber: number }
  | { code: 'flipDone'; flipMs: number }
  | { code: 'stopAtLimit'; limitMs: number }
  | { code: 'transitBefore' | 'belowPole'; startMs: number }
  | { code: 'transitAfter'; transitMs: number }
  | { code: 'limitAfterEnd'; transitMs: number };

/** Why no sub is laid, or none any more. */
const NOTHING_LAID: Record<NothingLaid, (target: string) => Said> = {
  noTimeLeft: (t) => `**No time is left for ${t}**: give the target before it a number of subs, or this one a start.`,
  startTooLate: (t) => `**The start you set leaves no time for ${t}**: set an earlier one under Plan.`,
  noSubFits: (t) => `**No sub of ${t} fits** before the limit: choose another way about the meridian.`,
  outOfTravel: (t) => `**${t} lies outside this mount’s travel** while it is dark. Choose another target.`,
  paused: (t) => `**${t} is paused.** Go on from the Watch bench.`,
  stopped: (t) => `**${t} is done** for tonight.`,
};

export function meridianSentence(s: MeridianSaying, f: Format): Said {
  switch (s.code) {
    case 'noTarget':
      return 'Choose a **target** for this night.';
    case 'neverRises':
      return `**${s.target} never rises** here. Choose another target.`;
    case 'noDarkness':
      return 'It does not get **dark enough** tonight.';
    case 'notUpInDark':
      return `**${s.target} is not up while it is dark** tonight. Choose another target.`;
    case 'byEye':
      return `Look at **${s.target}** about **${f.clock(s.transitMs)}**: then it stands highest.`;
    case 'noTimeLeft':
    case 'startTooLate':
    case 'noSubFits':
    case 'outOfTravel':
    case 'paused':
    case 'stopped':
      return NOTHING_LAID[s.code](s.target);
    case 'flipDone':
      return `The flip was done at **${f.clock(s.flipMs)}**. Let it run.`;
    case 'belowPole':
      return `Start at **${f.clock(s.startMs)}, with the tube on the west side**: no flip is needed this side of the crossing below the pole.`;
    case 'noFlipMount':
      return `**Let it run**: it stands highest at ${f.clock(s.transitMs)}, and the subs go on past it.`;
    case 'flip':
      return s.subNumber > 0
        ? `Flip at **${f.clock(s.flipMs)}**, after sub ${s.subNumber}.`
        : `Flip at **${f.clock(s.flipMs)}**, before the first sub.`;
    case 'stopAtLimit':
      return `Stop at **${f.clock(s.limitMs)}**: the tube may not run further.`;
    case 'transitBefore':
      return `Start at **${f.clock(s.startMs)}, after the meridian, with the tube on the east side**: no flip is needed.`;
    case 'transitAfter':
    case 'limitAfterEnd':
      return '**No flip**: the subs end before the tube must go over.';
  }
}

/** `belowMs`: when it crosses below the pole, where the flip is there. */
type About = {
  target: string | null;
  transitMs: number;
  belowMs: number | null;
  altDeg: number;
  side: 'N' | 'S';
  limitSource: string;
};

export function meridianReason(s: MeridianSaying, f: Format, about: About | null, hasBar: boolean): string {
  switch (s.code) {
    case 'noTarget':
      return 'When it stands highest and how long it can be used follow from it.';
    case 'neverRises':
      return `At its highest it stays ${f.quantity(Math.abs(s.altDeg), 'angleDeg', 0)} below the horizon of ${f.latitude(s.latDeg)}.`;
    case 'noDarkness':
      return s.light.code === 'dark' ? '' : skyLightRests(s.light, f);
    case 'notUpInDark':
      return 'During the dark hours it stays under the site’s horizon line, or lower than imaging is good for: both are set in Sites.';
    default:
      if (!about) return '';
      if (about.belowMs !== null)
        return `${about.target ?? 'It'} crosses the meridian below the pole at ${f.clock(about.belowMs)}${hasBar ? ': the weights would stand above the tube' : ': there the tube belongs on the other side'}.`;
      return `${about.target ?? 'It'} crosses the meridian at ${f.clock(about.transitMs)}, ${f.quantity(about.altDeg, 'angleDeg', 0)} high, ${about.side === 'N' ? 'north' : 'south'} of the zenith. ${about.limitSource}`;
  }
}

export const PLAN_START = {
  hint: 'By the site’s clock, as 21:30. Empty: as soon as it is dark and stands high enough.',
  wrong: 'Type a time of the clock, as 21:30, or nothing.',
  count: 'Empty: as many as fit; 0: it is only looked at.',
} as const;

export const STRATEGY_NAMES = {
  endOfCrossingSub: 'After the sub that crosses the meridian',
  asLateAsAllowed: 'As late as the limit allows',
  asSoonAsAllowed: 'As soon as the mount goes over',
  startAfter: 'No flip: start after the meridian',
  stopAtLimit: 'No flip: stop at the limit',
} as const;

export const STRETCH_NAMES = ['Subs before', 'Subs after', 'After the second flip'] as const;

/** From where the bar is drawn, and what the ring at its end is. */
export function flipViewWords(south: boolean): string {
  return `From behind, facing ${south ? 'south' : 'north'}. Ring: the tube, end on.`;
}
