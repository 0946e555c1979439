import { expect } from 'chai';
import { lockShiftOfMount } from '../../../src/core/pole/knobsOfMount.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { turnsAsShown } from '../../../src/features/polar/error/turnReadings.ts';
import { dialOf, turnsModel } from '../../../src/features/polar/error/turnsModel.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { at, error, LIFT_ARCMIN, mounts, night, south, turn, type Wish } from '../../support/polar.ts';
import { event, nightRecords, reading } from '../../support/records.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
describe('the two dials', () => {
  const model = (readings: Reading[], wish: Wish = {}) => turnsModel(night({ readings, ...wish }));

  it('before anything: measure; set by eye is enough for a wide goal', () => {
    expect(model([]).saying).to.equal('measure');
    const byEye = event('setByEye', at(1));
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
      name: 'left knob',
      clockwise: true,
      effect: 'toward left (west)',
    });
    expect(dialOf(model([error(1, 25, -25)]), 'azimuth', f).name).to.equal('right knob');
    expect(dialOf(model([error(1, 25, 25)]), 'altitude', f)).to.deep.include({
      name: 'altitude bolt',
      clockwise: false,
    });
  });

  it('after a turn: measure again; within: tighten; tightened: done', () => {
    const turned = model([error(1, 25, 0), turn(2, 'altitude', -0.4, 25)]);
    expect(turned.saying).to.equal('measureAgain');
    expect(dialOf(turned, 'altitude', f), 'no pupil lights unmeasured').to.include({ within: false, amount: 'turned' });
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

  it('learns the same when the errors are told against the other pole', () => {
    const told = taught.map((r) =>
      r.kind === 'polarError'
        ? { ...r, values: { ...r.values, altErrorArcmin: r.values.altErrorArcmin + LIFT_ARCMIN, reference: 'true' } }
        : r,
    ) as Reading[];
    const { knob } = model([...told, error(60, -30, 0)]).turns.altitude;
    expect(knob!.gainArcminPerTurn).to.be.closeTo(50, 1e-6);
    expect(knob!.deadTurns).to.be.closeTo(0.05, 1e-6);
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
    const little = locks.map((r) => ({ ...r, values: { altArcmin: 0.1, azArcmin: 0 } }) as Reading);
    const { altitude } = model([...little, turn(5, 'azimuth', 0.1, 5), error(6, 10, 0)]).turns;
    expect(altitude.aimArcmin, 'too little to aim for').to.equal(0);
  });

  it('turns of another mount teach nothing here', () => {
    const other = taught.map((r) => ({ ...r, subject: { type: 'mount' as const, id: 'another' } }));
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

describe('what is recorded of turns', () => {
  const model = (readings: Reading[]) => turnsModel(night({ readings }));
  const shown = (readings: Reading[]) => turnsAsShown(model(readings), nightRecords({ readings }));

  it('one signed turn for each adjuster beyond the goal, and no error that others measured', () => {
    const [altitude, azimuth, ...rest] = shown([error(1, -28.6, 57.3)]);
    expect(rest).to.deep.equal([]);
    expect(altitude).to.deep.include({ kind: 'knobTurn' });
    expect(altitude!.values).to.deep.include({ adjuster: 'altitude', afterLockOrReversal: true });
    expect(altitude!.values).to.deep.include({ beforeArcmin: null, afterArcmin: null });
    const turnsOf = (r: typeof altitude) => (r?.kind === 'knobTurn' ? r.values.turns : 0);
    expect([turnsOf(altitude), turnsOf(azimuth)].map(Math.sign)).to.deep.equal([1, -1]);
    expect(shown([error(1, 2, 30)]).map((r) => (r.kind === 'knobTurn' ? r.values.adjuster : ''))).to.deep.equal([
      'azimuth',
    ]);
  });

  it('nothing before an error was measured, nor for unknown knobs', () => {
    expect(shown([])).to.deep.equal([]);
    const unknown = turnsModel(night({ readings: [error(1, 30, 30)], parts: mounts({ adjusters: null }) }));
    expect(turnsAsShown(unknown, nightRecords())).to.deep.equal([]);
  });

  it('tightening is the difference of two errors, whichever pole each is told against', () => {
    const lock = reading('lockShift', { altArcmin: null, azArcmin: null }, at(2));
    const shift = (alt: number, reference: string, ...between: Reading[]) => {
      const values = { altErrorArcmin: alt, azErrorArcmin: 0.6, method: 'typed', reference };
      const readings = [error(1, 3, 1), ...between, lock, reading('polarError', values, at(3))];
      return lockShiftOfMount(nightRecords({ readings }));
    };
    for (const found of [shift(4.3, 'refracted'), shift(4.3 + LIFT_ARCMIN, 'true')]) {
      expect(found!.altArcmin).to.be.closeTo(1.3, 1e-9);
      expect(found!.azArcmin).to.be.closeTo(-0.4, 1e-9);
    }
    const turned = turn(1.5, 'altitude', 0.1, 3);
    expect(shift(4.3, 'refracted', turned), 'a turn in between is no tightening').to.equal(null);
    expect(lockShiftOfMount(nightRecords({ readings: [error(1, 3, 1), lock] })), 'not measured yet').to.equal(null);
  });

  it('turns without stated errors teach the same as those with them', () => {
    const taught = [10, 20, 30, 40].flatMap((minute, i) => {
      const turns = 0.2 + 0.15 * i;
      const { values, ...rest } = turn(minute + 1, 'altitude', -turns, 40);
      const unsaid = { ...rest, values: { ...values, beforeArcmin: null } } as Reading;
      return [error(minute, 40, 0), unsaid, error(minute + 2, 40 - 50 * (turns - 0.05), 0)];
    });
    const { knob } = model([...taught, error(60, -30, 0)]).turns.altitude;
    expect(knob).to.deep.include({ basis: 'learned' });
    expect(knob!.gainArcminPerTurn).to.be.closeTo(50, 1e-6);
    expect(knob!.deadTurns).to.be.closeTo(0.05, 1e-6);
  });
});
