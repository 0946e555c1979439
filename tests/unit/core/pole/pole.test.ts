import { expect } from 'chai';
import fc from 'fast-check';
import { balanceOrder } from '../../../../src/core/night/advice/hands/balanceOrder.ts';
import { bearingRead } from '../../../../src/core/pole/bearing.ts';
import { groundMarks } from '../../../../src/core/pole/groundMarks.ts';
import { nightAt } from '../../../../src/core/night/nightAt.ts';
import { dialPlace } from '../../../../src/core/pole/dialOfNight.ts';
import { errorsTonight } from '../../../../src/core/pole/errorHistory.ts';
import { poleOfNight } from '../../../../src/core/pole/poleOfNight.ts';
import type { Reading } from '../../../../src/core/records/reading.ts';
import { nightRows } from '../../../../src/features/logbook/model.ts';
import { nightCard } from '../../../../src/features/night-card/model.ts';
import { dialModel } from '../../../../src/features/polar/dial/dialModel.ts';
import { polarSummary } from '../../../../src/features/polar/station.ts';
import { SETTING_DEFAULTS } from '../../../../src/core/records/setting.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { finite, holds } from '../../../support/properties.ts';
import { at, error, mounts, night, turn } from '../../../support/polar.ts';
import { event, nightRecords, reading, snapshotOf, world } from '../../../support/records.ts';

/** A degree and a half each way at 40 degrees of latitude. */
const UNTOUCHED_ARCMIN = 90 * Math.hypot(1, Math.cos((40.33 * Math.PI) / 180));
const f = makeFormat('metric', 'Europe/Lisbon');
const drift = (minute: number, haH: number, rateArcsecPerMin: number) =>
  reading('drift', { haH, decDeg: 3, rateArcsecPerMin }, { ...at(minute), sigma: { rateArcsecPerMin: 0.05 } });

/** What each place says of the pole of the same readings, arcmin on the sky. */
function everywhere(readings: Reading[]) {
  const one = night({ readings });
  const all = world({ readings });
  const polar = one.budget!.sub.polar;
  return {
    dials: poleOfNight(one.records, 'true').totalArcmin,
    budget:
      polar.known === 'size'
        ? polar.errorArcmin
        : Math.hypot(polar.altErrorArcmin, polar.azErrorArcmin * Math.cos((40.33 * Math.PI) / 180)),
    run: polarSummary(one, f),
    logbook: nightRows(all, one.records.schools.poleGoal)[0]!.polarArcmin,
    history: errorsTonight(one.records).at(-1)?.totalArcmin ?? null,
    card: nightCard(one, SETTING_DEFAULTS.balance, 60).pole,
  };
}

describe('one pole', () => {
  it('two timed stars are an error for budget, run, logbook and card alike', () => {
    const said = everywhere([drift(1, 0.1, 0.3), drift(20, -3.7, -0.2)]);
    expect(said.dials).to.be.within(1, 4);
    expect(said.budget).to.be.closeTo(said.dials!, 0.01);
    expect(said.run.state).to.equal('done');
    expect(said.logbook)
      .to.equal(said.history)
      .and.equal(poleOfNight(nightRecords({ readings: [drift(1, 0.1, 0.3), drift(20, -3.7, -0.2)] })).totalArcmin);
    expect(said.card).to.deep.include({ basis: 'measured' });
  });

  it('a thousandth of a turn moves 30 arcmin by a hair, for the budget too', () => {
    const said = everywhere([error(1, 30, 0), turn(2, 'altitude', 0.001, 30)]);
    // 0.001 of a turn at 57.3 arcmin, and 1.2 arcmin of air between the two poles.
    expect(said.dials).to.be.closeTo(30 + 1.2 + 0.057, 0.05);
    expect(said.budget).to.be.closeTo(said.dials!, 0.01);
    expect(said.run).to.deep.equal({ state: 'half', reading: 'turned' });
  });

  it('a turn of a knob that nobody knows leaves the error unknown, not better', () => {
    const readings = [error(1, 30, 0), turn(2, 'altitude', -0.5, 30)];
    const one = night({ readings, parts: mounts({ adjusters: null }) });
    const { polar } = one.budget!.sub;
    expect(polar).to.deep.include({ known: 'size' });
    expect(polar.known === 'size' && polar.errorArcmin).to.be.at.least(20);
    expect(poleOfNight(one.records)).to.deep.include({ basis: 'turned', totalArcmin: null });
  });

  it('a star given up, turned plate screws or a flip begun say nothing of the pole', () => {
    for (const what of ['driftGivenUp', 'plateMoved', 'flipBegun'] as const) {
      const said = everywhere([event(what, at(1))]);
      expect(said.budget, what).to.be.closeTo(UNTOUCHED_ARCMIN, 1e-9);
      expect(said.run, what).to.deep.equal({ state: 'open', reading: '' });
      expect(said.card, what).to.equal(null);
    }
  });

  it('by eye counts where nothing better stands, and takes nothing back that was measured', () => {
    const byEye = (minute: number) => event('setByEye', at(minute));
    expect(everywhere([byEye(1)]).budget).to.be.closeTo(8, 1e-9);
    expect(everywhere([error(1, 20, 0), byEye(2)]).budget).to.be.closeTo(21.2, 0.1);
    expect(everywhere([error(1, 20, 0), turn(2, 'altitude', -0.1, 20), byEye(3)]).budget).to.be.closeTo(8, 1e-9);
    const looked = event('lastPoleCheck', at(3));
    expect(
      poleOfNight(nightRecords({ readings: [error(1, 20, 0), turn(2, 'altitude', -0.1, 20), looked] })).basis,
    ).to.equal('turned');
    expect(everywhere([looked]).budget).to.be.closeTo(8, 1e-9);
    const oneStar = poleOfNight(nightRecords({ readings: [drift(1, 0.1, 0.3), byEye(2)] }));
    expect(oneStar.azimuth.measured, 'a timed star stays').to.equal(true);
  });

  it('a drift taken back takes its effect back', () => {
    const stars = [drift(1, 0.1, 3), drift(20, -3.7, -0.2)];
    const gone = reading('retract', { readingId: 'r1' }, at(30));
    expect(poleOfNight(nightRecords({ readings: [...stars, gone] }))).to.deep.include({
      totalArcmin: null,
      basis: 'untouched',
    });
  });

  it('no turn of a known knob makes the account smaller than the turn could', () => {
    holds(
      fc.property(finite(0, 0.5), finite(2, 60), (by, was) => {
        const before = everywhere([error(1, was, 0)]).budget;
        const after = everywhere([error(1, was, 0), turn(2, 'altitude', -by, was)]).budget;
        expect(before - after).to.be.at.most(by * 57.3 + 1e-6);
      }),
      40,
    );
  });

  it('the order of balance of a tracker asks the same pole', () => {
    const rough = (readings: Reading[]) =>
      balanceOrder(night({ readings, rigId: 'demo-wagtail' })).find((row) => row.step === 'roughPole')?.done;
    expect([rough([]), rough([event('driftGivenUp', at(1))]), rough([event('setByEye', at(1))])]).to.deep.equal([
      false,
      false,
      true,
    ]);
  });
});

describe('one dial reading', () => {
  it('card and bench read the same with the cross beside the axis and the plate tilted', () => {
    const test = reading('halfTurn', { beforeXArcmin: 0, beforeYArcmin: 0, afterXArcmin: 16, afterYArcmin: 8 }, at(1));
    const one = night({ readings: [test] });
    const [row] = nightCard(one, SETTING_DEFAULTS.balance, 60).dial;
    const moment = nightAt(one, row!.timeMs);
    const { saying } = dialModel(one, moment);
    expect(saying.code === 'engraved' && saying.reading).to.equal(row!.reading);
    const straight = dialPlace(night().records, moment.poleStar).reading!;
    expect(Math.abs(row!.reading! - straight), 'the offset is in it').to.be.greaterThan(0.1);
  });
});

describe('one bearing', () => {
  const compass = (readDeg: number, distanceM: number, minute: number) =>
    reading('compass', { readDeg, distanceM, trueDeg: readDeg }, { ...at(minute), id: `c${minute}`, nightId: 'old' });
  const feet = reading('feet', { azimuthDeg: 12 }, { ...at(0), id: 'feet', nightId: 'old' });

  it('marks remember the reading that counted, not the one beside the iron', () => {
    const readings = [compass(3, 3, 1), compass(14, 0.4, 2)];
    expect(bearingRead(readings).trueDeg).to.equal(3);
    const early = [feet, ...readings].map((r) => ({ ...r, takenAtUtc: r.takenAtUtc.replace('-24T', '-20T') }));
    const marks = groundMarks(nightRecords({ readings: early, snapshots: [snapshotOf()] }));
    expect(marks?.lastErrorDeg).to.equal(3);
  });

  it('marks tell the last setting down, and the error found first on it', () => {
    const on = (nightId: string, day: string, kind: Reading['kind'], values: object, hour: number) =>
      reading(kind, values, {
        id: `${nightId}${kind}${hour}`,
        nightId,
        takenAtUtc: `2026-11-${day}T${hour}:00:00.000Z`,
      });
    const pole = (az: number) => ({ altErrorArcmin: 0, azErrorArcmin: az, method: 'typed', reference: 'true' });
    const readings = [
      on('a', '19', 'feet', { azimuthDeg: 10 }, 17),
      on('a', '19', 'polarError', pole(60), 18),
      on('b', '20', 'feet', { azimuthDeg: 11 }, 17),
      on('b', '20', 'polarError', pole(-90), 18),
      on('b', '20', 'polarError', pole(6), 19),
    ];
    const marks = groundMarks(nightRecords({ readings, snapshots: [snapshotOf()] }))!;
    expect(marks).to.deep.include({ firstFootAzimuthDeg: 11, lastErrorDeg: -1.5, nights: 2, expectWithinDeg: 1.5 });
  });
});
