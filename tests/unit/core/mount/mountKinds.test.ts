import { expect } from 'chai';
import { MOUNT_KINDS, mountTraits, type KindTraits } from '../../../../src/core/mount/mountKinds.ts';
import { motorsOf } from '../../../../src/core/mount/motors.ts';
import type { MountKind } from '../../../../src/core/records/part.ts';

const kinds = Object.keys(MOUNT_KINDS) as MountKind[];
const having = (is: (traits: KindTraits) => boolean): MountKind[] => kinds.filter((kind) => is(MOUNT_KINDS[kind]));

describe('kinds of mounts', () => {
  it('have what they have', () => {
    expect(having((t) => t.isTracker)).to.deep.equal(['trackerBallHead', 'trackerBracket']);
    expect(having((t) => !t.hasPolarAxis)).to.deep.equal(['altAzimuth', 'pushedAltAzimuth', 'floorReflector']);
    expect(having((t) => t.flips)).to.deep.equal(['germanEquatorial', 'trackerBracket']);
    expect(having((t) => t.balances === 'bar')).to.deep.equal(['germanEquatorial', 'trackerBracket']);
    expect(having((t) => t.balances === 'tubeAlone')).to.deep.equal([
      'forkOnWedge',
      'floorReflector',
      'tiltingPlatform',
    ]);
    expect(having((t) => t.standsOn === 'ground')).to.deep.equal(['floorReflector', 'tiltingPlatform']);
    expect(having((t) => t.runsOut)).to.deep.equal(['tiltingPlatform']);
    expect(having((t) => !t.clutches)).to.deep.equal(['pushedAltAzimuth', 'floorReflector', 'tiltingPlatform']);
    expect(having((t) => t.knobsOnHead)).to.deep.equal(['germanEquatorial']);
  });

  it('what belongs together goes together', () => {
    for (const kind of kinds) {
      const { isTracker, order, flips, hasPolarAxis, balances, holds, clutches, runsOut } = MOUNT_KINDS[kind];
      expect(order === 'tracker', kind).to.equal(isTracker);
      const motors = motorsOf({ mountKind: kind, drive: 'worm' });
      expect(motors === 'raOnly', kind).to.equal(isTracker || runsOut);
      // Where nothing follows there is nothing to open.
      if (motors === 'none') expect(clutches, kind).to.equal(false);
      // Only what carries weights on the other side goes over, about an axis toward the pole.
      expect(flips, kind).to.equal(balances === 'bar');
      if (flips) expect(hasPolarAxis, kind).to.equal(true);
      if (holds === 'arms' || holds === 'rocker') expect(balances, kind).to.equal('tubeAlone');
    }
  });

  it('of a mount that is not known nothing is said that it may lack', () => {
    const { flips, balances, isTracker, knobsOnHead, hasPolarAxis } = mountTraits(null);
    expect([flips, balances, isTracker, knobsOnHead, hasPolarAxis]).to.deep.equal([
      false,
      'nothing',
      false,
      false,
      true,
    ]);
  });
});
