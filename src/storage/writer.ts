/** What every command needs: the database, the clock, a source of ids, and who writes. */
import type { OwlDatabase } from './database.ts';
import type { IdSource } from './ids.ts';

export type Writer = {
  db: OwlDatabase;
  nowMs: () => number;
  newId: IdSource;
  deviceId: string;
  readonly tabId: string;
  /** One press of a button: what was written for it is not written again. Left out: every call is a press of its own. */
  press?: string;
};

/** The writer of one press. */
export function pressedBy(w: Writer, press: string): Writer {
  // Only the press is added: the tab's id may still change while the app opens.
  return Object.create(w, { press: { value: press, enumerable: true } }) as Writer;
}
