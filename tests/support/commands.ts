/** What tests of commands write and read again. */
import type { Backup } from '../../src/formats/backup.ts';
import { writeBackup } from '../../src/formats/backup.ts';
import { readBackup } from '../../src/formats/readBackup.ts';
import { TYPED } from '../../src/core/records/reading.ts';
import { collect } from '../../src/storage/backup.ts';
import type { NewReading } from '../../src/storage/readings.ts';
import type { Writer } from '../../src/storage/writer.ts';

export const HILL = { name: 'Hill', latDeg: 50, lonDeg: 10, elevationM: 300, zoneIana: 'Europe/Berlin', horizon: [] };

/** A trial place of Heron's weight. */
export const trial = (positionM: number, nightId = 'demo-tonight-heron'): NewReading => ({
  ...TYPED,
  step: 'balance',
  subject: { type: 'rig', id: 'demo-heron' },
  nightId,
  takenAtUtc: '2026-11-24T19:21:00.000Z',
  kind: 'balance',
  values: { axis: 'ra', positionM, drops: 'none' },
});

/** All that is stored as the text of its file, without the marks of who had what before. */
export const textOf = async (of: Writer) => writeBackup({ ...(await collect(of)).backup, lineage: {} }).join('');

/** The file that a device would save, read back. @throws Error when its own reader refuses it. */
export async function fileOf(of: Writer): Promise<Backup> {
  return must(readBackup(writeBackup((await collect(of)).backup).join('')));
}

/** @throws Error with the code of a refusal. */
export const must = <T>(result: { ok: true; value: T } | { ok: false; code: string }): T => {
  if (!result.ok) throw new Error(result.code);
  return result.value;
};
