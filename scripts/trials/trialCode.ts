/** Which code a trial's result was made by: a print of its own files. A result of other code is none. */
import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

const HERE = import.meta.dirname;

/** Where each trial is written; those that are not named stand in `trials.ts` itself. */
const FILES: Readonly<Record<string, string>> = {
  'any-record': 'anyRecordTrial.ts',
  'clear-nights': 'clearNightsTrial.ts',
  commands: 'commandsTrial.ts',
  corners: 'cornersTrial.ts',
  'dressed-rigs': 'dressedTrial.ts',
  'doubt-limit': 'clearanceDoubtTrial.ts',
  'doubt-verdict': 'doubtTrial.ts',
  drift: 'driftTrial.ts',
  drives: 'driveTrial.ts',
  'half-turn': 'plateTrial.ts',
  history: 'historyTrial.ts',
  import: 'importTrial.ts',
  kills: 'killTrial.ts',
  knobs: 'knobTrial.ts',
  life: 'lifeTrial.ts',
  logs: 'logTrial.ts',
  'log-truth': 'logTruthTrial.ts',
  'past-nights': 'pastNightsTrial.ts',
  plan: 'planTrial.ts',
  'plan-again': 'planTrial.ts',
  'plan-light': 'planTrial.ts',
  'tip-test': 'tipTrial.ts',
  windows: 'windowsTrial.ts',
  words: 'wordsTrial.ts',
};

/** A file of the trials and all others of them that it takes from. */
function withImports(path: string, found: Set<string>): Set<string> {
  if (found.has(path)) return found;
  found.add(path);
  for (const [, from = ''] of readFileSync(path, 'utf8').matchAll(/(?:from |import\()'(\.[^']+)'/g)) {
    const other = join(dirname(path), from);
    if (dirname(other) === HERE && existsSync(other)) withImports(other, found);
  }
  return found;
}

/** The files of a trial; of one that stands in `trials.ts` only that, which imports all others. */
export function filesOfTrial(name: string): string[] {
  const own = FILES[name];
  return own === undefined ? [join(HERE, 'trials.ts')] : [...withImports(join(HERE, own), new Set())].sort();
}

/** The same for the same text of its files, wherever they lie. */
export function codeOfTrial(name: string): string {
  const hash = createHash('sha256');
  for (const path of filesOfTrial(name)) hash.update(`${relative(HERE, path)}\n${readFileSync(path, 'utf8')}\n`);
  return hash.digest('hex').slice(0, 12);
}
