/** Random sequences of commands by two tabs of one device, with a second device whose file is merged or put in place: presses
 *  doubled, undone, refused, earlier files put back, the clock set forward and back. Whatever is done, the store exports a file that is read back equal, and holds nothing twice. */
import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { writeBackup, type Backup } from '../../src/formats/backup.ts';
import { ok, type Result } from '../../src/core/result.ts';
import { readBackup } from '../../src/formats/readBackup.ts';
import { TYPED } from '../../src/core/records/reading.ts';
import { applyMerge, applyReplace, collect, previewImport, removeDemo, wipe } from '../../src/storage/backup.ts';
import { OwlDatabase } from '../../src/storage/database.ts';
import { copyHead, createHead, deleteHead, updateHead } from '../../src/storage/heads.ts';
import { recordReadings, retractReading, type NewReading } from '../../src/storage/readings.ts';
import { saveSetting } from '../../src/storage/settings.ts';
import { undoLast } from '../../src/storage/undo.ts';
import { pressedBy, type Writer } from '../../src/storage/writer.ts';
import { demoWorld, TRIAL_NOW } from './demoWorld.ts';
import { contentOf, dangling, storedContent } from './storeContent.ts';

export type Move = {
  what:
    | 'create'
    | 'copy'
    | 'edit'
    | 'delete'
    | 'setting'
    | 'record'
    | 'retract'
    | 'merge'
    | 'replace'
    | 'wipe'
    | 'demo'
    | 'undo'
    /** What this device saved earlier is put in the place of everything. */
    | 'restore'
    /** This device's clock is set, by days forward or back. */
    | 'clock';
  /** Which tab, which device for an edit of the other side. */
  tab: 0 | 1;
  pick: number;
  twice: boolean;
};

export const move: fc.Arbitrary<Move> = fc.record({
  what: fc.oneof(
    { weight: 4, arbitrary: fc.constantFrom('create' as const, 'copy' as const, 'edit' as const, 'record' as const) },
    { weight: 3, arbitrary: fc.constantFrom('delete' as const, 'setting' as const, 'retract' as const) },
    { weight: 4, arbitrary: fc.constantFrom('undo' as const) },
    { weight: 2, arbitrary: fc.constantFrom('merge' as const, 'replace' as const, 'wipe' as const, 'demo' as const) },
    { weight: 2, arbitrary: fc.constantFrom('restore' as const, 'clock' as const) },
  ),
  tab: fc.constantFrom(0 as const, 1 as const),
  pick: fc.nat(1000),
  twice: fc.boolean(),
});

let databases = 0;
/** A small store: one rig with its parts, one night. */
export async function smallStore(): Promise<OwlDatabase> {
  const db = new OwlDatabase(`trial-commands-${(databases += 1)}`);
  const all = demoWorld();
  const named = new Set(all.snapshot.parts.map((p) => p.id));
  await db.heads('parts').bulkPut(all.parts.filter((p) => named.has(p.id)));
  await db.heads('rigs').bulkPut(all.rigs.filter((r) => r.id === 'demo-heron'));
  await db.heads('sites').bulkPut([...all.sites]);
  await db.heads('targets').bulkPut(all.targets.slice(0, 2));
  await db.heads('nights').bulkPut([...all.nights]);
  await db.snapshots.put(all.snapshot);
  return db;
}

type Device = { tabs: [Writer, Writer]; setClock: (ms: number) => void; saved: Backup[] };

function deviceOf(db: OwlDatabase, device: string): Device {
  let [count, now] = [0, TRIAL_NOW];
  const newId = (): string => `${device}-${String((count += 1)).padStart(6, '0')}`;
  const of = (tabId: string): Writer => ({ db, nowMs: () => now, newId, deviceId: device, tabId });
  return { tabs: [of('a'), of('b')], setClock: (ms) => void (now = ms), saved: [] };
}

const reading = (n: number): NewReading => ({
  ...TYPED,
  step: 'balance',
  subject: { type: 'rig', id: 'demo-heron' },
  nightId: 'n1',
  takenAtUtc: '2026-11-24T19:21:00.000Z',
  kind: 'balance',
  values: { axis: 'ra', positionM: (n % 100) / 500, drops: 'none' },
});

const site = (n: number) => ({
  name: `Hill ${n}`,
  latDeg: n % 90,
  lonDeg: 10,
  elevationM: 300,
  zoneIana: 'Europe/Berlin',
  horizon: [],
});

const picked = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)];

async function fileOf(w: Writer): Promise<Backup> {
  const read = readBackup(writeBackup((await collect(w)).backup).join(''));
  if (!read.ok) throw new Error(`the export is refused: ${read.code} ${JSON.stringify(read.figures)}`);
  return read.value;
}

type Ended = Result<unknown>;
/** `leaves`: what the store says afterwards, where that is known beforehand. */
type Command = { run: (w: Writer) => Promise<Ended>; leaves?: string };

/** The other device changes a part and records something; its file is previewed here, and conflicts are settled. */
async function importOf(what: 'merge' | 'replace', pick: number, w: Writer, phone: Writer): Promise<Command> {
  const part = picked(await w.db.heads('parts').toArray(), pick);

  await updateHead(phone, 'parts', part?.id ?? '', { massKg: (pick % 70) / 10 });
  await recordReadings(phone, [reading(pick)]);
  const file = await fileOf(phone);
  const preview = await previewImport(w, file);
  if (!preview.ok) throw new Error(preview.code);
  const { plan, print } = preview.value;
  const choices = Object.fromEntries(
    plan.conflicts.map((c) => [
      `${c.table}/${c.id}`,
      Object.fromEntries(c.fields.map((f, i) => [f.field, (pick + i) % 2 === 0 ? 'mine' : 'theirs'] as const)),
    ]),
  );
  if (what === 'merge') return { run: (of) => applyMerge(of, file, plan, choices) };
  return { run: (of) => applyReplace(of, file, print), leaves: contentOf(file) };
}

/** One of the files that this device saved in the sequence, now among them. */
async function restoreOf(pick: number, w: Writer, { saved }: Device): Promise<Command> {
  const now = await fileOf(w);
  saved.push(now);
  const file = picked(saved, pick) ?? now;
  return { run: (of) => applyReplace(of, file), leaves: contentOf(file) };
}

/** A third of a day. */
const CLOCK_STEP_MS = 8 * 3_600_000;

/** What a move does now; the same command is run twice for a doubled press. */
async function commandOf({ what, pick }: Move, w: Writer, laptop: Device, phone: Writer): Promise<Command> {
  const parts = await w.db.heads('parts').toArray();
  const part = picked(parts, pick);
  switch (what) {
    case 'create':
      return { run: (of) => createHead(of, 'sites', site(pick)) };
    case 'copy':
      return { run: (of) => copyHead(of, 'parts', part?.id ?? '', `Copy ${pick}`) };
    case 'edit':
      return { run: (of) => updateHead(of, 'parts', part?.id ?? '', { massKg: (pick % 50) / 10 }) };
    case 'delete':
      return { run: (of) => deleteHead(of, 'parts', part?.id ?? '') };
    case 'setting':
      return { run: (of) => saveSetting(of, 'units', pick % 2 === 0 ? 'imperial' : 'metric') };
    case 'record':
      return { run: (of) => recordReadings(of, pick % 2 === 0 ? [reading(pick)] : [reading(pick), reading(pick + 1)]) };
    case 'retract': {
      const one = picked((await w.db.nightReadings.get('n1'))?.readings ?? [], pick);
      return { run: (of) => (one ? retractReading(of, one) : Promise.resolve(ok(null))) };
    }
    case 'merge':
    case 'replace':
      return importOf(what, pick, w, phone);
    case 'wipe':
      return { run: wipe };
    case 'demo':
      return { run: removeDemo };
    case 'undo':
      return { run: undoLast };
    case 'restore':
      return restoreOf(pick, w, laptop);
    case 'clock':
      laptop.setClock(TRIAL_NOW + (pick - 500) * CLOCK_STEP_MS);
      return { run: () => Promise.resolve(ok(null)), leaves: await storedContent(w) };
  }
}

/** Nothing stands twice, and every change kept for undo has a number and a press of its own. */
async function checkRows(db: OwlDatabase): Promise<void> {
  const readings = (await db.nightReadings.toArray()).flatMap((row) => row.readings.map((r) => r.id));
  if (new Set(readings).size !== readings.length) throw new Error('a reading is stored twice');
  const changes = await db.changes.toArray();
  for (const of of [changes.map((c) => c.seq), changes.map((c) => c.press)] as (number | string)[][]) {
    if (new Set(of).size !== of.length) throw new Error('two changes share a number or a press');
  }
  const settings = (await db.heads('settings').toArray()).map((s) => s.key);
  if (new Set(settings).size !== settings.length) throw new Error('a setting is stored twice');
}

async function checkRoundTrip(w: Writer): Promise<void> {
  const file = await fileOf(w);
  const empty = new OwlDatabase(`trial-commands-${(databases += 1)}`);
  // By a clock that is set alike.
  const reader: Writer = { ...deviceOf(empty, w.deviceId).tabs[0], nowMs: w.nowMs };
  const replaced = await applyReplace(reader, file);
  if (!replaced.ok) throw new Error(`the file is not taken: ${replaced.code}`);
  const back = writeBackup((await collect(reader)).backup).join('');
  await empty.delete();
  if (back !== writeBackup((await collect(w)).backup).join('')) throw new Error('the export is not read back equal');
}

/** A refusal changes nothing; what is put in place of everything is what is there afterwards; what is undone is as before. */
async function moveHolds(one: Move, laptop: Device, phone: Writer, press: string): Promise<void> {
  const tab = laptop.tabs[one.tab];
  const { db } = tab;
  const w = pressedBy(tab, press);
  const { run, leaves } = await commandOf(one, tab, laptop, phone);
  const [before, changes] = [await storedContent(tab), await db.changes.count()];
  // Two tabs may carry out the same plan; a press is doubled in its own.
  const ended = await (one.twice ? Promise.all([run(w), run(w)]) : Promise.all([run(w)]));
  const isDone = ended.some((result) => result.ok);
  const now = await storedContent(tab);
  if (!isDone && now !== before) throw new Error(`${one.what} was refused and changed what is stored`);
  if (isDone && leaves !== undefined && now !== leaves)
    throw new Error(`${one.what} left something else than the file`);
  if (one.what === 'undo') return;
  const made = (await db.changes.count()) - changes;
  if (made > 1) throw new Error(`${one.what} was done twice`);
  if (made === 1 && one.pick % 3 === 0) await undoneHolds(one, tab, `${press}-back`, before);
}

async function undoneHolds(one: Move, tab: Writer, press: string, before: string): Promise<void> {
  const back = await undoLast(pressedBy(tab, press));
  if (!back.ok) throw new Error(`${one.what} is not taken back: ${back.code}`);
  if ((await storedContent(tab)) !== before) throw new Error(`${one.what} taken back is not as before`);
}

export async function commandsHold(moves: readonly Move[]): Promise<void> {
  const [db, other] = [await smallStore(), await smallStore()];
  const laptop = deviceOf(db, 'laptop');
  const { tabs } = laptop;
  const [phone] = deviceOf(other, 'phone').tabs;
  for (const [i, one] of moves.entries()) {
    await moveHolds(one, laptop, phone, `press-${i}`);
  }
  const lost = dangling((await collect(tabs[0])).backup);
  if (lost.length > 0) throw new Error(`references to nothing: ${lost.join(', ')}`);
  await checkRows(db);
  await checkRoundTrip(tabs[0]);
  await Promise.all([db.delete(), other.delete()]);
}

export const commandsProperty = () =>
  fc.asyncProperty(fc.array(move, { minLength: 3, maxLength: 14 }), commandsHold) as fc.IRawProperty<unknown>;
