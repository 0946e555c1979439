import { expect } from 'chai';
import fc from 'fast-check';
import { runTrial, TRIALS } from '../../../scripts/trials/trials.ts';

describe('a share of the long trials', () => {
  for (const trial of TRIALS) {
    it(`${trial.name}: ${trial.what}`, async () => {
      expect((await runTrial(trial, Math.ceil(trial.cases * 0.05))).failure).to.equal(null);
    });
  }

  it('tells a failure', async () => {
    const wrong = {
      name: 'x',
      what: 'x',
      cases: 10,
      property: () => fc.property(fc.integer(), (n) => n > 1e9) as fc.IRawProperty<unknown>,
    };
    expect((await runTrial(wrong, 10)).failure).to.include('Property failed');
  });
});
