/** Trials of balance as readings, and nights on which they were made. */
import { nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import type { Reading, ReadingOf } from '../../src/core/records/reading.ts';
import type { BalanceAxis } from '../../src/core/rig/axisLevers.ts';
import { nightRecords, reading, snapshotOf } from './records.ts';

type Wish = Parameters<typeof nightRecords>[0];
type Drops = ReadingOf<'balance'>['values']['drops'];

export const trial = (
  axis: BalanceAxis,
  positionM: number,
  drops: Drops,
  minute: number,
  rest: Partial<Reading> = {},
) =>
  reading(
    'balance',
    { axis, positionM, drops },
    { takenAtUtc: `2026-11-24T20:0${minute}:00.000Z`, id: `${axis}${minute}`, ...rest },
  );
/** Trials taken with the rig as it stands by the wish. */
export const tried = (readings: Reading[], wish: Wish = {}): NightStatic =>
  nightStatic(nightRecords({ ...wish, readings, snapshots: [snapshotOf(wish)] }));
