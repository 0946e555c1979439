/** The tip test of one axis tonight: what is expected, what the answers say, what they teach. */
import { oncePerKey } from '../../once.ts';
import { tipEstimate, type TipEstimate, type TipProblem } from '../../mount/tipEstimate.ts';
import { tipBracket, type Bracket, type TipTrial } from '../../mount/tipTest.ts';
import type { ReadingOf } from '../../records/reading.ts';
import { statedDoubtKgM, type AxisLevers, type BalanceAxis } from '../../rig/axisLevers.ts';
import { balancePositionM, momentAtKgM, movingKgOf } from '../../mount/levers.ts';
import { moverOf, rigLevers, taughtFor, trialsInDress, type Taught } from './balanceMarks.ts';
import type { NightRecords } from '../../history/nightRecords.ts';

export type Drops = ReadingOf<'balance'>['values']['drops'];
export type TipOfNight = {
  levers: AxisLevers;
  problem: TipProblem;
  taught: Taught | null;
  trials: { positionM: number; drops: Drops }[];
  estimate: TipEstimate;
  bracket: Bracket;
};

/** The ends that drop: first with too much moment on the side of the arms, second with too little. */
export const ENDS: Record<BalanceAxis, readonly [Drops, Drops]> = {
  ra: ['tube', 'weight'],
  dec: ['front', 'rear'],
  sideways: ['upper', 'lower'],
};

/** Which way the piece must go. */
export function wantsOf(drops: Drops, { axis, sense }: Pick<AxisLevers, 'axis' | 'sense'>): TipTrial['wants'] {
  if (drops === 'none') return 'none';
  const tooMuch = drops === ENDS[axis][0];
  // Too much moment asks for smaller arms.
  return tooMuch === (sense === -1) ? 'more' : 'less';
}

/** The piece that tonight's last sideways trial was made with, if it still hangs there. */
function chosenMover(records: NightRecords, axis: BalanceAxis): string | null {
  if (axis !== 'sideways') return null;
  const last = records.readings.findLast((r) => r.kind === 'balance' && r.values.axis === 'sideways');
  return last?.kind === 'balance' ? moverOf(last, records.rig) : null;
}

/** Null when nothing can be moved on the axis. @param moverId the piece shifted sideways; null = last used, or usual. */
export function tipOfNight(records: NightRecords, axis: BalanceAxis, moverId: string | null = null): TipOfNight | null {
  const parts = records.parts.filter((p) => p.deletedAtUtc === null);
  const levers = rigLevers(axis, records.rig, parts, moverId ?? chosenMover(records, axis));
  if (!levers) return null;
  const taught = taughtFor(records, levers);
  const predictedM = balancePositionM(levers, taught?.excessKgM);
  const movingKg = movingKgOf(levers);
  const doubtKgM = taught?.doubtKgM ?? statedDoubtKgM(levers, predictedM);
  const problem = { predictedM, sigmaM: doubtKgM / movingKg, movingKg, rangeM: levers.rangeM };
  const trials = trialsInDress(records, levers).flatMap(({ values }) =>
    values.positionM === null ? [] : [{ ...values, positionM: values.positionM }],
  );
  const asked = trials.map(({ positionM, drops }): TipTrial => ({ positionM, wants: wantsOf(drops, levers) }));
  return { levers, problem, taught, trials, estimate: tipEstimate(asked, problem), bracket: tipBracket(asked) };
}

/** The same for the usual piece, once per axis and records. */
export const usualTip = oncePerKey((records: NightRecords, axis: BalanceAxis): TipOfNight | null =>
  tipOfNight(records, axis),
);

/** Moment of an axis beyond the stated masses, kg m: as tonight's balance shows it, else as the last one did; 0 before the
 *  first. */
export function excessKgM({ levers, estimate, taught }: TipOfNight): number {
  return estimate.balancedM === null ? (taught?.excessKgM ?? 0) : -momentAtKgM(levers, estimate.balancedM);
}

/** The same about the polar axis. */
export function learnedRaKgM(records: NightRecords): number {
  const tip = usualTip(records, 'ra');
  return tip ? excessKgM(tip) : 0;
}
