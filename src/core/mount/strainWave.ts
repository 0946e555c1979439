/** Strain-wave drives hold an unbalanced rig by the drive alone: what they must hold, without and with a counterweight.
 *  Torques in N m about the polar axis.
 *  Source: torque m g d, standard gravity of the 3rd CGPM (1901). */
import { type PlacedMass } from './balance.ts';
import { sum } from './levers.ts';
import { loadVerdict, type LoadVerdict } from './load.ts';
import { STANDARD_GRAVITY } from './tripod.ts';

type Torque = { torqueNm: number; share: number; verdict: LoadVerdict };
export type Unbalanced = {
  allowedNm: number;
  /** The tube's side alone. */
  bare: Torque;
  /** With bar and weights where they are; null when nothing hangs there. */
  withWeights: Torque | null;
};

type Input = {
  parts: readonly PlacedMass[];
  /** Bar and weights; distances + on the bar's side. */
  counter: readonly { massKg: number; atM: number }[];
  ratedKg: number;
  referenceArmM: number;
  shareUsed: number;
};

/** m g d with the bar level, against rating x arm x g x the share used. 5 kg at 0.15 m, rated 8 kg at 0.2 m, two thirds
 *  used: 7.4 of 10.5 N m. */
export function unbalancedTorque({ parts, counter, ratedKg, referenceArmM, shareUsed }: Input): Unbalanced {
  const allowedNm = ratedKg * shareUsed * referenceArmM * STANDARD_GRAVITY;
  const tubeSideKgM = sum(parts, (p) => p.massKg * p.fromRaAxisM);
  const barSideKgM = sum(counter, (c) => c.massKg * c.atM);
  const against = (momentKgM: number): Torque => {
    const torqueNm = Math.abs(momentKgM) * STANDARD_GRAVITY;
    const share = torqueNm / allowedNm;
    return { torqueNm, share, verdict: loadVerdict(share) };
  };
  return {
    allowedNm,
    bare: against(tubeSideKgM),
    withWeights: counter.length === 0 ? null : against(tubeSideKgM - barSideKgM),
  };
}
