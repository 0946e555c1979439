/** Demo databases in memory with a writer, for tests of everything that writes. */
import { OwlDatabase } from '../../src/storage/database.ts';
import { loadDemo } from '../../src/storage/demo/loadDemo.ts';
import { dumpOf, restoreDump, type Dump } from '../../scripts/trials/dump.ts';
import { ok } from '../../src/core/result.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { recordReadings, type NewReading } from '../../src/storage/readings.ts';
import type { Written } from '../../src/storage/transact.ts';
import type { Writer } from '../../src/storage/writer.ts';
import { breakable } from './faults.ts';
import { NOW } from './records.ts';

let made = 0;
const loaded = new Map<number, Dump>();

/** Ids count up within a device and never meet those of another. */
export function writerFor(db: OwlDatabase, deviceId = 'device', tabId = 'tab'): Writer {
  let count = 0;
  return {
    db,
    nowMs: () => NOW,
    newId: () => `${deviceId}-${tabId}-${String((count += 1)).padStart(6, '0')}`,
    deviceId,
    tabId,
  };
}

/** A database of its own with the demo as loaded at a time; the loading itself is done once. */
export async function demoDatabase(nowMs = NOW): Promise<OwlDatabase> {
  made += 1;
  const db = breakable(new OwlDatabase(`test-demo-${made}`));
  const known = loaded.get(nowMs);
  if (known) {
    await restoreDump(db, known);
    await db.meta.put({ key: 'initialised', value: new Date(nowMs).toISOString() });
  } else {
    await loadDemo(db, nowMs);
    loaded.set(nowMs, await dumpOf(db));
  }
  return db;
}

/** Records one reading as the benches do. */
export async function recordOne(w: Writer, given: NewReading): Written<Reading> {
  const written = await recordReadings(w, [given]);
  return written.ok ? ok(written.value[0]!) : written;
}
