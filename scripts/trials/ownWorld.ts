/** Nights as somebody new makes them: from few answers to a whole derived night, as the first screens and the benches do it. */
import type { AllRecords } from '../../src/core/history/nightRecords.ts';
import { byNight } from '../../src/core/history/readingIndex.ts';
import { deriveNight } from '../../src/core/night/deriveNight.ts';
import type { NightStatic } from '../../src/core/night/nightStatic.ts';
import { ownNight, type OwnAnswers, type OwnNight } from '../../src/core/night/advice/ownNight.ts';
import { snapshotsById } from '../../src/core/history/storedSnapshot.ts';
import type { Night } from '../../src/core/records/night.ts';
import type { Part } from '../../src/core/records/part.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import type { Rig } from '../../src/core/records/rig.ts';
import type { Site, Target } from '../../src/core/records/site.ts';
import { partsOfRig } from '../../src/core/rig/rigState.ts';
import { settingOf } from '../../src/core/records/setting.ts';
import { own, TRIAL_NOW } from './demoWorld.ts';

export function made(answers: OwnAnswers, nowMs = TRIAL_NOW): OwnNight {
  let n = 0;
  return ownNight(answers, nowMs, {
    newId: () => `id-${(n += 1)}`,
    nameOf: (piece, kg) => (kg > 0 ? `${piece} ${kg}` : piece),
    targetName: (id, plain) => `${id}, ${plain}`,
  });
}

type Readings = (night: { nightId: string; rigId: string; rig: Rig }) => Reading[];

/** All records of somebody who answered so, as they stand in a database. */
export function ownStored(answers: OwnAnswers, { readings = () => [], nowMs = TRIAL_NOW }: Wish = {}): OwnStored {
  const { nightId, records } = made(answers, nowMs);
  const of = <R>(table: string): R[] =>
    records.filter((r) => r.table === table).map((r) => ({ ...own, id: r.id, ...r.body }) as R);
  const [parts, rigs, sites] = [of<Part>('parts'), of<Rig>('rigs'), of<Site>('sites')];
  const [rig, site] = [rigs[0], sites[0]];
  if (!rig || !site) throw new Error('a night of one’s own lacks its rig or site');
  // The rig as it is: what readings name as theirs.
  const snapshot = {
    id: 's1',
    takenAtUtc: new Date(nowMs).toISOString(),
    rig,
    parts: partsOfRig(rig, parts),
    site,
  };
  return {
    nightId,
    nowMs,
    records: {
      parts,
      rigs,
      sites,
      targets: of<Target>('targets'),
      nights: of<Night>('nights'),
      readings: byNight(readings({ nightId, rigId: rig.id, rig })),
      snapshots: snapshotsById([snapshot]),
      limits: settingOf([], 'limits'),
      schools: settingOf([], 'schools'),
    },
  };
}

/** `readings` of that night, as benches record them. */
type Wish = { readings?: Readings; nowMs?: number };
export type OwnStored = { nightId: string; nowMs: number; records: AllRecords };

export function nightOf({ records, nightId, nowMs }: OwnStored): NightStatic {
  const found = deriveNight(records, nightId, nowMs);
  if (found.state !== 'night') throw new Error(`the night is ${found.state}: ${JSON.stringify(found)}`);
  return found.night;
}

export const derived = (answers: OwnAnswers, readings: Readings = () => []): NightStatic =>
  nightOf(ownStored(answers, { readings }));

export const NORTH = { name: 'Garden', latDeg: 40.33, lonDeg: -7.6, zoneIana: 'Europe/Lisbon' };
export const SOUTH = { name: 'Farm', latDeg: -22.75, lonDeg: 17.2, zoneIana: 'Africa/Windhoek' };
