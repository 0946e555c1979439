/** How many cases property tests run: a share here, all of them in the long trials. */
import fc from 'fast-check';

const SEED = 20261124;

/** Runs a property with a fixed seed, so that a failure can be had again. */
export function holds<T>(property: fc.IProperty<T>, numRuns = 200): void {
  fc.assert(property, { seed: SEED, numRuns });
}

export { evenly as finite } from '../../scripts/trials/evenly.ts';
