/** What is known of a number: its value, how far it may be off, and how it came to be known. */

/** `measured`: on this night. `told`: read or typed from a sheet, or said by the hand that set it. `learned`: on other nights.
 *  `assumed`: an honest average of its class. `notLooked`: nobody looked, and no average stands for it. */
export type Basis = 'measured' | 'told' | 'learned' | 'assumed' | 'notLooked';

export type Known<T, D = number> = {
  readonly value: T;
  /** One sigma in the unit that what hangs on it is judged in, or a covariance. */
  readonly doubt: D;
  readonly basis: Basis;
  /** When it was measured or told; null where no moment belongs to it. */
  readonly asOf: string | null;
};

/** Looked at well enough: somebody looked, and what is left of the doubt does not reach what it decides.
 *  @param decides in the unit of the doubt: an error of this size changes the answer. */
export const isLooked = ({ basis, doubt }: Pick<Known<unknown>, 'basis' | 'doubt'>, decides: number): boolean =>
  basis !== 'notLooked' && doubt <= decides;

/** By the night of a reading: measured on its own, learned on any other. */
export const basisOf = (reading: { nightId: string | null }, nightId: string): 'measured' | 'learned' =>
  reading.nightId === nightId ? 'measured' : 'learned';
