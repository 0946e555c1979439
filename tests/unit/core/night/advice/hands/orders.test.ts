/** What comes next, from what was recorded in which order. */
import { expect } from 'chai';
import { balanceOrder } from '../../../../../../src/core/night/advice/hands/balanceOrder.ts';
import { usualTip } from '../../../../../../src/core/night/learned/tipOfNight.ts';
import { knobsOf } from '../../../../../../src/core/pole/knobsOfMount.ts';
import type { Reading } from '../../../../../../src/core/records/reading.ts';
import { at, night } from '../../../../../support/nights.ts';
import * as polar from '../../../../../support/polar.ts';
import { nightRecords, reading, snapshotOf } from '../../../../../support/records.ts';

describe('right ascension once more', () => {
  const here = { snapshots: [snapshotOf()] };
  /** It stays where it was expected to. */
  const stays = (axis: 'ra' | 'dec' | 'sideways', minute: number): Reading => {
    const { predictedM } = usualTip(nightRecords(here), axis)!.problem;
    return reading('balance', { axis, positionM: predictedM, drops: 'none' }, { ...at(minute), id: `b${minute}` });
  };
  const again = (...readings: Reading[]) =>
    balanceOrder(night({ readings, ...here })).find((row) => row.step === 'raAgain')!.done;

  it('counts when it stayed after every other axis that was balanced, one of them at least', () => {
    expect(again(stays('ra', 1))).to.equal(false);
    expect(again(stays('ra', 1), stays('dec', 2))).to.equal(false);
    expect(again(stays('dec', 1), stays('ra', 2))).to.equal(true);
    expect(again(stays('dec', 1), stays('ra', 2), stays('sideways', 3))).to.equal(false);
  });
});

describe('the piece that is shifted sideways', () => {
  it('is the one of tonight’s last trial, and the usual one before it', () => {
    const trial = (partId: string, minute: number): Reading =>
      reading(
        'balance',
        { axis: 'sideways', positionM: 0, drops: 'upper' },
        { ...at(minute), id: `s${minute}`, subject: { type: 'part', id: partId } },
      );
    const moved = (...readings: Reading[]) => {
      const tip = usualTip(nightRecords({ snapshots: [snapshotOf()], readings }), 'sideways')!;
      return [tip.levers.moving[0]!.partId, tip.trials.length];
    };
    const [scope, camera] = ['demo-heron-guide-scope', 'demo-heron-guide-camera'];
    expect(moved()).to.deep.equal([scope, 0]);
    expect(moved(trial(scope, 1), trial(camera, 2))).to.deep.equal([camera, 1]);
  });
});

describe('two turns in a row, each with the error before and after it', () => {
  it('teach twice, also when nothing was recorded before the first', () => {
    const turned = (minute: number, beforeArcmin: number, afterArcmin: number): Reading =>
      reading(
        'knobTurn',
        { adjuster: 'azimuth', turns: 0.5, afterLockOrReversal: false, beforeArcmin, afterArcmin },
        polar.at(minute),
      );
    const { azimuth } = knobsOf(nightRecords({ readings: [turned(0, 40, 10), turned(1, 10, -20)] }));
    expect(azimuth!.learned).to.deep.include({ records: 2 });
    expect(azimuth!.learned!.gainArcminPerTurn).to.be.closeTo(-60, 1e-9);
  });
});
