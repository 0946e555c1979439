/** User settings: records like the others, one schema per key. */
import { z } from 'zod';
import { headShape } from './common.ts';
import { schoolsSchema } from './rig.ts';

export const settingValues = {
  units: z.enum(['metric', 'imperial']),
  schools: schoolsSchema,
  limits: z.object({ round: z.number().min(1.01).max(2), acceptable: z.number().min(1.02).max(3) }),
  clock: z.enum(['site', 'utc']),
  /** How the day's hours are counted; `device`: as this device does. */
  hours: z.enum(['device', '24', '12']),
  /** Whether the day or the month is written first; `device`: as this device does. */
  dates: z.enum(['device', 'dayMonth', 'monthDay']),
  controller: z.object({ dateOrder: z.enum(['dmy', 'mdy', 'ymd']), angles: z.enum(['degMin', 'degMinSec']) }),
  shortcuts: z.object({ enabled: z.boolean(), keys: z.record(z.string(), z.string().max(1)) }),
  /** From which edges a tape measures, and how far an eastern bias stands from dead balance. */
  balance: z.object({
    barEdge: z.enum(['axisToMiddle', 'shoulderToNearEdge', 'endStopToFarEdge']),
    tubeEdge: z.enum(['saddleToFront', 'saddleToRear']),
    biasMm: z.number().min(0).max(60),
  }),
  /** How an intervalometer counts between subs, and what is free on the card; null = not told. */
  exposures: z.object({ counts: z.enum(['pause', 'interval']), freeGb: z.number().min(0).max(10_000).nullable() }),
  /** What the batteries are reckoned with: the coldest of the night, and minutes of set-up before dusk. */
  power: z.object({ coldestC: z.number().min(-60).max(45), setUpMin: z.number().min(0).max(600) }),
};
export type SettingKey = keyof typeof settingValues;
export type SettingValue<K extends SettingKey> = z.infer<(typeof settingValues)[K]>;

export const SETTING_DEFAULTS: { [K in SettingKey]: SettingValue<K> } = {
  units: 'metric',
  schools: { loadShare: 2 / 3, heavySide: 'both', balance: 'dead', poleGoal: 'refracted' },
  limits: { round: 1.1, acceptable: 1.25 },
  clock: 'site',
  hours: 'device',
  dates: 'device',
  controller: { dateOrder: 'dmy', angles: 'degMin' },
  shortcuts: { enabled: true, keys: {} },
  balance: { barEdge: 'axisToMiddle', tubeEdge: 'saddleToFront', biasMm: 8 },
  exposures: { counts: 'pause', freeGb: null },
  power: { coldestC: 5, setUpMin: 60 },
};

const of = <K extends SettingKey>(key: K) => z.object({ ...headShape, key: z.literal(key), value: settingValues[key] });

export const userSettingSchema = z.discriminatedUnion('key', [
  of('units'),
  of('schools'),
  of('limits'),
  of('clock'),
  of('hours'),
  of('dates'),
  of('controller'),
  of('shortcuts'),
  of('balance'),
  of('exposures'),
  of('power'),
]);
export type UserSetting = z.infer<typeof userSettingSchema>;

/** The user's value for a key, else its default. */
export function settingOf<K extends SettingKey>(settings: readonly UserSetting[], key: K): SettingValue<K> {
  const found = settings.find((s) => s.key === key && s.deletedAtUtc === null);
  // A record found by its key holds that key's value; the union of records cannot say so.
  return found ? (found.value as SettingValue<K>) : SETTING_DEFAULTS[key];
}
