import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { tipTrialWith } from '../../../scripts/trials/tipTrial.ts';
import { TRIALS } from '../../../scripts/trials/trials.ts';
import { codeOfTrial, filesOfTrial } from '../../../scripts/trials/trialCode.ts';
import { casesOfTests, everyCase, runTrial } from '../../../scripts/trials/trial.ts';

type TrialFile = { trial: string; code?: string; cases: number; result: string };

describe('a share of the long trials', () => {
  for (const trial of TRIALS) {
    it(`${trial.name}: ${trial.what}`, async function () {
      // The longest take ten seconds by themselves; on a machine that has other things to do, several times that.
      this.timeout(120_000);
      expect((await runTrial(trial, casesOfTests(trial))).failure).to.equal(null);
    });
  }

  it('the tip test fails on rigs with more friction and more wrong answers than it was made for', async () => {
    expect((await tipTrialWith({ wrongStays: 0.45 }).run(20261124, 500)).failure).to.match(/^balanced in .* of 500/);
  });

  it('in full were run by the code that they have now, and hold', () => {
    const folder = join(import.meta.dirname, '..', '..', '..', 'docs', 'trials');
    const told = readdirSync(folder).map((file) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as TrialFile);
    for (const { trial, code, cases, result } of told) {
      const own = TRIALS.find((t) => t.name === trial);
      // Those that drive a browser are not among these.
      if (!own) continue;
      const wanted = { code: codeOfTrial(trial), cases: own.cases, result: 'holds' };
      expect({ code, cases, result }, `npm run trial -- ${trial}`).to.deep.equal(wanted);
    }
    expect(told.length).to.be.greaterThan(20);
  });

  it('are told apart by the files that they are written in, those that are fetched later too', () => {
    const own = readFileSync(join(import.meta.dirname, '..', '..', '..', 'scripts', 'trials', 'trials.ts'), 'utf8');
    for (const { name } of TRIALS) {
      const files = filesOfTrial(name);
      // What has no file of its own stands in the list itself.
      expect(files.length > 1 || files[0]!.includes(name) || own.includes(`'${name}'`), name).to.equal(true);
    }
    expect(filesOfTrial('words').join(' ')).to.match(/pages\.ts.*unfitWords\.ts.*wordsTrial\.ts/);
  });

  it('tells a failure', async () => {
    const wrong = everyCase('x', 'x', 10, () => fc.property(fc.integer(), (n) => n > 1e9));
    expect((await runTrial(wrong, 10)).failure).to.include('Property failed');
  });
});
