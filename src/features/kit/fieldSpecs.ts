/** The small language in which part forms are written: fields and groups as data. */
import { GENDERS } from '../../text/trainWords.ts';
import type { QuantityKind } from '../../core/units/quantities.ts';
import type { Option } from '../../ui/form/Fields.tsx';

export type FieldSpec =
  | { type: 'quantity'; path: string; label: string; kind: QuantityKind; hint?: string }
  | { type: 'select'; path: string; label: string; options: readonly Option[]; noneLabel?: string; hint?: string }
  | { type: 'check'; path: string; label: string }
  | { type: 'text' | 'thread'; path: string; label: string; hint?: string }
  | { type: 'numbers'; path: string; label: string; hint?: string }
  | { type: 'rings' | 'patternStars' | 'engraving'; path: string; label: string };

/** Fields that stand together; with `optional` the whole group can be absent (null) and is then offered to be added. */
export type FieldGroup = {
  title: string | null;
  optional?: { path: string; addLabel: string; removeLabel: string; value: unknown };
  fields: FieldSpec[];
};

export const q = (path: string, label: string, kind: QuantityKind, hint?: string): FieldSpec => ({
  type: 'quantity',
  path,
  label,
  kind,
  ...(hint === undefined ? {} : { hint }),
});
export const select = (path: string, label: string, options: Record<string, string>): FieldSpec => ({
  type: 'select',
  path,
  label,
  options: Object.entries(options).map(([value, text]) => ({ value, label: text })),
});
/** A choice that may be left open. */
export const openSelect = (
  path: string,
  label: string,
  noneLabel: string,
  options: Record<string, string>,
): FieldSpec => ({
  ...(select(path, label, options) as Extract<FieldSpec, { type: 'select' }>),
  noneLabel,
});
export const check = (path: string, label: string): FieldSpec => ({ type: 'check', path, label });
export const joint = (path: string, label: string): FieldSpec[] => [
  { type: 'thread', path: `${path}.thread`, label: `${label}: thread` },
  select(`${path}.gender`, `${label}: side`, GENDERS),
  q(`${path}.lengthMm`, `${label}: thread length`, 'opticsMm', 'To shoulder or ground. Empty = not measured.'),
];
/** Known, or only guessed: of a number that has a basis of its own. */
export const basis = (path: string, label: string): FieldSpec =>
  select(path, label, { measured: 'measured', stated: 'from a data sheet', assumed: 'a guess' });
export const group = (fields: FieldSpec[]): FieldGroup => ({ title: null, fields });
