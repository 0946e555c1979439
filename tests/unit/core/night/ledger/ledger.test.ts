import { expect } from 'chai';
import fc from 'fast-check';
import {
  afterMove,
  isLoaded,
  ledgerOf,
  missingFor,
  mostPressing,
  orderOfNight,
  workRows,
  type Ledger,
} from '../../../../../src/core/night/ledger/ledger.ts';
import { HELD, MOVEMENTS, type Held, type Movement } from '../../../../../src/core/night/ledger/movements.ts';
import { goalOfNight } from '../../../../../src/core/night/ledger/goalOfNight.ts';
import { movesOfNight } from '../../../../../src/core/night/ledger/movesOfNight.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { lostWords, missingWords } from '../../../../../src/text/ledgerWords.ts';
import { makeFormat } from '../../../../../src/text/format.ts';
import { at, night, type Wish } from '../../../../support/nights.ts';
import { mounts, south } from '../../../../support/polar.ts';
import { holds } from '../../../../support/properties.ts';
import { event, reading, snapshotOf } from '../../../../support/records.ts';

const f = makeFormat('metric', 'UTC');
const NOTHING = ledgerOf(night());
const tick = (itemId: string, minute: number, done = true, listId = 'assembly'): Reading =>
  reading('check', { listId, itemId, done }, { ...at(minute), id: `${listId}-${itemId}-${minute}` });
const on = (what: Parameters<typeof event>[0], minute: number): Reading =>
  event(what, { ...at(minute), id: `${what}${minute}` });

const KINDS: Record<string, Wish> = {
  German: {},
  'strain wave': { parts: mounts({ drive: 'strainWave' }) },
  'tracker with a bracket': south,
  'tracker with a ball head': { ...south, parts: mounts({ mountKind: 'trackerBallHead' }) },
  'fork on a wedge': { parts: mounts({ mountKind: 'forkOnWedge' }) },
  'alt-azimuth': { parts: mounts({ mountKind: 'altAzimuth' }) },
};
const orderOf = (wish: Wish) => orderOfNight(night(wish));

/** Where the axes, their clutches and the cables really are: told by what hands do to metal, not by the table. */
function truth(
  moves: readonly Movement[],
): Record<'home' | 'clutches' | 'cables', { is: boolean; by: Movement | null }> {
  const state = {
    home: { is: false, by: null as Movement | null },
    clutches: { is: false, by: null as Movement | null },
    cables: { is: false, by: null as Movement | null },
  };
  for (const movement of moves) {
    if (['tipTest', 'axesOpened', 'cablesLast', 'roughBalance'].includes(movement)) {
      // The axis swings freely: it stands somewhere, held by nothing.
      for (const key of ['home', 'clutches'] as const) if (state[key].is) state[key] = { is: false, by: movement };
    }
    if (movement.startsWith('cables')) state.cables = { is: true, by: null };
    // A tube that lies elsewhere sweeps along another way.
    if (movement === 'clampMoved' && state.cables.is) state.cables = { is: false, by: movement };
    if (movement === 'home' || movement === 'homeBare') {
      state.home = { is: true, by: null };
      state.clutches = { is: true, by: null };
    }
    if (movement === 'clutchTight') state.clutches = { is: true, by: null };
  }
  return state;
}

describe('the night’s ledger', () => {
  for (const [kind, wish] of Object.entries(KINDS)) {
    it(`${kind}: in the normal order nothing is missing and nothing goes`, () => {
      let ledger: Ledger = NOTHING;
      // The tip test is how balance is found.
      const order = orderOf(wish).flatMap((step): Movement[] => (step === 'balance' ? ['tipTest', step] : [step]));
      for (const movement of [...order, 'slew', 'firstSub'] as Movement[]) {
        expect(missingFor(orderOf(wish), ledger, movement), movement).to.deep.equal([]);
        ledger = afterMove(ledger, { movement, atUtc: at(1).takenAtUtc });
        const lost = HELD.filter((held) => ledger[held].state === 'lost');
        expect(lost, `after ${movement}`).to.deep.equal([]);
      }
    });

    it(`${kind}: no order of movements reaches power, a slew or the first sub with something unsaid`, () => {
      const order = orderOf(wish);
      const matters = (['home', 'clutches', 'cables'] as const).filter((held) =>
        order.some((step) => MOVEMENTS[step].gives.includes(held)),
      );
      const movement = fc.constantFrom<Movement>(...order, 'axesOpened', 'tipTest', 'legsMoved', 'slew', 'firstSub');
      holds(
        fc.property(
          fc.array(movement, { maxLength: 40 }),
          fc.constantFrom<Movement>('slew', 'firstSub', 'powerOn'),
          (moves, next) => {
            const ledger = moves.reduce(
              (so: Ledger, m, i) => afterMove(so, { movement: m, atUtc: at(i).takenAtUtc }),
              NOTHING,
            );
            const really = truth(moves);
            const said = missingFor(order, ledger, next);
            for (const held of matters) {
              // A strain-wave mount is powered to try its sweep.
              if (
                next === 'powerOn' &&
                order.indexOf('powerOn') < order.indexOf('cablesLastDriven') &&
                held === 'cables'
              )
                continue;
              const one = said.find((m) => m.held === held);
              expect(one === undefined, `${held} before ${next}`).to.equal(really[held].is);
              if (really[held].by !== null) expect(one?.standing).to.include({ state: 'lost', by: really[held].by });
            }
          },
        ),
        2000,
      );
    });
  }

  it('what was lost names the movement that lost it first, and is won back', () => {
    const moves: Movement[] = ['home', 'axesOpened', 'tipTest'];
    const ledger = moves.reduce((so: Ledger, m, i) => afterMove(so, { movement: m, atUtc: at(i).takenAtUtc }), NOTHING);
    expect(ledger.home).to.deep.equal({ state: 'lost', by: 'axesOpened', atUtc: at(1).takenAtUtc });
    expect(afterMove(ledger, { movement: 'home', atUtc: at(9).takenAtUtc }).home.state).to.equal('won');
    expect(afterMove(NOTHING, { movement: 'axesOpened', atUtc: at(1).takenAtUtc }).home.state).to.equal('unknown');
  });

  it('every movement and everything held has words', () => {
    for (const movement of Object.keys(MOVEMENTS) as Movement[]) {
      const said = lostWords({ held: 'home', by: movement, atUtc: at(3).takenAtUtc, powered: false }, f);
      expect(said).to.match(/^Home went when [a-z ]+ at 20:03: back to both marks before power\.$/);
    }
    for (const held of HELD) expect(missingWords([{ held, standing: { state: 'unknown' } }])).to.match(/^First: .+\.$/);
    expect(missingWords([])).to.equal('');
  });
});

describe('what the readings of a night say the hands did', () => {
  const moves = (...readings: Reading[]) => movesOfNight(night({ readings })).map((m) => m.movement);

  it('ticks of both lists, once each, and not when they were taken back', () => {
    expect(moves(tick('headOn', 1), tick('home', 2, true, 'balance'))).to.deep.equal(['headOn', 'home']);
    expect(moves(tick('home', 1), tick('home', 5))).to.deep.equal(['home']);
    expect(moves(tick('home', 1), tick('home', 5, false))).to.deep.equal([]);
    expect(moves(tick('home', 1, true, 'balance'), tick('home', 5, false))).to.deep.equal([]);
    expect(moves(tick('demo-heron-camera', 1, true, 'packing'), tick('nonsense', 2))).to.deep.equal([]);
    expect(moves(tick('clutches', 1, true, 'beforeFirstSub'))).to.deep.equal(['clutchTight']);
  });

  it('a leg was moved when a leaning base is read level afterwards', () => {
    expect(moves(level(1, 1.2), level(2, 0.2))).to.deep.equal(['level', 'legsMoved', 'level']);
    expect(moves(level(1, 0.4), level(2, 0.2))).to.deep.equal(['level', 'level']);
    expect(moves(level(1, 1.2), level(2, 1.4))).to.deep.equal(['level', 'level']);
  });

  const ledger = (...readings: Reading[]) => ledgerOf(night({ readings }));
  const level = (minute: number, tiltDeg: number) =>
    reading('level', { tiltDeg, uphillAzimuthDeg: 0 }, { ...at(minute), id: `l${minute}` });
  const off = (minute: number, altErrorArcmin: number) =>
    reading(
      'polarError',
      { altErrorArcmin, azErrorArcmin: 0, method: 'typed', reference: 'refracted' },
      { ...at(minute), id: `p${minute}` },
    );

  it('a base that leans is not level, and one that leans anew was moved', () => {
    expect(ledger(level(1, 8)).level.state).to.equal('unknown');
    expect(ledger(level(1, 0.5)).level.state).to.equal('won');
    expect(ledger(level(1, 8), level(2, 0.2)).level.state).to.equal('won');
    expect(ledger(level(1, 0.2), level(2, 8)).level.state).to.equal('unknown');
    const leant = ledger(reading('feet', { azimuthDeg: 1 }, at(1)), level(2, 0.2), level(3, 8));
    expect(leant.bearing).to.include({ state: 'lost', by: 'legsMoved' });
    const within = ledger(reading('feet', { azimuthDeg: 1 }, at(1)), level(2, 0.2), level(3, 0.4));
    expect(within.bearing.state).to.equal('won');
  });

  it('a pole is won within tonight’s goal, not by being measured, nor by a star on its mark after it', () => {
    const { goalArcmin } = goalOfNight(night({}));
    const state = (...readings: Reading[]) => ledger(...readings).alignment.state;
    expect(state(off(1, 75))).to.equal('unknown');
    expect(state(off(1, goalArcmin * 0.99))).to.equal('won');
    expect(state(off(1, goalArcmin * 1.01))).to.equal('unknown');
    expect(state(off(1, 2), off(2, 75)), 'found off later').to.equal('unknown');
    expect(state(off(1, 75), on('setByEye', 2)), 'it was measured').to.equal('unknown');
    expect(state(on('setByEye', 1)), 'by eye').to.equal('won');
    expect(ledger(off(1, 75)).roughPole.state, 'near enough to begin with').to.equal('won');
  });

  it('a star at its mark is a rough pole on a tracker, the pole on others', () => {
    expect(moves(on('setByEye', 1))).to.deep.equal(['pole']);
    const onTracker = (what: Parameters<typeof event>[0]) =>
      movesOfNight(night({ ...south, readings: [on(what, 1)] })).map((m) => m.movement);
    expect([...onTracker('setByEye'), ...onTracker('lastPoleCheck')]).to.deep.equal(['roughPole', 'poleCheck']);
  });

  it('one star timed is no pole, two are', () => {
    const drift = (minute: number, haH: number) =>
      reading(
        'drift',
        { haH, decDeg: 0, rateArcsecPerMin: 1 },
        { ...at(minute), id: `d${minute}`, sigma: { rateArcsecPerMin: 0.01 } },
      );
    expect(moves(drift(1, -6))).to.deep.equal([]);
    expect(moves(drift(1, -6), drift(2, 0))).to.include('pole');
  });
});

describe('the line of the ledger', () => {
  const pressing = (...readings: Reading[]) => mostPressing(night({ readings }));
  const words = (...readings: Reading[]) => {
    const lost = pressing(...readings);
    return lost ? lostWords(lost, f) : null;
  };

  it('says nothing while everything that was won stands, or nothing was won', () => {
    expect(pressing()).to.equal(null);
    expect(pressing(on('axesOpened', 1))).to.equal(null);
    expect(pressing(tick('home', 1), tick('powerOn', 2))).to.equal(null);
  });

  it('says what went, by which movement, when, and the way back', () => {
    expect(words(tick('home', 1), on('axesOpened', 19))).to.equal(
      'Home went when the axes were opened at 20:19: back to both marks before power.',
    );
    expect(words(tick('home', 1), tick('powerOn', 2), on('axesOpened', 19))).to.equal(
      'Home went when the axes were opened at 20:19: power off, back to both marks, power on.',
    );
    expect(words(tick('home', 1), on('axesOpened', 2), tick('home', 3))).to.equal(null);
  });

  it('the pole goes when something comes on after it, focus when the camera does', () => {
    const focus = reading('focus', { positionUm: 1, temperatureC: 8, fwhmPx: null }, at(1));
    expect(words(on('setByEye', 1), tick('guideOn', 2))).to.equal(
      'The pole went when the guide scope came on at 20:02: check it once more.',
    );
    expect(pressing(focus, tick('cameraOn', 2))).to.include({ held: 'focus', by: 'cameraOn' });
  });

  it('leaves out what this mount does not have', () => {
    const readings = [tick('home', 1), on('axesOpened', 2)];
    expect(mostPressing(night({ readings, parts: mounts({ mountKind: 'altAzimuth' }) }))).to.include({
      held: 'clutches',
    });
    expect(mostPressing(night({ readings, parts: mounts({ drive: 'strainWave' }) }))).to.include({ held: 'home' });
  });
});

describe('a head that is loaded', () => {
  it('is one onto which something was put tonight', () => {
    const loaded = (...readings: Reading[]) => isLoaded(night({ readings }));
    expect([loaded(), loaded(tick('headOn', 1)), loaded(tick('barIn', 1))]).to.deep.equal([false, false, true]);
    expect(loaded(tick('cameraOn', 1), tick('cameraOn', 2, false))).to.equal(false);
  });
});

describe('the steps of a night', () => {
  const rows = (...readings: Reading[]) =>
    new Map(workRows(night({ readings, snapshots: [snapshotOf()] })).map((row) => [row.step, row]));
  const held = (step: Parameters<ReturnType<typeof rows>['get']>[0], ...readings: Reading[]): Held[] =>
    rows(...readings)
      .get(step)!
      .missing.map((m) => m.held);

  it('say first what they need, and are done again when what they won is lost', () => {
    expect(held('powerOn')).to.deep.equal(['home', 'clutches', 'cables']);
    expect(held('powerOn', tick('cablesLast', 1), tick('home', 2))).to.deep.equal([]);
    expect(held('powerOn', tick('cablesLast', 1), tick('home', 2), on('axesOpened', 3))).to.deep.equal([
      'home',
      'clutches',
    ]);
    expect(rows(tick('home', 2)).get('home')!.done).to.equal(true);
    expect(rows(tick('home', 2), on('axesOpened', 3)).get('home')!.done).to.equal(false);
    expect(held('headOn')).to.deep.equal(['bearing']);
    const shadow = reading('shadow', { shadowDeg: 0, clockwiseDeg: 0, trueDeg: 0 }, at(1));
    expect(held('headOn', shadow)).to.deep.equal([]);
    expect(rows(shadow).get('bearing')!.done).to.equal(true);
  });

  it('both clutches are opened for the cables only when each axis holds roughly', () => {
    const order = orderOf({});
    expect(order.indexOf('cablesLast')).to.equal(order.indexOf('roughBalance') + 1);
    expect(held('cablesLast')).to.deep.equal(['roughBalance']);
    expect(held('cablesLast', tick('roughBalance', 1))).to.deep.equal([]);
    expect(held('cablesLast', tick('roughBalance', 1), tick('cameraOn', 2))).to.deep.equal(['roughBalance']);
    const lost = [tick('tug', 1), tick('weightsOn', 1), tick('endStop', 1), tick('cablesLast', 2)];
    expect(held('roughBalance')).to.deep.equal(['weights', 'endStop', 'clamp']);
    expect(held('roughBalance', ...lost)).to.deep.equal([]);
  });

  it('axes that stay where they are put hold roughly: nobody is asked to try that once more', () => {
    const trial = (minute: number, axis: 'ra' | 'dec', drops: string) =>
      reading('balance', { axis, positionM: 0.1, drops }, { ...at(minute), id: `b${axis}${minute}` });
    const both = [trial(1, 'ra', 'none'), trial(2, 'dec', 'none')];
    expect(held('cablesLast', both[0]!)).to.deep.equal(['roughBalance']);
    expect(held('cablesLast', both[0]!, trial(2, 'dec', 'front'))).to.deep.equal(['roughBalance']);
    expect(held('cablesLast', ...both)).to.deep.equal([]);
    expect(rows(...both).get('roughBalance')!.done).to.equal(true);
    expect(held('cablesLast', ...both, tick('guideOn', 3))).to.deep.equal(['roughBalance']);
  });

  it('a tube slid far in its clamp has to be swung past the column once more', () => {
    const trial = (minute: number, positionM: number, axis: 'ra' | 'dec' = 'dec') =>
      reading('balance', { axis, positionM, drops: 'front' }, { ...at(minute), id: `b${axis}${minute}` });
    const swept = tick('cablesLast', 1);
    const lost = (...readings: Reading[]) => mostPressing(night({ readings: [swept, ...readings] }));
    expect(lost(trial(2, 0.01), trial(3, 0.05))).to.include({ held: 'cables', by: 'clampMoved' });
    expect(lost(trial(2, 0.05), trial(3, 0.01))).to.include({ held: 'cables', by: 'clampMoved' });
    expect(lost(trial(2, 0.01), trial(3, 0.025))).to.equal(null);
    expect(lost(trial(2, 0.2, 'ra'), trial(3, 0.3, 'ra'))).to.equal(null);
    expect(lost(trial(2, 0.01), trial(3, 0.05), tick('cablesLast', 4))).to.equal(null);
    expect(lostWords(lost(trial(2, 0.01), trial(3, 0.05))!, f)).to.match(/slid in its clamp at 20:03: swing both axes/);
  });

  it('come in an order that undoes nothing: bearing before iron, latitude before load, cables before home, power last', () => {
    const order = orderOf({});
    const before = (first: Movement, then: Movement) =>
      expect((order as Movement[]).indexOf(first), `${first} before ${then}`).to.be.within(
        0,
        (order as Movement[]).indexOf(then) - 1,
      );
    before('bearing', 'headOn');
    before('latitude', 'barIn');
    before('endStop', 'tubeOn');
    before('ringScrews', 'tug');
    before('tug', 'cameraOn');
    before('cablesLast', 'balance');
    before('balance', 'home');
    before('home', 'powerOn');
    expect(orderOf(south).at(-1)).to.equal('handsOff');
    expect(orderOf(south).indexOf('poleCheck')).to.be.greaterThan(orderOf(south).indexOf('focus'));
  });
});
