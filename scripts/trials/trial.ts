/** What a trial is, and how it is run. */
import fc from 'fast-check';

export type Trial = {
  name: string;
  what: string;
  cases: number;
  /** A claim about shares needs this many cases to be fair; 0 for claims about every single case. */
  leastCases: number;
  /** Which share of the cases `npm test` runs; without, a twentieth. */
  share?: number | undefined;
  run: (seed: number, cases: number) => Promise<Outcome>;
};
/** `failure`: its words, or null. `figure`: what was found, for claims about shares. */
export type Outcome = { failure: string | null; figure: string };

/** A trial of a claim that must hold in every single case. */
export function everyCase(
  name: string,
  what: string,
  cases: number,
  property: () => fc.IRawProperty<unknown>,
  share?: number,
): Trial {
  const run = async (seed: number, numRuns: number): Promise<Outcome> => {
    const result = await fc.check(property(), { seed, numRuns });
    return { failure: result.failed ? await fc.asyncDefaultReportMessage(result) : null, figure: '' };
  };
  return { name, what, cases, leastCases: 0, share, run };
}

/** How many cases `npm test` runs. */
export const casesOfTests = ({ cases, leastCases, share = 0.05 }: Trial): number =>
  Math.max(leastCases, Math.ceil(cases * share));

const SEED = 20261124;

/** Runs cases of a trial with the printed seed. */
export async function runTrial(trial: Trial, cases: number): Promise<Outcome & { seed: number }> {
  return { seed: SEED, ...(await trial.run(SEED, cases)) };
}
