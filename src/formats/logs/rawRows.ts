/** Rows of a log as they stand, before anything is made of their times. */
import { median } from '../../core/math/statistics.ts';

/** `dated`: every time says when it was; `dayClock`: hours of a day, which begin anew at midnight; `counting`: since some start. */
export type Clock = 'dated' | 'dayClock' | 'counting';

export type RawRows = {
  /** NaN where a row tells no time. */
  rawS: Float64Array;
  /** A number of each row that tells equal ones. */
  prints: Float64Array;
  clock: Clock;
  /** Clocks of a place, which are turned in spring and autumn. */
  isCivil: boolean;
};

export const DAY_S = 86_400;
export const HOUR_S = 3600;
/** A clock that goes back by less is a row that came late. */
export const LEAST_STEP_S = 5;

export type Step = (fromS: number, toS: number) => number;

/** From one time to another; of a day's clock the shorter way round. */
export function stepOf(clock: Clock): Step {
  if (clock !== 'dayClock') return (from, to) => to - from;
  return (from, to) => {
    const step = to - from;
    if (step > DAY_S / 2) return step - DAY_S;
    return step <= -DAY_S / 2 ? step + DAY_S : step;
  };
}

/** The usual time from row to row; 0 where all stand at one time. */
export function usualStepS({ rawS, clock }: RawRows, rows: readonly number[]): number {
  const step = stepOf(clock);
  const every = Math.max(1, Math.floor(rows.length / 1000));
  const steps: number[] = [];
  for (let k = 1; k < rows.length; k += every) {
    const s = Math.abs(step(rawS[rows[k - 1] as number] as number, rawS[rows[k] as number] as number));
    if (s > 0) steps.push(s);
  }
  return median(steps) ?? 0;
}
