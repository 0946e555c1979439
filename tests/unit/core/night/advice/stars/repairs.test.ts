import { expect } from 'chai';
import fc from 'fast-check';
import { minutesOf } from '../../../../../../src/core/night/advice/stars/minutesOf.ts';
import { countWorth, repairsOf } from '../../../../../../src/core/night/advice/stars/repairs.ts';
import { keptPerHour, shareOfLength } from '../../../../../../src/core/night/advice/stars/usableOfNight.ts';
import { nightAt } from '../../../../../../src/core/night/nightAt.ts';
import { goalOfNight } from '../../../../../../src/core/night/ledger/goalOfNight.ts';
import type { Reading } from '../../../../../../src/core/records/reading.ts';
import { before, night, type Wish } from '../../../../../support/nights.ts';
import { at, error } from '../../../../../support/polar.ts';
import { nightRecords, reading } from '../../../../../support/records.ts';

const rms = (rmsRaArcsec: number, rmsDecArcsec: number): Reading =>
  reading('guiding', { rmsRaArcsec, rmsDecArcsec }, { ...at(2), id: 'g' });

/** Priced when the first sub is about to start. */
function priced(wish: Wish) {
  const tonight = night(wish);
  const { sub } = nightAt(tonight, tonight.targetSky!.transit.transitMs).stars!;
  const of = (timeMs: number) => repairsOf(tonight, sub, timeMs);
  return { tonight, sub, of, first: of(tonight.plan!.subs[0]!.startMs) };
}

describe('worth the minutes', () => {
  it('counts the subs that the work costs and the usable ones that it brings', () => {
    // 60 subs of 2 minutes left, 9 minutes: five lost; of 55 four in five instead of half.
    expect(countWorth(60, 2, 9, { now: 0.5, then: 0.8 })).to.deep.equal({ lost: 5, won: 17, worth: true });
    expect(countWorth(60, 2, 9, { now: 0.9, then: 0.95 })).to.deep.equal({ lost: 5, won: 3, worth: false });
    expect(countWorth(3, 2, 9, { now: 0, then: 1 }), 'nothing would be left').to.deep.equal({
      lost: 3,
      won: 0,
      worth: false,
    });
    expect(countWorth(60, 2, 9, { now: 0.5, then: 0.4 }), 'nothing is won by what is worse').to.deep.equal({
      lost: 5,
      won: 0,
      worth: false,
    });
  });

  it('a shorter night never makes a repair dearer, wins no more by it, and never makes it worth it', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    const minutes = fc.double({ min: 0.1, max: 60, noNaN: true });
    fc.assert(
      fc.property(fc.nat(200), fc.nat(200), minutes, minutes, share, share, (a, b, sub, work, now, then) => {
        const [shorter, longer] = [Math.min(a, b), Math.max(a, b)].map((left) =>
          countWorth(left, sub, work, { now, then }),
        );
        expect(shorter!.lost).to.be.at.most(longer!.lost);
        expect(shorter!.won).to.be.at.most(longer!.won);
        expect(shorter!.worth && !longer!.worth).to.equal(false);
      }),
    );
  });

  it('prices a measured pole beyond the goal with this user’s own minutes', () => {
    const timing = before('timing', { step: 'polar', minutes: 20 }, 'old-t', { type: 'rig', id: 'demo-heron' });
    const many = Array.from({ length: 30 }, (_, i) =>
      before('timing', { step: 'balance', minutes: 90 }, `b${i}`, { type: 'rig', id: 'demo-heron' }),
    );
    expect(
      minutesOf(nightRecords({ readings: [timing, ...many] }), 'polar'),
      'each step forgets by its own',
    ).to.deep.equal({
      minutes: 20,
      own: true,
    });
    const other = before('timing', { step: 'balance', minutes: 90 }, 'old-b', { type: 'rig', id: 'demo-heron' });
    const long = (readings: Reading[]) => priced({ readings, plan: { subS: 600 } }).first;
    const [assumed] = long([error(1, 20, 20)]);
    expect(assumed).to.include({ code: 'pole', step: 'polar', minutes: 8, own: false, lost: 1, worth: true });
    expect(assumed!.to).to.equal(goalOfNight(night({ plan: { subS: 600 } })).goalArcmin);
    expect(long([timing, other, error(1, 20, 20)])[0]).to.include({ minutes: 20, own: true, lost: 2 });
    expect(long([error(1, 0.1, 0.1)]), 'within the goal').to.deep.equal([]);
    expect(long([]), 'nobody knows how far').to.deep.equal([]);
    const { tonight, of } = priced({ readings: [error(1, 20, 20)] });
    expect(of(tonight.plan!.subs.at(-1)!.endMs), 'nothing left').to.deep.equal([]);
  });

  it('prices guiding only where it was measured, by its worse axis', () => {
    expect(priced({}).first, 'assumed').to.deep.equal([]);
    expect(priced({ readings: [rms(0.5, 0.7)] }).first, 'good already').to.deep.equal([]);
    const [guiding] = priced({ readings: [rms(0.6, 1.9)] }).first;
    expect(guiding).to.include({ code: 'guiding', step: 'tracking', from: 1.9, to: 0.7, minutes: 10, own: false });
    expect(guiding!.won).to.be.greaterThan(0);
  });

  it('ranks what pays first, and wins what the account itself says of the mended sub', () => {
    const readings = [error(1, 20, 20), rms(1.6, 1.6)];
    const { tonight, sub, first } = priced({ readings });
    expect(first.map((r) => r.code)).to.have.members(['pole', 'guiding']);
    const share = shareOfLength(sub, sub.exposureS, tonight);
    first.slice(1).forEach((one, i) => {
      const earlier = first[i]!;
      expect(earlier.worth || !one.worth).to.equal(true);
      const of = ({ lost, won }: typeof one) => won - lost * share;
      if (earlier.worth === one.worth) expect(of(earlier)).to.be.at.least(of(one) - 1);
    });
    const guiding = first.find((r) => r.code === 'guiding')!;
    if (!sub.tracking.guided) throw new Error('Heron is guided');
    const mended = { ...sub, tracking: { ...sub.tracking, rmsRaArcsec: 0.7, rmsDecArcsec: 0.7 } };
    const gain = shareOfLength(mended, sub.exposureS, tonight) - shareOfLength(sub, sub.exposureS, tonight);
    const left = tonight.plan!.subs.length - guiding.lost;
    expect(guiding.won).to.equal(Math.round(left * gain));
  });

  it('counts what is usable already: a pole that spoils a part wins only that part', () => {
    const doubtful = { ...error(1, 38, 38), sigma: { altErrorArcmin: 8, azErrorArcmin: 8 } };
    const readings = [doubtful, rms(0.5, 0.5)];
    const { tonight, sub, first } = priced({ readings, plan: { subS: 300 } });
    const [pole] = first;
    const now = shareOfLength(sub, sub.exposureS, tonight);
    expect(now).to.be.within(0.2, 0.95);
    const mended = { ...sub, polar: { known: 'size' as const, errorArcmin: pole!.to } };
    const left = tonight.plan!.subs.length - pole!.lost;
    expect(pole!.won).to.equal(Math.round(left * (shareOfLength(mended, sub.exposureS, tonight) - now)));
  });

  it('keeps so many an hour: 120 s with pauses of 10, nine in ten usable', () => {
    expect(keptPerHour(0.9, 120, 10)).to.be.closeTo(24.92, 0.01);
  });
});

describe('minutes of a step', () => {
  const subject = { type: 'mount', id: 'demo-heron-mount' } as const;
  const errorAt = (id: string, time: string, nightId = 'old'): Reading =>
    reading(
      'polarError',
      { altErrorArcmin: 3, azErrorArcmin: 3, method: 'typed', reference: 'refracted' },
      { id, nightId, subject, takenAtUtc: `2026-11-${time}:00.000Z` },
    );
  const told = (...readings: Reading[]) => minutesOf(nightRecords({ readings }), 'polar');

  it('are told by the readings of aligning, a later look apart; a note of one’s own counts before them', () => {
    const evening = [errorAt('a', '01T20:00'), errorAt('b', '01T20:07'), errorAt('c', '01T20:12')];
    expect(told()).to.deep.equal({ minutes: 8, own: false });
    expect(told(errorAt('a', '01T20:00')), 'one reading has no length').to.deep.equal({ minutes: 8, own: false });
    expect(told(...evening)).to.deep.equal({ minutes: 12, own: true });
    expect(told(...evening, errorAt('d', '02T02:00')), 'a check at the end').to.deep.equal({ minutes: 12, own: true });
    const others = [errorAt('e', '03T20:00', 'older'), errorAt('f', '03T20:04', 'older')];
    expect(told(...evening, ...others).minutes, 'the middle of the nights').to.equal(8);
    const quick = Array.from({ length: 20 }, (_, i) => {
      const day = String(i + 1).padStart(2, '0');
      return [errorAt(`q${i}`, `${day}T21:00`, `n${i}`), errorAt(`r${i}`, `${day}T21:04`, `n${i}`)];
    }).flat();
    const slow = quick.map((r, i): Reading => ({
      ...r,
      id: `s${i}`,
      nightId: `s${Math.floor(i / 2)}`,
      takenAtUtc: `2026-10-01T20:${i % 2 ? 10 : 30}:00.000Z`,
    }));
    expect(told(...quick, ...slow).minutes, 'the last twenty nights').to.equal(4);
    const pause = (minute: string) => told(errorAt('y', '01T19:00'), errorAt('z', `01T19:${minute}`));
    expect([pause('30').minutes, pause('31').own], 'the longest pause in one work').to.deep.equal([30, false]);
    const noted = before('timing', { step: 'polar', minutes: 15 }, 't', { type: 'rig', id: 'demo-heron' });
    expect(told(...evening, noted)).to.deep.equal({ minutes: 15, own: true });
    expect(minutesOf(nightRecords({ readings: evening }), 'tracking').own).to.equal(false);
  });
});
