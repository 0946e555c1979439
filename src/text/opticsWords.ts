/** Words of what optics and sensor do together, for one rig and for two. */
import type { EyepieceView } from '../core/rig/eyepieces.ts';
import type { Equivalent, FocusFigures, GuideFigures, OpticsOfRig } from '../core/rig/opticsOfRig.ts';
import type { Sampling } from '../core/optics/train.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export type OpticsSaying =
  | { code: 'cornersDark'; coverage: number }
  | { code: 'guideCoarse'; guide: GuideFigures }
  | { code: 'fine' | 'coarse' | 'matched'; starPx: number; expected: boolean };

export function opticsSentence(s: OpticsSaying): Said {
  switch (s.code) {
    case 'cornersDark':
      return '**Crop the corners**, or expect them dark and long: the lit circle is smaller than the sensor.';
    case 'guideCoarse':
      return 'Guide with a **longer guide scope** or smaller pixels.';
    case 'fine':
      return '**Bin two by two** or accept it: the star lies on more pixels than it needs.';
    case 'coarse':
      return '**Dither** between subs: the star is hardly wider than a pixel.';
    case 'matched':
      return '**Nothing to change**: the pixels suit the star.';
  }
}

export function opticsReason(s: OpticsSaying, f: Format): string {
  switch (s.code) {
    case 'cornersDark':
      return `It covers ${f.quantity(s.coverage, 'percent')} of the sensor’s diagonal.`;
    case 'guideCoarse':
      return `Its noise of ${f.quantity(s.guide.centroidErrorArcsec, 'arcsec')} is ${f.quantity(s.guide.centroidErrorImagingPx, 'pixels', 2)} here; half a pixel is fine. With these pixels a guide scope of ${f.quantity(s.guide.leastFocalMm, 'opticsMm', 0)} and more is fine.`;
    default:
      return `By ${s.expected ? 'air and optics' : 'the seeing alone'} a star is ${f.quantity(s.starPx, 'pixels')} wide; two to three are good.`;
  }
}

export const SAMPLING_SHORT: Record<Sampling, string> = { under: 'coarse', good: 'good', over: 'fine' };

const UNIT_NAMES: Record<NonNullable<FocusFigures['inUnits']>['unit'], [one: string, many: string]> = {
  step: ['step', 'steps'],
  turn: ['turn', 'turns'],
  mark: ['mark', 'marks'],
};

/** `97 µm in all, 24 steps` */
export function focusWords({ toleranceUm, inUnits }: FocusFigures, f: Format): string {
  const whole = `${f.quantity(toleranceUm, 'focusUm')} in all`;
  if (!inUnits) return whole;
  const decimals = inUnits.count < 10 ? 2 : 0;
  return `${whole}, ${f.number(inUnits.count, decimals)} ${UNIT_NAMES[inUnits.unit][1]}`;
}

/** What temperature does to it. */
export const refocusWords = (degC: number, umPerDeg: number, f: Format): string =>
  `Focus again when the air has changed by ${f.quantity(degC, 'temperatureStep')}: it moves ${f.quantity(Math.abs(umPerDeg), 'focusUm')} per °C.`;

const MATCH_WORDS: Record<GuideFigures['verdict'], string> = {
  comfortable: 'comfortable',
  limit: 'at the limit',
  poor: 'too coarse',
};

/** `0.75″, a third of a pixel: fine; scales 1 to 2.5, comfortable` */
export function guideWords(g: GuideFigures, f: Format): string {
  return `${g.name}: noise ${f.quantity(g.centroidErrorArcsec, 'arcsec')}, ${f.quantity(g.centroidErrorImagingPx, 'pixels', 2)} of yours (${g.noiseVerdict === 'fine' ? 'fine' : 'more than half a pixel'}); its pixels are ${f.number(g.scaleRatio, 1)} times yours: ${MATCH_WORDS[g.verdict]}.`;
}

/** @param share of the shorter side; null = the target's size is not known. */
export function fieldOnTargetWords(name: string, share: number | null, f: Format): string {
  if (share === null) return `How large ${name} is, is not known: enter it in Kit.`;
  return `${name} fills ${f.quantity(share, 'percent')} of the shorter side.`;
}

/** What is compared, in order, with how it is told and how the difference is. */
export type ComparedRow = { name: string; is: string; other: string; difference: string };

/** What rounds to nothing has no sign. */
function signed(value: number, words: (size: number) => string): string {
  const size = words(Math.abs(value));
  return size === words(0) ? size : `${value < 0 ? '−' : '+'}${size}`;
}

type Compared = {
  name: string;
  of: (o: OpticsOfRig) => number | null;
  words: (v: number, f: Format) => string;
  /** Said where there is none; absent: nobody knows it. */
  without?: string;
};

const mm = (v: number, f: Format): string => f.quantity(v, 'opticsMm', 0);
const degrees = (v: number, f: Format): string => f.quantity(v, 'angleDeg');
const share = (v: number, f: Format): string => f.quantity(v, 'percent');

const COMPARED: readonly Compared[] = [
  { name: 'Aperture', of: (o) => o.apertureMm, words: mm },
  { name: 'Focal length', of: (o) => o.train.focalEffectiveMm, words: mm },
  { name: 'Focal ratio', of: (o) => o.train.focalRatio, words: (v, f) => f.number(v, 1) },
  { name: 'Pixel', of: (o) => o.pixelUm, words: (v, f) => f.quantity(v, 'pixelUm') },
  { name: 'Scale', of: (o) => o.train.scaleArcsecPerPx, words: (v, f) => f.quantity(v, 'imageScale') },
  { name: 'Field, width', of: (o) => o.train.fieldWidthDeg, words: degrees },
  { name: 'Field, height', of: (o) => o.train.fieldHeightDeg, words: degrees },
  { name: 'Star by the seeing alone', of: (o) => o.seeingPx, words: (v, f) => f.quantity(v, 'pixels', 2) },
  { name: 'Lit circle against the diagonal', of: (o) => o.coverage, words: share },
  { name: 'Light in the corners by the angle', of: (o) => o.cornerLight, words: share },
  { name: 'Focus tolerance in all', of: (o) => o.focus.toleranceUm, words: (v, f) => f.quantity(v, 'focusUm') },
  {
    name: 'Guide noise',
    of: (o) => o.guide?.centroidErrorArcsec ?? null,
    words: (v, f) => f.quantity(v, 'arcsec'),
    without: 'no guide scope',
  },
];

export function comparedRows(is: OpticsOfRig, other: OpticsOfRig, f: Format): ComparedRow[] {
  return COMPARED.map(({ name, of, words, without = 'not known' }) => {
    const [a, b] = [of(is), of(other)];
    const told = (v: number | null): string => (v === null ? without : words(v, f));
    const difference = a === null || b === null ? '–' : signed(b - a, (size) => words(size, f));
    return { name, is: told(a), other: told(b), difference };
  });
}

/** @param other the other rig; null = none is chosen. */
export function compareSentence(is: OpticsOfRig | null, other: OpticsOfRig | null, f: Format): Said {
  if (!is || !other) return 'Choose the **other rig** to lay beside this one.';
  const ratio = other.train.fieldWidthDeg / is.train.fieldWidthDeg;
  return `Take **${other.rigName}** for ${f.number(ratio, 1)} times the width of sky, ${is.rigName} for the other.`;
}

export function equivalentWords(
  { exposureS, perPixelS, perObjectS }: Equivalent,
  is: string,
  other: string,
  f: Format,
): string {
  return `${f.duration(exposureS)} with ${is} are ${f.duration(perPixelS)} with ${other} for as much signal in each pixel, and ${f.duration(perObjectS)} for as much light of the whole object. Glass and sensors are taken as equally good.`;
}

/** `30 times, 1.67° of sky, exit pupil 5.0 mm` */
export function eyepieceWords(v: EyepieceView, f: Format): string {
  return `${f.number(v.magnification, 0)} times, ${f.quantity(v.fieldDeg, 'angleDeg', 2)} of sky, exit pupil ${f.quantity(v.exitPupilMm, 'opticsMm')}${v.overUseful ? '; more than this aperture carries' : ''}`;
}

export const eyepieceName = ({ name, barlow }: EyepieceView): string =>
  barlow === null ? name : `${name} with ${barlow}`;

/** Beside a rig that stands alone. */
export const COMPARE = {
  exampleName: 'a 0.8× reducer',
  example: 'An example: this rig with a 0.8× reducer. Make another rig in Kit to lay it beside this one.',
} as const;
