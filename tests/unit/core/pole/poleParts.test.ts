/** Parts of the account of the pole by themselves: knobs, scale, timed stars, plate. */
import { expect } from 'chai';
import { wholeNight } from '../../../../src/core/history/storedNight.ts';
import { deriveNight } from '../../../../src/core/night/deriveNight.ts';
import { driftTask } from '../../../../src/core/night/advice/hands/driftSteps.ts';
import { driftRun, estimateAfter, estimateWithMarkAt } from '../../../../src/core/pole/driftRun.ts';
import { bearingRead } from '../../../../src/core/pole/bearing.ts';
import { changeByLock, changeByTurn, knobsOf, turnAdvice, type Knobs } from '../../../../src/core/pole/knobsOfMount.ts';
import { plateOfFinder } from '../../../../src/core/pole/plateOfFinder.ts';
import { scaleToSet } from '../../../../src/core/pole/scaleToSet.ts';
import { scaleBias } from '../../../../src/core/pole/scaleBias.ts';
import { turnsTonight } from '../../../../src/core/night/advice/hands/turnsTonight.ts';
import { azSigmaArcmin, UNKNOWN_POLE } from '../../../../src/core/mount/poleEstimate.ts';
import type { Reading } from '../../../../src/core/records/reading.ts';
import { at, error, mounts, night, turn } from '../../../support/polar.ts';
import { event, nightRecords, NOW, reading, world } from '../../../support/records.ts';

describe('what a turn was to do', () => {
  const knob = { gainArcminPerTurn: -20, deadTurns: 0.1, basis: 'geometry' as const, learned: null };
  const knobs: Knobs = { altitude: knob, azimuth: null };
  const change = (turns: number, afterLockOrReversal: boolean) =>
    changeByTurn(knobs)({ adjuster: 'altitude', turns, afterLockOrReversal, beforeArcmin: null, afterArcmin: null });

  it('gain times the turn, less the dead band after a lock or a reversal, never the other way', () => {
    expect([change(0.5, false)!.arcmin, change(-0.5, false)!.arcmin]).to.deep.equal([-10, 10]);
    expect(change(0.5, true)!.arcmin).to.be.closeTo(-8, 1e-12);
    expect(change(-0.5, true)!.arcmin).to.be.closeTo(8, 1e-12);
    expect(Math.abs(change(0.05, true)!.arcmin)).to.equal(0);
    // A fifth of it, and what a hand reads its own turn to.
    expect(change(0.5, false)!.sigmaArcmin).to.be.closeTo(Math.hypot(2, 0.4), 1e-12);
    const other = {
      adjuster: 'azimuth' as const,
      turns: 1,
      afterLockOrReversal: false,
      beforeArcmin: null,
      afterArcmin: null,
    };
    expect(changeByTurn(knobs)(other)).to.equal(null);
  });

  it('an azimuth is within the goal by its size on the sky', () => {
    const turns = (latDeg: number, azErrorArcmin: number) =>
      turnsTonight(night({ site: { latDeg }, readings: [error(1, 0, azErrorArcmin)] }));
    const goal = turns(75, 0).goal.goalArcmin;
    const wide = goal / Math.cos((75 * Math.PI) / 180);
    // Each part may use up seven tenths of the goal.
    expect([0.6, 0.8].map((share) => turns(75, wide * share).azimuth.within)).to.deep.equal([true, false]);
    expect(turns(5, goal).azimuth.within).to.equal(false);
  });
});

describe('what a knob learned', () => {
  const star = (minute: number, haH: number, rateArcsecPerMin: number): Reading =>
    reading('drift', { haH, decDeg: 3, rateArcsecPerMin }, { ...at(minute), sigma: { rateArcsecPerMin: 0.02 } });
  const raised = (minute: number, turns: number): Reading =>
    reading(
      'knobTurn',
      { adjuster: 'altitude', turns, afterLockOrReversal: true, beforeArcmin: null, afterArcmin: null },
      at(minute),
    );

  it('one part that a star in the east tells is enough for the bolt of that part', () => {
    const readings = [star(1, -6, 6), raised(2, -0.5), star(10, -6, 1), raised(11, -0.1), star(20, -6, 0)];
    expect(knobsOf(nightRecords({ readings })).altitude!.learned).to.deep.include({ records: 2 });
    const south = readings.map((r) => (r.kind === 'drift' ? { ...r, values: { ...r.values, haH: 0 } } : r));
    expect(knobsOf(nightRecords({ readings: south })).altitude!.learned, 'told of the azimuth only').to.equal(null);
  });

  it('a tightening of which nothing is known may move anything usual, a stated one what was stated', () => {
    expect(changeByLock(null)({ altArcmin: null, azArcmin: -2 })).to.deep.equal({
      altitude: { arcmin: 0, sigmaArcmin: 1.5 },
      azimuth: { arcmin: -2, sigmaArcmin: 0.5 },
    });
  });

  it('no turn is asked for where nothing is to change', () => {
    const learned = { gainArcminPerTurn: 20, deadTurns: 0, basis: 'learned' as const, learned: null };
    const still = turnAdvice(nightRecords(), learned, 'altitude', 0);
    expect([still.turns, still.thenUpTurns]).to.deep.equal([0, null]);
    expect(turnAdvice(nightRecords(), learned, 'altitude', -1).thenUpTurns).to.equal(0.25);
  });
});

describe('the last pair of compass readings', () => {
  it('counts: what stood farther back may have been read before the head was turned', () => {
    const read = (minute: number, distanceM: number, readDeg: number): Reading =>
      reading('compass', { readDeg, trueDeg: readDeg, declinationDeg: 0, distanceM }, at(minute));
    const near = [read(1, 0.5, 358), read(2, 4, 358)];
    expect(bearingRead(near).check.iron).to.equal(false);
    expect(bearingRead([...near, read(3, 0.5, 350)]).check).to.deep.equal({ differenceDeg: 8, iron: true });
  });
});

describe('what the latitude scale reads too much', () => {
  const read = (scaleDeg: number, minute: number) =>
    reading('scaleReading', { scaleDeg, trueAltDeg: 40 }, { ...at(minute), id: `s${minute}` });
  const bias = (...scales: number[]) => scaleBias(nightRecords({ readings: scales.map((s, i) => read(s, i)) }));

  it('the middle of the readings, and how far they lie from it', () => {
    expect(bias()).to.equal(null);
    expect(bias(40.5)).to.deep.include({ spreadDeg: null, readings: 1 });
    const three = bias(40.5, 40.8, 39.9)!;
    expect(three.biasDeg).to.be.closeTo(0.5, 1e-9);
    expect(three.spreadDeg).to.be.closeTo(0.3, 1e-9);
  });
});

describe('a star that is being timed', () => {
  const mark = (minute: number, northArcsec: number) =>
    reading(
      'driftMark',
      { starName: 'A star', raDeg: 350, decDeg: 3, northArcsec, sigmaArcsec: 1.5, starts: minute === 0 },
      at(minute),
    );
  const { records } = night({ readings: [mark(0, 0), mark(2, 4), mark(4, 8)] });

  it('one more mark on its line leaves the error and lessens the doubt', () => {
    const run = driftRun(records)!;
    expect(run.rate!.rateArcsecPerMin).to.be.closeTo(2, 1e-9);
    const now = estimateAfter(UNKNOWN_POLE, run, run.marks, 40.33)!;
    const later = estimateWithMarkAt(UNKNOWN_POLE, run, 600, 40.33)!;
    expect(later.azArcmin).to.be.closeTo(now.azArcmin, 0.01 * Math.abs(now.azArcmin));
    expect(azSigmaArcmin(later)).to.be.below(azSigmaArcmin(now));
  });
});

describe('which star is timed next', () => {
  const task = (...readings: Reading[]) => {
    const one = night({ readings });
    return driftTask(one, turnsTonight(one));
  };
  const star = (minute: number, haH: number, rateArcsecPerMin: number) =>
    reading('drift', { haH, decDeg: 3, rateArcsecPerMin }, { ...at(minute), sigma: { rateArcsecPerMin: 0.02 } });

  it('azimuth first, then altitude, then azimuth once more, for an altitude leaves its share in it', () => {
    expect(task()).to.deep.equal({ code: 'star', step: 'azimuth', again: false });
    expect(task(star(1, 0, 6))).to.deep.equal({ code: 'turn', step: 'azimuth' });
    expect(task(star(1, 0, 6), turn(2, 'azimuth', -0.4, 30))).to.deep.equal({
      code: 'star',
      step: 'azimuth',
      again: true,
    });
    expect(task(star(1, 0, 0))).to.deep.equal({ code: 'star', step: 'altitude', again: false });
    expect(task(star(1, 0, 0), star(10, 4, 6))).to.deep.include({ code: 'turn', step: 'altitude' });
    expect(task(star(1, 0, 0), star(10, 4, 0))).to.deep.equal({ code: 'star', step: 'azimuth', again: true });
    expect(task(star(1, 0, 0), star(10, 4, 0), star(20, 0, 0))).to.deep.equal({ code: 'done' });
  });
});

describe('the plate of the finder', () => {
  const test = (afterXArcmin: number) =>
    reading('halfTurn', { beforeXArcmin: 0, beforeYArcmin: 0, afterXArcmin, afterYArcmin: 0 }, at(1));
  const plate = (afterXArcmin: number, own = mounts({})) =>
    plateOfFinder(nightRecords({ readings: [test(afterXArcmin)], parts: own }));

  it('is good within two arcmin: then no screw is turned', () => {
    expect(plate(3)).to.deep.include({ good: true, screws: null, rounds: 1 });
    expect(plate(4).good, 'exactly two').to.equal(true);
    expect(plate(4.1).good).to.equal(false);
    expect(plate(20).good).to.equal(false);
    expect(plate(20).sizeArcmin).to.be.closeTo(10, 1e-9);
  });

  it('is remembered until its own plate moved, whatever else is done at the mount', () => {
    const own = mounts({});
    const looks = Array.from({ length: 90 }, (_, i) => event('setByEye', { ...at(2 + i / 10), id: `look-${i}` }));
    const known = (...more: Reading[]) =>
      plateOfFinder(nightRecords({ readings: [test(20), ...looks, ...more], parts: own })).sizeArcmin;
    expect(known()).to.be.closeTo(10, 1e-9);
    expect(known(event('plateMoved', { ...at(20), id: 'screws' }))).to.equal(null);
    const others = event('plateMoved', { ...at(20), id: 'screws', subject: { type: 'mount', id: 'another' } });
    expect(known(others), 'of another mount').to.be.closeTo(10, 1e-9);
  });

  it('after the half turn each screw is reached opposite to where it is engraved', () => {
    expect(plate(20).screws!.round.map((s) => s.angleDeg)).to.have.members([270, 30, 150]);
    expect(plate(20).screws!.round.at(-1)!.angleDeg, 'the one that pushes to the right').to.equal(270);
  });

  it('a large offset is turned in rounds of a quarter turn at most', () => {
    const { round, rounds } = plate(200).screws!;
    const most = Math.max(...round.map((s) => Math.abs(s.turns)));
    expect(most).to.be.within(0.2, 0.25);
    expect(most * rounds).to.be.closeTo(100 / 11.5, 1e-9);
  });
});

describe('a record that no bench can draw', () => {
  it('of another night is set aside by itself, and the night is drawn', () => {
    const all = world();
    const hostile = {
      ...reading('flexure', { arcsecPerMin: 1, directionDeg: 0 }, { id: 'hostile', nightId: 'other' }),
      takenAtUtc: '2026-11-01T20:00:00.000Z',
      get subject(): never {
        throw new RangeError('no subject');
      },
    };
    const quiet = wholeNight([
      reading(
        'flexure',
        { arcsecPerMin: 1, directionDeg: 0 },
        { id: 'hostile', nightId: 'other', subject: { type: 'rig', id: 'demo-heron' } },
      ),
    ]);
    const hostileNight = {
      ...quiet,
      stored: [hostile],
      standing: { readings: [hostile], timeOf: () => hostile.takenAtUtc },
    };
    const found = deriveNight({ ...all, readings: new Map([['other', hostileNight]]) }, 'n1', NOW);
    expect(found.state === 'night' && found.setAside?.id).to.equal('hostile');
    expect(deriveNight(all, 'n1', NOW)).to.deep.include({ setAside: null });
  });
});

describe('the scale to set', () => {
  it('is the pole’s altitude as this user’s school wants it; the air is told in arcminutes', () => {
    const goal = (poleGoal: 'true' | 'refracted') => {
      const records = nightRecords();
      return scaleToSet({ ...records, schools: { ...records.schools, poleGoal } });
    };
    expect(goal('true').refractionArcmin).to.equal(0);
    // At 40 degrees the air lifts by 58.3 tan 50 degrees of arc seconds.
    expect(goal('refracted').refractionArcmin).to.be.closeTo((58.3 / 60) * Math.tan((49.67 * Math.PI) / 180), 0.06);
    expect(60 * (goal('refracted').altDeg - goal('true').altDeg)).to.be.closeTo(
      goal('refracted').refractionArcmin,
      1e-9,
    );
  });
});

describe('a star that is being timed', () => {
  const starts = reading(
    'driftMark',
    { starts: true, northArcsec: 0, starName: 'a star', raDeg: 350, decDeg: 3, sigmaArcsec: 1 },
    at(0),
  );
  it('goes on through whatever else happens, until it is given up', () => {
    const run = (what: 'axesOpened' | 'driftGivenUp') =>
      driftRun(nightRecords({ readings: [starts, event(what, at(3))] }));
    expect(run('axesOpened')!.starName).to.equal('a star');
    expect(run('driftGivenUp')).to.equal(null);
  });
});
