/** The flip, walked through: which steps, by whose hand, and where it stands. Each step is a tick in the record, so that a
 *  reload or another tab goes on where it was left. */
import { mountTraits } from '../../mount/mountKinds.ts';
import { motorsOf } from '../../mount/motors.ts';
import type { RigHas } from '../../rig/rigHas.ts';
import type { MountPart } from '../../records/part.ts';
import type { Reading } from '../../records/reading.ts';
import { isTicked } from '../plan/checklists.ts';

/** `motors`: both axes are driven. `clutches`: the hand carries the tube over. `bracket`: a tracker's declination bracket.
 *  `knob`: nothing drives it. */
export type FlipBy = 'motors' | 'clutches' | 'bracket' | 'knob';

export type FlipStep =
  | 'stopSubs'
  | 'cablesFree'
  | 'sendOver'
  | 'holdTube'
  | 'raHalfTurn'
  | 'decThroughPole'
  | 'clutchesTight'
  | 'cablesAfter'
  | 'biasWeight'
  | 'recentre'
  | 'lookAgain'
  | 'orientation'
  | 'refocus'
  | 'guider'
  | 'goOn';

export function flipBy(mount: MountPart | null): FlipBy {
  const motors = motorsOf(mount);
  if (motors === 'both') return 'motors';
  if (motors === 'none') return 'knob';
  return mountTraits(mount).isTracker ? 'bracket' : 'clutches';
}

export type WalkAbout = { guided: boolean; eastHeavy: boolean; has: RigHas };

const when = (condition: boolean, ...steps: FlipStep[]): FlipStep[] => (condition ? steps : []);

/** The steps in their order, of what there is; an eye has no subs to stop and no frame to bring back. By hand first right
 *  ascension, weights passing low, then declination through the pole's side. */
export function flipSteps(by: FlipBy, { guided, eastHeavy, has }: WalkAbout): FlipStep[] {
  const [camera, cables] = [has.has('camera'), has.has('cables')];
  const over: FlipStep[] =
    by === 'motors' ? ['sendOver'] : ['holdTube', 'raHalfTurn', 'decThroughPole', 'clutchesTight'];
  return [
    ...when(camera, 'stopSubs'),
    ...when(cables, 'cablesFree'),
    ...over,
    ...when(cables, 'cablesAfter'),
    ...when(eastHeavy, 'biasWeight'),
    ...when(camera, 'recentre', 'orientation', 'refocus'),
    ...when(!camera, 'lookAgain'),
    ...when(guided, 'guider'),
    ...when(camera, 'goOn'),
  ];
}

const FLIP_LISTS = 'flip ';
export const isFlipList = (listId: string): boolean => listId.startsWith(FLIP_LISTS);

/** Ticks of one flip of the night: of the next one there are none yet. */
export const flipList = (readings: readonly Reading[]): string =>
  `${FLIP_LISTS}${readings.filter((r) => r.kind === 'flip').length + 1}`;

/** `waiting`: not begun. `walking`: at a step. `closing`: all steps are done, the minutes are to be kept. */
export type FlipWalk = {
  state: 'waiting' | 'walking' | 'closing';
  listId: string;
  sinceMs: number | null;
  steps: { step: FlipStep; done: boolean }[];
  /** The step that the hand is at; null before it began and after the last. */
  at: FlipStep | null;
};

/** @param sinceMs since when it is going on; null = it is not. */
export function flipWalk(readings: readonly Reading[], sinceMs: number | null, by: FlipBy, about: WalkAbout): FlipWalk {
  const listId = flipList(readings);
  const steps = flipSteps(by, about).map((step) => ({ step, done: isTicked(readings, listId, step) }));
  if (sinceMs === null) return { state: 'waiting', listId, sinceMs, steps, at: null };
  const at = steps.find(({ done }) => !done)?.step ?? null;
  return { state: at === null ? 'closing' : 'walking', listId, sinceMs, steps, at };
}
