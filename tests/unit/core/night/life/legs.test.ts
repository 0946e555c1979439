/** Several targets one after the other, the ways about the meridian, groups to key in, and the flip as a walk. */
import { expect } from 'chai';
import { cardGb, exposureGroups } from '../../../../../src/core/night/advice/exposureGroups.ts';
import { flipBy, flipSteps, flipWalk, type WalkAbout } from '../../../../../src/core/night/advice/flipWalk.ts';
import { legIndexAt, lightOf } from '../../../../../src/core/night/life/legs.ts';
import { PLAIN_PLAN } from '../../../../../src/core/night/plan/plainPlan.ts';
import { otherFirst, strategyChoices } from '../../../../../src/core/night/advice/strategies.ts';
import { watchAt } from '../../../../../src/core/night/advice/watch.ts';
import { moonOfNight } from '../../../../../src/core/night/advice/moonOfNight.ts';
import { nightEventList } from '../../../../../src/core/night/nightAt.ts';
import { recordsOfNight } from '../../../../../src/core/history/nightRecords.ts';
import { aimedAt, aimedAtTime, nightStatic, type NightStatic } from '../../../../../src/core/night/nightStatic.ts';
import type { PlanEntry } from '../../../../../src/core/records/night.ts';
import type { MountPart } from '../../../../../src/core/records/part.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { separationDeg } from '../../../../../src/core/sky/horizontal.ts';
import { moonOfDate } from '../../../../../src/core/sky/ephemeris.ts';
import { toUtcText } from '../../../../../src/core/time/utc.ts';
import { changed, night } from '../../../../support/nights.ts';
import { event, GAP_MEASURED, NOW, parts, reading, snapshotOf, world } from '../../../../support/records.ts';

const MIN = 60_000;
const mount = parts.find((p): p is MountPart => p.id === 'demo-heron-mount')!;

function sequence(entries: Partial<PlanEntry>[], readings: Reading[] = []): NightStatic {
  const all = world({ readings });
  const ids = ['demo-ngc281', 'demo-m33', 'demo-ngc1499'];
  const plan = entries.map((e, i): PlanEntry => ({ ...PLAIN_PLAN, subS: 120, targetId: ids[i]!, ...e }));
  const records = recordsOfNight({ ...all, nights: all.nights.map((n) => ({ ...n, plan })) }, 'n1', NOW);
  return nightStatic(records!);
}
const spanOf = ({ plan }: NightStatic['legs'][number]) => [plan!.subs[0]!.startMs, plan!.subs.at(-1)!.endMs] as const;

describe('targets in sequence', () => {
  const three = sequence([{ count: 60 }, { count: 100 }, {}]);
  const [first, second, third] = three.legs;

  it('a later one begins when the one before is over and the tube has gone there', () => {
    expect(three.legs.map((l) => l.target!.name)).to.deep.equal(['NGC 281', 'M 33', 'NGC 1499']);
    expect(spanOf(second!)[0]).to.equal(spanOf(first!)[1] + 8 * MIN);
    expect(spanOf(third!)[0]).to.be.at.least(spanOf(second!)[1] + 8 * MIN);
    expect(first!.plan!.subs).to.have.length(60);
    expect(lightOf(three.legs)).to.equal(120 * three.legs.reduce((n, l) => n + l.plan!.subs.length, 0));
  });

  it('or at its own start, which ends the one before in time; with no time left it has no plan', () => {
    const startUtc = '2026-11-24T22:00:00.000Z';
    const [a, b] = sequence([{}, { startUtc }]).legs;
    expect(spanOf(b!)[0]).to.equal(Date.parse(startUtc));
    expect(spanOf(a!)[1]).to.be.within(Date.parse(startUtc) - 11 * MIN, Date.parse(startUtc) - 8 * MIN);
    const [all, none] = sequence([{}, { targetId: 'demo-ic1396' }]).legs;
    expect([all!.plan!.subs.length > 200, none!.plan, none!.usable !== null]).to.deep.equal([true, null, true]);
  });

  it('at each moment the night looks at the target whose turn it is', () => {
    const at = (timeMs: number) => legIndexAt(three.legs, timeMs);
    expect([at(0), at(spanOf(first!)[1] - 1), at(spanOf(first!)[1]), at(spanOf(second!)[1]), at(9e15)]).to.deep.equal([
      0, 0, 1, 2, 2,
    ]);
    const aimed = aimedAtTime(three, spanOf(second!)[0]);
    expect([aimed.target!.name, aimed.legIndex]).to.deep.equal(['M 33', 1]);
    expect(aimed.budget).not.to.equal(three.budget);
    expect(aimedAt(three, 0)).to.equal(three);
    expect(aimedAt(three, 1)).to.equal(aimed);
    expect(watchAt(three, spanOf(first!)[1] + MIN)).to.deep.include({ code: 'targetDue', target: 'M 33' });
    // A target without time is passed over.
    expect(legIndexAt(sequence([{ targetId: 'demo-ngc104' }, {}]).legs, 0)).to.equal(1);
  });

  it('what happened belongs to the target whose turn it was', () => {
    const at = (what: 'started' | 'stopped', timeMs: number) =>
      event(what, { takenAtUtc: toUtcText(timeMs), id: `r-${what}-${timeMs}` });
    const startMs = Math.floor(spanOf(first!)[0]);
    const stopMs = startMs + 60 * MIN;
    const lived = sequence(
      [{ count: 60 }, { count: 100 }, {}],
      [at('started', startMs + 10 * MIN), at('stopped', stopMs), at('started', stopMs + 30 * MIN)],
    );
    expect(lived.legs.map((l) => l.state)).to.deep.equal(['stopped', 'running', 'planned']);
    expect(spanOf(lived.legs[0]!)[0]).to.equal(startMs + 10 * MIN);
    expect(spanOf(lived.legs[0]!)[1]).to.be.at.most(stopMs);
    expect(spanOf(lived.legs[1]!)[0]).to.equal(stopMs + 30 * MIN);
  });

  it('a pause keeps the mount until it is gone on with or said to be done, before the first sub too', () => {
    const [startMs, lastMs] = spanOf(first!);
    const paused = (timeMs: number) =>
      sequence([{ count: 60 }, { count: 100 }, {}], [event('paused', { takenAtUtc: toUtcText(timeMs) })]);
    for (const timeMs of [startMs + 60_000, startMs + 60 * MIN]) {
      const { legs } = paused(timeMs);
      expect([legIndexAt(legs, timeMs + MIN), legIndexAt(legs, lastMs + 60 * MIN)]).to.deep.equal([0, 0]);
      expect(watchAt(paused(timeMs), lastMs + MIN)).to.deep.include({ code: 'paused', target: 'NGC 281' });
      // What follows is later by the sub that was broken off.
      expect(spanOf(legs[1]!)[0] - spanOf(second!)[0]).to.be.within(0, 125_000);
    }
  });

  it('a target that is taken out of the plan takes what was said of it along', () => {
    const startMs = Math.floor(spanOf(first!)[0]);
    const done = reading(
      'event',
      { what: 'stopped', targetId: 'demo-ngc281' },
      { id: 'r-done', takenAtUtc: toUtcText(startMs + 60 * MIN) },
    );
    const left = sequence([{ targetId: 'demo-m33' }], [done]);
    expect([left.state, left.plan!.subs.length > 100]).to.deep.equal(['planned', true]);
  });

  it('events name their target only where there are several', () => {
    const names = (one: NightStatic) =>
      nightEventList(one).flatMap(({ code, target }) => (code === 'start' ? [target] : []));
    expect(names(three)).to.deep.equal(['NGC 281', 'M 33', 'NGC 1499']);
    expect(names(night())).to.deep.equal([null]);
    const focused = sequence([{ refocusEveryMin: 60 }]);
    expect(nightEventList(focused).filter((e) => e.code === 'refocus').length).to.be.within(6, 9);
  });

  it('a dither takes its seconds and breaks no group', () => {
    const dithered = sequence([{ ditherEvery: 3, count: 30 }]);
    expect(exposureGroups(dithered).map((g) => g.count)).to.deep.equal([30]);
    const [from, to] = spanOf(dithered.legs[0]!);
    expect((to - from) / 1000).to.be.closeTo(30 * 125 - 5 + 9 * 10, 1e-3);
  });

  it('groups to key in break at flips, refocus and targets, and know their room on a card', () => {
    const groups = exposureGroups(three);
    expect(groups.reduce((n, g) => n + g.count, 0) * 120).to.equal(lightOf(three.legs));
    expect(groups.map((g) => g.target)).to.deep.equal(['NGC 281', 'M 33', 'M 33', 'NGC 1499']);
    for (const g of groups) expect(g.endMs - g.startMs).to.be.closeTo(g.count * 125_000 - 5000, 1);
    expect(
      exposureGroups(sequence([{ gapS: 60, count: 20 }])).map((g) => g.count),
      'a long pause',
    ).to.deep.equal([20]);
    const focused = sequence([{ refocusEveryMin: 60, count: 60 }]);
    expect(exposureGroups(focused).map((g) => g.count)).to.deep.equal([29, 29, 2]);
    expect(cardGb(240, { widthPx: 6248, heightPx: 4176 })).to.be.closeTo(12.52, 0.01);
  });
});

describe('a mount that never flips', () => {
  const still = (travelH: [number, number] | null) =>
    night({ parts: changed('demo-heron-mount', { mountKind: 'forkOnWedge', travelH }) });

  it('is planned within its travel about the meridian, and not at all where that lies in the light', () => {
    const free = still(null);
    const { transitMs } = free.targetSky!.transit;
    const short = still([-1, 2]);
    const [first, last] = [short.plan!.subs[0]!, short.plan!.subs.at(-1)!];
    const haH = (ms: number) => (ms - transitMs) / 3_600_000 / 0.9972695663;
    expect([haH(first.startMs), haH(last.endMs)].map((h) => Math.round(h * 10) / 10)).to.deep.equal([-1, 2]);
    expect(free.plan!.subs.length).to.be.greaterThan(short.plan!.subs.length);
    expect([short.plan!.flips, short.usable]).to.deep.equal([[], free.usable]);
    expect(still([-6, -5]).plan).to.equal(null);
    // It stands highest by day: twelve hours from there is in the middle of the night.
    const below = night({
      parts: changed('demo-heron-mount', { mountKind: 'forkOnWedge', travelH: [-12, -10] }),
      target: { raJ2000Deg: 253, decJ2000Deg: 80 },
    });
    const noonMs = below.targetSky!.transit.transitMs;
    const [from, to] = spanOf(below.legs[0]!);
    const turn = (ms: number) => (((ms - noonMs) / 3_600_000 / 0.9972695663 + 36) % 24) - 12;
    expect([turn(from), turn(to)].map((h) => Math.round(h * 10) / 10)).to.deep.equal([-12, -10]);
  });
});

describe('the ways about the meridian', () => {
  it('the chosen one is the plan; each tells light, loss, time in hand and the nearest gap', () => {
    const one = night({ snapshots: [snapshotOf()], readings: [GAP_MEASURED] });
    const choices = strategyChoices(one);
    const of = (strategy: string) => choices.find((c) => c.strategy === strategy)!;
    expect(of('endOfCrossingSub').plan).to.deep.equal(one.plan);
    const slotS = (one.slot!.toMs - one.slot!.fromMs) / 1000;
    for (const { plan, lostS } of choices) expect(lostS + plan.subs.length * 125).to.be.closeTo(slotS, 1e-6);
    expect(of('asLateAsAllowed').spareMs!).to.be.below(of('endOfCrossingSub').spareMs!);
    expect(of('asLateAsAllowed').clearanceM!).to.be.below(of('asSoonAsAllowed').clearanceM!);
    expect([of('stopAtLimit').spareMs, of('startAfter').spareMs]).to.deep.equal([null, null]);
    expect(strategyChoices(night({ targetId: null }))).to.deep.equal([]);
  });

  it('the other target first keeps the starts in their places', () => {
    const startUtc = '2026-11-24T22:00:00.000Z';
    const two = sequence([{ count: 30 }, { startUtc, count: 40 }]);
    const other = otherFirst(two)!;
    expect(other.target).to.equal('M 33');
    expect(other.entries.map((e) => [e.targetId, e.startUtc, e.count])).to.deep.equal([
      ['demo-m33', null, 40],
      ['demo-ngc281', startUtc, 30],
    ]);
    expect([other.nowS, other.thenS]).to.deep.equal([8400, 8400]);
    expect(otherFirst(aimedAt(two, 1))!.target).to.equal('M 33');
    expect(otherFirst(night())).to.equal(null);
  });
});

describe('the flip as a walk', () => {
  const about: WalkAbout = { guided: true, eastHeavy: false, has: new Set(['camera', 'cables']) };
  const begun = event('flipBegun', { takenAtUtc: '2026-11-24T21:10:00.000Z' });
  const tick = (itemId: string, minute: number, done = true, listId = 'flip 1') =>
    reading(
      'check',
      { listId, itemId, done },
      { id: `t${itemId}${minute}`, takenAtUtc: `2026-11-24T21:${minute}:00.000Z` },
    );
  const done = reading(
    'flip',
    { atUtc: '2026-11-24T21:10:00.000Z', minutes: 9, missEastArcmin: null, missNorthArcmin: null },
    { takenAtUtc: '2026-11-24T21:30:00.000Z' },
  );
  const sinceOf = (readings: Reading[]) => night({ readings }).life.flipSinceMs;
  const walk = (...readings: Reading[]) => flipWalk(readings, sinceOf(readings), 'clutches', about);

  it('goes step by step by what was ticked, back when a tick is taken back, and is closed by the minutes', () => {
    expect(walk()).to.include({ state: 'waiting', at: null });
    expect(walk(begun)).to.include({ state: 'walking', at: 'stopSubs', sinceMs: Date.parse(begun.takenAtUtc) });
    expect(walk(begun, tick('stopSubs', 11)).at).to.equal('cablesFree');
    expect(walk(begun, tick('stopSubs', 11), tick('stopSubs', 12, false)).at).to.equal('stopSubs');
    const all = flipSteps('clutches', about).map((step, i) => tick(step, 11 + i));
    expect(walk(begun, ...all)).to.include({ state: 'closing', at: null });
    expect(walk(begun, ...all, done).state).to.equal('waiting');
    const again = event('flipBegun', { takenAtUtc: '2026-11-25T04:00:00.000Z' });
    expect(walk(begun, ...all, done, again)).to.include({ state: 'walking', at: 'stopSubs', listId: 'flip 2' });
  });

  it('by hand right ascension comes before declination, by motors the mount goes over; extras only where they apply', () => {
    const steps = flipSteps('clutches', about);
    expect(steps.indexOf('raHalfTurn')).to.be.below(steps.indexOf('decThroughPole'));
    expect(steps.indexOf('cablesFree')).to.be.below(steps.indexOf('holdTube'));
    expect(flipSteps('motors', about)).to.include('sendOver').and.not.include('holdTube');
    expect(flipSteps('motors', { ...about, guided: false, eastHeavy: true }))
      .to.include('biasWeight')
      .and.not.include('guider');
    expect(flipSteps('knob', { ...about, has: new Set(['eye']) })).to.deep.equal([
      'holdTube',
      'raHalfTurn',
      'decThroughPole',
      'clutchesTight',
      'lookAgain',
      'guider',
    ]);
    const by = (change: Partial<MountPart>) => flipBy({ ...mount, ...change });
    expect([
      by({}),
      by({ drive: 'raMotor' }),
      by({ drive: 'byHand' }),
      by({ mountKind: 'trackerBracket' }),
      flipBy(null),
    ]).to.deep.equal(['motors', 'clutches', 'knob', 'bracket', 'motors']);
  });
});

describe('the moon in a target’s hours', () => {
  it('a full moon is up and costs; its distance is that of the places; a new one does not', () => {
    const full = night();
    const moon = moonOfNight(full)!;
    expect(moon.litShare).to.be.greaterThan(0.97);
    expect(moon.worst!.brighteningMag).to.be.within(2.5, 4);
    expect(moon.worst!.exposureFactor).to.be.closeTo(10 ** (0.4 * moon.worst!.brighteningMag), 1e-9);
    const apartDeg = separationDeg(moonOfDate(moon.worst!.timeMs, full.records.site), full.targetSky!.ofDate);
    expect(moon.worst!.separationDeg).to.be.closeTo(apartDeg, 1e-9);
    const upH = moon.up.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0) / 3_600_000;
    expect(upH + moon.darkH).to.be.closeTo((full.slot!.toMs - full.slot!.fromMs) / 3_600_000, 1e-9);
    const dark = moonOfNight(night({ date: '2026-11-09' }))!;
    expect([dark.up, dark.worst]).to.deep.equal([[], null]);
    const city = moonOfNight(night({ site: { skyMagArcsec2: 18 } }))!;
    expect(city.worst!.brighteningMag).to.be.below(moon.worst!.brighteningMag);
    expect(moonOfNight(night({ targetId: null }))).to.equal(null);
  });
});
