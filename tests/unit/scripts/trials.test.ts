import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { tipTrialWith } from '../../../scripts/trials/tipTrial.ts';
import { TRIALS } from '../../../scripts/trials/trials.ts';
import { codeOfTrial } from '../../../scripts/trials/trialCode.ts';
import { casesOfTests, everyCase, runTrial } from '../../../scripts/trials/trial.ts';

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
    for (const { name, cases } of TRIALS) {
      const told = JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8')) as Record<string, unknown>;
      const wanted = { code: codeOfTrial(name), cases, result: 'holds' };
      expect(
        { code: told['code'], cases: told['cases'], result: told['result'] },
        `npm run trial -- ${name}`,
      ).to.deep.equal(wanted);
    }
  });

  it('tells a failure', async () => {
    const wrong = everyCase('x', 'x', 10, () => fc.property(fc.integer(), (n) => n > 1e9));
    expect((await runTrial(wrong, 10)).failure).to.include('Property failed');
  });
});
