/** Mutated backup files: whatever is done to a file, reading it ends in a named refusal or in a backup whose merge can be
 *  planned, and the database stays as it was. */
import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { evenly } from './evenly.ts';
import { writeBackup } from '../../src/formats/backup.ts';
import { canonicalJson } from '../../src/formats/canonicalJson.ts';
import { readBackup } from '../../src/formats/readBackup.ts';
import { collect, previewImport } from '../../src/storage/backup.ts';
import { OwlDatabase } from '../../src/storage/database.ts';
import { loadDemo } from '../../src/storage/demo/loadDemo.ts';
import type { Writer } from '../../src/storage/writer.ts';
import { BACKUP_CODES } from '../../src/text/dataWords.ts';
import { dumpOf } from './dump.ts';

const NOW = Date.UTC(2026, 10, 24, 19, 21);

/** One change of the text or of the parsed file; `at` picks the place, 0 to 1. */
export type Mutation =
  | { how: 'cut' | 'delete' | 'double' | 'swap'; at: number; length: number }
  | { how: 'insert'; at: number; text: string }
  | { how: 'value'; at: number; value: unknown }
  | { how: 'dropKey' | 'renameKey'; at: number };

const place = evenly(0, 0.999999);
const mutation: fc.Arbitrary<Mutation> = fc.oneof(
  fc.record({
    how: fc.constantFrom('cut' as const, 'delete' as const, 'double' as const, 'swap' as const),
    at: place,
    length: fc.integer({ min: 1, max: 40 }),
  }),
  fc.record({ how: fc.constant('insert' as const), at: place, text: fc.string({ minLength: 1, maxLength: 12 }) }),
  fc.record({
    how: fc.constant('value' as const),
    at: place,
    value: fc.oneof(fc.jsonValue(), fc.double(), fc.constant(1e308), fc.constant(-1)),
  }),
  fc.record({ how: fc.constantFrom('dropKey' as const, 'renameKey' as const), at: place }),
);

type Slot = { holder: Record<string, unknown>; key: string };

/** Every place of the parsed file that holds a value. */
function slots(value: unknown, found: Slot[] = []): Slot[] {
  if (typeof value !== 'object' || value === null) return found;
  const holder = value as Record<string, unknown>;
  for (const key of Object.keys(holder)) {
    found.push({ holder, key });
    slots(holder[key], found);
  }
  return found;
}

function mutateText(text: string, m: Extract<Mutation, { length: number }>): string {
  const k = Math.floor(m.at * text.length);
  const piece = text.slice(k, k + m.length);
  if (m.how === 'cut') return text.slice(0, k);
  if (m.how === 'delete') return text.slice(0, k) + text.slice(k + m.length);
  if (m.how === 'double') return text.slice(0, k) + piece + text.slice(k);
  return text.slice(0, k) + Array.from(piece).reverse().join('') + text.slice(k + m.length);
}

function mutateValue(text: string, m: Exclude<Mutation, { length: number } | { how: 'insert' }>): string {
  const file = JSON.parse(text) as Record<string, unknown>;
  const all = slots(file);
  const slot = all[Math.floor(m.at * all.length)];
  if (!slot) return text;
  const { holder, key } = slot;
  if (m.how === 'value') holder[key] = m.value;
  else {
    const moved = holder[key];
    Reflect.deleteProperty(holder, key);
    if (m.how === 'renameKey' && !Array.isArray(holder)) holder[`${key}x`] = moved;
  }
  return JSON.stringify(file);
}

export function mutate(text: string, m: Mutation): string {
  if (m.how === 'insert') {
    const k = Math.floor(m.at * text.length);
    return text.slice(0, k) + m.text + text.slice(k);
  }
  return 'length' in m ? mutateText(text, m) : mutateValue(text, m);
}

type Fixture = { writer: Writer; text: string; state: string };
let fixture: Promise<Fixture> | null = null;

async function makeFixture(): Promise<Fixture> {
  const db = new OwlDatabase('trial-import');
  await loadDemo(db, NOW);
  const writer = { db, nowMs: () => NOW, newId: () => 'unused', deviceId: 'trial', tabId: 'trial' };
  const { backup } = await collect(writer);
  return { writer, text: writeBackup(backup).join(''), state: canonicalJson(await dumpOf(db)) };
}

const CODES: readonly string[] = BACKUP_CODES;

/** Throws when a mutated file is not refused by name, its merge cannot be planned, or the database moved. */
async function importHolds(mutations: readonly Mutation[]): Promise<void> {
  fixture ??= makeFixture();
  const { writer, text, state } = await fixture;
  const spoilt = mutations.reduce((t, m) => {
    try {
      return mutate(t, m);
    } catch {
      // A second change of a value needs JSON, which the first change may have broken: then the first one is enough.
      return t;
    }
  }, text);
  const read = readBackup(spoilt);
  if (!read.ok && !CODES.includes(read.code)) throw new Error(`refused without a name: ${read.code}`);
  if (read.ok && !(await previewImport(writer, read.value)).ok) throw new Error('the preview was refused');
  if (canonicalJson(await dumpOf(writer.db)) !== state) throw new Error('the database changed');
}

export const importProperty = () =>
  fc.asyncProperty(fc.array(mutation, { minLength: 1, maxLength: 3 }), importHolds) as fc.IRawProperty<unknown>;
