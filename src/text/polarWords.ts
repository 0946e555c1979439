/** Sentences of polar alignment: the finder's dial in words, sides with compass points. */
import type { Numbering } from '../core/mount/dial.ts';
import type { PoleOfNight } from '../core/pole/poleOfNight.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

/** `4:12 on your dial`, `16:24`, `126°`. */
export function readingWords(reading: number, numbering: Numbering, f: Format): string {
  if (numbering === 'deg') return `${f.number(reading, 0)}°`;
  const shown = numbering === '12h' && Math.round(reading * 60) < 60 ? reading + 12 : reading;
  return f.hours(shown);
}

/** `about 4 o'clock`: a direction in the view that needs no engraving. */
export function clockFaceWords(viewAngleDeg: number): string {
  const hour = Math.round(viewAngleDeg / 30) % 12;
  return `${hour === 0 ? 12 : hour} o’clock`;
}

export type DialSaying =
  | {
      code: 'engraved';
      star: string;
      reading: number;
      numbering: Numbering;
      viewAngleDeg: number;
      view: 'upright' | 'inverted';
      south: boolean;
    }
  | {
      code: 'pattern';
      star: string;
      viewAngleDeg: number;
      view: 'upright' | 'inverted';
      south: boolean;
      /** Stars have marks of their own on the plate. */
      engraved: boolean;
    }
  | { code: 'noFinder'; star: string; viewAngleDeg: number; south: boolean }
  | { code: 'equator' };

/** The sentence for the eye at the finder. */
export function dialSentence(saying: DialSaying, f: Format): Said {
  switch (saying.code) {
    case 'engraved':
      return `Set the dial upright, then put ${saying.star} at **${readingWords(saying.reading, saying.numbering, f)}** on it.`;
    case 'pattern':
      return saying.engraved
        ? `Turn the plate until its marks lie **as drawn**, then bring each star into its own mark: ${saying.star} at **${clockFaceWords(saying.viewAngleDeg)}**.`
        : `Bring ${saying.star} to **${clockFaceWords(saying.viewAngleDeg)}** in the view.`;
    case 'noFinder':
      return 'This mount has **no polar finder**. Enter its engraving in Kit if it has one.';
    case 'equator':
      return 'The pole lies **on the horizon** here. Align by drift.';
  }
}

/** The reason below it. */
export function dialReason(saying: DialSaying, polarDistanceArcmin: number, f: Format): string {
  if (saying.code === 'equator')
    return 'Within a degree or two of the equator no pole star stands high enough to be seen.';
  const distance = f.quantity(polarDistanceArcmin, 'arcmin', 1);
  if (saying.code === 'noFinder')
    return `To the eye ${saying.star} now stands at ${clockFaceWords(saying.viewAngleDeg)} from the pole, ${distance} away.`;
  const turned =
    saying.view === 'inverted' ? 'the finder turns the view upside down' : 'the finder shows the view upright';
  const faint = saying.south ? ' It is of magnitude 5.4: look for the four-star pattern.' : '';
  return `It stands ${distance} from the pole tonight; ${turned}.${faint}`;
}

export type KnobSaying = { adjuster: 'altitude' | 'azimuth'; turns: number; clockwise: boolean };

/** `2 turns and 40°`, `38°`. */
export function turnWords(turns: number, f: Format): string {
  const whole = Math.floor(turns + 1 / 720);
  const degrees = Math.max(0, Math.round((turns - whole) * 360));
  if (whole === 0) return `${f.number(degrees, 0)}°`;
  return `${whole} ${whole === 1 ? 'turn' : 'turns'}${degrees > 0 ? ` and ${f.number(degrees, 0)}°` : ''}`;
}

/** The side as someone standing behind the mount, facing the pole, sees it. */
export function sideWords(east: boolean, south: boolean): string {
  if (east) return south ? 'left (east)' : 'right (east)';
  return south ? 'right (west)' : 'left (west)';
}

/** What is known of a night's pole in one line. */
export function poleWords(pole: PoleOfNight, south: boolean, f: Format): string {
  const { altitude, azimuth, basis } = pole;
  const error = { altErrorArcmin: altitude.errorArcmin, azErrorArcmin: azimuth.errorArcmin };
  switch (basis) {
    case 'measured':
      return errorWords(error, south, f);
    case 'turned':
      return altitude.measured && azimuth.measured
        ? `about ${errorWords(error, south, f)}, reckoned since a turn`
        : 'turned, not measured since';
    case 'inPart':
      return `${altitude.measured ? 'altitude' : 'azimuth'} measured, the other part not`;
    case 'byEye':
      return 'star set at its mark by eye';
    case 'untouched':
      return 'not looked at';
  }
}

/** `1.7′ too low and 0.5′ too far right (east)`. */
export function errorWords(
  error: { altErrorArcmin: number; azErrorArcmin: number },
  south: boolean,
  f: Format,
): string {
  const alt = `${f.quantity(Math.abs(error.altErrorArcmin), 'arcmin')} too ${error.altErrorArcmin >= 0 ? 'high' : 'low'}`;
  const az = `${f.quantity(Math.abs(error.azErrorArcmin), 'arcmin')} too far ${sideWords(error.azErrorArcmin >= 0, south)}`;
  return `${alt} and ${az}`;
}

/** What the turn left by reckoning, and how far that may be off in each part. */
export const reckonedWords = (error: string, altSigmaArcmin: number, azSigmaArcmin: number, f: Format): string =>
  `Reckoned since the turn: ${error}, ${f.doubt(altSigmaArcmin, 'arcmin', 0)} and ${f.doubt(azSigmaArcmin, 'arcmin', 0)}`;
