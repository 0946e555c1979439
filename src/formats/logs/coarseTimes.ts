/** Times that are told more coarsely than rows come: minutes without seconds, seconds of many rows each. */

/** Rows to a time from which on it is coarse. */
const LEAST_SHARED = 1.3;

/** Rows of one stretch of times without a hole, by their count: the straight line through them.
 *  Source: a time told in whole steps lies half of one late in the mean. */
function evenly(timeS: Float64Array, from: number, to: number, everyS: number, into: Float64Array): void {
  const n = to - from;
  const middle = (n - 1) / 2;
  let [sum, rise, squares] = [0, 0, 0];
  for (let k = 0; k < n; k += 1) {
    const told = (timeS[from + k] as number) + everyS / 2;
    sum += told;
    rise += (k - middle) * told;
    squares += (k - middle) ** 2;
  }
  const slope = squares > 0 ? rise / squares : 0;
  for (let k = 0; k < n; k += 1) into[from + k] = sum / n + slope * (k - middle);
}

/** Null where times are told finely enough. @param timeS rising or equal. */
export function spread(timeS: Float64Array): { timeS: Float64Array; everyS: number } | null {
  const steps = new Map<number, number>();
  let times = 1;
  for (let i = 1; i < timeS.length; i += 1) {
    const step = Math.round(1000 * ((timeS[i] as number) - (timeS[i - 1] as number))) / 1000;
    if (step <= 0) continue;
    times += 1;
    steps.set(step, (steps.get(step) ?? 0) + 1);
  }
  const everyS = [...steps].reduce((most, s) => (s[1] > most[1] ? s : most), [0, 0])[0];
  if (everyS === 0 || timeS.length < LEAST_SHARED * times) return null;
  const found = timeS.slice();
  let from = 0;
  for (let i = 1; i <= timeS.length; i += 1) {
    const step = i < timeS.length ? (timeS[i] as number) - (timeS[i - 1] as number) : Infinity;
    if (step <= 1.5 * everyS) continue;
    evenly(timeS, from, i, everyS, found);
    from = i;
  }
  return { timeS: found, everyS };
}
