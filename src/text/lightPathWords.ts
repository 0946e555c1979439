/** Sentences of the light-path bench. */
import type { Misfit } from '../core/rig/trainJoints.ts';
import type { Sampling } from '../core/optics/train.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';
import { threadWords } from './trainWords.ts';

export type LightPathSaying =
  | { code: 'incomplete' }
  | {
      code: 'eye';
      eyepieceMm: number;
      fieldDeg: number;
      magnification: number;
      exitPupilMm: number;
      usefulMaximum: number;
      overUseful: boolean;
    }
  | { code: 'noCorrector'; focalMm: number; focalRatio: number }
  | { code: 'misfit'; misfit: Misfit }
  | { code: 'right'; presentMm: number; neededMm: number; errorMm: number; toleranceMm: number }
  | { code: 'short' | 'long'; byMm: number; presentMm: number; neededMm: number; doubtMm: number }
  /** What is not known of it could be all that is wrong with it. */
  | {
      code: 'assumed';
      what: 'backFocus' | 'depth';
      depthMm: number;
      presentMm: number;
      neededMm: number;
      doubtMm: number;
    };

const timesWords = (magnification: number, f: Format): string => `${f.number(magnification, 0)} times`;

export function lightPathSentence(s: LightPathSaying, f: Format): Said {
  switch (s.code) {
    case 'incomplete':
      return 'Choose a **tube and a camera** for this rig in Kit.';
    case 'eye':
      return s.overUseful
        ? `Take a **longer eyepiece**: ${timesWords(s.magnification, f)} is more than this aperture carries.`
        : `Begin with the **${f.quantity(s.eyepieceMm, 'opticsMm', 0)} eyepiece**: ${timesWords(s.magnification, f)}, and ${f.quantity(s.fieldDeg, 'angleDeg', 1)} of sky.`;
    case 'noCorrector':
      return '**Nothing to set**: no corrector asks for a distance.';
    case 'misfit': {
      const turnable = s.misfit.turnable[0];
      const mend = turnable ? `Turn ${turnable.name} round.` : 'Put an adapter between them.';
      return `**${s.misfit.beforeName}** does not screw into **${s.misfit.afterName}**. ${mend}`;
    }
    case 'assumed':
      return s.what === 'backFocus'
        ? 'Look at the **four corners** of a frame: how far behind this corrector the sensor belongs is not known.'
        : `Look up **how deep the camera is**: ${f.quantity(s.depthMm, 'opticsMm')} from its thread to the sensor is only a guess.`;
    case 'right':
      return `Leave it: the sensor stands at **${f.quantity(s.presentMm, 'opticsMm')}**, within tolerance.`;
    case 'short':
      return `Add **${f.quantity(s.byMm, 'opticsMm')}** between corrector and camera.`;
    case 'long':
      return `Take out **${f.quantity(s.byMm, 'opticsMm')}** between corrector and camera.`;
  }
}

/** What the wanted distance is made of. `isAssumed`: the corrector's own part of it. */
export type Wanted = { glassMm: number; learnedMm: number; isAssumed: boolean };

/** `55.7 mm wanted: 55.0 mm by the corrector and 0.7 mm for the filter glass`; what corners taught is said too. */
function wantedWords(neededMm: number, { glassMm, learnedMm, isAssumed }: Wanted, f: Format): string {
  const by = isAssumed ? 'as most correctors do' : 'by the corrector';
  const wanted = `${f.quantity(neededMm, 'opticsMm')} wanted`;
  const added = [
    ...(glassMm > 0 ? [`${f.quantity(glassMm, 'opticsMm')} for the filter glass`] : []),
    ...(learnedMm === 0
      ? []
      : [`${f.quantity(Math.abs(learnedMm), 'opticsMm', 2)} ${learnedMm < 0 ? 'less ' : ''}by your corners`]),
  ];
  if (added.length === 0) return `${wanted} ${by}`;
  return `${wanted}: ${[`${f.quantity(neededMm - glassMm - learnedMm, 'opticsMm')} ${by}`, ...added].join(' and ')}`;
}

export function lightPathReason(s: LightPathSaying, wanted: Wanted, f: Format): string {
  switch (s.code) {
    case 'incomplete':
      return 'Scale, field and spacing follow from them.';
    case 'eye':
      return `Exit pupil ${f.quantity(s.exitPupilMm, 'opticsMm')}; above ${timesWords(s.usefulMaximum, f)} nothing more is seen.`;
    case 'noCorrector':
      return `The light meets the sensor at ${f.quantity(s.focalMm, 'opticsMm', 0)} and f/${f.number(s.focalRatio, 1)}; only focus matters.`;
    case 'misfit':
      return `${threadWords(s.misfit.before)} meets ${threadWords(s.misfit.after)}.`;
    case 'right': {
      const off = Math.abs(s.errorMm);
      const how =
        off < 0.05 ? 'exactly the' : `${f.quantity(off, 'opticsMm')} ${s.errorMm > 0 ? 'more' : 'less'} than the`;
      return `That is ${how} ${wantedWords(s.neededMm, wanted, f)}; up to ${f.quantity(s.toleranceMm, 'opticsMm')} does not show at this focal ratio.`;
    }
    case 'assumed':
    case 'short':
    case 'long':
      return `From the corrector’s rear flange to the sensor the pieces give ${f.quantity(s.presentMm, 'opticsMm')}${s.doubtMm > 0 ? ` (${f.doubt(s.doubtMm, 'opticsMm', 1)})` : ''}; ${wantedWords(s.neededMm, wanted, f)}.`;
  }
}

export const SAMPLING_WORDS: Record<Sampling, string> = {
  under: 'coarse: normal for a lens; dither',
  good: 'well matched to the star',
  over: 'fine: bin or accept it',
};

/** The lit circle against the sensor's corners. */
export function circleWords(coverage: number, f: Format): string {
  return coverage >= 1
    ? 'The circle covers the corners.'
    : `The corners lie outside: it covers ${f.number(coverage * 100, 0)} % of the diagonal. Crop, or expect dark, long corners.`;
}
