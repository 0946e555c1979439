/** Parts from a spreadsheet: the columns that the table of parts writes, in any order, masses and lengths in other units
 *  too. What is not understood is named by row and column; nothing is half-read. */
import Papa from 'papaparse';
import type { z } from 'zod';
import { partBodySchema, partKinds, type Part, type PartKind } from '../core/records/part.ts';
import { firstIssue } from '../core/records/issue.ts';
import { isObject } from '../core/records/loose.ts';
import { ok, refuse, type Result } from '../core/result.ts';
import { withoutGuard } from './csv.ts';

export type PartsCsvCode = 'emptyFile' | 'noName' | 'unknownUnit' | 'unknownKind' | 'badNumber' | 'badValue' | 'broken';
export type PartRow = { id: string | null; body: Record<string, unknown> & { name: string; kind: PartKind } };
export type PartsCsv = {
  parts: PartRow[];
  /** Columns that parts do not have: their values are kept in the note. */
  foreign: string[];
};

const KINDS = Object.keys(partKinds) as PartKind[];
/** Columns of a record's head: written by the table, not read back. */
const HEAD_COLUMNS = new Set(['rev', 'deviceId', 'createdAtUtc', 'updatedAtUtc', 'deletedAtUtc', 'origin', 'archived']);
const COMMON = new Set(['id', 'name', 'kind', 'count', 'massKg', 'massBasis', 'sizeBasis', 'packIn', 'note', 'sizeM']);

/** Factors to the unit that the record stores. */
const TO_KG: Record<string, number> = { kg: 1, g: 0.001, lb: 0.45359237, oz: 0.028349523125 };
const TO_M: Record<string, number> = { m: 1, cm: 0.01, mm: 0.001, in: 0.0254, ft: 0.3048 };
const SCALES: readonly { suffix: string; factors: Record<string, number> }[] = [
  { suffix: 'Kg', factors: TO_KG },
  { suffix: 'M', factors: TO_M },
  { suffix: 'Mm', factors: Object.fromEntries(Object.entries(TO_M).map(([unit, m]) => [unit, m * 1000])) },
];

/** `mass (lb)`, `Mass [LB]`, `massLb`, `mass_lb`: the stem and the unit in small letters. */
function stemAndUnit(column: string): { stem: string; unit: string } | null {
  const found = /^(.*?)(?:[ _]*[([]([^)\]]+)[)\]]|[ _]([A-Za-z]+)|(Kg|G|Lb|Oz|M|Cm|Mm|In|Ft))$/.exec(column.trim());
  const unit = found?.[2] ?? found?.[3] ?? found?.[4];
  const stem = found?.[1]?.trim();
  return stem && unit ? { stem: stem.charAt(0).toLowerCase() + stem.slice(1), unit: unit.trim().toLowerCase() } : null;
}

type Target = { path: string; factor: number };
type Meaning = Target | 'foreign' | 'unknownUnit';

/** Every field of a kind. */
function fieldsOf(kind: PartKind): Set<string> {
  return new Set([...COMMON, ...Object.keys(partKinds[kind])]);
}

/** Names that reach into every object instead of into this one. */
const REACHING = new Set(['__proto__', 'constructor', 'prototype']);

/** Which field of a kind a column means, and what its numbers are multiplied by. */
function meaningOf(column: string, kind: PartKind): Meaning {
  const fields = fieldsOf(kind);
  const steps = column.split('.');
  if (steps.some((step) => REACHING.has(step))) return 'foreign';
  if (fields.has(steps[0] ?? '')) return { path: column, factor: 1 };
  const parsed = stemAndUnit(column) ?? { stem: column.trim().toLowerCase(), unit: '' };
  const known = SCALES.filter(({ suffix }) => fields.has(parsed.stem + suffix));
  if (known.length === 0) return 'foreign';
  const scale = known.find(({ factors }) => Object.hasOwn(factors, parsed.unit));
  if (!scale) return 'unknownUnit';
  return { path: parsed.stem + scale.suffix, factor: scale.factors[parsed.unit] ?? 1 };
}

/** Keys from a file are keys of an object that inherits nothing. */
const emptyObject = (): Record<string, unknown> => Object.create(null) as Record<string, unknown>;

function setPath(body: Record<string, unknown>, path: string, value: unknown): void {
  const [head = '', ...rest] = path.split('.');
  if (rest.length === 0) {
    body[head] = value;
    return;
  }
  const inner = Object.hasOwn(body, head) ? body[head] : undefined;
  const next = isObject(inner) ? inner : emptyObject();
  body[head] = next;
  setPath(next, rest.join('.'), value);
}

/** Text stays text where the record wants text; else number, yes or no, or a list. */
const TEXTS = new Set(['name', 'kind', 'massBasis', 'sizeBasis', 'packIn', 'note', 'id']);

function valueOf(text: string, path: string, factor: number): unknown {
  const trimmed = text.trim();
  if (TEXTS.has(path)) return trimmed;
  if (trimmed === '') return null;
  if (trimmed === 'true' || trimmed === 'false') return trimmed === 'true';
  if (trimmed.startsWith('[')) {
    try {
      return JSON.parse(trimmed) as unknown;
    } catch {
      return trimmed;
    }
  }
  const number = Number(trimmed.replace(',', '.'));
  return Number.isNaN(number) ? trimmed : Number((number * factor).toPrecision(12));
}

type Refusal = ReturnType<typeof refuse<PartsCsvCode>>;
/** Cells by column. */
type Line = ReadonlyMap<string, string>;
type Read = { row: PartRow; foreign: string[] };

function kindOf(line: Line, rowNumber: number): PartKind | Refusal {
  const text = (line.get('kind') ?? '').trim();
  const kind = KINDS.find((k) => k.toLowerCase() === text.toLowerCase());
  return kind ?? refuse('unknownKind', { row: rowNumber, kind: text, kinds: KINDS.join(', ') });
}

function isEmpty(value: unknown): boolean {
  if (value === null) return true;
  return typeof value === 'object' && !Array.isArray(value) && Object.values(value).every(isEmpty);
}

/** A group with nothing in it is absent, and so is a field without a column. */
function completed(body: Record<string, unknown>, kind: PartKind): Record<string, unknown> {
  // What a schema lets be left out is left out.
  const shape: Record<string, z.ZodType> = partKinds[kind];
  const missing = Object.entries(shape).flatMap(([field, schema]) =>
    schema.safeParse(undefined).success ? [] : [[field, null] as const],
  );
  const given = Object.entries(body).map(([key, value]) => [key, isEmpty(value) ? null : value] as const);
  return Object.fromEntries([...missing, ...given]);
}

function readRow(line: Line, rowNumber: number): Read | Refusal {
  const kind = kindOf(line, rowNumber);
  if (typeof kind !== 'string') return kind;
  const body = Object.assign(emptyObject(), { count: 1, massKg: null, massBasis: 'stated', note: '' });
  const foreign: string[] = [];
  for (const [column, text] of line) {
    if (HEAD_COLUMNS.has(column)) continue;
    const meaning = meaningOf(column, kind);
    if (meaning === 'unknownUnit') return refuse('unknownUnit', { column });
    if (meaning === 'foreign') {
      // Tables of mixed kinds have columns of the other kinds: those stay empty, and only a value counts as foreign.
      if (text.trim() !== '') foreign.push(column);
      continue;
    }
    const value = valueOf(text, meaning.path, meaning.factor);
    // An empty cell never overwrites what another column gave.
    const isBlank = value === null || value === '';
    if (!isBlank || (value === null && !Object.hasOwn(body, meaning.path))) setPath(body, meaning.path, value);
  }
  body['kind'] = kind;
  const kept = foreign.map((column) => `${column}: ${line.get(column) ?? ''}`).join('; ');
  body['note'] = [body['note'], kept].filter((words) => words !== '').join('\n');
  return checked(completed(body, kind), kind, rowNumber, foreign);
}

function issueOf(error: z.ZodError): { column: string; what: string; isNumber: boolean } {
  const { where, what } = firstIssue(error);
  return { column: where, what, isNumber: what === 'wrongType number' };
}

function checked(body: Record<string, unknown>, kind: PartKind, rowNumber: number, foreign: string[]): Read | Refusal {
  const { id, ...own } = body;
  const { name } = own;
  if (typeof name !== 'string' || name === '') return refuse('noName', { row: rowNumber });
  const parsed = partBodySchema(kind).safeParse(own);
  if (!parsed.success) {
    const { column, what, isNumber } = issueOf(parsed.error);
    return refuse(isNumber ? 'badNumber' : 'badValue', { row: rowNumber, name, column, what });
  }
  return {
    row: { id: typeof id === 'string' && id !== '' ? id : null, body: { ...parsed.data, name, kind } },
    foreign,
  };
}

/** Reads the whole file or names the first thing that is wrong with it. The header is row 1. */
export function readPartsCsv(text: string): Result<PartsCsv, PartsCsvCode> {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header, ...cells] = parsed.data;
  if (!header || cells.length === 0) return refuse('emptyFile');
  const broken = parsed.errors.find((e) => e.type === 'Quotes');
  if (broken) return refuse('broken', { row: (broken.row ?? 0) + 1, what: broken.message });
  const long = cells.findIndex((row) => row.length > header.length);
  if (long !== -1) return refuse('broken', { row: long + 2, what: 'more cells than columns' });
  const lines = cells.map((row): Line => new Map(header.map((column, i) => [column, withoutGuard(row[i] ?? '')])));
  const foreign = new Set<string>();
  const parts: PartRow[] = [];
  for (const [index, line] of lines.entries()) {
    const read = readRow(line, index + 2);
    if ('ok' in read) return read;
    parts.push(read.row);
    read.foreign.forEach((column) => foreign.add(column));
  }
  return ok({ parts, foreign: [...foreign] });
}

/** True when a part of this id is here already, deleted ones not counted. */
export function isHere(row: PartRow, parts: readonly Part[]): boolean {
  return row.id !== null && parts.some((p) => p.id === row.id && p.deletedAtUtc === null);
}
