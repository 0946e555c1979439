/** Numbers for properties. */
import fc from 'fast-check';

const STEPS = 1_000_000;

/** Numbers spread evenly over a range, now and then an end of it. Doubles as fast-check draws them are spread evenly over
 *  their bit patterns: of those between 0 and 12 half lie below 1e-150. */
export function evenly(min: number, max: number): fc.Arbitrary<number> {
  const inside = fc.integer({ min: 0, max: STEPS }).map((step) => min + ((max - min) * step) / STEPS);
  return fc.oneof({ weight: 9, arbitrary: inside }, { weight: 1, arbitrary: fc.constantFrom(min, max) });
}
