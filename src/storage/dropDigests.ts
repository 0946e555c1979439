/** A digest goes with the change of what it was made of, in the same transaction, whoever makes it: what is found beside a
 *  row was made of that row. */
import type { DBCore, DBCoreMutateRequest, DBCoreTable, DBCoreTransaction } from 'dexie';

/** Tables and the digests made of their rows; both go by the same key. */
const DIGESTS: Readonly<Record<string, string>> = { nightReadings: 'nightDigests', snapshots: 'snapshotDigests' };

/** While an older database is brought up to date there are none yet. */
const holds = (trans: DBCoreTransaction, table: string): boolean =>
  (trans as unknown as IDBTransaction).objectStoreNames.contains(table);

function keysOf(request: DBCoreMutateRequest, table: DBCoreTable): unknown[] {
  if (request.type === 'delete') return request.keys;
  if (request.type === 'deleteRange') return [];
  const { extractKey } = table.schema.primaryKey;
  return request.values.map((value: unknown): unknown => extractKey?.(value));
}

function dropping(table: DBCoreTable, digests: DBCoreTable): DBCoreTable {
  return {
    ...table,
    mutate: async (request) => {
      const { trans } = request;
      if (holds(trans, digests.name)) {
        if (request.type === 'deleteRange') await digests.mutate({ type: 'deleteRange', trans, range: request.range });
        else await digests.mutate({ type: 'delete', trans, keys: keysOf(request, table) });
      }
      return table.mutate(request);
    },
  };
}

export function dropDigests(core: DBCore): DBCore {
  return {
    ...core,
    transaction: (tables, mode, options) => {
      const more = mode === 'readwrite' ? tables.flatMap((name) => DIGESTS[name] ?? []) : [];
      return core.transaction([...new Set([...tables, ...more])], mode, options);
    },
    table: (name) => {
      const digests = DIGESTS[name];
      const table = core.table(name);
      const isThere = core.schema.tables.some((t) => t.name === digests);
      return digests !== undefined && isThere ? dropping(table, core.table(digests)) : table;
    },
  };
}
