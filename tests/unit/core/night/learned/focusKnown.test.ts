import { expect } from 'chai';
import { unlookedOf } from '../../../../../src/core/night/ledger/judgement.ts';
import { repairsOf } from '../../../../../src/core/night/advice/stars/repairs.ts';
import { focusKnown } from '../../../../../src/core/night/learned/focusKnown.ts';
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
  return { tonight, now: focusKnown(tonight.records, tonight.numbers) };
};

describe('focus and the air', () => {
  it('moves by the learned slope, up the scale where it gets colder; f/4.8 leaves 31 um to either side', () => {
    const { now } = told(focused(1, 6), air(2, 4));
    expect(now!.value).to.be.closeTo(22, 1e-6);
    expect(now!.allowedUm).to.be.closeTo(30.9, 0.1);
    expect(now!.state).to.equal('stands');
    expect(told(focused(1, 6), air(2, 9.5)).now!.value).to.be.closeTo(-38.5, 1e-6);
  });

  it('is gone only when it is gone beyond its doubt, and stands only within it', () => {
    const state = (celsius: number) => told(focused(1, 6), air(2, celsius)).now!.state;
    // The slope is known to 0.9 um a degree: 30.8 um may be left or not.
    expect([4, 3.3, 3, 2].map(state)).to.deep.equal(['stands', 'doubtful', 'doubtful', 'gone']);
    expect(told(focused(1, 6), air(2, 3.2)).now!.doubt).to.be.closeTo(2.8 * (6 / Math.sqrt(45)), 0.02);
  });

  it('without a slope a tube may do what aluminium does: a few degrees leave it in doubt, never gone', () => {
    const alone = (celsius: number) => {
      const tonight = night({ readings: [focused(1, 6), air(2, celsius)] });
      return focusKnown(tonight.records, tonight.numbers)!;
    };
    expect([4, -4].map((celsius) => alone(celsius).state)).to.deep.equal(['stands', 'doubtful']);
    expect(alone(4).doubt).to.be.closeTo(2 * 24e-6 * 384.33 * 1000, 0.1);
  });

  it('is not known without a focus; nothing says that it moved before the air was noted', () => {
    expect(told(air(2, 4)).now).to.equal(null);
    expect(told(focused(1, 6)).now).to.include({ value: 0, doubt: 0, state: 'stands', air: null });
    expect(told(air(1, 0), focused(2, 6)).now!.air, 'the air was noted before').to.equal(null);
  });

  it('gone or in doubt, it was looked at by nobody since; focused again it was', () => {
    expect(unlookedOf(told(focused(1, 6), air(2, 4)).tonight)).not.to.include('focus');
    expect(unlookedOf(told(focused(1, 6), air(2, 3)).tonight)).to.include('focus');
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
    expect(focusModel(told(focused(1, 6), air(2, 4)).tonight, null).saying.code).to.equal('stands');
    const gone = focusModel(told(focused(1, 6), air(2, 0)).tonight, null).saying;
    expect(gone.code === 'gone' && gone.positionUm).to.be.closeTo(12_500, 1e-6);
  });
});
