import { expect } from 'chai';
import { eyeHeights } from '../../../../src/core/rig/eyepieceHeight.ts';
import type { RigNumbers } from '../../../../src/core/rig/rigNumbers.ts';

/** Axes 1.2 m up, the eyepiece `along` the tube (behind: minus) and `beside` the polar axis. */
const rig = (mountKind: string, along: number, beside: number): RigNumbers =>
  ({
    mount: { mountKind, geometry: { pivotHeightM: 1.2 } },
    support: null,
    eyepiece: { id: 'e' },
    masses: { tubeSide: [{ partId: 'e', alongTubeM: along, fromRaAxisM: beside }] },
  }) as unknown as RigNumbers;

describe('where the eye is', () => {
  it('behind a tube it goes down as the tube goes up, at the front of a reflector the other way', () => {
    const behind = eyeHeights(rig('altAzimuth', -0.4, 0.2), 40, { haH: 0, decDeg: 40 })!;
    // Straight up: by all of its distance below the axes; at 20 degrees by its sine.
    expect(behind.nowM).to.be.closeTo(0.8, 1e-9);
    expect(behind.lowestM).to.be.closeTo(1.2 - 0.4 * Math.sin((88 * Math.PI) / 180), 1e-9);
    expect(behind.highestM).to.be.closeTo(1.2 - 0.4 * Math.sin((20 * Math.PI) / 180), 1e-9);
    const front = eyeHeights(rig('altAzimuth', 0.4, 0.2), 40, null)!;
    expect(front.nowM).to.equal(null);
    expect(front.highestM).to.be.closeTo(2.4 - behind.lowestM, 1e-9);
  });

  it('on a German mount the tube hangs beside the column, on the axes’ height only at the meridian', () => {
    const onMeridian = eyeHeights(rig('germanEquatorial', -0.4, 0.2), 40, { haH: 0, decDeg: 0 })!;
    expect(onMeridian.nowM).to.be.closeTo(1.2 - 0.4 * Math.sin((50 * Math.PI) / 180), 1e-9);
    // Six hours east of it the bar stands upright, tube on top: its distance from the axis counts by the latitude's cosine.
    const east = eyeHeights(rig('germanEquatorial', -0.4, 0.2), 40, { haH: -6, decDeg: 0 })!;
    expect(east.nowM).to.be.closeTo(1.2 + 0.2 * Math.cos((40 * Math.PI) / 180), 1e-9);
    const west = eyeHeights(rig('germanEquatorial', -0.4, 0.2), 40, { haH: 6, decDeg: 0 })!;
    expect(west.nowM).to.be.closeTo(east.nowM!, 1e-9);
    expect(eyeHeights({ ...rig('germanEquatorial', 0, 0), eyepiece: null }, 40, null)).to.equal(null);
  });
});
