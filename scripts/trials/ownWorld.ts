/** Nights as somebody new makes them: from few answers to a whole derived night, as the first screens and the benches do it. */
import { byNight } from '../../src/core/history/readingIndex.ts';
import { deriveNight } from '../../src/core/night/deriveNight.ts';
import type { NightStatic } from '../../src/core/night/nightStatic.ts';
import { ownNight, type OwnAnswers, type OwnNight } from '../../src/core/night/advice/ownNight.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { settingOf } from '../../src/core/records/setting.ts';
import { own, TRIAL_NOW } from './demoWorld.ts';

export function made(answers: OwnAnswers): OwnNight {
  let n = 0;
  return ownNight(answers, TRIAL_NOW, {
    newId: () => `id-${(n += 1)}`,
    nameOf: (piece, kg) => (kg > 0 ? `${piece} ${kg}` : piece),
    targetName: (id, plain) => `${id}, ${plain}`,
  });
}

/** @param readings of that night, as benches record them. */
export function derived(
  answers: OwnAnswers,
  readings: (night: { nightId: string; rigId: string }) => Reading[] = () => [],
): NightStatic {
  const { nightId, records } = made(answers);
  const of = (table: string): never[] =>
    records.filter((r) => r.table === table).map((r) => ({ ...own, id: r.id, ...r.body }) as never);
  const stored = {
    parts: of('parts'),
    rigs: of('rigs'),
    sites: of('sites'),
    targets: of('targets'),
    nights: of('nights'),
    readings: byNight(readings({ nightId, rigId: records.find((r) => r.table === 'rigs')?.id ?? '' })),
    snapshots: new Map(),
    limits: settingOf([], 'limits'),
    schools: settingOf([], 'schools'),
  };
  const found = deriveNight(stored, nightId, TRIAL_NOW);
  if (found.state !== 'night') throw new Error(`the night is ${found.state}: ${JSON.stringify(found)}`);
  return found.night;
}

export const NORTH = { name: 'Garden', latDeg: 40.33, lonDeg: -7.6, zoneIana: 'Europe/Lisbon' };
export const SOUTH = { name: 'Farm', latDeg: -22.75, lonDeg: 17.2, zoneIana: 'Africa/Windhoek' };
