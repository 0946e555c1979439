import { expect } from 'chai';
import fc from 'fast-check';
import { raBalance, type RaBalanceInput } from '../../../../src/core/mount/balance.ts';
import { barExtensionM, clampShift, weightSets } from '../../../../src/core/mount/balanceProposals.ts';
import { dialReading, readingAt, viewAngleOf, type Numbering } from '../../../../src/core/mount/dial.ts';
import { driftRates, polarDrift, totalErrorArcmin } from '../../../../src/core/mount/polarDrift.ts';
import { finite, holds } from '../../../support/properties.ts';

const heron: RaBalanceInput = {
  parts: [
    { id: 'tube', massKg: 3.4, fromRaAxisM: 0.17 },
    { id: 'guide', massKg: 0.6, fromRaAxisM: 0.27 },
  ],
  bar: { massKg: 0.8, centreM: 0.2 },
  movableWeights: [{ id: 'w', massKg: 3.5 }],
  fixedWeights: [],
  barRangeM: [0.05, 0.42],
};
const mass = finite(0.05, 8);
const rigs = fc.record({
  parts: fc.array(
    fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd'), massKg: mass, fromRaAxisM: finite(0.05, 0.4) }),
    { minLength: 1, maxLength: 6 },
  ),
  bar: fc.record({ massKg: finite(0, 2), centreM: finite(0, 0.3) }),
  movableWeights: fc.array(fc.record({ id: fc.constantFrom('w1', 'w2'), massKg: mass }), {
    minLength: 1,
    maxLength: 2,
  }),
  fixedWeights: fc.array(fc.record({ massKg: finite(0, 3), positionM: finite(0, 0.4) }), { maxLength: 2 }),
  barRangeM: fc.constant<[number, number]>([0.1, 0.4]),
});

describe('right-ascension balance', () => {
  it('more mass on the tube side moves the weight outward', () => {
    holds(
      fc.property(rigs, mass, (rig, extraKg) => {
        const heavier = { ...rig, parts: [...rig.parts, { id: 'x', massKg: extraKg, fromRaAxisM: 0.2 }] };
        expect(raBalance(heavier).positionM ?? 0).to.be.greaterThan(raBalance(rig).positionM ?? 0);
      }),
    );
  });

  it('says when the position lies off the bar, and how to get back on it', () => {
    const short = { ...heron, barRangeM: [0.05, 0.1] as const };
    const found = raBalance(short);
    expect(found.inRange).to.equal(false);
    expect(barExtensionM(short)).to.be.closeTo((found.positionM ?? 0) - 0.1, 1e-12);
    const shift = clampShift(short, 'tube');
    expect(shift?.weightsAtM).to.equal(0.1);
    const moved = {
      ...short,
      parts: short.parts.map((p) =>
        p.id === 'tube' ? { ...p, fromRaAxisM: p.fromRaAxisM + (shift?.clampShiftM ?? 0) } : p,
      ),
    };
    expect(raBalance(moved).positionM).to.be.closeTo(0.1, 1e-12);
    expect(barExtensionM(heron)).to.equal(null);
    expect(clampShift(heron, 'tube')).to.equal(null);
  });

  it('without a movable weight only zero moment is in range', () => {
    const none = { ...heron, movableWeights: [] };
    expect(raBalance(none)).to.include({ positionM: null, inRange: false });
  });

  it('sets of equal weights come in the order of their ids as text, however the box is sorted', () => {
    const like = { ...heron, barRangeM: [0.05, 9] as [number, number] };
    const box = ['w2', 'w10', 'w1'].map((id) => ({ id, massKg: 2 }));
    const orders = [box, [...box].reverse()].map((owned) => weightSets(like, owned).map((set) => set.ids.join(' ')));
    const single = ['w1', 'w10', 'w2'];
    expect(orders[0]).to.deep.equal([...single, 'w1 w10', 'w1 w2', 'w10 w2', 'w1 w10 w2']);
    expect(orders[1]).to.deep.equal(orders[0]);
  });

  it('does not search boxes that would take too long', () => {
    const box = Array.from({ length: 13 }, (_, i) => ({ id: String(i), massKg: 1 }));
    expect(() => weightSets(heron, box)).to.throw('at most 12');
    expect(() => weightSets(heron, box.slice(1))).not.to.throw();
  });
});

describe('dial', () => {
  const engravings = fc.record({
    numbering: fc.constantFrom<Numbering>('12h', '24h', 'deg'),
    topMark: fc.integer({ min: 0, max: 11 }),
    direction: fc.constantFrom<'clockwise' | 'counterclockwise'>('clockwise', 'counterclockwise'),
    view: fc.constantFrom<'upright' | 'inverted'>('upright', 'inverted'),
  });

  it('reads the mark that stands at the star', () => {
    holds(
      fc.property(engravings, finite(0, 24), finite(-60, 60), (engraving, haH, latDeg) => {
        const { viewAngleDeg, reading } = dialReading(haH, latDeg, engraving);
        const apart = Math.abs(viewAngleOf(reading, engraving) - viewAngleDeg);
        expect(Math.min(apart, 360 - apart)).to.be.lessThan(1e-6);
      }),
    );
  });

  it('facing north stars turn counter-clockwise, facing south clockwise', () => {
    const dial = { numbering: 'deg' as const, topMark: 0, direction: 'clockwise' as const, view: 'upright' as const };
    expect(dialReading(1, 40, dial).reading).to.equal(345);
    expect(dialReading(1, -40, dial).reading).to.equal(15);
  });

  it('a plate turned clockwise carries its numbers along', () => {
    const dial = { numbering: '12h' as const, topMark: 0, direction: 'clockwise' as const, view: 'inverted' as const };
    const straight = dialReading(5, 40, dial).reading;
    expect(dialReading(5, 40, dial, 30).reading).to.be.closeTo((straight + 11) % 12, 1e-9);
    expect(readingAt(0, dial)).to.equal(0);
  });
});

describe('drift from polar error', () => {
  const error = (alt: number, az: number) => ({ altErrorArcmin: alt, azErrorArcmin: az });

  it('follows the rules of drift alignment in both hemispheres', () => {
    const dec = (lat: number, alt: number, az: number, haH: number) =>
      Math.sign(driftRates(error(alt, az), lat, 5, haH).decPerMin);
    // Upper meridian: drifts north = axis too far west in the north, too far east in the south.
    expect([dec(45, 0, -10, 0), dec(45, 0, 10, 0)]).to.deep.equal([1, -1]);
    expect([dec(-35, 0, 10, 0), dec(-35, 0, -10, 0)]).to.deep.equal([1, -1]);
    // Low in the east: drifts north = too high in the north, too low in the south; in the west the reverse.
    expect([dec(45, 10, 0, -5.5), dec(-35, -10, 0, -5.5)]).to.deep.equal([1, 1]);
    expect([dec(45, -10, 0, 5.5), dec(-35, 10, 0, 5.5)]).to.deep.equal([1, 1]);
  });

  it('an exact axis does nothing, and total error is the angle on the sky', () => {
    const drift = polarDrift(error(0, 0), 40, 30, 2, 600);
    for (const value of Object.values(drift)) expect(value).to.be.closeTo(0, 1e-6);
    expect(totalErrorArcmin(error(3, 0), 40)).to.be.closeTo(3, 1e-9);
    expect(totalErrorArcmin(error(0, 4), 60)).to.be.closeTo(2, 0.001);
    expect(totalErrorArcmin(error(0, 4), -60)).to.be.closeTo(2, 0.001);
  });
});
