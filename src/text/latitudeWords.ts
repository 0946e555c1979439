/** Sentences of the latitude scale. */
import type { Format } from './format.ts';
import { turnWords } from './polarWords.ts';
import type { Said } from './said.ts';

export type LatitudeSaying =
  | { code: 'set'; scaleDeg: number }
  | { code: 'low'; scaleDeg: number }
  /** `turns` null: the bolt's gain is not known. */
  | { code: 'turnBolt'; scaleDeg: number; turns: number | null; clockwise: boolean; up: boolean }
  | { code: 'done'; scaleDeg: number };

export function latitudeSentence(s: LatitudeSaying, f: Format): Said {
  const to = `**${f.quantity(s.scaleDeg, 'angleDeg')}**`;
  switch (s.code) {
    case 'low':
      return 'The pole lies **near the horizon**: set the head as low as it goes.';
    case 'set':
      return `Set the latitude scale to ${to}.`;
    case 'turnBolt':
      return s.turns === null
        ? `Bring the scale ${s.up ? 'up' : 'down'} to ${to}.`
        : `Turn the altitude bolt **${turnWords(s.turns, f)} ${s.clockwise ? 'clockwise' : 'counter-clockwise'}**, to ${to} on the scale.`;
    case 'done':
      return `Latitude is set at ${to}. After polar alignment, **record what the scale reads**.`;
  }
}

/** From here on refraction is worth a word on a scale. */
const REFRACTION_TOLD_ARCMIN = 3;

const spreadWords = (spreadDeg: number | null, f: Format): string =>
  spreadDeg === null ? '' : `, within ${f.quantity(Math.max(0.1, spreadDeg), 'angleDeg')}`;

/** `+ 0.4° of bias learned`, slope of the base. */
export function latitudeReason(
  parts: {
    latDeg: number;
    bias: { biasDeg: number; spreadDeg: number | null; readings: number } | null;
    poleSideUpDeg: number | null;
    refractionArcmin: number;
    up: boolean | null;
  },
  f: Format,
): string {
  const bias =
    parts.bias === null
      ? 'how far this scale is off is not known yet'
      : `your scale reads ${f.quantity(Math.abs(parts.bias.biasDeg), 'angleDeg')} too ${parts.bias.biasDeg > 0 ? 'high' : 'low'} (${parts.bias.readings} ${parts.bias.readings === 1 ? 'reading' : 'readings'}${spreadWords(parts.bias.spreadDeg, f)})`;
  const slope =
    parts.poleSideUpDeg === null || Math.abs(parts.poleSideUpDeg) < 0.05
      ? ''
      : `; the base leans ${f.quantity(Math.abs(parts.poleSideUpDeg), 'angleDeg')} ${parts.poleSideUpDeg > 0 ? 'up' : 'down'} toward the pole`;
  const lifted =
    parts.refractionArcmin < REFRACTION_TOLD_ARCMIN
      ? ''
      : `; the air lifts the pole by ${f.quantity(parts.refractionArcmin, 'arcmin')}, which is included`;
  const finish = parts.up === false ? ' Go below and come up: the last turn lifts the weight.' : '';
  return `The pole stands ${f.quantity(Math.abs(parts.latDeg), 'angleDeg')} high; ${bias}${slope}${lifted}.${finish}`;
}

/** An inclinometer on the axis needs neither scale nor level. */
export function inclinometerWords(altDeg: number, f: Format): string {
  return `Or lay an inclinometer along the polar axis housing: it must read ${f.quantity(altDeg, 'angleDeg')}, whatever the base does.`;
}

/** The latitude is set before anything hangs on the head; afterwards the bolt lifts it all. */
export const BOLT_UNDER_LOAD =
  'The head is loaded: the bolt lifts all of it and binds. Hold the tube up with one hand as you turn, and finish upward.';
