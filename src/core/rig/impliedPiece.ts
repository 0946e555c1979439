/** After a balance: what the most doubtful piece really weighs, or where it really hangs, if it alone is off. On the bar
 *  the weights are taken as known. */
import { momentDoubtKgM } from '../mount/massDoubt.ts';
import { type AxisLevers } from './axisLevers.ts';
import { leversAt, momentAtKgM, movingKgOf } from '../mount/levers.ts';

export type Implied = {
  partId: string;
  name: string;
  statedKg: number;
  impliedKg: number;
  statedArmM: number;
  impliedArmM: number;
};

/** Less than this is friction, not a wrong mass, m of the piece that was moved. */
const WORTH_SAYING_M = 0.004;
/** A mass that would be off by more than this is not the cause. */
const LARGEST_SHARE = 0.5;

/** Null when the stated masses agree with the balance, or no piece can explain it. */
export function impliedPiece(levers: AxisLevers, balancedM: number): Implied | null {
  const excessKgM = -momentAtKgM(levers, balancedM);
  if (Math.abs(excessKgM) < WORTH_SAYING_M * movingKgOf(levers)) return null;
  // The weights' place was just read from the tape, and a weight is easily weighed.
  const hanging = levers.axis === 'ra' ? levers.fixed : leversAt(levers, balancedM);
  const suspects = [...hanging]
    .filter((l) => l.id !== 'bar' && l.massBasis !== 'weighed' && Math.abs(l.armM) > WORTH_SAYING_M)
    .sort((a, b) => momentDoubtKgM(b) - momentDoubtKgM(a));
  const found = suspects.find((l) => Math.abs(excessKgM) < LARGEST_SHARE * l.massKg * Math.abs(l.armM));
  if (!found) return null;
  return {
    partId: found.partId,
    name: found.name,
    statedKg: found.massKg,
    impliedKg: found.massKg + excessKgM / found.armM,
    statedArmM: found.armM,
    impliedArmM: found.armM + excessKgM / found.massKg,
  };
}
