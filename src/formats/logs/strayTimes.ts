/** Single times that fit neither the row before nor the rows after: a zero, an hour off, a row that lost a cell. */
import { LEAST_STEP_S, stepOf, type RawRows } from './rawRows.ts';

/** So many may stand one behind the other. */
const STRAYS = [1, 2, 3] as const;
/** Of the usual step: what a time may be late or ahead without being looked at. */
const AHEAD_STEPS = 30;
const AHEAD_LEAST_S = 60;
const BACK_STEPS = 3;
/** The rows around a stray one go on within so many steps for each. */
const GOES_ON_STEPS = 6;
/** A row at either end that stands so far apart says nothing: it would move where the log begins or ends. */
export const APART_S = 3000;

/** @param rows in the order of the log.  @returns those that stay. */
export function withoutStrays(raw: RawRows, rows: readonly number[], usualS: number): number[] {
  const step = stepOf(raw.clock);
  const timeAt = (k: number): number => raw.rawS[rows[k] as number] as number;
  const between: Between = (k, l) => step(timeAt(k), timeAt(l));
  const [ahead, back] = [Math.max(AHEAD_LEAST_S, AHEAD_STEPS * usualS), Math.max(LEAST_STEP_S, BACK_STEPS * usualS)];
  const jumps = (by: number): boolean => by < -back || by > ahead;
  const goesOn = (k: number, l: number): boolean => {
    const by = between(k, l);
    return by >= -back && by <= Math.max(LEAST_STEP_S, GOES_ON_STEPS * usualS) * (l - k);
  };
  const kept: number[] = [];
  let last = startOf(rows.length, between, jumps);
  if (last < rows.length) kept.push(last);
  for (let k = last + 1; k < rows.length; k += 1) {
    const straysTo = jumps(between(last, k))
      ? STRAYS.find((n) => k + n < rows.length && goesOn(last, k + n))
      : undefined;
    if (straysTo === undefined) {
      kept.push(k);
      last = k;
    } else k += straysTo - 1;
  }
  if (isApart(kept, between)) kept.pop();
  return kept.map((k) => rows[k] as number);
}
type Between = (k: number, l: number) => number;

/** The first row that the next ones go on from. */
function startOf(count: number, between: Between, jumps: (by: number) => boolean): number {
  if (count < 4) return 0;
  const isAlone = between(0, 1) < 0 ? jumps(between(0, 1)) : between(0, 1) > APART_S;
  return isAlone && !jumps(between(1, 2)) && !jumps(between(2, 3)) ? 1 : 0;
}

function isApart(kept: readonly number[], between: Between): boolean {
  const [before, last] = [kept.at(-2), kept.at(-1)];
  return kept.length > 3 && before !== undefined && last !== undefined && Math.abs(between(before, last)) > APART_S;
}
