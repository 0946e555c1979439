import { expect } from 'chai';
import fc from 'fast-check';
import {
  arcminPerTurn,
  isLearned,
  learnKnob,
  learnLockShift,
  senseOf,
  turnsFor,
  type LoggedTurn,
} from '../../../../src/core/mount/knobs.ts';
import { finite, holds } from '../../../support/properties.ts';

const logged = (turns: number, gain: number, dead: number, locked: boolean): LoggedTurn => ({
  turns,
  beforeArcmin: 3,
  afterArcmin: 3 + gain * Math.sign(turns) * Math.max(0, Math.abs(turns) - (locked ? dead : 0)),
  afterLockOrReversal: locked,
});

describe('turns of a knob', () => {
  it('take the error away, whichever way the knob works', () => {
    const ways = fc.constantFrom<'up' | 'down' | 'east' | 'west'>('up', 'down', 'east', 'west');
    holds(
      fc.property(finite(-90, 90), finite(5, 90), ways, (errorArcmin, size, clockwiseMoves) => {
        const gainArcminPerTurn = senseOf(clockwiseMoves) * size;
        const { turns, clockwise } = turnsFor(-errorArcmin, { gainArcminPerTurn, deadTurns: 0 });
        expect(errorArcmin + (clockwise ? turns : -turns) * gainArcminPerTurn).to.be.closeTo(0, 1e-9);
        expect(turns).to.be.at.least(0);
      }),
    );
  });

  it('the dead band comes on top, also of a part of the way, and not when nothing is to be done', () => {
    const knob = { gainArcminPerTurn: -50, deadTurns: 0.1 };
    expect(turnsFor(-25, knob)).to.deep.equal({ turns: 0.6, clockwise: true });
    expect(turnsFor(25, knob, 0.8).turns).to.be.closeTo(0.5, 1e-12);
    expect(turnsFor(0, knob).turns).to.equal(0);
  });

  it('by geometry a bolt of 1 mm on 60 mm moves 57 arcmin; impossible sizes are named', () => {
    expect(arcminPerTurn(1, 60)).to.be.closeTo(57.3, 0.05);
    expect(() => arcminPerTurn(0, 60)).to.throw('pitchMm must be above 0, got 0');
  });
});

describe('learning a knob', () => {
  it('finds gain and dead band of exact records, mixed with turns that lose no dead band', () => {
    holds(
      fc.property(finite(20, 90), fc.constantFrom(1, -1), finite(0, 0.15), (size, sense, dead) => {
        const gain = size * sense;
        const log = [0.3, -0.5, 0.8, -1.1].map((t) => logged(t, gain, dead, true));
        const mixed = [...log, logged(0.4, gain, dead, false), logged(-0.25, gain, dead, false)];
        for (const records of [log, mixed]) {
          const found = learnKnob(records)!;
          expect(found.gainArcminPerTurn).to.be.closeTo(gain, 1e-6);
          expect(found.deadTurns).to.be.closeTo(dead, 1e-6);
          expect(isLearned(found)).to.equal(true);
        }
      }),
    );
  });

  it('one false record does not turn it; three false ones of five are not trusted', () => {
    const good = [0.3, -0.5, 0.8, -1.1, 0.6].map((t) => logged(t, 57, 0.05, true));
    const oneFalse = [...good, { ...logged(0.7, 57, 0.05, true), afterArcmin: -80 }];
    expect(learnKnob(oneFalse)!).to.deep.include({ outliers: [5] });
    expect(learnKnob(oneFalse)!.gainArcminPerTurn).to.be.closeTo(57, 57 * 0.03);
    const wild = good.map((r, i) => (i < 3 ? { ...r, afterArcmin: r.afterArcmin + [40, -70, 25][i]! } : r));
    expect(isLearned(learnKnob(wild))).to.equal(false);
  });

  it('names a false record by its place in the whole log, and none among good ones measured to 0.3 arcmin', () => {
    const errors = [0.3, -0.3, 0.2, 0, -0.2, 0.3];
    const good = [0.01, 0.3, -0.5, 0.8, -1.1, 0.6].map((t, i) => {
      const exact = logged(t, -42, 0.08, true);
      return { ...exact, afterArcmin: exact.afterArcmin + errors[i]! };
    });
    expect(learnKnob(good)!.outliers).to.deep.equal([]);
    const doubled = good.map((r, i) =>
      i === 4 ? { ...r, afterArcmin: r.beforeArcmin + 2 * (r.afterArcmin - r.beforeArcmin) } : r,
    );
    expect(learnKnob(doubled)!.outliers).to.deep.equal([4]);
    expect(learnKnob(doubled.slice(2, 5))!.outliers, 'three records do not show what is usual').to.deep.equal([]);
  });

  it('is not learned from three records, and tells nothing from one locked turn or from none', () => {
    const three = [0.3, 0.6, 0.9].map((t) => logged(t, 57, 0, true));
    expect(isLearned(learnKnob(three))).to.equal(false);
    expect(learnKnob(three.slice(0, 1))).to.equal(null);
    expect(learnKnob([logged(0.5, 40, 0.1, false)])!.gainArcminPerTurn).to.be.closeTo(40, 1e-9);
    const off = (share: number) => {
      const log = [1, 1, -1, -1].map((way, i) => logged(0.5 + i / 10, 50 * (1 + way * share), 0, false));
      return learnKnob(log)!;
    };
    expect(off(0.149).spread).to.be.closeTo(0.149, 1e-9);
    expect([isLearned(off(0.149)), isLearned(off(0.151))], 'how far records may lie apart').to.deep.equal([
      true,
      false,
    ]);
    expect(learnKnob([])).to.equal(null);
    expect(isLearned(null)).to.equal(false);
  });
});

describe('the lock shift', () => {
  it('is aimed off for from four records that lie together', () => {
    const shift = (altArcmin: number) => ({ altArcmin, azArcmin: 0.1 });
    expect(learnLockShift([1.2, 1.3, 1.4].map(shift))).to.deep.include({ altArcmin: 1.3, learned: false });
    expect(learnLockShift([1.2, 1.3, 1.4, 1.3].map(shift))).to.deep.include({ altArcmin: 1.3, learned: true });
    expect(learnLockShift([-3, 1.3, 4, 1.3, -2].map(shift))!.learned).to.equal(false);
    expect(learnLockShift([])).to.equal(null);
  });
});
