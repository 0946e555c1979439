/** How a log is read until its user says otherwise, and what its remarks say of scale and rate. */
import { guessRoles, type Doubt } from './columnRoles.ts';
import type { LogLayout } from './layout.ts';
import { logReader, type LogCode, type LogMapping } from './readLog.ts';
import type { LogRead } from './seriesRead.ts';
import { refuse, type Result } from '../../core/result.ts';

export type Told = Partial<Pick<LogMapping, 'unit' | 'scaleArcsecPerPx' | 'rateArcsecPerS' | 'raFromXDeg'>>;

const numberBefore = (text: string, pattern: RegExp): number | null => {
  const found = pattern.exec(text);
  const value = found?.[1] === undefined ? Number.NaN : Number(found[1].replace(',', '.'));
  return value > 0 ? value : null;
};
const ARCSEC = String.raw`(?:arc ?sec(?:onds?)?|asec|"|″|'')`;
const RATE = new RegExp(String.raw`([\d.,]+)\s*${ARCSEC}\s*(?:per|/)\s*s`, 'i');
const SCALE = new RegExp(String.raw`([\d.,]+)\s*${ARCSEC}\s*(?:per|/)\s*pi?x`, 'i');

/** Scale and rate that the log's own remarks tell. */
function hintsOf(remarks: readonly string[]): Told {
  const text = remarks.join('\n');
  const unit = /pixel|\bpx\b/i.test(text) && !SCALE.test(text) ? { unit: 'px' as const } : {};
  return { ...unit, scaleArcsecPerPx: numberBefore(text, SCALE), rateArcsecPerS: numberBefore(text, RATE) };
}

export type Guess = { mapping: LogMapping; doubts: Doubt[] };

/** @param told what the user or another source says; wins over remarks. */
export function guessMapping(layout: LogLayout, told: Told = {}): Guess {
  const { roles, doubts } = guessRoles(layout);
  const hints = hintsOf(layout.remarks);
  return {
    mapping: {
      roles,
      unit: told.unit ?? hints.unit ?? 'arcsec',
      scaleArcsecPerPx: told.scaleArcsecPerPx ?? hints.scaleArcsecPerPx ?? null,
      rateArcsecPerS: told.rateArcsecPerS ?? hints.rateArcsecPerS ?? null,
      raFromXDeg: told.raFromXDeg ?? null,
    },
    doubts: told.unit === undefined ? doubts : doubts.filter((d) => d !== 'unitMissing'),
  };
}

/** A whole log at once. */
export function readLogText(text: string, layout: LogLayout, mapping: LogMapping): Result<LogRead, LogCode> {
  const reader = logReader(layout, mapping);
  for (const line of text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)) reader.line(line);
  return reader.done();
}

/** No log of a night is shorter. */
const SHORTEST_S = 300;
type Sure = { read: Result<LogRead, LogCode>; doubts: Doubt[] };

/** What the log's length says of the unit of its time: numbers without one are seconds, unless as such they would be over within
 *  minutes, when only its user knows. */
export function sureOfTime(read: Result<LogRead, LogCode>, { roles }: LogMapping, doubts: readonly Doubt[]): Sure {
  const isSeconds = roles.some((r) => r.is === 'time' && r.kind === 's');
  if (!read.ok || !isSeconds || !doubts.includes('timeUnit')) return { read, doubts: [...doubts] };
  const spanS = read.value.series.timeS.at(-1) ?? 0;
  if (spanS < SHORTEST_S) return { read: refuse('logTimeUnit', { spanS: Math.round(spanS) }), doubts: [...doubts] };
  return { read, doubts: doubts.filter((d) => d !== 'timeUnit') };
}
