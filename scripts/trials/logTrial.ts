/** Mutated logs: whatever is done to one, it is refused by name or read, and what is then told of its drive is finite. */
import fc from 'fast-check';
import { analyseTrack } from '../../src/core/tracking/analyseTrack.ts';
import { openLog } from '../../src/formats/logs/openLog.ts';
import { LOG_CODES } from '../../src/formats/logs/readLog.ts';
import { linesFrom, standInLines } from '../../src/standins/mountStream.ts';
import { evenly } from './evenly.ts';

type Change =
  | { how: 'bytes'; at: number; bytes: Uint8Array }
  | { how: 'cut' | 'delete' | 'double' | 'backward'; at: number; length: number }
  | { how: 'cell'; at: number; text: string }
  | { how: 'ends'; end: '\r\n' | '\r' | '\n\n' }
  | { how: 'divider'; divider: ';' | '\t' | ' ' | '|' }
  | { how: 'columns'; count: number }
  | { how: 'mark'; bytes: readonly number[] };

const place = evenly(0, 0.999999);
const CELLS = [
  'NaN',
  'inf',
  '-',
  '1e308',
  '1e999',
  '-1e-320',
  '',
  '"',
  '"a,b',
  '0x10',
  '١٢',
  '24:61:61',
  '2026-02-30T00:00:00',
];
const change: fc.Arbitrary<Change> = fc.oneof(
  fc.record({ how: fc.constant('bytes' as const), at: place, bytes: fc.uint8Array({ minLength: 1, maxLength: 12 }) }),
  fc.record({
    how: fc.constantFrom('cut' as const, 'delete' as const, 'double' as const, 'backward' as const),
    at: place,
    length: fc.integer({ min: 1, max: 400 }),
  }),
  fc.record({ how: fc.constant('cell' as const), at: place, text: fc.constantFrom(...CELLS) }),
  fc.record({
    how: fc.constant('ends' as const),
    end: fc.constantFrom('\r\n' as const, '\r' as const, '\n\n' as const),
  }),
  fc.record({
    how: fc.constant('divider' as const),
    divider: fc.constantFrom(';' as const, '\t' as const, ' ' as const, '|' as const),
  }),
  fc.record({ how: fc.constant('columns' as const), count: fc.constantFrom(1, 3, 10_000) }),
  fc.record({
    how: fc.constant('mark' as const),
    bytes: fc.constantFrom([0xff, 0xfe], [0xfe, 0xff], [0xef, 0xbb, 0xbf], [0, 0]),
  }),
);
export type LogCase = { seed: number; changes: readonly Change[] };
export const logCases: fc.Arbitrary<LogCase> = fc.record({
  seed: fc.integer({ min: 1, max: 20 }),
  changes: fc.array(change, { minLength: 1, maxLength: 5 }),
});

const ROWS = 500;
const logs = new Map<number, string>();
const logOf = (seed: number): string => {
  const known = logs.get(seed) ?? linesFrom(standInLines({ seed, difficulty: 'usual' }), 0, ROWS);
  logs.set(seed, known);
  return known;
};

function changedText(text: string, one: Change): string {
  switch (one.how) {
    case 'cut':
      return text.slice(0, Math.floor(one.at * text.length));
    case 'delete':
    case 'double':
    case 'backward': {
      const k = Math.floor(one.at * text.length);
      const piece = text.slice(k, k + one.length);
      const instead = { delete: '', double: piece + piece, backward: Array.from(piece).reverse().join('') }[one.how];
      return text.slice(0, k) + instead + text.slice(k + one.length);
    }
    case 'cell': {
      const cells = text.split(',');
      cells[Math.floor(one.at * cells.length)] = one.text;
      return cells.join(',');
    }
    case 'ends':
      return text.replaceAll('\n', one.end);
    case 'divider':
      return text.replaceAll(',', one.divider);
    case 'columns':
      return text
        .split('\n')
        .slice(0, one.count > 100 ? 20 : ROWS)
        .map((line) => line + ',1'.repeat(one.count))
        .join('\n');
    default:
      return text;
  }
}

function changedBytes(bytes: Uint8Array, one: Change): Uint8Array {
  if (one.how === 'mark') return new Uint8Array([...one.bytes, ...bytes]);
  if (one.how !== 'bytes' || bytes.length === 0) return bytes;
  const at = Math.floor(one.at * bytes.length);
  bytes.set(one.bytes.subarray(0, bytes.length - at), at);
  return bytes;
}

async function* inPieces(bytes: Uint8Array): AsyncGenerator<Uint8Array> {
  for (let i = 0; i < bytes.length; i += 4096) yield await Promise.resolve(bytes.subarray(i, i + 4096));
}

const CODES: ReadonlySet<string> = new Set(LOG_CODES);

/** @returns what is wrong; null when all is well. */
export async function logProblem({ seed, changes }: LogCase): Promise<string | null> {
  const text = changes.reduce(changedText, logOf(seed));
  const bytes = changes.reduce(changedBytes, new TextEncoder().encode(text));
  const opened = await openLog(inPieces(bytes), { told: {}, mapping: null, between: () => Promise.resolve() });
  if (!opened.ok) return CODES.has(opened.code) ? null : opened.code;
  const { read } = opened.value;
  if (!read.ok) return CODES.has(read.code) ? null : read.code;
  const found = analyseTrack(read.value.series, { ownTurnS: null });
  if (!found) return null;
  const { periodic, raDrift, decDrift, residualRaArcsec } = found;
  const figures = [raDrift, decDrift].flatMap(({ perMin, sigmaPerMin }) => [perMin, sigmaPerMin]);
  const turning = periodic ? [periodic.periodS, periodic.sigmaPeriodS, periodic.peakToPeakArcsec] : [];
  const all = [...figures, ...turning, residualRaArcsec];
  return all.every(Number.isFinite) ? null : `told ${all.join(' ')}`;
}

export const logProperty = () =>
  fc.asyncProperty(logCases, async (one) => {
    const problem = await logProblem(one);
    if (problem !== null) throw new Error(problem);
  });
