/** Sentences of the tripod and of the tap test. */
import type { SteadinessVerdict } from '../core/mount/steadiness.ts';
import type { RigHas } from '../core/rig/rigHas.ts';
import type { Swing } from '../core/rig/footingOfRig.ts';
import type { Format } from './format.ts';
import { compassPoint } from './compassWords.ts';
import type { Said } from './said.ts';

export type FootingSaying =
  | { code: 'noMount' }
  | { code: 'pier' }
  | { code: 'board' }
  | { code: 'incomplete' }
  | { code: 'falls'; towardAzimuthDeg: number | null }
  | { code: 'weak'; towardAzimuthDeg: number | null; tippingDeg: number; windMPerS: number }
  | { code: 'stands'; tippingDeg: number; windMPerS: number };

const sideWords = (azimuthDeg: number | null): string =>
  azimuthDeg === null ? 'the heavy side' : `the ${compassPoint(azimuthDeg)}`;

export function footingSentence(s: FootingSaying, f: Format): Said {
  switch (s.code) {
    case 'noMount':
      return 'Choose a **mount and a tripod** for this rig in Kit.';
    case 'pier':
      return 'Nothing to check: a **pier** does not tip.';
    case 'board':
      return 'Lay it on **flat, firm ground**: low and wide, it does not tip.';
    case 'incomplete':
      return 'Enter the size of the **tube** in Kit: the wind leans on it.';
    case 'falls':
      return `It falls over. **Turn a leg toward ${sideWords(s.towardAzimuthDeg)}** and spread all legs before you load it.`;
    case 'weak':
      return `Turn a **leg toward ${sideWords(s.towardAzimuthDeg)}** and hang the battery under the hub: ${f.quantity(s.windMPerS, 'speed')} of wind tip it.`;
    case 'stands':
      return `Spread and lock the legs; then it stands: only **${f.quantity(s.windMPerS, 'speed')}** of wind tip it.`;
  }
}

export function footingReason(s: FootingSaying, f: Format, hasBar: boolean): string {
  const swung = hasBar ? 'bar' : 'tube';
  switch (s.code) {
    case 'stands':
    case 'weak':
      return `Its mass centre may lean ${f.quantity(s.tippingDeg, 'angleDeg')} before it falls, with the ${swung} swung to its worst side.`;
    case 'falls':
      return `The mass centre lies outside the feet with the ${swung} swung that way.`;
    case 'pier':
      return 'It is fixed to the ground.';
    case 'board':
      return 'On grass or sand put a slab under each foot: what sinks turns it.';
    default:
      return 'Feet, height and masses decide what tips it.';
  }
}

const SWINGS: Record<Swing, string> = { tubeWest: 'tube west', tubeEast: 'tube east', weightsDown: 'weights down' };
export const swingName = (swing: Swing, hasBar: boolean): string =>
  swing === 'weightsDown' && !hasBar ? 'tube up' : SWINGS[swing];

export const pivotAssumedWords = (aboveHubM: number, f: Format): string =>
  `The height of the axes is assumed: ${f.quantity(aboveHubM, 'barLength', 0)} above the hub. Enter it with the mount in Kit to be sure.`;
export const WIND_MODEL_WORDS =
  'Feet do not slide; the wind leans on the tube at one height. Steady wind: gusts count for more.';

export function unweighedWords(names: readonly string[]): string {
  return `Without a mass and left out: ${names.join(', ')}. Weigh it and enter it in Kit.`;
}

export type SteadySaying =
  | { code: 'notTested' }
  | {
      code: 'tested';
      verdict: SteadinessVerdict;
      settleS: number;
      wantedS: number;
      waitS: number;
      sigmaArcsec: number;
    };

const STEADY_WORDS: Record<SteadinessVerdict, (hasLegs: boolean) => string> = {
  steady: () => 'Steady enough for this focal length.',
  slow: (hasLegs) => `Slow to settle: ${hasLegs ? 'lower the tripod, spread the legs, ' : ''}tighten every clamp.`,
  shaky: (hasLegs) =>
    `Too shaky for this focal length: ${hasLegs ? 'lower the tripod, ' : ''}carry less, or use a shorter lens.`,
};

export function steadyWords(s: SteadySaying, f: Format, has: RigHas): string {
  if (s.code === 'notTested')
    return 'Tap the tube, watch a star at high power or on the screen, and stop when it stands still.';
  const seconds = f.number(s.settleS, 1);
  const moved = has.has('slew') ? 'slew' : 'touch';
  return `${STEADY_WORDS[s.verdict](has.has('legs'))} It took ${seconds} s, ${f.number(s.wantedS, 1)} s are wanted. Wait ${f.quantity(s.waitS, 'seconds')} after every ${moved}; the account takes ${f.quantity(s.sigmaArcsec, 'arcsec')} for balance and wind.`;
}

export function settledWords(settleS: number, f: Format): string {
  return `Settling time recorded: ${f.number(settleS, 1)} s.`;
}

export const FORGOTTEN_WORDS =
  'The stopwatch ran for two minutes and was stopped. Nothing was recorded. Tap the tube and start it again.';
