/** Small rules of balance, each by figures that a hand can check. */
import { expect } from 'chai';
import { balanceOrder, unloadOrder } from '../../../../../../src/core/night/advice/hands/balanceOrder.ts';
import { usualTip } from '../../../../../../src/core/night/learned/tipOfNight.ts';
import { deriveNight } from '../../../../../../src/core/night/deriveNight.ts';
import { movingKgOf } from '../../../../../../src/core/mount/levers.ts';
import type { Reading } from '../../../../../../src/core/records/reading.ts';
import type { Rig } from '../../../../../../src/core/records/rig.ts';
import { before, night } from '../../../../../support/nights.ts';
import { at, error, south } from '../../../../../support/polar.ts';
import { nightRecords, NOW, reading, snapshotOf, world } from '../../../../../support/records.ts';

describe('where a rig stayed before', () => {
  const tip = (readings: Reading[], change: (rig: Rig) => Rig = (rig) => rig) =>
    usualTip(nightRecords({ readings, snapshots: [snapshotOf({}, 's1', change)] }), 'ra')!;
  const rigSubject = { type: 'rig', id: 'demo-heron' } as const;

  it('leaves the doubt of the place alone when nothing was changed since', () => {
    const positionM = tip([]).problem.predictedM;
    const stayed = before('balance', { axis: 'ra', positionM, drops: 'none' }, 'old-one', rigSubject);
    const { taught, levers } = tip([stayed]);
    expect(taught).to.deep.include({ added: [], removed: [], moved: [] });
    expect(taught!.doubtKgM).to.be.closeTo(0.004 * movingKgOf(levers), 1e-12);
  });

  it('counts a trial of tonight whatever the record says of where the weights sit', () => {
    const trial = reading('balance', { axis: 'ra', positionM: 0.25, drops: 'tube' }, at(1));
    const moving = new Set(tip([]).levers.moving.map((l) => l.id));
    const slid = (rig: Rig): Rig => ({
      ...rig,
      placed: rig.placed.map((p) => (moving.has(p.placedId) ? { ...p, fromRaAxisM: p.fromRaAxisM - 0.05 } : p)),
    });
    expect(tip([trial], slid).trials).to.deep.equal([{ axis: 'ra', positionM: 0.25, drops: 'tube' }]);
  });

  it('the piece shifted sideways is still the last one after a trial of another axis', () => {
    const camera = 'demo-heron-guide-camera';
    const sideways = reading(
      'balance',
      { axis: 'sideways', positionM: 0, drops: 'upper' },
      { ...at(1), subject: { type: 'part', id: camera } },
    );
    const ra = reading('balance', { axis: 'ra', positionM: 0.2, drops: 'tube' }, at(2));
    const found = usualTip(nightRecords({ readings: [sideways, ra], snapshots: [snapshotOf()] }), 'sideways')!;
    expect(found.levers.moving[0]!.partId).to.equal(camera);
  });
});

describe('taking a rig down', () => {
  it('parks with the bar down where there is one, and bare where there is none', () => {
    const unload = (wish: Parameters<typeof night>[0]) => unloadOrder(night(wish));
    expect(unload({})).to.include.members(['park', 'weightsOff', 'barOff']);
    const all = world();
    const bare = { ...all.rigs.find((r) => r.id === 'demo-heron')!, placed: [] };
    const found = deriveNight({ ...all, rigs: [bare] }, 'n1', NOW);
    const order = found.state === 'night' ? unloadOrder(found.night) : [];
    expect(order[0]).to.equal('parkBare');
    expect(order).not.to.include('barOff');
  });

  it('a tracker’s pole comes first and is looked at again last', () => {
    const steps = balanceOrder(night(south)).map((row) => [row.step, row.done]);
    expect([steps[0], steps.at(-1)]).to.deep.equal([
      ['roughPole', false],
      ['poleCheck', false],
    ]);
    expect(balanceOrder(night({ ...south, readings: [error(1, 3, 3)] }))[0]).to.include({ done: true });
  });
});
