/** Small rules of a night, each by figures that a hand can check. */
import { expect } from 'chai';
import { deriveNight } from '../../../../src/core/night/deriveNight.ts';
import { nightAt, nightEventList, phaseAt } from '../../../../src/core/night/nightAt.ts';
import { darkSpan, horizonAltDeg, intersect, longest } from '../../../../src/core/night/plan/darkness.ts';
import { subAt } from '../../../../src/core/night/plan/plan.ts';
import { usableOfNight } from '../../../../src/core/night/advice/stars/usableOfNight.ts';
import { watchAt } from '../../../../src/core/night/advice/watch.ts';
import { driftRun } from '../../../../src/core/pole/driftRun.ts';
import { errorsTonight } from '../../../../src/core/pole/errorHistory.ts';
import { isKnownWell } from '../../../../src/core/night/advice/hands/driftSteps.ts';
import { losesDeadBand } from '../../../../src/core/pole/knobsOfMount.ts';
import { poleOfNight } from '../../../../src/core/pole/poleOfNight.ts';
import { turnsTonight } from '../../../../src/core/night/advice/hands/turnsTonight.ts';
import { altFromTrack, siteNight, TRACK_STEP_MS } from '../../../../src/core/night/plan/skyOfNight.ts';
import type { Reading } from '../../../../src/core/records/reading.ts';
import { ASSUMED } from '../../../../src/core/verdict/assumptions.ts';
import { moonAltDeg, type NightEvents } from '../../../../src/core/sky/nightEvents.ts';
import { before, night } from '../../../support/nights.ts';
import { at, error, mounts, turn } from '../../../support/polar.ts';
import { nightRecords, NOW, reading, sites, world } from '../../../support/records.ts';

const HOUR = 3_600_000;

describe('the horizon line of a site', () => {
  const alt = (horizon: { azDeg: number; altDeg: number }[], azDeg: number) => horizonAltDeg({ horizon }, azDeg);
  const two = [
    { azDeg: 180, altDeg: 30 },
    { azDeg: 90, altDeg: 10 },
  ];
  it('runs straight from point to point, and round through north', () => {
    expect([90, 135, 180].map((az) => alt(two, az))).to.deep.equal([10, 20, 30]);
    expect(alt(two, 270)).to.be.closeTo(30 - 20 / 3, 1e-9);
    expect(alt(two, 0)).to.be.closeTo(30 - 40 / 3, 1e-9);
    expect(alt(two, 359.999)).to.be.closeTo(alt(two, 0), 1e-3);
  });

  it('is level with one point, and 15 degrees without any', () => {
    expect([0, 200, 359].map((az) => alt([{ azDeg: 200, altDeg: 12 }], az))).to.deep.equal([12, 12, 12]);
    expect(alt([], 77)).to.equal(15);
  });
});

/** A night of 24 hours of which only the astronomical twilight matters. */
function eventsWith(duskMs: number | null, dawnMs: number | null, sunHighestDeg: number): NightEvents {
  const limit = { duskMs, dawnMs };
  const twilight = { sunset: limit, civil: limit, nautical: limit, astronomical: limit };
  return { ...siteNight(sites[0]!, '2026-11-24').events, startMs: 0, endMs: 24, sunHighestDeg, twilight };
}

describe('the dark part of a night', () => {
  it('lies between dusk and dawn, from noon or to noon where one of them never comes', () => {
    expect(darkSpan(eventsWith(5, 19, 30), 'astronomical')).to.deep.equal({ fromMs: 5, toMs: 19 });
    expect(darkSpan(eventsWith(null, 19, -17), 'astronomical')).to.deep.equal({ fromMs: 0, toMs: 19 });
    expect(darkSpan(eventsWith(5, null, -17), 'astronomical')).to.deep.equal({ fromMs: 5, toMs: 24 });
  });

  it('is all of it in the polar night, nothing of it in the white one', () => {
    expect(darkSpan(eventsWith(null, null, -20), 'astronomical')).to.deep.equal({ fromMs: 0, toMs: 24 });
    expect(darkSpan(eventsWith(null, null, -17), 'astronomical')).to.equal(null);
  });

  it('has the phase of its darkest twilight, also where dusk or dawn never comes', () => {
    const phases = (events: NightEvents) =>
      [0, 4, 5, 18, 19, 23].map((t) => phaseAt({ ...siteNight(sites[0]!, '2026-11-24'), events }, t));
    expect(phases(eventsWith(5, 19, 30))).to.deep.equal(['day', 'day', 'night', 'night', 'day', 'day']);
    expect(phases(eventsWith(null, 19, -17))).to.deep.equal(['night', 'night', 'night', 'night', 'day', 'day']);
    expect(phases(eventsWith(null, null, -20))[3]).to.equal('night');
    expect(phases(eventsWith(null, null, -7))[3], 'between civil and nautical twilight').to.equal('nautical');
  });

  it('meets the target’s time above the horizon: what only touches does not count, the longest wins', () => {
    const span = (fromMs: number, toMs: number) => ({ fromMs, toMs });
    expect(intersect([span(0, 10), span(20, 30)], span(10, 25))).to.deep.equal([span(20, 25)]);
    expect(longest([span(0, 10), span(100, 105)])).to.deep.equal(span(0, 10));
    expect(longest([span(0, 10), span(100, 110)]), 'the first of two').to.deep.equal(span(0, 10));
    expect(longest([])).to.equal(null);
  });
});

describe('the sky of a night', () => {
  it('is shown from an hour before sunset to an hour after sunrise, its track to the end', () => {
    const { view, events, moonTrack } = siteNight(sites[0]!, '2026-11-24');
    const { duskMs, dawnMs } = events.twilight.sunset;
    expect([view.fromMs, view.toMs]).to.deep.equal([duskMs! - HOUR, dawnMs! + HOUR]);
    const lastMs = view.fromMs + (moonTrack.altDeg.length - 1) * TRACK_STEP_MS;
    expect(lastMs).to.be.at.most(view.toMs);
    expect(view.toMs - lastMs).to.be.lessThan(TRACK_STEP_MS);
  });

  it('tracks the moon as it really goes', () => {
    const { moonTrack } = siteNight(sites[0]!, '2026-11-24');
    moonTrack.altDeg.forEach((altDeg, i) => {
      const really = moonAltDeg(moonTrack.fromMs + i * TRACK_STEP_MS, sites[0]!);
      expect(altDeg, `point ${i}`).to.be.closeTo(really, 0.4);
    });
    expect(Math.max(...moonTrack.altDeg) - Math.min(...moonTrack.altDeg)).to.be.greaterThan(30);
  });

  it('has altitudes between the points of a track, and its ends beyond them', () => {
    const track = { fromMs: 1000, stepMs: 100, altDeg: [10, 20, 50] };
    const found = [1000, 1050, 1100, 1150, 1200, 900, 2000].map((t) => altFromTrack(track, t));
    expect(found).to.deep.equal([10, 15, 20, 35, 50, 10, 50]);
  });
});

describe('the curve of usable subs', () => {
  it('goes from two seconds to three planned subs, a minute at least, in 40 steps', () => {
    const lengths = (subS: number) => {
      const tonight = night({ plan: { subS } });
      const { curve: made, shortestS } = usableOfNight(tonight, nightAt(tonight, NOW).stars!.sub);
      const curve = made();
      return [shortestS, curve[0]!.exposureS, curve.at(-1)!.exposureS, curve.length];
    };
    expect(lengths(120)).to.deep.equal([2, 2, 360, 40]);
    expect(lengths(10)).to.deep.equal([2, 2, 60, 40]);
  });
});

describe('the sub that is taken', () => {
  it('holds its beginning and not its end', () => {
    const subs = [
      { startMs: 10, endMs: 20 },
      { startMs: 20, endMs: 30 },
      { startMs: 35, endMs: 45 },
    ].map((s) => ({ ...s, side: 'before' as const }));
    expect([9, 10, 19, 20, 29, 30, 35, 45].map((t) => subAt(subs, t))).to.deep.equal([null, 0, 0, 1, 1, null, 2, null]);
  });
});

describe('an adjuster within its goal', () => {
  const { goalArcmin } = turnsTonight(night()).goal;
  const within = (alt: number, az: number) => {
    const { altitude, azimuth } = turnsTonight(night({ readings: [error(1, alt * goalArcmin, az * goalArcmin)] }));
    return [altitude.within, azimuth.within];
  };
  it('uses up seven tenths of it, on the sky', () => {
    expect(within(0.6, 0.6)).to.deep.equal([true, true]);
    expect(within(0.8, 0.9)).to.deep.equal([false, true]);
    expect(within(-0.8, -1)).to.deep.equal([false, false]);
  });

  it('loses its dead band at the first turn, the other way, and after a lock', () => {
    const lock = reading('lockShift', { altArcmin: null, azArcmin: null }, at(2));
    const loses = (clockwise: boolean, ...readings: Reading[]) =>
      losesDeadBand(nightRecords({ readings }), 'altitude', clockwise);
    const turned = turn(1, 'altitude', 0.5, 20);
    expect([loses(true), loses(true, turned), loses(false, turned)]).to.deep.equal([true, false, true]);
    expect(loses(true, turned, lock)).to.equal(true);
    expect(loses(true, turned, turn(2, 'azimuth', -0.5, 20)), 'the other one’s turn').to.equal(false);
  });
});

describe('the account of a pole of which one part was measured', () => {
  const COS_LAT = Math.cos((40.33 * Math.PI) / 180);
  const drift = (haH: number, rest: Partial<Reading> = {}) =>
    reading('drift', { haH, decDeg: 0, rateArcsecPerMin: 1 }, { ...at(1), ...rest } as Partial<Reading>);
  const sizeOf = (...readings: Reading[]) => {
    const { polar } = night({ readings }).budget!.sub;
    return polar.known === 'size' ? polar.errorArcmin : null;
  };
  const sharp = { sigma: { rateArcsecPerMin: 0.01 } };

  it('takes the other part as an axis has it that nobody aimed', () => {
    const records = nightRecords({ readings: [drift(-6, sharp)] });
    const { altitude, azimuth } = poleOfNight(records, 'true');
    expect([altitude.measured, azimuth.measured]).to.deep.equal([true, false]);
    expect(sizeOf(drift(-6, sharp))).to.be.closeTo(
      Math.hypot(altitude.errorArcmin, altitude.sigmaArcmin, 90 * COS_LAT),
      1e-6,
    );
    const meridian = poleOfNight(nightRecords({ readings: [drift(0, sharp)] }), 'true');
    expect([meridian.altitude.measured, meridian.azimuth.measured]).to.deep.equal([false, true]);
    const onSky = Math.hypot(meridian.azimuth.errorArcmin, meridian.azimuth.sigmaArcmin) * COS_LAT;
    expect(sizeOf(drift(0, sharp))).to.be.closeTo(Math.hypot(onSky, 90), 1e-6);
  });

  it('whose doubt was not stated gets the usual one', () => {
    const sigma = (rest: Partial<Reading>) =>
      poleOfNight(nightRecords({ readings: [drift(-6, rest)] })).altitude.sigmaArcmin;
    expect(sigma({})).to.be.closeTo(sigma({ sigma: { rateArcsecPerMin: 0.3 } }), 1e-9);
    expect(sigma({})).to.be.greaterThan(2 * sigma({ sigma: { rateArcsecPerMin: 0.1 } }));
  });

  it('an error whose doubt was not stated has the usual one of its method', () => {
    const sigma = (method: string) => {
      const values = { altErrorArcmin: 5, azErrorArcmin: 0, method, reference: 'true' };
      return poleOfNight(nightRecords({ readings: [reading('polarError', values, at(1))] })).altitude.sigmaArcmin;
    };
    const methods = ['finder', 'camera', 'drift', 'typed', 'subs'];
    expect(methods.map((m) => Number(sigma(m).toFixed(6)))).to.deep.equal([4, 0.3, 1, 1, 1]);
  });

  it('is no error measured, and two stars are', () => {
    const errors = (...readings: Reading[]) => errorsTonight(nightRecords({ readings })).map((e) => e.id);
    expect(errors(drift(-6, sharp))).to.deep.equal([]);
    expect(errors(drift(-6, sharp), drift(0, { ...sharp, ...at(9) }))).to.deep.equal(['r9']);
  });

  it('is nothing of an axis that nobody touched', () => {
    expect(sizeOf()).to.be.closeTo(90 * Math.hypot(1, COS_LAT), 1e-9);
  });
});

describe('a star that is timed', () => {
  it('is known well by a third of the goal, an eighth of the error, or a third of other doubts', () => {
    const known = (errorArcmin: number, sigmaArcmin: number, timing: number) =>
      isKnownWell({ errorArcmin, sigmaArcmin }, timing, 3);
    expect([known(0, 0, 1), known(0, 0, 1.01)]).to.deep.equal([true, false]);
    expect([known(-16, 0, 2), known(-16, 0, 2.01)]).to.deep.equal([true, false]);
    expect([known(0, 9, 3), known(0, 9, 3.01)]).to.deep.equal([true, false]);
  });

  it('has its hour angle at the first mark while there is only one', () => {
    const mark = (minute: number, starts: boolean) =>
      reading(
        'driftMark',
        { starName: 's', raDeg: 10, decDeg: 0, northArcsec: 0, sigmaArcsec: 2, starts },
        at(minute, { id: `m${minute}` }),
      );
    const run = (...readings: Reading[]) => driftRun(nightRecords({ readings }))!;
    const step = run(mark(1, true), mark(21, false)).haH - run(mark(1, true)).haH;
    expect(step, 'half of twenty minutes later').to.be.closeTo((10 / 60) * 1.0027379, 1e-6);
  });
});

describe('a flip that is planned', () => {
  const flipMinutes = (...readings: Reading[]) => {
    const [flip] = night({ readings }).plan!.flips;
    return (flip!.endMs - flip!.startMs) / 60_000;
  };
  const settles = (settleS: number) =>
    reading('steadiness', { settleS }, { ...at(1), subject: { type: 'rig', id: 'demo-heron' } });

  it('takes longer with a rig that swings long, and what flips took where that is known', () => {
    expect(flipMinutes()).to.be.closeTo(ASSUMED.flipMinutes, 1e-6);
    const waits = flipMinutes(settles(30)) - ASSUMED.flipMinutes;
    expect(waits).to.be.within(0.5, 2);
    const took = before(
      'flip',
      { atUtc: '2026-11-01T22:00:00.000Z', minutes: 17, missEastArcmin: null, missNorthArcmin: null },
      'f',
      {
        type: 'rig',
        id: 'demo-heron',
      },
    );
    expect(flipMinutes(settles(30), took)).to.be.closeTo(17, 1e-6);
  });

  it('may begin at the meridian with a mount that was not asked when it goes over', () => {
    const soon = (earliestFlipH: number | null) => {
      const { plan, targetSky } = night({ parts: mounts({ earliestFlipH }), plan: { strategy: 'asSoonAsAllowed' } });
      return (plan!.flips[0]!.startMs - targetSky!.transit.transitMs) / HOUR;
    };
    expect(soon(null)).to.be.closeTo(soon(0), 1e-9);
    expect(soon(0.2)).to.be.greaterThan(soon(0) + 0.15);
  });
});

describe('the events of a night', () => {
  it('stand in the order in which they come', () => {
    const times = nightEventList(night()).map((e) => e.timeMs);
    expect(times.length).to.be.greaterThan(4);
    expect(times).to.deep.equal([...times].sort((a, b) => a - b));
  });

  it('end before the limit at which a night without a flip must have stopped', () => {
    const tonight = night({ plan: { strategy: 'stopAtLimit' } });
    const codes = nightEventList(tonight).map((e) => e.code);
    expect(codes.indexOf('limit')).to.equal(codes.indexOf('end') + 1);
  });
});

describe('the watch at the flip', () => {
  it('is due up to the latest moment and late after it', () => {
    const tonight = night();
    const latestMs = tonight.plan!.limitMs ?? tonight.plan!.flips[0]!.startMs;
    expect(watchAt(tonight, latestMs - 1).code).to.equal('flipDue');
    expect(watchAt(tonight, latestMs).code).to.equal('tubeLate');
  });
});

describe('a night that cannot be derived', () => {
  it('says in its own words what stands in the way', () => {
    const all = world();
    const hostile = {
      ...all.rigs[0]!,
      id: 'demo-heron',
      get placed(): never {
        throw new RangeError('no pieces');
      },
    };
    const rigs = new Proxy(hostile, {});
    expect(deriveNight({ ...all, rigs: [rigs] }, 'n1', NOW)).to.deep.equal({ state: 'broken', problem: 'no pieces' });
  });
});
