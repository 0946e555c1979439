/** Seeded random numbers: the same seed gives the same ones everywhere. */

export type Random = () => number;

/** Evenly spread numbers in [0, 1) from a seed (mulberry32). */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

export const within = (random: Random, from: number, to: number): number => from + random() * (to - from);

/** Normally spread with mean 0 and deviation 1 (Box and Muller 1958). */
export const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
