import { expect } from 'chai';
import { flexureOf } from '../../../../src/core/mount/flexure.ts';
import { nightStatic } from '../../../../src/core/night/nightStatic.ts';
import { recordsOfNight } from '../../../../src/core/history/nightRecords.ts';
import { NOW, reading, world } from '../../../support/records.ts';

describe('flexure by two subs', () => {
  it('is what a guide scope that sinks evenly leaves in the camera', () => {
    const sinksArcsecPerMin = 0.13;
    for (const minutes of [20, 45])
      for (const scale of [0.8, 2.1]) {
        const shiftPx = (sinksArcsecPerMin * minutes) / scale;
        const found = flexureOf({ shiftPx, minutes, along: 'dec' }, scale);
        expect(found.arcsecPerMin).to.be.closeTo(sinksArcsecPerMin, 1e-12);
        // Half a pixel worse in either of the two, and the answer moves by as much as is said, once in three.
        const worse = flexureOf({ shiftPx: shiftPx + Math.SQRT1_2, minutes, along: 'dec' }, scale);
        expect(worse.arcsecPerMin - found.arcsecPerMin).to.be.closeTo(found.sigmaArcsecPerMin, 1e-12);
      }
  });

  it('widens the stars of the night along the axis that it was seen on', () => {
    const seen = (along: 'ra' | 'dec' | null) => {
      const { arcsecPerMin, directionDeg } = flexureOf({ shiftPx: 20, minutes: 20, along }, 2);
      const one = reading('flexure', { arcsecPerMin, directionDeg }, { subject: { type: 'rig', id: 'demo-heron' } });
      const sub = nightStatic(recordsOfNight(world({ readings: [one] }), 'n1', NOW)!).budget!.sub;
      if (!sub.tracking.guided) throw new Error('guided');
      return [sub.tracking.flexureArcsecPerMin, sub.tracking.flexureDirectionDeg];
    };
    expect(seen('ra'), 'from north through east').to.deep.equal([2, 90]);
    expect(seen('dec')).to.deep.equal([2, 0]);
    expect(seen(null)).to.deep.equal([2, null]);
  });
});
