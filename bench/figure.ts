/** One measured figure with what is wanted of it. */
export type Figure = { name: string; value: number; unit: string; target: number; atLeast?: boolean };

export function timed(run: () => void): number {
  const start = performance.now();
  run();
  return performance.now() - start;
}

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

export function print({ name, value, unit, target, atLeast }: Figure): void {
  const within = atLeast === true ? value >= target : value <= target;
  console.log(
    `${name.padEnd(56)}${value.toFixed(2).padStart(10)} ${unit.padEnd(3)} target ${atLeast === true ? 'at least' : 'at most'} ${target}  ${within ? 'within' : 'OVER'}`,
  );
}
