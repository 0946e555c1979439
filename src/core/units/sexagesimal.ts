/** Sexagesimal numbers: reading what people type and printing it back. */
import { refuse, ok, type Result } from '../result.ts';

export type SexagesimalCode = 'notANumber' | 'minutesOutOfRange' | 'outOfRange' | 'signAndLetter';
export type AngleLimits = { min: number; max: number; letters: { positive: string; negative: string } | null };

const PATTERN =
  /^([+-])?\s*(\d+(?:\.\d+)?)\s*(?:[°:dh\s]\s*(\d+(?:\.\d+)?)?\s*(?:['′:m\s]\s*(?:(\d+(?:\.\d+)?)\s*(?:["″s]|'')?)?)?)?$/i;

function splitLetter(text: string, limits: AngleLimits): { sign: 1 | -1 | null; rest: string } {
  if (!limits.letters) return { sign: null, rest: text };
  const { positive, negative } = limits.letters;
  const found = new RegExp(`^(?:([${positive}${negative}])\\s*(.*)|(.*?)\\s*([${positive}${negative}]))$`, 'i').exec(
    text,
  );
  if (!found) return { sign: null, rest: text };
  const letter = (found[1] ?? found[4] ?? '').toUpperCase();
  return { sign: letter === negative.toUpperCase() ? -1 : 1, rest: found[2] ?? found[3] ?? '' };
}

/** Reads `40.33`, `-22 45 00`, `40°19'48"N`, `0h52m49s` or `05:35.5` as a number of the leading unit.
 *  A decimal comma is taken as a point. Minutes and seconds must be under 60; a part before the last must be whole. */
export function parseSexagesimal(text: string, limits: AngleLimits): Result<number, SexagesimalCode> {
  const cleaned = text
    .trim()
    .replaceAll('−', '-')
    .replace(/(\d),(\d)/g, '$1.$2');
  const { sign, rest } = splitLetter(cleaned, limits);
  const found = PATTERN.exec(rest.trim());
  if (!found) return refuse('notANumber', { text });
  if (sign !== null && found[1] !== undefined) return refuse('signAndLetter', { text });
  const size = joined([found[2], found[3], found[4]].filter((part) => part !== undefined));
  if (!size.ok) return refuse(size.code, { text });
  const value = (sign ?? (found[1] === '-' ? -1 : 1)) * size.value;
  if (value < limits.min || value > limits.max) return refuse('outOfRange', { text, min: limits.min, max: limits.max });
  return ok(value === 0 ? 0 : value);
}

/** Whole, minutes and seconds as one number; a part before the last must be whole. */
function joined(parts: readonly string[]): Result<number, 'notANumber' | 'minutesOutOfRange'> {
  if (parts.slice(0, -1).some((part) => part.includes('.'))) return refuse('notANumber');
  const [whole = 0, minutes = 0, seconds = 0] = parts.map(Number);
  if (minutes >= 60 || seconds >= 60) return refuse('minutesOutOfRange');
  return ok(whole + minutes / 60 + seconds / 3600);
}

export type SexagesimalParts = { negative: boolean; whole: number; minutes: number; seconds: number };

/** Splits a value into whole units, minutes and seconds, rounded to `decimals` of a second without ever giving 60. */
export function toSexagesimal(value: number, decimals = 0): SexagesimalParts {
  const factor = 10 ** decimals;
  const ticks = Math.round(Math.abs(value) * 3600 * factor);
  const perMinute = 60 * factor;
  return {
    negative: value < 0 && ticks > 0,
    whole: Math.floor(ticks / (60 * perMinute)),
    minutes: Math.floor(ticks / perMinute) % 60,
    seconds: (ticks % perMinute) / factor,
  };
}

const two = (n: number, decimals = 0): string => n.toFixed(decimals).padStart(decimals ? 3 + decimals : 2, '0');

/** `4:12` from 4.2 hours: hours and minutes, rounded to the minute. */
export function formatHoursMinutes(hours: number): string {
  const minutes = Math.round(Math.abs(hours) * 60);
  const sign = hours < 0 && minutes > 0 ? '−' : '';
  return `${sign}${Math.floor(minutes / 60)}:${two(minutes % 60)}`;
}

/** `40° 19′ 48″`; the sign is a true minus. */
export function formatDegMinSec(deg: number): string {
  const p = toSexagesimal(deg);
  return `${p.negative ? '−' : ''}${p.whole}° ${two(p.minutes)}′ ${two(p.seconds)}″`;
}

/** `00h 52m 49s` for a right ascension in hours. */
export function formatHourMinSec(hours: number): string {
  const p = toSexagesimal(hours);
  return `${two(p.whole)}h ${two(p.minutes)}m ${two(p.seconds)}s`;
}

/** `40° 19′ 48″ N`; letters name the positive and negative side. */
export function formatCoordinate(deg: number, letters: { positive: string; negative: string }): string {
  return `${formatDegMinSec(Math.abs(deg))} ${deg < 0 ? letters.negative : letters.positive}`;
}
