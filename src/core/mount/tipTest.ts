/** Bracketing a balance by trials: the axis freed, the rig held; which end drops says which way the piece must go.
 *  Source: bracketing. */

/** `wants`: the piece must stand at a larger position, at a smaller one, or nothing moved. */
export type TipTrial = { positionM: number; wants: 'more' | 'less' | 'none' };
export type Bracket = {
  /** Largest position that was too small. */
  lowM: number | null;
  /** Smallest position that was too large. */
  highM: number | null;
  /** The middle of a closed bracket; null while it is open or the trials contradict each other. */
  middleM: number | null;
};

/** What the trials of one unchanged rig tell. */
export function tipBracket(trials: readonly TipTrial[]): Bracket {
  const at = (wants: TipTrial['wants']): number[] => trials.filter((t) => t.wants === wants).map((t) => t.positionM);
  const [low, high] = [at('more'), at('less')];
  const lowM = low.length > 0 ? Math.max(...low) : null;
  const highM = high.length > 0 ? Math.min(...high) : null;
  return { lowM, highM, middleM: lowM !== null && highM !== null && lowM < highM ? (lowM + highM) / 2 : null };
}
