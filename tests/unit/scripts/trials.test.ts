import { expect } from 'chai';
import fc from 'fast-check';
import { tipTrialWith } from '../../../scripts/trials/tipTrial.ts';
import { TRIALS } from '../../../scripts/trials/trials.ts';
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

  it('tells a failure', async () => {
    const wrong = everyCase('x', 'x', 10, () => fc.property(fc.integer(), (n) => n > 1e9));
    expect((await runTrial(wrong, 10)).failure).to.include('Property failed');
  });
});
