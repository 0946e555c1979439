/** How much of a curve each period explains, for any sampling.
 *  Source: Lomb 1976 (Ap&SS 39, 447), Scargle 1982 (ApJ 263, 835), with floating mean (Zechmeister and Kuerster 2009, A&A 496,
 *  577); summed directly, the turning of each value by recurrence. */

import { levelled } from './levelled.ts';

export type Spectrum = {
  frequencyHz: Float64Array;
  /** Share of the variance that one sine of this frequency takes away, 0 to 1. */
  power: Float64Array;
};

export type Range = { fromHz: number; toHz: number; count: number };

/** @param values of any mean.  @param weights how many rows stand behind each.
 *  @param jumps in rising order, the first values of pieces that each have a level of their own: a sine counts by what it is
 *  about its own level in each of them, else pieces shorter than a turn would be taken for something that turns faster. */
export function spectrumOf(
  timeS: Float64Array,
  values: Float64Array,
  weights: Float64Array,
  range: Range,
  jumps: readonly number[] = [],
): Spectrum {
  const { fromHz, toHz, count } = range;
  const n = timeS.length;
  const stepHz = count > 1 ? (toHz - fromHz) / (count - 1) : 0;
  const total = weights.reduce((a, b) => a + b, 0);
  const w = weights.map((v) => v / total);
  const y = levelled(values, jumps, w);
  const ends = Uint32Array.from([...jumps, n]);
  let yy = 0;
  for (let i = 0; i < n; i += 1) yy += (w[i] as number) * (y[i] as number) ** 2;
  const [cos, sin, turnCos, turnSin] = [0, 1, 2, 3].map(() => new Float64Array(n)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let i = 0; i < n; i += 1) {
    const [angle, turn] = [2 * Math.PI * fromHz * (timeS[i] as number), 2 * Math.PI * stepHz * (timeS[i] as number)];
    cos[i] = Math.cos(angle);
    sin[i] = Math.sin(angle);
    turnCos[i] = Math.cos(turn);
    turnSin[i] = Math.sin(turn);
  }
  const power = new Float64Array(count);
  for (let k = 0; k < count; k += 1) {
    power[k] = yy === 0 ? 0 : powerNow(w, y, { cos, sin, turnCos, turnSin }, ends) / yy;
  }
  return { frequencyHz: Float64Array.from({ length: count }, (_, k) => fromHz + k * stepHz), power };
}

type Turning = Record<'cos' | 'sin' | 'turnCos' | 'turnSin', Float64Array>;

/** Variance that the best sine of the present angles takes away, each piece on a level of its own; turns the angles on to the next
 *  frequency. Loops over plain numbers: they are run millions of times. */
function powerNow(
  w: Float64Array,
  y: Float64Array,
  { cos, sin, turnCos, turnSin }: Turning,
  ends: Uint32Array,
): number {
  let [yc, ys, CC, SS, CS, i] = [0, 0, 0, 0, 0, 0];
  for (let piece = 0; piece < ends.length; piece += 1) {
    const end = ends[piece] as number;
    let [weight, c, s] = [0, 0, 0];
    for (; i < end; i += 1) {
      const [wi, ci, si] = [w[i] as number, cos[i] as number, sin[i] as number];
      const wc = wi * ci;
      const ws = wi * si;
      weight += wi;
      c += wc;
      s += ws;
      yc += wc * (y[i] as number);
      ys += ws * (y[i] as number);
      CC += wc * ci;
      SS += ws * si;
      CS += wc * si;
      const [tc, ts] = [turnCos[i] as number, turnSin[i] as number];
      cos[i] = ci * tc - si * ts;
      sin[i] = si * tc + ci * ts;
    }
    if (weight === 0) continue;
    CC -= (c * c) / weight;
    SS -= (s * s) / weight;
    CS -= (c * s) / weight;
  }
  const d = CC * SS - CS * CS;
  return d > 1e-12 ? (SS * yc * yc + CC * ys * ys - 2 * CS * yc * ys) / d : 0;
}
