import { expect } from 'chai';
import { unlookedOf } from '../../../../../src/core/night/ledger/judgement.ts';
import { repairsOf } from '../../../../../src/core/night/advice/stars/repairs.ts';
import { focusNow } from '../../../../../src/core/night/learned/focusNow.ts';
import { nightAt } from '../../../../../src/core/night/nightAt.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { focusModel } from '../../../../../src/features/pointing/model.ts';
import { pointingSummary } from '../../../../../src/features/pointing/station.ts';
import { makeFormat } from '../../../../../src/text/format.ts';
import { at, before, night } from '../../../../support/nights.ts';
import { reading } from '../../../../support/records.ts';

const rig = { type: 'rig', id: 'demo-heron' } as const;
/** 11 um up the scale for each degree colder. */
const past = [0, 3, 6, 9].map((temperatureC, i) =>
  before('focus', { positionUm: 12_500 - 11 * temperatureC, temperatureC, fwhmPx: 2.5 }, `f${i}`, rig),
);
const focused = (minute: number, temperatureC: number): Reading =>
  reading(
    'focus',
    { positionUm: 12_500 - 11 * temperatureC, temperatureC, fwhmPx: null },
    { ...at(minute), id: `now${minute}`, subject: rig },
  );
const air = (minute: number, temperatureC: number): Reading =>
  reading('air', { temperatureC }, { ...at(minute), id: `air${minute}`, subject: { type: 'night', id: 'night' } });
const told = (...readings: Reading[]) => {
  const tonight = night({ readings: [...past, ...readings] });
  return { tonight, now: focusNow(tonight.records, tonight.numbers) };
};

describe('focus and the air', () => {
  it('moves by the learned slope, up the scale where it gets colder; f/4.8 leaves 31 um to either side', () => {
    const { now } = told(focused(1, 6), air(2, 4));
    expect(now!.shiftUm).to.be.closeTo(22, 1e-6);
    expect(now!.allowedUm).to.be.closeTo(30.9, 0.1);
    expect(now!.stands).to.equal(true);
    expect(told(focused(1, 6), air(2, 9)).now!.shiftUm).to.be.closeTo(-33, 1e-6);
    expect(told(focused(1, 6), air(2, 9)).now!.stands).to.equal(false);
  });

  it('is not known without a focus, without air noted after it, or without a slope', () => {
    expect(told(air(2, 4)).now).to.equal(null);
    expect(told(focused(1, 6)).now).to.equal(null);
    expect(told(air(1, 0), focused(2, 6)).now, 'the air was noted before').to.equal(null);
    const alone = night({ readings: [focused(1, 6), air(2, 0)] });
    expect(focusNow(alone.records, alone.numbers)).to.equal(null);
  });

  it('gone, it was looked at by nobody since; focused again it was', () => {
    expect(unlookedOf(told(focused(1, 6), air(2, 4)).tonight)).not.to.include('focus');
    expect(unlookedOf(told(focused(1, 6), air(2, 0)).tonight)).to.include('focus');
    expect(unlookedOf(told(focused(1, 6), air(2, 0), focused(3, 0)).tonight)).not.to.include('focus');
  });

  it('gone, each sub until the next focus is lost: the minutes pay while subs are left', () => {
    const { tonight } = told(focused(1, 6), air(2, 0));
    const { sub } = nightAt(tonight, tonight.targetSky!.transit.transitMs).stars!;
    const subs = tonight.plan!.subs;
    const [early, late] = [subs[0]!.startMs, subs.at(-1)!.startMs].map((ms) =>
      repairsOf(tonight, { ...sub, exposureS: 20 }, ms).find((r) => r.code === 'focus')!,
    );
    expect(early).to.deep.include({ step: 'pointing', minutes: 3, own: false, worth: true });
    expect(early!.from).to.be.closeTo(66, 1e-6);
    expect(early!.lost).to.equal(2);
    expect(early!.won).to.be.greaterThan(50);
    expect(late).to.deep.include({ lost: 1, won: 0, worth: false });
    const standing = told(focused(1, 6), air(2, 4)).tonight;
    expect(repairsOf(standing, sub, subs[0]!.startMs).map((r) => r.code)).not.to.include('focus');
  });

  it('gone, its station asks for attention', () => {
    const state = (...readings: Reading[]) => {
      const { tonight } = told(...readings);
      const presentSnapshotIds = new Set(readings.map((r) => r.snapshotId));
      const records = { ...tonight.records, presentSnapshotIds };
      return pointingSummary({ ...tonight, records }, makeFormat('metric', 'UTC')).state;
    };
    expect(state(focused(1, 6), air(2, 0))).to.equal('attention');
    expect(state(focused(1, 6), air(2, 4))).to.equal('done');
  });

  it('the bench leaves it, or says where to begin', () => {
    expect(focusModel(told(focused(1, 6), air(2, 4)).tonight, null).saying.code).to.equal('holds');
    const gone = focusModel(told(focused(1, 6), air(2, 0)).tonight, null).saying;
    expect(gone.code === 'gone' && gone.positionUm).to.be.closeTo(12_500, 1e-6);
  });
});
