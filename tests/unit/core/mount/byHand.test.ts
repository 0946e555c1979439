/** Small pieces of the mount reckoned by hand, where a test of the whole would not notice a slip. */
import { expect } from 'chai';
import { weightSets } from '../../../../src/core/mount/balanceProposals.ts';
import { refractionDriftArcsecPerMin } from '../../../../src/core/mount/driftMeasure.ts';
import { turnedBy } from '../../../../src/core/mount/finderPlate.ts';
import { barPlace } from '../../../../src/core/mount/heavySide.ts';
import { learnLockShift } from '../../../../src/core/mount/knobs.ts';
import { legStretches } from '../../../../src/core/mount/level.ts';
import { engravedStars } from '../../../../src/core/mount/plateEngraving.ts';
import { capOfDate } from '../../../../src/core/mount/poleField.ts';
import { footing, type Feet } from '../../../../src/core/mount/tripod.ts';

describe('by hand', () => {
  it('the leg under the slope is drawn out most, each by how far it lies below the highest', () => {
    const tripod = { footRadiusM: 0.5, firstFootAzimuthDeg: 90, hubHeightM: 1 };
    const fall = 0.5 * Math.tan(Math.PI / 180);
    const lifts = legStretches({ tiltDeg: 1, uphillAzimuthDeg: 30 }, tripod).map((leg) => leg.liftM);
    // Up toward 30 degrees the feet at 90 and 330 stand half the fall above the hub, the one at 210 the whole below it.
    [0, 1.5 * fall, 0].forEach((liftM, i) => expect(lifts[i], `leg ${i}`).to.be.closeTo(liftM, 1e-12));
  });

  it('the ends of a bar are its last tenth on either side', () => {
    const place = (positionM: number) => barPlace(positionM, [0.1, 0.3]);
    expect([0.121, 0.279, 0.281, 0.119].map(place)).to.deep.equal(['fine', 'fine', 'nearOuterEnd', 'nearInnerEnd']);
  });

  it('a quarter of a turn clockwise brings what is above to the right and what is right below', () => {
    const turned = turnedBy({ xArcmin: 2, yArcmin: 5 }, 90);
    expect(turned.xArcmin).to.be.closeTo(5, 1e-12);
    expect(turned.yArcmin).to.be.closeTo(-2, 1e-12);
  });

  it('what tightening does is the middle of each direction by itself, and no more than the scatter allows', () => {
    const shifts = (...az: number[]) => az.map((azArcmin, i) => ({ altArcmin: i, azArcmin }));
    expect(learnLockShift([])).to.equal(null);
    expect(learnLockShift(shifts(2))).to.deep.equal({ altArcmin: 0, azArcmin: 2, records: 1, learned: false });
    expect(learnLockShift(shifts(4, 4, 4, 4, 4))).to.deep.include({ altArcmin: 2, azArcmin: 4, learned: false });
    const steady = [1, 1.2, 0.9, 1.1].map((altArcmin) => ({ altArcmin, azArcmin: -altArcmin }));
    expect(learnLockShift(steady)).to.deep.include({ learned: true, records: 4 });
  });

  it('a star at the horizon is taken as seen from half a degree on', () => {
    expect(refractionDriftArcsecPerMin(6, -1, 40)).to.equal(0);
    expect(Math.abs(refractionDriftArcsecPerMin(6, 2, 40))).to.be.greaterThan(1);
  });

  it('the equator counts as north, for the stars of the cap and those engraved', () => {
    const star = (decJ2000Deg: number) => ({ raJ2000Deg: 10, decJ2000Deg, magnitude: decJ2000Deg });
    const cap = (latDeg: number) =>
      capOfDate([star(-1), star(0), star(1)], Date.UTC(2026, 0, 1), latDeg).map((s) => s.magnitude);
    expect([cap(40), cap(0), cap(-40)]).to.deep.equal([[0, 1], [0, 1], [-1]]);
    const engraved = (latDeg: number) => engravedStars([11767, 85822, 5372], 2026, latDeg).map((s) => s.angleDeg);
    expect(engraved(40)).to.have.length(3);
    expect(engraved(0)).to.deep.equal(engraved(40));
  });

  it('a rig whose weight stands on the line between two feet does not stand', () => {
    const feet: Feet = [
      [-1, 0],
      [1, 0],
      [0, 2],
    ];
    const stands = (y: number) => footing(feet, [{ massKg: 5, positionM: [0, y, 1] }]).stable;
    expect([stands(-0.1), stands(0), stands(0.1), stands(2.1)]).to.deep.equal([false, false, true, false]);
  });

  it('of two weights every set is tried once: one, the other, both', () => {
    const rig = {
      parts: [{ id: 'tube', massKg: 4, fromRaAxisM: 0.1 }],
      bar: { massKg: 0, centreM: 0 },
      movableWeights: [{ id: 'a', massKg: 2 }],
      fixedWeights: [],
      barRangeM: [0.05, 0.5] as [number, number],
    };
    const box = [
      { id: 'b', massKg: 2 },
      { id: 'a', massKg: 1 },
    ];
    const found = weightSets(rig, box).map(({ ids, positionM }) => ({ ids, positionM: Number(positionM.toFixed(9)) }));
    expect(found).to.deep.equal([
      { ids: ['b'], positionM: 0.2 },
      { ids: ['a'], positionM: 0.4 },
      { ids: ['a', 'b'], positionM: Number((0.4 / 3).toFixed(9)) },
    ]);
  });
});
