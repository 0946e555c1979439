/** Sentences of focus and pointing: what the hand controller asks for, and where focus was. */
import type { FocusState } from '../core/night/learned/focusKnown.ts';
import type { ZoneAnswer } from '../core/time/civil.ts';
import type { SettingValue } from '../core/records/setting.ts';
import { toSexagesimal } from '../core/units/sexagesimal.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

type Controller = SettingValue<'controller'>;
const two = (n: number): string => String(n).padStart(2, '0');

/** `40° 20′ N`, or with seconds, as hand controllers want them. */
export function controllerAngle(
  deg: number,
  letters: { positive: string; negative: string },
  style: Controller['angles'],
): string {
  const letter = deg < 0 ? letters.negative : letters.positive;
  if (style === 'degMinSec') {
    const p = toSexagesimal(Math.abs(deg));
    return `${letter} ${p.whole}° ${two(p.minutes)}′ ${two(p.seconds)}″`;
  }
  const minutes = Math.round(Math.abs(deg) * 60);
  return `${letter} ${Math.floor(minutes / 60)}° ${two(minutes % 60)}′`;
}

/** `−07:00` or `+05:30`. */
export function offsetWords(minutes: number): string {
  const size = Math.abs(minutes);
  return `${minutes < 0 ? '−' : '+'}${two(Math.floor(size / 60))}:${two(size % 60)}`;
}

/** A date `2026-11-24` in the controller's order. */
export function controllerDate(date: string, order: Controller['dateOrder']): string {
  const [year = '', month = '', day = ''] = date.split('-');
  return { dmy: [day, month, year], mdy: [month, day, year], ymd: [year, month, day] }[order].join('/');
}

export const DATE_ORDERS: Record<Controller['dateOrder'], string> = {
  dmy: 'day, month, year',
  mdy: 'month, day, year',
  ymd: 'year, month, day',
};
export const ANGLE_STYLES: Record<Controller['angles'], string> = {
  degMin: 'degrees and minutes',
  degMinSec: 'degrees, minutes, seconds',
};

export const summerWords = ({ summerMin }: ZoneAnswer): string => (summerMin > 0 ? 'yes' : 'no');

export const SHEET_SENTENCE: Said = 'Key in these answers, **in this order**.';
export const sheetReason = (zone: ZoneAnswer): string =>
  zone.summerMin > 0
    ? 'Summer time runs: the zone is asked without it, the answer “yes” adds the hour.'
    : 'No summer time tonight: the zone is the whole truth.';

export type FocusSaying =
  | { code: 'first' }
  | { code: 'lastTime'; positionUm: number; temperatureC: number }
  | { code: 'predicted'; positionUm: number; umPerDeg: number; count: number }
  | { code: 'tonight'; positionUm: number; temperatureC: number }
  /** By the air noted since: where it would be sharp now, how far that is, and how far it may be. */
  | { code: FocusState; positionUm: number; shiftUm: number; doubtUm: number; allowedUm: number };

export function focusSentence(s: FocusSaying, f: Format): Said {
  switch (s.code) {
    case 'first':
      return 'Focus on the brightest star, then **record the position**.';
    case 'lastTime':
    case 'predicted':
      return `Start at **${f.quantity(s.positionUm, 'focusUm')}**, then fine-focus on a star and record it.`;
    case 'tonight':
      return `Lock the focuser at **${f.quantity(s.positionUm, 'focusUm')}** and look once more.`;
    case 'stands':
      return '**Leave the focus**: it stands.';
    case 'doubtful':
      return '**Look at the focus**: it may have gone with the air.';
    case 'gone':
      return `**Focus again**: start at **${f.quantity(s.positionUm, 'focusUm')}**.`;
  }
}

/** Of the degrees in which this user reads the air. */
const perShownDegree = (perKelvin: number, f: Format): number =>
  perKelvin / (f.shown(1, 'temperature') - f.shown(0, 'temperature'));

export function focusReason(s: FocusSaying, f: Format): string {
  switch (s.code) {
    case 'first':
      return 'The next night then starts from it.';
    case 'lastTime':
      return `There it was sharp last time, at ${f.quantity(s.temperatureC, 'temperature')}.`;
    case 'predicted':
      return `From ${s.count} nights: it moves ${f.quantity(perShownDegree(Math.abs(s.umPerDeg), f), 'focusUm')} ${s.umPerDeg < 0 ? 'up' : 'down'} the scale for each degree it gets colder.`;
    case 'tonight':
      return `Recorded tonight at ${f.quantity(s.temperatureC, 'temperature')}. Locking can shift it.`;
    case 'stands':
    case 'doubtful':
    case 'gone':
      return `With the air it has moved ${f.quantity(Math.abs(s.shiftUm), 'focusUm')} ${f.doubt(s.doubtUm, 'focusUm')}; ${f.quantity(s.allowedUm, 'focusUm')} to either side stay sharp.`;
  }
}
