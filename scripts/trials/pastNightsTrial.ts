/** Random histories of one night, through the commands that the screens give: whatever is recorded, typed in for earlier, edited
 *  or thrown away after its end leaves every figure of the ended night as it was. */
import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { recordsOfNight, type AllRecords } from '../../src/core/history/nightRecords.ts';
import { byNight } from '../../src/core/history/readingIndex.ts';
import { snapshotsById } from '../../src/core/history/storedSnapshot.ts';
import { nightStatic } from '../../src/core/night/nightStatic.ts';
import { tellingPole } from '../../src/core/pole/measuredErrors.ts';
import { TYPED } from '../../src/core/records/reading.ts';
import { settingOf } from '../../src/core/records/setting.ts';
import { MS_PER_DAY, MS_PER_HOUR, toUtcText } from '../../src/core/time/utc.ts';
import { collect } from '../../src/storage/backup.ts';
import type { OwlDatabase } from '../../src/storage/database.ts';
import { createHead, deleteHead, updateHead } from '../../src/storage/heads.ts';
import { recordReadings, type NewReading } from '../../src/storage/readings.ts';
import { saveSetting } from '../../src/storage/settings.ts';
import type { Written } from '../../src/storage/transact.ts';
import type { Writer } from '../../src/storage/writer.ts';
import { drawAll } from './benches.ts';
import { smallStore } from './commandsTrial.ts';
import { TRIAL_NOW } from './demoWorld.ts';
import { evenly } from './evenly.ts';
import { everyCase } from './trial.ts';

const WHATS = ['record', 'typedIn', 'part', 'rig', 'site', 'target', 'limits', 'schools', 'delete', 'plan'] as const;

const deeds = (most: number) =>
  fc.array(fc.record({ what: fc.constantFrom(...WHATS), atShare: evenly(0, 1), pick: fc.nat(1000) }), {
    maxLength: most,
  });
export const pasts = fc.record({
  inTheNight: deeds(8),
  after: fc
    .array(fc.constantFrom(...WHATS), { minLength: 3, maxLength: 10 })
    .chain((list) =>
      fc.tuple(
        ...list.map((what) => fc.record({ what: fc.constant(what), atShare: evenly(0, 1), pick: fc.nat(1000) })),
      ),
    ),
});
type Past = typeof pasts extends fc.Arbitrary<infer T> ? T : never;
type Deed = Past['inTheNight'][number];

const MOUNT = { step: 'polar', subject: { type: 'mount', id: 'demo-heron-mount' } } as const;
const RIG = { step: 'tracking', subject: { type: 'rig', id: 'demo-heron' } } as const;

/** Something of what a night is told, by any kind of bench. */
function told(pick: number): Pick<NewReading, 'step' | 'subject' | 'kind' | 'values'> {
  const n = (pick % 17) + 1;
  const miss = { missEastArcmin: null, missNorthArcmin: null };
  const all = [
    {
      ...MOUNT,
      kind: 'polarError',
      values: { altErrorArcmin: n, azErrorArcmin: -n, method: 'typed', reference: 'true' },
    },
    { ...MOUNT, kind: 'lockShift', values: { altArcmin: n / 4, azArcmin: 0 } },
    { ...RIG, kind: 'balance', values: { axis: 'ra', positionM: 0.2 + n / 200, drops: 'none' } },
    { ...RIG, kind: 'focus', values: { positionUm: 12_000 + 10 * n, temperatureC: n, fwhmPx: 2 } },
    { ...RIG, kind: 'steadiness', values: { settleS: n } },
    { ...RIG, kind: 'flexure', values: { arcsecPerMin: n / 10, directionDeg: 10 * n } },
    { ...RIG, kind: 'subs', values: { count: 20, usable: 20 - (n % 8) } },
    { ...RIG, kind: 'flip', values: { atUtc: '2026-11-24T21:20:00.000Z', minutes: n, ...miss } },
  ] as const;
  // Of a list of kinds one is taken: which values belong to it the compiler cannot follow.
  return all[pick % all.length] as unknown as Pick<NewReading, 'step' | 'subject' | 'kind' | 'values'>;
}

const picked = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)];

/** One of its numbers a tenth larger. */
function larger(record: object, pick: number): object {
  const numbers = Object.entries(record).filter(([key, v]) => typeof v === 'number' && v > 0 && key !== 'rev');
  const found = picked(numbers, pick);
  return found ? { [found[0]]: Number(found[1]) * 1.1 } : { note: 'changed' };
}

type Moment = { nightId: string; nowMs: number };

/** What must not be refused. */
async function done<T>(written: Written<T>): Promise<T> {
  const result = await written;
  if (!result.ok) throw new Error(result.code);
  return result.value;
}

/** @param takenMs when it is said to have been taken. */
const record = (w: Writer, { nightId }: Moment, pick: number, takenMs: number): Written<unknown> =>
  // Built of a kind and its own values, above.
  recordReadings(w, [{ ...TYPED, ...told(pick), nightId, takenAtUtc: toUtcText(takenMs) }] as unknown as NewReading[]);

async function does(w: Writer, { what, pick }: Deed, at: Moment): Promise<unknown> {
  const parts = await w.db.heads('parts').toArray();
  const part = picked(parts, pick);
  switch (what) {
    case 'record':
      return record(w, at, pick, at.nowMs);
    case 'typedIn':
      return record(w, at, pick, TRIAL_NOW - (pick % 90) * MS_PER_HOUR);
    case 'part':
      return part && updateHead(w, 'parts', part.id, larger(part, pick));
    case 'rig':
      return updateHead(w, 'rigs', 'demo-heron', { guiding: pick % 2 === 0 ? 'none' : 'guideScope' });
    case 'site':
      return updateHead(w, 'sites', 'demo-estrela', { latDeg: (pick % 60) - 10, zoneIana: 'Asia/Tokyo' });
    case 'target':
      return updateHead(w, 'targets', 'demo-ngc281', { raJ2000Deg: pick % 360 });
    case 'limits':
      return saveSetting(w, 'limits', { round: 1.02 + (pick % 9) / 100, acceptable: 1.2 + (pick % 9) / 10 });
    case 'schools':
      return saveSetting(w, 'schools', {
        loadShare: 0.5 + (pick % 4) / 10,
        heavySide: 'longerLever',
        balance: pick % 2 === 0 ? 'dead' : 'eastHeavy',
        poleGoal: 'true',
      });
    case 'delete':
      return part && deleteHead(w, 'parts', part.id);
    case 'plan':
      return at.nightId === 'n1' ? null : updateHead(w, 'nights', at.nightId, { darkness: 'nautical' });
  }
}

/** Everything stored, as the screens get it. */
async function allOf(w: Writer): Promise<AllRecords> {
  const { lists } = (await collect(w)).backup;
  const snapshots = snapshotsById(lists.snapshots);
  return {
    ...lists,
    readings: byNight(
      lists.readings,
      tellingPole((id) => snapshots.get(id)?.latDeg ?? null),
    ),
    snapshots,
    limits: settingOf(lists.settings, 'limits'),
    schools: settingOf(lists.settings, 'schools'),
  };
}

/** Every figure of every bench, as text: models hold functions here and there, which are new each time. */
async function figuresOf(w: Writer, nowMs: number): Promise<Record<string, string>> {
  const records = recordsOfNight(await allOf(w), 'n1', nowMs);
  if (!records?.fromSnapshot) throw new Error('the night does not stand by itself');
  return Object.fromEntries(
    Object.entries(drawAll(nightStatic(records))).map(([name, model]) => [name, JSON.stringify(model)]),
  );
}

let ids = 0;
function writerOn(db: OwlDatabase): { w: Writer; atTime: (ms: number) => void } {
  let nowMs = TRIAL_NOW;
  const newId = (): string => `past-${String((ids += 1)).padStart(6, '0')}`;
  const w: Writer = { db, nowMs: () => nowMs, newId, deviceId: 'laptop', tabId: 'a' };
  return { w, atTime: (ms) => void (nowMs = ms) };
}

async function nextNight(w: Writer): Promise<string> {
  const first = await w.db.heads('nights').get('n1');
  if (!first) throw new Error('the night is missing');
  const { siteId, rigId, darkness, plan } = first;
  return (await done(createHead(w, 'nights', { eveningDate: '2026-12-10', siteId, rigId, darkness, plan }))).id;
}

const byTime = (list: readonly Deed[]): Deed[] => [...list].sort((a, b) => a.atShare - b.atShare);
const NIGHT_H = 9;
const LATER_DAYS = 60;

export async function pastHolds({ inTheNight, after }: Past): Promise<void> {
  const db = await smallStore();
  const { w, atTime } = writerOn(db);
  // At least one thing is recorded: a night of which nothing is has nothing to stand by.
  await done(record(w, { nightId: 'n1', nowMs: TRIAL_NOW }, 0, TRIAL_NOW));
  for (const deed of byTime(inTheNight)) {
    const nowMs = TRIAL_NOW + deed.atShare * NIGHT_H * MS_PER_HOUR;
    atTime(nowMs);
    await does(w, deed, { nightId: 'n1', nowMs });
  }
  const overMs = TRIAL_NOW + MS_PER_DAY;
  const before = await figuresOf(w, overMs);
  atTime(overMs);
  const nightId = await nextNight(w);
  for (const deed of byTime(after)) {
    const nowMs = overMs + deed.atShare * LATER_DAYS * MS_PER_DAY;
    atTime(nowMs);
    await does(w, deed, { nightId, nowMs });
  }
  const now = await figuresOf(w, overMs + LATER_DAYS * MS_PER_DAY);
  const changed = Object.keys(before).filter((name) => now[name] !== before[name]);
  await db.delete();
  if (changed.length > 0) throw new Error(`an ended night reads otherwise: ${changed.join(', ')}`);
}

export const pastNightsTrial = everyCase(
  'past-nights',
  'later readings, edits of kit, site, target, limits, schools and plans leave every figure of an ended night as it was',
  200,
  () => fc.asyncProperty(pasts, pastHolds) as fc.IRawProperty<unknown>,
);
