/** Several parts at once: all of them or none, and one step to undo. */
import { partSchema, type Part } from '../core/records/part.ts';
import type { Origin } from '../core/records/common.ts';
import { firstIssue } from '../core/records/issue.ts';
import { ok, refuse } from '../core/result.ts';
import { logChange } from './changeLog.ts';
import type { HeadChange } from './changes.ts';
import { newHead, type Body } from './heads.ts';
import { transact, type Written } from './transact.ts';
import type { Writer } from './writer.ts';

/** `id` null = a new one. */
export type NewPart = { id: string | null; origin: Origin; body: Body<Part> & { note?: string } };

/** Validates every part first; the first bad one is named and nothing is written. A part whose fixed id is already here is
 *  left as it is, a deleted one comes back. Answers how many were written. */
export async function addParts(w: Writer, parts: readonly NewPart[]): Written<number> {
  const made: Part[] = [];
  for (const { id, origin, body } of parts) {
    const parsed = partSchema.safeParse({ ...newHead(w, id ?? w.newId()), ...body, origin, note: body.note ?? '' });
    if (!parsed.success) {
      const { where, what } = firstIssue(parsed.error);
      return refuse('invalidRecord', { where: `${body.name}: ${where}`, what });
    }
    made.push(parsed.data);
  }
  return transact(
    w,
    ({ changes }) => ok(changes.length),
    async () => {
      const table = w.db.heads('parts');
      const here = new Map((await table.bulkGet(made.map((p) => p.id))).flatMap((p) => (p ? [[p.id, p]] : [])));
      const fresh = made
        .filter((p) => here.get(p.id)?.deletedAtUtc !== null)
        .map((p) => withNextRev(p, here.get(p.id)));
      if (fresh.length === 0) return ok(0);
      await table.bulkPut(fresh);
      await logChange(
        w,
        'created',
        `${fresh.length} parts`,
        fresh.map((after): HeadChange => ({ type: 'head', table: 'parts', before: here.get(after.id) ?? null, after })),
      );
      return ok(fresh.length);
    },
  );
}

/** A part that comes back counts on from its tombstone, so that other devices see the newer revision. */
function withNextRev(part: Part, before: Part | undefined): Part {
  return before ? { ...part, rev: before.rev + 1, createdAtUtc: before.createdAtUtc } : part;
}
