/** How a tracking log is laid out, told from its beginning: what parts its fields, which line names its columns, where the rows
 *  of data begin. Made for text of any program: nothing is asked of its names here. */

import { namesColumns } from './columnWords.ts';

export type Delimiter = '\t' | ';' | ',' | '|' | ' ';
export type LogLayout = {
  delimiter: Delimiter;
  decimalComma: boolean;
  /** Names of the columns; empty words where there are none. */
  header: string[];
  /** The line that names them, with its units; null = the log has none. */
  headerLine: string | null;
  /** The lines that it stands in: where these are met the rows begin. Empty where a remark or nothing names them. */
  headerLines: string[];
  /** Lines set apart as remarks, without their marks. */
  remarks: string[];
  /** Rows with fewer cells than names are whole where many have as few. */
  widths: number[];
  /** First rows as cells, to guess by and to show. */
  sample: string[][];
};

const REMARK = /^\s*(#|\/\/|%|!|--)/;
const DELIMITERS: readonly Delimiter[] = ['\t', ';', '|', ',', ' '];
const MOST_SAMPLED = 400;
const NUMBER = /^[+\-−]?(\d+([.,]\d*)?|[.,]\d+)([eE][+-]?\d+)?\s*(["″]|''|arcsec|px|ms|s)?$/;
const TIME =
  /^(\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}([T ]\S*)?|\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?( ?[ap]m)?|.*\d{2}:\d{2}:\d{2}.*)$/i;
const MISSING = /^(nan|null|none|lost|-+|n\/a|na|inf|\?)?$/i;

export const isRemark = (line: string): boolean => REMARK.test(line);
/** No remark that tells anything is longer. */
const LONGEST_REMARK = 500;
const bare = (line: string): string => line.slice(0, LONGEST_REMARK).replace(REMARK, '').trim();

/** A line as cells, marks of quoting taken off. Runs of blanks part once. */
export function cellsOf(line: string, delimiter: Delimiter): string[] {
  if (delimiter === ' ') return line.trim().split(/\s+/);
  if (!line.includes('"')) return line.split(delimiter).map((cell) => cell.trim());
  const cells: string[] = [];
  let [cell, quoted] = ['', false];
  for (const char of line) {
    if (char === '"' && (quoted || cell.trim() === '')) quoted = !quoted;
    else if (char === delimiter && !quoted) {
      cells.push(cell.trim());
      cell = '';
    } else cell += char;
  }
  return [...cells, cell.trim()];
}

const isData = (cell: string): boolean => NUMBER.test(cell) || TIME.test(cell);
/** Mostly numbers and times; what was lost may stand among them. */
export const isDataRow = (cells: readonly string[]): boolean => {
  const filled = cells.filter((c) => !MISSING.test(c));
  return cells.length > 1 && filled.length > 0 && filled.filter(isData).length * 2 > filled.length;
};
/** Longer words are remarks. */
const LONGEST_WORD = 12;
/** A number or a time, and beside it nothing but short words for values that are missing. */
const hasLostValues = (cells: readonly string[]): boolean =>
  cells.some(isData) && cells.every((c) => isData(c) || c.length <= LONGEST_WORD);
const isWord = (c: string): boolean => /\p{L}/u.test(c) && !isData(c) && !MISSING.test(c);
/** Says in words what its columns are, each in its own. A row with a number or a time among its words tells of a lost value. */
export function isHeaderRow(cells: readonly string[]): boolean {
  const words = cells.filter(isWord);
  return cells.length > 1 && words.length * 2 >= cells.length && new Set(words).size > 1 && !cells.some(isData);
}

/** How many rows have so many cells. */
function widthCounts(rows: readonly (readonly string[])[]): Map<number, number> {
  const counts = new Map<number, number>();
  for (const { length } of rows) counts.set(length, (counts.get(length) ?? 0) + 1);
  return counts;
}

/** The one that parts most lines into the same number of cells; of equals the one that stands less often inside numbers. */
function delimiterOf(lines: readonly string[]): Delimiter | null {
  let best: { delimiter: Delimiter; score: number } | null = null;
  for (const delimiter of DELIMITERS) {
    const counts = widthCounts(lines.map((line) => cellsOf(line, delimiter)).filter(isDataRow));
    const score = Math.max(0, ...counts.values());
    if (score > (best?.score ?? 0)) best = { delimiter, score };
  }
  return best?.delimiter ?? null;
}

/** A comma inside a cell that commas part stood between quotes. */
function hasDecimalComma(rows: readonly (readonly string[])[]): boolean {
  const cells = rows.flat();
  const commas = cells.filter((c) => /\d,\d/.test(c)).length;
  return commas > cells.filter((c) => /\d\.\d/.test(c)).length;
}

type Section = { header: string | null; lines: string[]; rows: string[][] };

/** A remark right before the rows may name their columns. */
function headerIn(remark: string | undefined, delimiter: Delimiter, columns: number): string | null {
  if (remark === undefined) return null;
  return [delimiter, ' ' as const].some((d) => {
    const cells = cellsOf(remark, d);
    return cells.length === columns && isHeaderRow(cells);
  })
    ? remark
    : null;
}

/** Words head rows where nothing better does: among rows and under names that are known, a sentence tells of an event, be it of
 *  as many words as the rows have cells. @returns the part that is open after the line. */
function headed(sections: Section[], open: Section, line: string, delimiter: Delimiter): Section {
  const cells = cellsOf(line, delimiter);
  const units = unitsUnder(open, cells, delimiter);
  if (units !== null) {
    open.header = units;
    open.lines.push(line.trim());
    return open;
  }
  const isKnown = namesColumns(cells) || sections.some(({ lines }) => lines.includes(line.trim()));
  const isNeeded = isFresh(open) && (open.header === null || !namesColumns(cellsOf(open.header, delimiter)));
  if (!isKnown && !isNeeded) return open;
  const next: Section = { header: line, lines: [line.trim()], rows: [] };
  sections.push(next);
  return next;
}

/** Rows under the line that names them; the part with most rows is the log. */
function sectionsOf(lines: readonly string[], delimiter: Delimiter): Section[] {
  const columns = usualWidth(lines.filter((line) => !isRemark(line)).map((line) => cellsOf(line, delimiter)));
  const sections: Section[] = [];
  let [open, remark]: [Section, string | undefined] = [{ header: null, lines: [], rows: [] }, undefined];
  sections.push(open);
  for (const line of lines) {
    if (isRemark(line)) {
      remark = bare(line);
      continue;
    }
    const cells = cellsOf(line, delimiter);
    if (isDataRow(cells) || (cells.length === columns && hasLostValues(cells))) {
      if (isFresh(open)) open.header ??= headerIn(remark, delimiter, cells.length);
      open.rows.push(cells);
    } else if (isHeaderRow(cells) && (isFresh(open) || cells.length === columns)) {
      open = headed(sections, open, line, delimiter);
    }
  }
  return sections;
}

/** How many cells most rows of data have. */
function usualWidth(rows: readonly (readonly string[])[]): number {
  return [...widthCounts(rows.filter(isDataRow))].reduce((most, one) => (one[1] > most[1] ? one : most), [0, 0])[0];
}

const isFresh = ({ rows }: Section): boolean => rows.length === 0;

/** What stands under a name that tells its unit. */
const UNIT_CELL =
  /^[([]?\s*(s|sec\w*|sek\w*|seg\w*|m?s|min\w*|h|hours?|days?|utc?|arc-?sec\w*|arc-?min\w*|as|mas|deg\w*|°|px|pix\w*|["″′']|''|adu|mag|%)\s*[)\]]?$/i;

/** A second line of words belongs to the first one where it tells units; null when it is none. */
function unitsUnder(open: Section, cells: readonly string[], delimiter: Delimiter): string | null {
  if (!isFresh(open) || open.header === null) return null;
  const tells = cells.length === cellsOf(open.header, delimiter).length && cells.some((c) => UNIT_CELL.test(c));
  return tells ? joined(open.header, cells, delimiter) : null;
}

const joined = (header: string, units: readonly string[], delimiter: Delimiter): string =>
  cellsOf(header, delimiter)
    .map((name, i) => `${name} (${units[i] ?? ''})`)
    .join(delimiter);

/** Null when no line of it holds columns of numbers. @param text the log's beginning, whole lines. */
export function layoutOf(text: string): LogLayout | null {
  const lines = text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .filter((line) => line.trim() !== '');
  const remarks = lines.filter(isRemark).map(bare);
  const plain = lines.filter((line) => !isRemark(line));
  const delimiter =
    // Somebody may write more than a page of words above the first row.
    delimiterOf(plain.slice(0, MOST_SAMPLED)) ?? delimiterOf(plain.slice(-MOST_SAMPLED)) ?? headingOnly(plain);
  if (delimiter === null) return null;
  const sections = sectionsOf(lines, delimiter);
  const best = sections.reduce((a, b) => (b.rows.length >= a.rows.length ? b : a));
  const columns = best.rows[0]?.length ?? cellsOf(best.header ?? '', delimiter).length;
  return {
    delimiter,
    decimalComma: hasDecimalComma(best.rows),
    header: namesOf(best.header, delimiter, columns),
    headerLine: best.header,
    headerLines: best.lines,
    remarks,
    widths: usualWidths(best.rows, columns),
    sample: best.rows.slice(0, MOST_SAMPLED),
  };
}

/** Of rows; fewer are torn. */
const USUAL = 0.1;
function usualWidths(rows: readonly (readonly string[])[], columns: number): number[] {
  return [columns, ...[...widthCounts(rows)].filter(([, n]) => n > USUAL * rows.length).map(([width]) => width)];
}

/** A heading without a single row is still a log, an empty one; words between blanks may be anything. */
const headingOnly = (lines: readonly string[]): Delimiter | null =>
  DELIMITERS.find((d) => d !== ' ' && lines.some((line) => isHeading(cellsOf(line, d)))) ?? null;
const FEWEST_NAMES = 3;
const isHeading = (cells: readonly string[]): boolean =>
  cells.length >= FEWEST_NAMES && cells.every((c) => c !== '') && isHeaderRow(cells);

function namesOf(header: string | null, delimiter: Delimiter, columns: number): string[] {
  if (header === null) return Array.from({ length: columns }, () => '');
  const cells = cellsOf(header, delimiter);
  return cells.length === columns ? cells : cellsOf(header, ' ');
}
