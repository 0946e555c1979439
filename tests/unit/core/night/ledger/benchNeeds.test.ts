import { expect } from 'chai';
import { missingAt, movementAt, type BenchPlace } from '../../../../../src/core/night/ledger/benchNeeds.ts';
import type { Reading, Step } from '../../../../../src/core/records/reading.ts';
import { missingWords } from '../../../../../src/text/ledgerWords.ts';
import { at, night, type Wish } from '../../../../support/nights.ts';
import { south } from '../../../../support/polar.ts';
import { reading } from '../../../../support/records.ts';

const place = (step: Step, tab: string | null = null, visit: BenchPlace['visit'] = 'rough'): BenchPlace => ({
  step,
  tab,
  visit,
});
const ticks = (...steps: string[]): Reading[] =>
  steps.map((itemId, i) =>
    reading('check', { listId: 'assembly', itemId, done: true }, { ...at(i + 1), id: `${itemId}-${i}` }),
  );
const heldAt = (wish: Wish, where: BenchPlace): string[] => missingAt(night(wish), where).map((m) => m.held);

describe('what a bench needs before its own movement', () => {
  it('each bench stands for what the hands do there', () => {
    const [german, tracker] = [night(), night(south)];
    expect(movementAt(german, place('level'))).to.equal('bearing');
    expect(movementAt(german, place('level', 'level'))).to.equal('level');
    expect(movementAt(german, place('level', 'latitude'))).to.equal('latitude');
    expect(movementAt(german, place('balance', 'dec'))).to.equal('tipTest');
    expect(movementAt(german, place('polar'))).to.equal('pole');
    expect(movementAt(tracker, place('polar'))).to.equal('roughPole');
    expect(movementAt(tracker, place('polar', null, 'final'))).to.equal('poleCheck');
    expect(movementAt(german, place('watch'))).to.equal('firstSub');
    expect(movementAt(german, place('payload'))).to.equal(null);
    expect(movementAt(german, place('balance', 'order'))).to.equal(null);
  });

  it('who keeps no list tonight is not asked for its ticks', () => {
    expect(heldAt({}, place('balance'))).to.deep.equal([]);
    expect(heldAt({}, place('watch'))).to.deep.equal([]);
  });

  it('an axis is not opened under a tube that nothing holds, and the way is said in order', () => {
    const readings = ticks('headOn', 'barIn', 'weightsOn', 'tubeOn');
    expect(heldAt({ readings }, place('balance'))).to.deep.equal(['endStop', 'clamp']);
    expect(missingWords(missingAt(night({ readings }), place('balance')))).to.equal(
      'First: the end stop, screw it onto the bar; then the tube’s hold.',
    );
    const held = ticks('headOn', 'barIn', 'weightsOn', 'endStop', 'tubeOn', 'tug');
    expect(heldAt({ readings: held }, place('balance'))).to.deep.equal([]);
  });

  it('the pole waits for balance, and nothing is said once it is done', () => {
    const readings = ticks('headOn', 'weightsOn');
    expect(heldAt({ readings }, place('polar'))).to.deep.equal(['balance']);
    const measured = reading(
      'polarError',
      { altErrorArcmin: 1, azErrorArcmin: 1, method: 'camera', reference: 'refracted' },
      { ...at(9), id: 'pole' },
    );
    expect(heldAt({ readings: [...readings, measured] }, place('polar'))).to.deep.equal([]);
  });

  it('the first sub asks for everything that a slew could break', () => {
    expect(heldAt({ readings: ticks('headOn') }, place('watch'))).to.include.members([
      'power',
      'home',
      'clutches',
      'cables',
      'alignment',
      'focus',
    ]);
  });
});
