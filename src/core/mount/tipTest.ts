/** Bracketing the balance by trials: bar level, clutch opened, tube held; which end drops. */

export type TipTrial = { positionM: number; drops: 'tube' | 'weight' | 'none' };
export type Bracket = {
  /** Largest position at which the tube's side dropped. */
  lowM: number | null;
  /** Smallest position at which the weight's side dropped. */
  highM: number | null;
  /** The position at which it last stayed, or the middle of a closed bracket. */
  balanceM: number | null;
};

const FIRST_STEP_M = 0.01;

/** What the trials of one unchanged rig tell. Trials that contradict each other leave the middle open (null). */
export function tipBracket(trials: readonly TipTrial[]): Bracket {
  const at = (drops: TipTrial['drops']): number[] => trials.filter((t) => t.drops === drops).map((t) => t.positionM);
  const [tube, weight, stays] = [at('tube'), at('weight'), at('none')];
  const lowM = tube.length > 0 ? Math.max(...tube) : null;
  const highM = weight.length > 0 ? Math.min(...weight) : null;
  const middle = lowM !== null && highM !== null && lowM < highM ? (lowM + highM) / 2 : null;
  return { lowM, highM, balanceM: stays.at(-1) ?? middle };
}

/** Where to put the weight next: the middle of the bracket, or past the trial by at least 10 mm toward the position
 *  that the stated masses predict. */
export function nextTipPositionM(trials: readonly TipTrial[], predictedM: number): number {
  const { lowM, highM, balanceM } = tipBracket(trials);
  if (balanceM !== null) return balanceM;
  if (lowM !== null) return Math.max(predictedM, lowM + FIRST_STEP_M);
  if (highM !== null) return Math.min(predictedM, highM - FIRST_STEP_M);
  return predictedM;
}
