import { expect } from 'chai';
import { stopSummary } from '../../../src/app/frame/summaries.ts';
import type { Stop } from '../../../src/core/night/plan/run.ts';
import { nightStatic } from '../../../src/core/night/nightStatic.ts';
import type { Rig } from '../../../src/core/records/rig.ts';
import type { Step } from '../../../src/core/records/reading.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { event, nightRecords, reading, snapshotOf } from '../../support/records.ts';

const format = makeFormat('metric', 'Europe/Lisbon');
type Wish = Parameters<typeof nightRecords>[0];

/** The summary of a station, with every reading taken with the present rig unless told otherwise. */
function summary(
  step: Step,
  wish: Wish = {},
  { visit = null, stale = false }: { visit?: Stop['visit']; stale?: boolean } = {},
) {
  const lighter = (rig: Rig): Rig => ({ ...rig, placed: rig.placed.filter((p) => p.partId !== 'demo-heron-wheel') });
  const records = nightRecords({ ...wish, snapshots: [snapshotOf(wish, 's1', stale ? lighter : undefined)] });
  const presentSnapshotIds = new Set(stale ? [] : ['s1']);
  return stopSummary({ step, group: 'Outdoors', visit }, nightStatic({ ...records, presentSnapshotIds }), format);
}
const state = (...args: Parameters<typeof summary>) => summary(...args).state;
const at = (minute: number) => ({ takenAtUtc: `2026-11-24T20:${String(minute).padStart(2, '0')}:00.000Z` });
const compass = reading('compass', { readDeg: 1, distanceM: 2, trueDeg: 0.6 });
const level = reading('level', { tiltDeg: 0.3, uphillAzimuthDeg: 90 });
const focus = (minute = 0) => reading('focus', { positionUm: 12_000, temperatureC: 5, fwhmPx: 2.4 }, at(minute));
const tick = (listId: string, itemId: string, done = true, minute = 0) =>
  reading('check', { listId, itemId, done }, { ...at(minute), id: `${itemId}-${minute}` });
const balance = (drops: string, minute = 0, positionM = 0.27) =>
  reading('balance', { axis: 'ra', positionM, drops }, { ...at(minute), id: `b${minute}` });
const wagtail: Wish = { rigId: 'demo-wagtail' };

describe('station states', () => {
  it('stations at the desk follow from the records alone', () => {
    expect(summary('light-path')).to.deep.equal({ state: 'done', reading: '55.5 mm' });
    expect(summary('light-path', wagtail)).to.deep.equal({ state: 'done', reading: '6.72″/px' });
    expect(summary('payload')).to.deep.equal({ state: 'done', reading: '7.0/12.0 kg' });
    expect(state('payload', { rigId: 'demo-plover' })).to.equal('attention');
    expect(summary('meridian')).to.deep.equal({ state: 'done', reading: 'flip 21:09' });
    expect(state('meridian', { targetId: 'demo-ngc104' })).to.equal('attention');
    expect(state('meridian', { targetId: null })).to.equal('open');
    const paused = event('paused', { takenAtUtc: '2026-11-24T19:30:00.000Z' });
    expect(summary('meridian', { readings: [paused] })).to.deep.equal({ state: 'attention', reading: 'paused' });
  });

  it('level asks for bearing and level both', () => {
    expect(summary('level')).to.deep.equal({ state: 'open', reading: '' });
    expect(summary('level', { readings: [level] })).to.deep.equal({ state: 'half', reading: '0.3°' });
    expect(state('level', { readings: [level, compass] })).to.equal('done');
    const shadow = reading('shadow', { shadowDeg: 50, clockwiseDeg: -50, trueDeg: 0 });
    expect(state('level', { readings: [level, shadow] }), 'a shadow is as good as a needle').to.equal('done');
    expect(state('level', { readings: [level, compass] }, { stale: true })).to.equal('attention');
  });

  it('balance is open with its prediction, half after a trial, done when nothing drops, stale after a change', () => {
    expect(summary('balance')).to.deep.equal({ state: 'open', reading: '293 mm' });
    expect(summary('balance', { readings: [balance('tube')] })).to.deep.equal({ state: 'half', reading: '270 mm' });
    expect(state('balance', { readings: [balance('none', 0, 0.293)] })).to.equal('done');
    expect(state('balance', { readings: [balance('none')] }), 'far from the prediction it must stay twice').to.equal(
      'half',
    );
    expect(state('balance', { readings: [balance('none', 0, 0.293)] }, { stale: true })).to.equal('attention');
  });

  it('the pole is half by eye and done when measured', () => {
    expect(summary('polar')).to.deep.equal({ state: 'open', reading: '' });
    expect(summary('polar', { readings: [event('setByEye')] })).to.deep.equal({
      state: 'half',
      reading: 'by eye',
    });
    const error = reading('polarError', {
      altErrorArcmin: 3,
      azErrorArcmin: 0,
      method: 'typed',
      reference: 'refracted',
    });
    expect(summary('polar', { readings: [error] })).to.deep.equal({ state: 'done', reading: '3.0′' });
    const turn = { adjuster: 'altitude', turns: 0.2, afterLockOrReversal: true, beforeArcmin: 3, afterArcmin: null };
    const turned = summary('polar', { readings: [error, reading('knobTurn', turn, at(5))] });
    expect(turned, 'what was turned has to be measured again').to.deep.equal({ state: 'half', reading: 'turned' });
  });

  it('a tracker’s rough pole is done by eye, its last check only after everything is on', () => {
    const rough = event('setByEye', at(1));
    const check = (minute: number) => event('lastPoleCheck', at(minute));
    const visit = (v: 'rough' | 'final', readings: Wish) => state('polar', { ...wagtail, ...readings }, { visit: v });
    expect(visit('rough', { readings: [rough] })).to.equal('done');
    expect(visit('final', { readings: [rough] })).to.equal('open');
    expect(visit('final', { readings: [rough, balance('none', 5), check(9)] })).to.equal('done');
    expect(visit('final', { readings: [rough, check(4), balance('none', 5)] })).to.equal('open');
    const error = reading(
      'polarError',
      { altErrorArcmin: 3, azErrorArcmin: 0, method: 'typed', reference: 'true' },
      at(8),
    );
    expect(visit('final', { readings: [rough, focus(5), error] })).to.equal('done');
    expect(visit('final', { readings: [error] })).to.equal('open');
  });

  it('focus, tracking, watch and logbook', () => {
    expect(summary('pointing', { readings: [focus()] })).to.deep.equal({ state: 'done', reading: '2.4 px' });
    expect(state('tracking')).to.equal('open');
    const two = [tick('beforeFirstSub', 'clutches'), tick('beforeFirstSub', 'rate')];
    expect(summary('tracking', { readings: two })).to.deep.equal({ state: 'half', reading: '2 of 7' });
    const untick = tick('beforeFirstSub', 'rate', false, 5);
    expect(summary('tracking', { readings: [...two, untick] }).reading).to.equal('1 of 7');
    const all = ['clutches', 'rate', 'cables', 'caps', 'parked', 'cardSpace', 'dew'].map((id) =>
      tick('beforeFirstSub', id),
    );
    expect(state('tracking', { readings: all })).to.equal('done');
    expect(state('watch')).to.equal('open');
    expect(state('watch', { readings: [event('flipBegun')] })).to.equal('half');
    expect(state('watch', { readings: [reading('subs', { count: 80, usable: 70 })] })).to.equal('done');
    expect(summary('logbook', { readings: [level] })).to.deep.equal({ state: 'none', reading: '1 night' });
  });
});
