import { expect } from 'chai';
import { subAnswer } from '../../../src/core/night/advice/stars/subAnswer.ts';
import { nightAt } from '../../../src/core/night/nightAt.ts';
import { tellingPole } from '../../../src/core/pole/measuredErrors.ts';
import { byNight } from '../../../src/core/history/readingIndex.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { runFor } from '../../../src/core/night/plan/run.ts';
import type { MountPart } from '../../../src/core/records/part.ts';
import { SETTING_DEFAULTS } from '../../../src/core/records/setting.ts';
import { lightPathModel } from '../../../src/features/light-path/model.ts';
import { filterRows, foldedTicks, nightRows, polarTrend, smoothed } from '../../../src/features/logbook/model.ts';
import { CALENDAR_ALARMS, nightCard } from '../../../src/features/night-card/model.ts';
import { focusModel } from '../../../src/features/pointing/model.ts';
import { checksModel, trackingModel } from '../../../src/features/tracking/model.ts';
import { isShown, stopPath } from '../../../src/session/paths.ts';
import type { AllRecords } from '../../../src/core/history/nightRecords.ts';
import { event, withReadings, parts, reading, world } from '../../support/records.ts';
import { at, before, changed, night, type Wish } from '../../support/nights.ts';

const auas = { latDeg: -22.75, lonDeg: 17.2, elevationM: 1800, zoneIana: 'Africa/Windhoek' };

describe('light-path model', () => {
  it('says right, short, long, misfit, nothing to set, incomplete', () => {
    const code = (wish: Wish) => lightPathModel(night(wish)).saying.code;
    expect(code({})).to.equal('right');
    expect(code({ parts: changed('demo-heron-wheel', { lengthMm: 15 }) })).to.equal('short');
    expect(code({ parts: changed('demo-heron-wheel', { lengthMm: 25 }) })).to.equal('long');
    expect(code({ parts: changed('demo-heron-camera', { front: { thread: 'M54x0.75', gender: 'female' } }) })).to.equal(
      'misfit',
    );
    expect(code({ rigId: 'demo-wagtail' })).to.equal('noCorrector');
    expect(code({ parts: parts.filter((p) => p.id !== 'demo-heron-tube') })).to.equal('incomplete');
    expect(lightPathModel(night()).circle?.covers).to.equal(true);
  });
});

describe('focus model', () => {
  const rig = { type: 'rig', id: 'demo-heron' } as const;
  const past = [0, 3, 6, 9].map((temperatureC, i) =>
    before('focus', { positionUm: 12_500 - 11 * temperatureC, temperatureC, fwhmPx: 2.5 }, `f${i}`, rig),
  );

  it('starts from nothing, from last time, from the slope for a temperature, from tonight', () => {
    expect(focusModel(night(), null).saying.code).to.equal('first');
    expect(focusModel(night({ readings: past }), null).saying).to.deep.include({
      code: 'lastTime',
      positionUm: 12_401,
    });
    const predicted = focusModel(night({ readings: past }), -2).saying;
    expect(predicted.code === 'predicted' && predicted.positionUm).to.be.closeTo(12_522, 1e-6);
    const now = reading('focus', { positionUm: 12_390, temperatureC: 1, fwhmPx: null }, { subject: rig });
    expect(focusModel(night({ readings: [...past, now] }), 4).saying).to.deep.include({
      code: 'tonight',
      positionUm: 12_390,
    });
  });

  it('does not learn from another rig', () => {
    const another = { type: 'rig', id: 'demo-plover' } as const;
    const others = past.map((r) => ({ ...r, subject: another }));
    expect(focusModel(night({ readings: others }), null).points).to.deep.equal([]);
  });
});

describe('tracking model', () => {
  it('a guided rig keeps its subs, an unguided one is told what helps first, and to shorten when nothing free does', () => {
    const model = (wish: Wish = {}) => {
      const tonight = night(wish);
      const then = nightAt(tonight, tonight.targetSky!.transit.transitMs);
      return { ...trackingModel(tonight, then.stars, then.target!)!, margin: then.stars?.budget.shareAcceptable };
    };
    const guided = model({ readings: [event('setByEye')] });
    expect(guided.answer.share).to.be.greaterThan(0.9);
    expect(guided.answer.lever).to.equal(null);
    expect(guided.basis.unguidedShare!, 'what guiding spares it').to.be.lessThan(guided.answer.share);
    expect(guided.answer.share).to.equal(guided.margin);
    const wagtail = (subS: number, readings: Reading[] = []): Wish => ({
      site: auas,
      rigId: 'demo-wagtail',
      targetId: 'demo-ngc253',
      plan: { subS },
      readings,
    });
    expect(model(wagtail(60)).answer.lever).to.include({ code: 'lookPole', value: 8 });
    const looked = model(wagtail(180, [event('setByEye')])).answer;
    expect(looked.lever, 'the drive decides').to.equal(null);
    expect(looked.longestS).to.be.within(30, 179);
    expect(model(wagtail(2)).answer.share).to.be.greaterThan(0.9);
    const noCamera = { ...wagtail(30), parts: parts.filter((p) => p.id !== 'demo-wagtail-camera') };
    expect(trackingModel(night(noCamera), null, { haH: 0, altDeg: 60 })).to.equal(null);
  });

  it('lists the checks of this mount with their ticks', () => {
    const tick = reading('check', { listId: 'beforeFirstSub', itemId: 'rate', done: true });
    const found = checksModel(night({ readings: [tick] }));
    expect(found.filter((c) => c.done).map((c) => c.id)).to.deep.equal(['rate']);
  });
});

describe('logbook model', () => {
  const errors = (id: string, alt: number) =>
    reading(
      'polarError',
      { altErrorArcmin: alt, azErrorArcmin: 0, method: 'typed', reference: 'refracted' },
      { id, nightId: id },
    );
  const base = world();
  const nights = ['2026-11-20', '2026-11-22', '2026-11-24'].map((eveningDate, i) => ({
    ...base.nights[0]!,
    id: `n${i}`,
    eveningDate,
  }));
  const records = {
    ...base,
    nights,
    readings: byNight(
      [errors('n0', 9), errors('n1', 4), reading('subs', { count: 10, usable: 8 }, { nightId: 'n2' })],
      tellingPole(() => 40),
    ),
  };

  const rowsOf = (all: AllRecords) => nightRows(all, 'refracted');

  it('counts the ticks of the long lists by their last word, and lists everything else', () => {
    const tick = (listId: string, itemId: string, done: boolean, minute: number) =>
      reading('check', { listId, itemId, done }, { ...at(minute), id: `${listId}${itemId}${minute}` });
    const kept = tick('beforeFirstSub', 'caps', true, 4);
    const { listed, ticked } = foldedTicks([
      tick('packing', 'a', true, 1),
      tick('packing', 'b', true, 2),
      tick('packing', 'a', false, 3),
      tick('assembly', 'headOn', true, 3),
      kept,
    ]);
    expect(listed).to.deep.equal([kept]);
    expect([...ticked]).to.deep.equal([
      ['packing', 1],
      ['assembly', 1],
    ]);
  });

  it('lists nights newest first with the last word on each thing', () => {
    const rows = rowsOf(records);
    expect(rows.map((r) => r.night.id)).to.deep.equal(['n2', 'n1', 'n0']);
    expect(rows.map((r) => (r.polarArcmin === null ? null : Math.round(r.polarArcmin)))).to.deep.equal([null, 4, 9]);
    expect(rows[0]!.subs).to.deep.equal({ count: 10, usable: 8 });
    expect(polarTrend(rows).map((p) => p.date)).to.deep.equal(['2026-11-20', '2026-11-22']);
  });

  it('leaves out deleted nights and readings taken back', () => {
    const gone = {
      ...records,
      nights: nights.map((n) => (n.id === 'n1' ? { ...n, deletedAtUtc: '2026-11-25T00:00:00.000Z' } : n)),
    };
    expect(rowsOf(gone).map((r) => r.night.id)).to.deep.equal(['n2', 'n0']);
    const retract = reading('retract', { readingId: 'n0' }, { id: 'x', nightId: 'n0' });
    expect(rowsOf(withReadings(records, [retract]))[2]!.polarArcmin).to.equal(null);
  });

  it('a long trend is told by the middle of ten nights to either side', () => {
    const points = Array.from({ length: 40 }, (_, i) => ({
      nightId: `n${i}`,
      date: '',
      dayMs: i,
      arcmin: i === 20 ? 90 : i % 2 === 0 ? 4 : 6,
    }));
    const through = smoothed(points).map((p) => p.arcmin);
    expect(through[20], 'one clumsy night does not move it').to.equal(6);
    expect([through[0], through[1], through[39]]).to.deep.equal([4, 5, 6]);
    expect(smoothed(points).map((p) => p.dayMs)).to.deep.equal(points.map((p) => p.dayMs));
  });

  it('filters by every word in any column', () => {
    const rows = rowsOf(records);
    const dates = (filter: string) => filterRows(rows, filter).map((r) => r.night.eveningDate);
    expect(dates('heron 2026-11-22')).to.deep.equal(['2026-11-22']);
    expect(dates('ESTRELA ngc')).to.have.length(3);
    expect(dates('sun 22 nov')).to.deep.equal(['2026-11-22']);
    expect(dates('nov wagtail')).to.deep.equal([]);
  });
});

describe('night card', () => {
  it('gathers a German mount’s night', () => {
    const card = nightCard(night(), SETTING_DEFAULTS.balance, 60);
    const codes = card.events.map((e) => e.code);
    expect(codes.filter((code) => code !== 'setUp' && code !== 'align')).to.deep.equal([
      'sunset',
      'dark',
      'start',
      'flip',
      'end',
      'dawn',
      'sunrise',
    ]);
    const timeOf = (code: string) => card.events.find((e) => e.code === code)!.timeMs;
    expect(timeOf('align') - timeOf('setUp')).to.equal(3_600_000);
    expect(timeOf('align')).to.be.within(timeOf('sunset'), timeOf('dark'));
    expect(codes).to.deep.equal([...codes].sort((a, b) => timeOf(a) - timeOf(b)));
    const at = night();
    const middle = nightAt(at, (at.usable!.fromMs + at.usable!.toMs) / 2).stars!;
    const { answer, ...stars } = card.stars!;
    expect(stars).to.deep.equal({ judgement: middle.judgement, share: middle.budget.shareAcceptable });
    expect(answer.longestS).to.equal(subAnswer(at, middle.sub).longestS);
    expect(card.dial).to.have.length(26);
    const steps = card.dial.slice(1).map((row, i) => row.timeMs - card.dial[i]!.timeMs);
    expect(new Set(steps)).to.deep.equal(new Set([1_800_000]));
    expect(card.weights).to.have.length(1);
    expect(card.weights[0]!.positionM).to.be.closeTo(0.2927, 1e-4);
    const [before, after] = card.groups;
    expect([before!.count, before!.subS, before!.gapS, before!.side]).to.deep.equal([70, 120, 5, 'before']);
    expect(after!.count, 'not below 25 degrees').to.be.within(100, 230);
    expect(card.targets).to.deep.include.members([
      {
        name: 'NGC 281',
        subS: 120,
        count: before!.count + after!.count,
        integrationS: 120 * (before!.count + after!.count),
        latestFlipsMs: [at.plan!.limitMs],
      },
    ]);
    expect(card.targets[0]!.latestFlipsMs[0]).to.be.closeTo(card.transits[0]!.timeMs, 1);
    expect(card.spacing?.presentMm).to.equal(55.5);
  });

  it('a mount without a polar axis has no dial, one that never flips no latest flip', () => {
    const altAz = changed('demo-heron-mount', { mountKind: 'altAzimuth' });
    const card = nightCard(night({ parts: altAz }), SETTING_DEFAULTS.balance, 60);
    expect([card.dial, card.targets[0]!.latestFlipsMs]).to.deep.equal([[], []]);
    expect(nightCard(night({ targetId: 'demo-ngc104' }), SETTING_DEFAULTS.balance, 60).transits).to.deep.equal([]);
  });

  it('at a midnight sun the card has no times for a star that nobody sees', () => {
    const card = nightCard(
      night({ site: { latDeg: 70, lonDeg: 20, zoneIana: 'Europe/Oslo' }, date: '2026-06-21' }),
      SETTING_DEFAULTS.balance,
      60,
    );
    expect(card.events).to.deep.equal([]);
    expect(card.dial).to.deep.equal([]);
  });

  it('every alarm belongs to an event with something to do', () => {
    expect(Object.values(CALENDAR_ALARMS).every((minutes) => minutes >= 5 && minutes <= 60)).to.equal(true);
  });
});

describe('addresses of the run', () => {
  it('carry the visit and the scrubbed time, and know what is shown', () => {
    const mount = parts.find((p) => p.id === 'demo-wagtail-mount') as MountPart;
    const [rough, final] = runFor(mount).stops.filter((s) => s.step === 'polar');
    expect(stopPath('n1', rough!, null)).to.equal('/n/n1/polar?visit=rough');
    expect(stopPath('n1', { step: 'watch', visit: null }, '2026-11-24T21:00:00.000Z')).to.equal(
      '/n/n1/watch?at=2026-11-24T21%3A00%3A00.000Z',
    );
    expect([isShown(rough!, '/n/n1/polar', ''), isShown(final!, '/n/n1/polar', '')]).to.deep.equal([true, false]);
    expect([
      isShown(rough!, '/n/n1/polar', '?visit=final'),
      isShown(final!, '/n/n1/polar', '?visit=final'),
    ]).to.deep.equal([false, true]);
    expect(isShown(rough!, '/n/n1/balance', '')).to.equal(false);
  });
});
