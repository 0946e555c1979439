/** npm run trial [-- NAME]: all cases of every trial, or of one; writes docs/trials/NAME.json; exit 1 on a failure. */
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { historyTrial } from './trials/historyTrial.ts';
import { killTrial } from './trials/killTrial.ts';
import { TRIALS } from './trials/trials.ts';
import { runTrial } from './trials/trial.ts';
import { codeOfTrial } from './trials/trialCode.ts';

const [only] = process.argv.slice(2);
/** Those that drive a browser are not run with the unit tests. */
const ALL = [...TRIALS, killTrial, historyTrial];
const chosen = ALL.filter((t) => only === undefined || t.name === only);
if (chosen.length === 0) {
  console.error(`There is no trial ${only ?? ''}. Trials: ${ALL.map((t) => t.name).join(', ')}`);
  process.exit(2);
}
const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).trim();
for (const trial of chosen) {
  const { seed, failure, figure } = await runTrial(trial, trial.cases);
  console.log(
    `${trial.name.padEnd(14)}${String(trial.cases).padStart(6)} cases  seed ${seed}  ${failure === null ? 'holds' : 'FAILS'}  ${trial.what}${figure === '' ? '' : ` (${figure})`}`,
  );
  if (failure !== null) {
    console.log(failure);
    process.exitCode = 1;
  }
  const record = {
    trial: trial.name,
    what: trial.what,
    commit,
    code: codeOfTrial(trial.name),
    seed,
    cases: trial.cases,
    result: failure ?? 'holds',
    figure,
  };
  writeFileSync(
    join(import.meta.dirname, '..', 'docs', 'trials', `${trial.name}.json`),
    `${JSON.stringify(record, null, 2)}\n`,
  );
}
