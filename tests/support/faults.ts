/** Faults put into the store's own layer: writes that the browser does not keep. */
import type { DBCore } from 'dexie';
import type { OwlDatabase } from '../../src/storage/database.ts';

/** `after`: so many writes of the command still go through. */
export type Fault = { name: string; after: number };

const faults = new WeakMap<OwlDatabase, { fault: Fault | null; written: number }>();

/** Before the database is opened: from then on it can be made to fail. */
export function breakable(db: OwlDatabase): OwlDatabase {
  const state = { fault: null as Fault | null, written: 0 };
  faults.set(db, state);
  const guarded = (core: DBCore, tableName: string) => {
    const table = core.table(tableName);
    const mutate: typeof table.mutate = (request) => {
      state.written += 1;
      if (!state.fault || state.written <= state.fault.after) return table.mutate(request);
      return Promise.reject(new DOMException('made to fail', state.fault.name));
    };
    return { ...table, mutate };
  };
  db.use({
    stack: 'dbcore',
    name: 'faults',
    create: (core) => ({ ...core, table: (name) => guarded(core, name) }),
  });
  return db;
}

/** From now on writes fail; returns the way to mend it. */
export function failWrites(db: OwlDatabase, fault: Fault): () => void {
  const state = faults.get(db);
  if (!state) throw new Error('this database was opened without faults');
  Object.assign(state, { fault, written: 0 });
  return () => void (state.fault = null);
}
