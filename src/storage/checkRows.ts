/** Rows as they are found in the database: validated, repaired where only head fields are missing, or named as damaged. */
import type { z } from 'zod';
import { headSchema } from '../core/records/common.ts';
import { isObject } from '../core/records/loose.ts';
import { firstIssue, type Issue } from '../core/records/issue.ts';

export type Damaged = { table: string; id: string } & Issue;
export type Checked<T> = { records: T[]; damaged: Damaged[] };

/** Fills what an older or half-written head lacks; leaves everything else alone. */
function repaired(raw: unknown): unknown {
  if (!isObject(raw)) return raw;
  const createdAtUtc = typeof raw['createdAtUtc'] === 'string' ? raw['createdAtUtc'] : '1970-01-01T00:00:00.000Z';
  const defaults = {
    rev: 1,
    deviceId: 'unknown',
    createdAtUtc,
    updatedAtUtc: createdAtUtc,
    deletedAtUtc: null,
    origin: 'user',
    archived: false,
    note: '',
  };
  const own = Object.fromEntries(
    Object.entries(raw).filter(([key, value]) => !(key in headSchema.shape && value === undefined)),
  );
  return { ...defaults, ...own };
}

/** Validates rows on read: good ones, those that a repair saves, and the damaged ones by name. Nothing is written. */
export function checkRows<T>(table: string, schema: z.ZodType<T>, rows: readonly unknown[]): Checked<T> {
  const checked: Checked<T> = { records: [], damaged: [] };
  for (const row of rows) {
    const direct = schema.safeParse(row);
    const parsed = direct.success ? direct : schema.safeParse(repaired(row));
    if (parsed.success) checked.records.push(parsed.data);
    else {
      const id = isObject(row) && typeof row['id'] === 'string' ? row['id'] : '?';
      checked.damaged.push({ table, id, ...firstIssue(parsed.error) });
    }
  }
  return checked;
}
