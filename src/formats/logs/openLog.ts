/** A log's bytes, as they come, to numbers: text of any usual encoding, lines cut as they are complete. What is no log ends early
 *  and by name, whatever its size. */
import { refuse, ok, type Result } from '../../core/result.ts';
import type { Doubt } from './columnRoles.ts';
import { layoutOf, type LogLayout } from './layout.ts';
import { guessMapping, sureOfTime, type Told } from './mapping.ts';
import { logReader, type LogCode, type LogMapping } from './readLog.ts';
import type { LogRead } from './seriesRead.ts';

export type OpenOptions = {
  told: Told;
  /** How the user says that it is laid out; null = as guessed. */
  mapping: LogMapping | null;
  /** Between two pieces, with the bytes read so far. @throws to stop. */
  between: (bytes: number) => Promise<void>;
};
export type OpenedLog = {
  layout: LogLayout;
  mapping: LogMapping;
  doubts: Doubt[];
  read: Result<LogRead, LogCode>;
};

/** Enough to tell the layout by. */
const SNIFFED = 256 * 1024;
const LONGEST_LINE = 100_000;
const SHOWN_ROWS = 12;

/** By its first bytes: marks of byte order, or zeros beside every letter. */
function encodingOf(bytes: Uint8Array): string {
  const [a, b] = [bytes[0], bytes[1]];
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  return a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';
}

/** Letters that no text has. */
const isBinary = (text: string): boolean =>
  text.includes('\0') || (text.match(/\uFFFD/g)?.length ?? 0) > text.length / 50;

/** Hands on whole lines; keeps what is not complete yet. False = a line without an end. */
function lineCutter(onLine: (line: string) => void) {
  let rest = '';
  return {
    feed: (text: string): boolean => {
      const lines = (rest + text).split(/\r\n|\n|\r(?!$)/);
      rest = lines.pop() ?? '';
      lines.forEach(onLine);
      return rest.length <= LONGEST_LINE;
    },
    end: (): void => {
      if (rest !== '') onLine(rest);
    },
  };
}

/** Collects the beginning until the layout can be told, then reads on. */
function opening({ told, mapping }: OpenOptions) {
  let head = '';
  let opened: { layout: LogLayout; mapping: LogMapping; doubts: Doubt[]; reader: ReturnType<typeof logReader> } | null =
    null;
  let held: string[] = [];
  const begin = (): boolean => {
    const layout = layoutOf(head);
    if (!layout) return false;
    const guess = guessMapping(layout, told);
    const used = mapping?.roles.length === layout.header.length ? mapping : guess.mapping;
    const reader = logReader(layout, used);
    opened = { layout, mapping: used, doubts: used === guess.mapping ? guess.doubts : [], reader };
    held.forEach(reader.line);
    held = [];
    return true;
  };
  return {
    line: (line: string): void => {
      if (opened) {
        opened.reader.line(line);
        return;
      }
      head += `${line}\n`;
      held.push(line);
      if (head.length > SNIFFED) begin();
    },
    end: (): Result<OpenedLog, LogCode> => {
      if (!opened && !begin()) return refuse('logNotText');
      const found = opened as NonNullable<typeof opened>;
      const { layout, doubts, reader } = found;
      const shown = { ...layout, sample: layout.sample.slice(0, SHOWN_ROWS) };
      return ok({ layout: shown, mapping: found.mapping, ...sureOfTime(reader.done(), found.mapping, doubts) });
    },
  };
}

export async function openLog(
  chunks: AsyncIterable<Uint8Array>,
  options: OpenOptions,
): Promise<Result<OpenedLog, LogCode>> {
  let [decoder, bytes]: [TextDecoder | null, number] = [null, 0];
  const log = opening(options);
  const cutter = lineCutter(log.line);
  for await (const chunk of chunks) {
    const isFirst = decoder === null;
    decoder ??= new TextDecoder(encodingOf(chunk));
    const text = decoder.decode(chunk, { stream: true }).replace(/^\uFEFF/, '');
    bytes += chunk.length;
    if (isFirst && isBinary(text)) return refuse('logNotText');
    if (!cutter.feed(text)) return refuse('logTooLong');
    await options.between(bytes);
  }
  cutter.end();
  return log.end();
}
