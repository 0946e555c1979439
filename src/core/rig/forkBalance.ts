/** A tube between a fork's arms: what pulls it about its declination axis, and the weight on it that would hold it. */
import { sum } from '../mount/levers.ts';
import { momentsDoubtKgM, PLACE_DOUBT_M } from '../mount/massDoubt.ts';
import type { RigNumbers } from './rigNumbers.ts';

export type ForkBalance = {
  /** + = the front drops. */
  momentKgM: number;
  doubtKgM: number;
  /** The lightest usual weight that holds it, from the axis along the tube, + = front; null where nothing is to be held, or no
   *  weight on this tube does. */
  hang: { massKg: number; atM: number } | null;
  /** The clutch's friction hides the rest. */
  isEven: boolean;
};

const HIDDEN_KG_M = 0.03;
const WEIGHTS_KG = [0.25, 0.5, 1, 1.5, 2, 3, 5] as const;
/** A weight is strapped on within this share of each end. */
const REACH_SHARE = 0.9;

/** Null without a tube or without masses. */
export function forkBalance({ tube, masses }: Pick<RigNumbers, 'tube' | 'masses'>): ForkBalance | null {
  const turning = masses.tubeSide.filter((p) => p.on === 'tube');
  if (!tube || turning.length === 0) return null;
  const levers = turning.map((p) => ({ ...p, armM: p.alongTubeM, placeDoubtM: PLACE_DOUBT_M.along }));
  const momentKgM = sum(levers, (l) => l.massKg * l.armM);
  const isEven = Math.abs(momentKgM) <= HIDDEN_KG_M;
  const reachM = REACH_SHARE * (momentKgM > 0 ? tube.backM : tube.frontM);
  const massKg = WEIGHTS_KG.find((kg) => Math.abs(momentKgM) <= kg * reachM);
  return {
    momentKgM,
    doubtKgM: momentsDoubtKgM(levers),
    hang: isEven || massKg === undefined ? null : { massKg, atM: -momentKgM / massKg },
    isEven,
  };
}
