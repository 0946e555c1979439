import { expect } from 'chai';
import { readingAt } from '../../../src/core/mount/dial.ts';
import { PLATE_MOVED, POLAR_LIST, SET_BY_EYE } from '../../../src/core/night/checklists.ts';
import { nightAt } from '../../../src/core/night/nightAt.ts';
import { nightStatic } from '../../../src/core/night/nightStatic.ts';
import type { Dial, MountPart, Part } from '../../../src/core/records/part.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { BRIGHT_STARS } from '../../../src/core/sky/brightStars.ts';
import { dialModel, shownRadiusArcmin } from '../../../src/features/polar/dialModel.ts';
import { driftModel, driftScale } from '../../../src/features/polar/driftModel.ts';
import { findModel } from '../../../src/features/polar/findModel.ts';
import { plateModel } from '../../../src/features/polar/plateModel.ts';
import { dialOf, turnsModel } from '../../../src/features/polar/turnsModel.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { nightRecords, NOW, parts, reading, sites } from '../../support/records.ts';

type Wish = Parameters<typeof nightRecords>[0];
const night = (wish: Wish = {}) => nightStatic(nightRecords(wish));
const south: Wish = { site: sites[1]!, rigId: 'demo-wagtail', targetId: 'demo-ngc253' };
const mounts = (change: Partial<MountPart>): Part[] => parts.map((p) => (p.kind === 'mount' ? { ...p, ...change } : p));
const finder = (change: Partial<Dial>): Part[] =>
  parts.map((p) => (p.kind === 'mount' && p.finder ? { ...p, finder: { ...p.finder, ...change } } : p));
const f = makeFormat('metric', 'Europe/Lisbon');
const mount = { type: 'mount', id: 'demo-heron-mount' } as const;
const at = (minute: number, rest: Partial<Reading> = {}): Partial<Reading> => ({
  id: `r${minute}`,
  subject: mount,
  takenAtUtc: new Date(NOW + minute * 60_000).toISOString(),
  ...rest,
});
const error = (minute: number, altErrorArcmin: number, azErrorArcmin: number) =>
  reading('polarError', { altErrorArcmin, azErrorArcmin, method: 'typed', reference: 'refracted' }, at(minute));
const turn = (minute: number, adjuster: string, turns: number, beforeArcmin: number, rest: Partial<Reading> = {}) =>
  reading(
    'knobTurn',
    { adjuster, turns, afterLockOrReversal: true, beforeArcmin, afterArcmin: null },
    at(minute, rest),
  );

describe('the dial', () => {
  const dial = (wish: Wish = {}) => {
    const one = night(wish);
    return dialModel(one, nightAt(one, NOW));
  };

  it('one bright star in the north, the pattern in the south', () => {
    expect(dial().stars.map((s) => s.name)).to.deep.equal(['Polaris']);
    const southern = dial(south);
    expect(southern.stars).to.have.length(4);
    expect(southern.stars.filter((s) => s.lead).map((s) => s.name)).to.deep.equal(['Sigma Octantis']);
    expect(southern.saying).to.deep.include({ code: 'engraved', south: true, numbering: '24h' });
    expect(southern.lowPole).to.equal(true);
  });

  it('an inverted view turns the star by half a turn; the reading follows the engraving', () => {
    const [inverted, upright] = [dial(), dial({ parts: finder({ view: 'upright' }) })];
    const apart = Math.abs(inverted.stars[0]!.viewAngleDeg - upright.stars[0]!.viewAngleDeg);
    expect(apart).to.be.closeTo(180, 1e-9);
    const [twelve, degrees] = [dial().saying, dial({ parts: finder({ numbering: 'deg' }) }).saying];
    if (twelve.code !== 'engraved' || degrees.code !== 'engraved') throw new Error('no reading');
    expect(degrees.reading / 30).to.be.closeTo(twelve.reading, 1e-9);
  });

  it('says when there is no finder and no pole to sight', () => {
    expect(dial({ parts: mounts({ finder: null }) }).saying.code).to.equal('noFinder');
    expect(dial({ site: { latDeg: 0.5 } }).saying.code).to.equal('equator');
  });

  it('a ring of another year is told as a distance, a tilted plate as what it would cost', () => {
    const { rings, stars } = dial();
    expect(rings[0]!.offArcmin).to.be.closeTo(stars[0]!.distanceArcmin - 40, 1e-9);
    const tilted = dial({ parts: finder({ plateTurnDeg: 10 }) });
    expect(tilted.tiltCostArcmin).to.be.closeTo(Math.sin(Math.PI / 18) * 37.3, 0.05);
    if (tilted.saying.code !== 'engraved') throw new Error('no reading');
    const own = { numbering: '12h', topMark: 0, direction: 'clockwise' } as const;
    expect(tilted.saying.reading).to.be.closeTo(readingAt(tilted.stars[0]!.viewAngleDeg - 10, own), 1e-9);
  });

  it('a plate of star marks is turned until they lie as the sky does', () => {
    const pattern = dial({
      parts: finder({ numbering: 'pattern', patternHips: [11767, 85822], patternYear: 2000 }),
    });
    expect(pattern.saying).to.deep.include({ code: 'pattern', engraved: true });
    expect(pattern.marks).to.deep.equal([]);
    for (const spot of pattern.spots) {
      const star = pattern.stars.find((s) => s.name === spot.name)!;
      const apart = Math.abs(spot.angleDeg + pattern.spotsTurnDeg - star.viewAngleDeg) % 360;
      // Precession turns the figure a little in 26 years.
      expect(Math.min(apart, 360 - apart), spot.name).to.be.lessThan(12);
    }
    expect(pattern.spots[0]!.inwardArcmin, 'Polaris has come nearer').to.be.within(5, 8);
  });

  it('a knob moves the stars against the axis, the other way in an upright view', () => {
    const ways = (view: 'upright' | 'inverted') =>
      dial({ parts: finder({ view }) }).moves.map((m) => `${m.adjuster} ${m.way}`);
    // Both work clockwise up and east: the axis rises, so the stars sink; an inverted view turns that round.
    expect(ways('upright')).to.deep.equal(['altitude down', 'azimuth left']);
    expect(ways('inverted')).to.deep.equal(['altitude up', 'azimuth right']);
    expect(dial({ ...south, parts: finder({ view: 'upright' }) }).moves.map((m) => m.way)).to.deep.equal([
      'down',
      'right',
    ]);
    expect(dial({ parts: mounts({ adjusters: null }) }).moves).to.deep.equal([]);
  });

  it('a cross beside the axis moves the place, until the screws were turned', () => {
    const test = reading('halfTurn', { beforeXArcmin: 0, beforeYArcmin: 0, afterXArcmin: 16, afterYArcmin: 0 }, at(1));
    const off = dial({ readings: [test] });
    expect(off.crossOffset).to.deep.equal({ xArcmin: 8, yArcmin: 0 });
    expect(off.belongs.distanceArcmin).not.to.be.closeTo(off.stars[0]!.distanceArcmin, 0.5);
    const check = { listId: POLAR_LIST, itemId: PLATE_MOVED, done: true };
    expect(dial({ readings: [test, reading('check', check, at(2))] }).crossOffset).to.equal(null);
  });

  it('draws the whole view, or what star and ring need', () => {
    const model = dial();
    expect(shownRadiusArcmin(model, true)).to.equal(195);
    expect(shownRadiusArcmin(model, false)).to.be.within(50, 60);
  });
});

describe('finding the pole', () => {
  it('north by its star, south by bearing and sweep, and not on the equator', () => {
    const find = (wish: Wish = {}) => {
      const one = night(wish);
      return findModel(one, nightAt(one, NOW));
    };
    expect(find().saying).to.deep.include({ code: 'look', south: false, altDeg: 40.33 });
    expect(find().hops.map((h) => h.group)).to.include('cassiopeia');
    expect(
      find().hops.map((h) => h.group),
      'the Plough stands too low on this evening',
    ).not.to.include('plough');
    const auas = find(south);
    expect(auas.saying).to.deep.include({ code: 'look', south: true });
    expect(auas.tracker).to.equal(true);
    expect(find({ site: { latDeg: -1 } }).saying.code).to.equal('equator');
  });
});

describe('the half-turn bench', () => {
  const test = (minute: number, xArcmin: number) =>
    reading('halfTurn', { beforeXArcmin: 0, beforeYArcmin: 0, afterXArcmin: 2 * xArcmin, afterYArcmin: 0 }, at(minute));
  const moved = (minute: number) =>
    reading('check', { listId: POLAR_LIST, itemId: PLATE_MOVED, done: true }, at(minute));
  const model = (readings: Reading[], before = false, after = false) =>
    plateModel(
      night({ readings }),
      before ? { xArcmin: 10, yArcmin: 0 } : null,
      after ? { xArcmin: -10, yArcmin: 0 } : null,
    );

  it('goes from mark to mark to screws, and round again until it is good', () => {
    expect(model([]).saying.code).to.equal('markBefore');
    expect(model([], true)).to.deep.include({ marking: 'after', turnDeg: 180 });
    expect(model([], true, true).saying).to.deep.include({ code: 'reading', sizeArcmin: 10 });
    const mend = model([test(1, 20)]);
    expect(mend).to.deep.include({ mending: true, turnDeg: 180 });
    expect(mend.saying.code).to.equal('turnScrews');
    expect(mend.plate.screws).to.have.length(3);
    expect(model([test(1, 20), moved(2)]).saying.code).to.equal('markBefore');
    expect(model([test(1, 20), moved(2), test(3, 2)]).saying).to.deep.include({ code: 'good', sizeArcmin: 2 });
  });

  it('learns from the round before how much the screws do', () => {
    const usual = model([test(1, 20)]).plate.arcminPerTurn;
    expect(model([test(1, 20), moved(2), test(3, 10)]).plate.arcminPerTurn).to.be.closeTo(usual / 2, 1e-9);
    expect(model([test(1, 20), test(3, 10)]).plate.arcminPerTurn, 'no screw was turned').to.equal(usual);
  });

  it('without screws entered, without a finder, and with one that does not turn', () => {
    const saying = (change: Part[], readings: Reading[] = []) =>
      plateModel(night({ parts: change, readings }), null, null).saying.code;
    expect(saying(finder({ screwAnglesDeg: [] }), [test(1, 20)])).to.equal('noScrews');
    expect(saying(mounts({ finder: null }))).to.equal('noFinder');
    expect(saying(finder({ turnsWithAxis: false }))).to.equal('fixedFinder');
  });
});

describe('the two dials', () => {
  const model = (readings: Reading[], wish: Wish = {}) => turnsModel(night({ readings, ...wish }));

  it('before anything: measure; set by eye is enough for a wide goal', () => {
    expect(model([]).saying).to.equal('measure');
    const byEye = reading('check', { listId: POLAR_LIST, itemId: SET_BY_EYE, done: true }, at(1));
    expect(model([byEye]).saying).to.equal('byEyeIsEnough');
    expect(model([byEye], { plan: { subS: 1200 } }).saying, 'not for long subs').to.equal('measure');
  });

  it('turns against the error by pitch and lever, and stops short until it has learned', () => {
    const { saying, turns } = model([error(1, -28.6, 57.3)]);
    expect(saying).to.equal('turn');
    expect(turns.altitude.advice).to.deep.include({ clockwise: true, fraction: 0.8, thenUpTurns: null });
    expect(turns.altitude.advice!.turns).to.be.closeTo(0.4, 0.001);
    expect(turns.azimuth.advice!.clockwise).to.equal(false);
    const unknown = model([error(1, 25, 25)], { parts: mounts({ adjusters: null }) });
    expect([unknown.turns.altitude.advice, unknown.turns.azimuth.advice]).to.deep.equal([null, null]);
    expect(dialOf(unknown, 'altitude', f)).to.deep.include({ turns: null, direction: 'turn not known' });
  });

  it('names the knob that pushes where two oppose each other', () => {
    expect(dialOf(model([error(1, 25, 25)]), 'azimuth', f)).to.deep.include({
      name: 'left azimuth knob',
      clockwise: true,
      effect: 'toward left (west)',
    });
    expect(dialOf(model([error(1, 25, -25)]), 'azimuth', f).name).to.equal('right azimuth knob');
    expect(dialOf(model([error(1, 25, 25)]), 'altitude', f)).to.deep.include({
      name: 'altitude bolt',
      clockwise: false,
    });
  });

  it('after a turn: measure again; within: tighten; tightened: done', () => {
    expect(model([error(1, 25, 0), turn(2, 'altitude', -0.4, 25)]).saying).to.equal('measureAgain');
    expect(model([error(1, 25, 0), turn(2, 'altitude', -0.4, 25), error(3, 2, 0)]).saying).to.equal('tighten');
    const locked = reading('lockShift', { altArcmin: 1, azArcmin: 0 }, at(4));
    expect(model([error(1, 2, 1), locked, error(5, 3, 1)]).saying).to.equal('done');
  });

  it('a measurement against the other pole is the same error', () => {
    const against = (reference: string) =>
      reading('polarError', { altErrorArcmin: 6, azErrorArcmin: 0, method: 'camera', reference }, at(1));
    const [refracted, real] = ['refracted', 'true'].map((r) => model([against(r)]).turns.pole.altitude.errorArcmin);
    // At this latitude the air lifts the pole by 1.2 arcmin, so an axis 6' above the true one is 4.8' above the other.
    expect(refracted! - real!).to.be.closeTo(1.2, 0.05);
  });

  const taught = [10, 20, 30, 40].flatMap((minute, i) => {
    const turns = 0.2 + 0.15 * i;
    return [
      error(minute, 40, 0),
      turn(minute + 1, 'altitude', -turns, 40),
      error(minute + 2, 40 - 50 * (turns - 0.05), 0),
    ];
  });

  it('learns the bolt from turns and the errors around them: gain, dead band, the whole way at once', () => {
    const { turns } = model([...taught, error(60, -30, 0)]);
    expect(turns.altitude.knob).to.deep.include({ basis: 'learned' });
    expect(turns.altitude.knob!.gainArcminPerTurn).to.be.closeTo(50, 1e-6);
    expect(turns.altitude.knob!.deadTurns).to.be.closeTo(0.05, 1e-6);
    expect(turns.altitude.advice).to.deep.include({ fraction: 1, clockwise: true });
    // The last turn went the other way, so the dead band is lost.
    expect(turns.altitude.advice!.turns).to.be.closeTo(30 / 50 + 0.05, 1e-6);
  });

  it('too high is brought below and finished upward', () => {
    const { advice } = model([...taught, error(60, 30, 0)]).turns.altitude;
    expect(advice).to.deep.include({ clockwise: false });
    expect(advice!.turns * 50).to.be.closeTo(35, 1e-6);
    expect(advice!.thenUpTurns).to.be.closeTo(5 / 50 + 0.05, 1e-6);
  });

  it('two turns in a row, or a tightening, teach nothing', () => {
    const twice = [error(1, 40, 0), turn(2, 'altitude', -0.3, 40), turn(3, 'altitude', -0.3, 20), error(4, 10, 0)];
    expect(model(twice).turns.altitude.knob!.learned).to.equal(null);
    const lock = reading('lockShift', { altArcmin: 2, azArcmin: 0 }, at(3));
    expect(
      model([error(1, 40, 0), turn(2, 'altitude', -0.3, 40), lock, error(4, 10, 0)]).turns.altitude.knob!.learned,
    ).to.equal(null);
  });

  it('a learned lock shift is aimed off for until it is tightened', () => {
    const locks = [1, 2, 3, 4].map((m) => reading('lockShift', { altArcmin: 1.3, azArcmin: -0.4 }, at(m)));
    const lead = model([...locks, turn(5, 'azimuth', 0.1, 5), error(6, 10, 0)]).turns;
    expect(lead.altitude.aimArcmin).to.be.closeTo(-1.3, 1e-9);
    expect(lead.azimuth.aimArcmin).to.be.closeTo(0.4, 1e-9);
    expect(model([...locks, error(6, 10, 0)]).turns.altitude.aimArcmin, 'it is tight').to.equal(0);
  });

  it('turns of another mount teach nothing here', () => {
    const other = taught.map((r) => ({ ...r, subject: { type: 'mount', id: 'another' } }) as Reading);
    expect(model([...other, error(60, 12, 0)]).turns.altitude.knob!.basis).to.equal('geometry');
  });
});

describe('how good is good enough', () => {
  const goal = (wish: Wish) => turnsModel(night(wish)).turns.goal;

  it('longer subs and higher declinations ask for more; guiding forgives the centre', () => {
    const short = goal({ plan: { subS: 300 } });
    const long = goal({ plan: { subS: 1200 } });
    expect(long.cornerArcmin).to.be.lessThan(short.cornerArcmin);
    expect(short.centreArcmin, 'guided: the centre does not drift').to.equal(60);
    expect(short.goalArcmin).to.be.at.most(10);
  });

  it('an unguided tracker with a short lens may stop early', () => {
    const wagtail = goal(south);
    expect(wagtail.guided).to.equal(false);
    expect(wagtail.centreArcmin).to.be.lessThan(60);
    expect(goal({ ...south, plan: { subS: 300 } }).goalArcmin).to.be.lessThan(wagtail.goalArcmin + 1e-9);
  });
});

describe('drift', () => {
  const model = (readings: Reading[], wish: Wish = {}, step: 'azimuth' | 'altitude' | null = null) =>
    driftModel(night({ readings, ...wish }), BRIGHT_STARS, NOW, step, null);
  const mark = (second: number, northArcsec: number, starts = false) =>
    reading(
      'driftMark',
      { starName: 'γ Psc', raDeg: 349.6, decDeg: 3.4, northArcsec, sigmaArcsec: 1.5, starts },
      { id: `m${second}`, takenAtUtc: new Date(NOW + second * 1000).toISOString() },
    );
  const drift = (minute: number, haH: number, rateArcsecPerMin: number) =>
    reading('drift', { haH, decDeg: 3, rateArcsecPerMin }, { ...at(minute), sigma: { rateArcsecPerMin: 0.05 } });

  it('proposes an azimuth star first, then altitude, then azimuth again', () => {
    expect(model([]).saying).to.deep.include({ code: 'takeStar', step: 'azimuth', again: false });
    const azGood = drift(1, 0.1, 0);
    expect(model([azGood]).saying).to.deep.include({ code: 'takeStar', step: 'altitude' });
    const altGood = drift(2, -3.7, -0.3);
    expect(model([azGood, altGood]).saying).to.deep.include({ code: 'takeStar', step: 'azimuth', again: true });
    expect(model([azGood, altGood, drift(3, 0.1, 0)]).saying.code).to.equal('done');
  });

  it('asks to turn what is beyond the goal, then to measure it again', () => {
    const far = drift(1, 0.1, 6);
    expect(model([far]).saying).to.deep.include({ code: 'turn', step: 'azimuth' });
    expect(model([far, turn(2, 'azimuth', 0.4, -30)]).saying).to.deep.include({
      code: 'takeStar',
      step: 'azimuth',
      again: true,
    });
  });

  it('a run goes on over a reload, says when it is enough, and can be given up', () => {
    const running = model([mark(0, 0, true), mark(20, 1)]);
    expect(running.saying).to.deep.include({ code: 'watch', star: 'γ Psc' });
    expect(running.run!.marks).to.have.length(2);
    const enough = model([mark(0, 0, true), ...[60, 120, 180, 240, 300].map((s) => mark(s, s / 10))]);
    expect(enough.saying).to.deep.include({ code: 'enough', step: 'azimuth' });
    // 6"/min toward north near the meridian: the axis is too far west, in the north.
    expect(enough.estimate!.azArcmin).to.be.closeTo(-6 / (0.2625 * Math.cos((40.33 * Math.PI) / 180)), 1.5);
    const givenUp = reading('check', { listId: POLAR_LIST, itemId: 'driftGivenUp', done: true }, at(9));
    expect(model([mark(0, 0, true), mark(60, 5), givenUp]).run).to.equal(null);
  });

  it('reads pixels by the rig’s scale and a field by eyepiece and tube', () => {
    const one = night();
    expect(driftScale(one, 'arcsec', null)!.arcsec).to.equal(1);
    expect(driftScale(one, 'pixel', null)!.arcsec).to.be.closeTo(2.02, 0.01);
    expect(driftScale(one, 'field', 25)!.arcsec).to.be.closeTo((50 * 3600 * 25) / 480, 1e-6);
    expect(driftScale(one, 'field', null)).to.equal(null);
  });

  it('in the south the same rules hold the other way round', () => {
    const auas = model([], south);
    expect(auas.saying).to.deep.include({ code: 'takeStar', step: 'azimuth' });
    const run = [mark(0, 0, true), ...[60, 120, 180, 240, 300].map((s) => mark(s, s / 10))].map((r) => ({
      ...r,
      values: { ...r.values, raDeg: 12, decDeg: -10 },
    })) as Reading[];
    expect(model(run, south).estimate!.azArcmin, 'north of the meridian star: too far east').to.be.greaterThan(10);
  });
});
