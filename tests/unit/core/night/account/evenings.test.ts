import { expect } from 'chai';
import { nightAt } from '../../../../../src/core/night/nightAt.ts';
import type { OwnAnswers } from '../../../../../src/core/night/advice/ownNight.ts';
import { subAnswer } from '../../../../../src/core/night/advice/stars/subAnswer.ts';
import { shareOfLength } from '../../../../../src/core/night/advice/stars/usableOfNight.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { derived, PORTUGAL } from '../../../../support/ownNights.ts';
import { event, reading } from '../../../../support/records.ts';

type RigAnswers = OwnAnswers['rig'];
const tracker = (focalMm: number): RigAnswers => ({
  carrier: 'trackerBallHead',
  size: 'middle',
  finder: 'twelveHour',
  optics: { kind: 'lens', focalMm, apertureMm: null },
  sensor: { format: 'reduced', megapixels: 24 },
  guided: false,
});
const german = (focalMm: number, apertureMm: number, guided: boolean): RigAnswers => ({
  carrier: 'germanEquatorial',
  size: 'middle',
  finder: 'twelveHour',
  optics: { kind: 'refractor', focalMm, apertureMm },
  sensor: { format: 'reduced', megapixels: 26 },
  guided,
});

/** A target of autumn in the middle of its hours, twenty degrees from the equator. */
const DEC_DEG = 20;
function evening(rig: RigAnswers, looked: (night: { nightId: string }) => Reading[]) {
  const night = derived({ where: PORTUGAL, rigName: 'Own', rig }, looked);
  const { slot } = night;
  const { stars } = nightAt(night, (slot!.fromMs + slot!.toMs) / 2);
  const sub = { ...stars!.sub, declinationDeg: DEC_DEG, exposureS: 120 };
  return { share: (subS: number) => shareOfLength(sub, subS, night), longestS: subAnswer(night, sub).longestS };
}
const onItsMark = ({ nightId }: { nightId: string }): Reading[] => [event('setByEye', { nightId })];
const measured = ({ nightId }: { nightId: string }): Reading[] => [
  reading(
    'polarError',
    { altErrorArcmin: 0.6, azErrorArcmin: -0.5, method: 'camera', reference: 'refracted' },
    { nightId },
  ),
];

describe('plausible evenings', () => {
  it('135 mm on a tracker of 60 arcsec, the star on its mark: 30 s mostly kept, 60 s half to three quarters, 120 s under a third', () => {
    const { share } = evening(tracker(135), onItsMark);
    expect(share(30)).to.be.greaterThan(0.9);
    expect(share(60)).to.be.within(0.5, 0.78);
    expect(share(120)).to.be.lessThan(1 / 3);
  });

  it('50 mm keeps 120 s mostly, 24 mm several minutes', () => {
    expect(evening(tracker(50), onItsMark).share(120)).to.be.greaterThan(0.8);
    expect(evening(tracker(24), onItsMark).share(240)).to.be.greaterThan(0.8);
  });

  it('384 mm guided keeps nearly all 180 s once the pole was measured', () => {
    expect(evening(german(384, 80, true), measured).share(180)).to.be.greaterThan(0.95);
  });

  it('480 mm unguided on a belt-driven mount: half a minute to a minute and a half', () => {
    expect(evening(german(480, 80, false), measured).longestS).to.be.within(30, 90);
  });
});
