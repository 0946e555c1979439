/** What every command needs: the database, the clock, a source of ids, and who writes. */
import type { OwlDatabase } from './database.ts';
import type { IdSource } from './ids.ts';

export type Writer = { db: OwlDatabase; nowMs: () => number; newId: IdSource; deviceId: string; tabId: string };
