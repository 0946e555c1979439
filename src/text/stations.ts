/** The stations of the night: names and the key that opens each. A key belongs to the station, not to its place. */
import type { OrderReason } from '../core/mount/mountKinds.ts';
import type { LeftOut, Run, Visit } from '../core/night/plan/run.ts';
import { STEPS, type Step } from '../core/records/reading.ts';

export type Station = { step: Step; name: string; key: string };

const NAMES: Record<Step, string> = {
  'light-path': 'Light path',
  payload: 'Payload',
  meridian: 'Meridian',
  level: 'Level, bearing',
  balance: 'Balance',
  polar: 'Polar alignment',
  pointing: 'Focus, pointing',
  tracking: 'Tracking',
  watch: 'Watch',
  logbook: 'Logbook',
};

/** Every station, in the order of their keys 1 to 9 and 0. */
export const STATIONS: readonly Station[] = STEPS.map((step, i) => ({
  step,
  name: NAMES[step],
  key: String((i + 1) % 10),
}));

export function stationOf(step: string): Station | undefined {
  return STATIONS.find((s) => s.step === step);
}

/** Titles of the first bench outdoors. */
export const LEVEL_NAMES = { both: 'Level and bearing', level: 'Level' } as const;

const VISIT_NAMES: Record<Visit, string> = { rough: 'Rough pole', final: 'Pole, last check' };

/** How a stop is called in the run: two visits to one station have names of their own; what has no axis toward the pole is
 *  levelled only. */
export function stopName(step: Step, visit: Visit | null, hasPolarAxis = true): string {
  if (step === 'level' && !hasPolarAxis) return LEVEL_NAMES.level;
  return visit === null ? NAMES[step] : VISIT_NAMES[visit];
}

/** The first stop of every run. */
export const TONIGHT_NAME = 'Tonight';

/** What stands where others have a verdict. */
export const BY_EYE = 'By eye.';

/** `30×` */
export const magnificationWords = (magnification: number): string => `${Math.round(magnification)}×`;

export type StationState = 'open' | 'half' | 'done' | 'attention' | 'none';

export const STATION_STATE_WORDS: Record<StationState, string> = {
  open: 'not yet done',
  half: 'partly done',
  done: 'done',
  attention: 'needs attention',
  none: '',
};

/** Why the run stands in this order. */
export const ORDER_REASONS: Record<OrderReason, string> = {
  german: 'Balance in final dress before the pole, because loading moves the axis.',
  trackerFirstPole:
    'Pole first, while nothing blocks the finder; checked again with everything on and the clutch tight.',
  wedge: 'The wedge is aligned before the tube is focused.',
  altAzimuth: 'Level first: this mount counts from the level.',
  pushed: 'It stands and is pushed: nothing has to be set before you look.',
  platform: 'Level and the rough pole first, while only the bare platform has to be moved.',
  noMount: 'The rig has no mount yet, so every step is listed.',
};

const LEFT_OUT_WORDS: Record<LeftOut['why'], string> = {
  ballHead: 'No balance: a ball head has no bar to slide a weight on.',
  strainWaveHasNoClutch: 'No balance: a strain-wave drive has no clutch to open.',
  altAzimuth: 'Nothing to balance.',
  eye: 'No subs to judge: this rig is for the eye.',
};

/** Where its key asks for a station that the run leaves out. */
export const LEFT_OUT = '**Nothing to do here** with this rig.';

/** What this mount does not need, said once. */
export function leftOutWords(leftOut: readonly LeftOut[]): string[] {
  const words = leftOut.map((l) =>
    l.step === 'polar' ? 'No polar alignment: this mount has no polar axis.' : LEFT_OUT_WORDS[l.why],
  );
  return [...new Set(words)];
}

/** Why this order, and what this mount does not need. */
export const orderNote = ({ reason, leftOut }: Pick<Run, 'reason' | 'leftOut'>): string =>
  [ORDER_REASONS[reason], ...leftOutWords(leftOut)].join(' ');
