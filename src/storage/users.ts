/** Which rig or night refers to a record: what is still used is not taken away. */
import type { HeadRecord, HeadTable } from '../core/records/heads.ts';
import { partIdsOfRig } from '../core/rig/rigState.ts';
import type { OwlDatabase } from './database.ts';

export type Users = { rigs: HeadRecord<'rigs'>[]; nights: HeadRecord<'nights'>[] };

export async function usersIn(db: OwlDatabase): Promise<Users> {
  const [rigs, nights] = [await db.heads('rigs').toArray(), await db.heads('nights').toArray()];
  return { rigs, nights };
}

/** The name of a living rig or night that refers to the record; null when none does. */
export function userOf({ rigs, nights }: Users, table: HeadTable, id: string): string | null {
  if (table === 'parts') return rigs.find((r) => r.deletedAtUtc === null && partIdsOfRig(r).includes(id))?.name ?? null;
  const refers = (n: HeadRecord<'nights'>): boolean =>
    n.rigId === id || n.siteId === id || n.plan.some((p) => p.targetId === id);
  return nights.find((n) => n.deletedAtUtc === null && refers(n))?.eveningDate ?? null;
}

/** A record as a change would leave it; `before` null = it goes. */
export type SetBack = { table: string; key: string; before: object | null };

const isGone = (before: object | null): boolean =>
  before === null || (before as { deletedAtUtc?: unknown }).deletedAtUtc != null;

/** Who would refer to a record that is no longer there once these are set back; null when nobody would. */
export function leftUsed(now: Users, back: readonly SetBack[]): string | null {
  const of = (table: string): Map<string, object | null> =>
    new Map(back.filter((one) => one.table === table).map(({ key, before }) => [key, before]));
  const after = <R extends { id: string }>(records: readonly R[], changed: ReadonlyMap<string, object | null>): R[] =>
    records.flatMap((r) => (changed.has(r.id) ? ((changed.get(r.id) ?? []) as R) : r));
  const users = { rigs: after(now.rigs, of('rigs')), nights: after(now.nights, of('nights')) };
  for (const { table, key } of back.filter(({ before }) => isGone(before))) {
    const user = userOf(users, table as HeadTable, key);
    if (user !== null) return user;
  }
  return null;
}
