import { expect } from 'chai';
import fc from 'fast-check';
import { wrap180 } from '../../../../src/core/math/angles.ts';
import { decInertiaKgM2, judgeLoad, loadVerdict, type LoadInput } from '../../../../src/core/mount/load.ts';
import {
  bearingErrorDeg,
  compassReadingDeg,
  poleBearingDeg,
  trueBearingDeg,
} from '../../../../src/core/sky/bearing.ts';
import { finite, holds } from '../../../support/properties.ts';

describe('bearings', () => {
  it('compass and true bearing invert each other', () => {
    holds(
      fc.property(finite(0, 359.999), finite(-180, 180), (trueDeg, declination) => {
        const read = compassReadingDeg(trueDeg, declination);
        expect(Math.abs(wrap180(trueBearingDeg(read, declination) - trueDeg))).to.be.lessThan(1e-9);
      }),
    );
  });

  it('with the needle 12.9 degrees west, true south is read at 192.9', () => {
    expect(compassReadingDeg(poleBearingDeg(-22.75), -12.9)).to.be.closeTo(192.9, 1e-9);
    expect(poleBearingDeg(40)).to.equal(0);
  });

  it('too far east is plus in both hemispheres', () => {
    expect(bearingErrorDeg(3, 40)).to.equal(3);
    expect(bearingErrorDeg(357, 40)).to.equal(-3);
    expect(bearingErrorDeg(177, -22)).to.equal(3);
    expect(bearingErrorDeg(183, -22)).to.equal(-3);
  });
});

describe('load against the rating', () => {
  const atSaddle = { alongTubeM: 0, lengthM: 0 };
  const heron: LoadInput = {
    parts: [{ id: 'all', massKg: 6.97, fromRaAxisM: 1.1844 / 6.97, ...atSaddle }],
    counterKg: 4.3,
    ratedKg: 18,
    ratingIncludesWeights: false,
    referenceArmM: 0.2,
    shareUsed: 2 / 3,
    goodInertiaKgM2: null,
  };

  it('works out the scenario: Heron fine, Wagtail near the limit, Plover over', () => {
    const found = judgeLoad(heron);
    expect([found.massKg.share, found.momentKgM.share].map((s) => Math.round(100 * s))).to.deep.equal([58, 49]);
    expect(found.verdict).to.equal('fine');
    const wagtail = {
      parts: [{ id: 'a', massKg: 1.81, fromRaAxisM: 0.085, ...atSaddle }],
      ratingIncludesWeights: true,
    };
    expect(judgeLoad({ ...heron, ...wagtail, counterKg: 1.22, ratedKg: 5, referenceArmM: 0.1 }).verdict).to.equal(
      'near',
    );
    const plover = judgeLoad({
      ...heron,
      parts: [{ id: 'a', massKg: 8.09, fromRaAxisM: 0.24, ...atSaddle }],
      ratedKg: 9,
    });
    expect([plover.verdict, plover.massKg.verdict, plover.momentKgM.verdict]).to.deep.equal(['over', 'over', 'over']);
  });

  it('weights count only in a rating that includes them', () => {
    const more = { ...heron, counterKg: 40 };
    expect(judgeLoad(more).massKg.is).to.equal(6.97);
    expect(judgeLoad({ ...more, ratingIncludesWeights: true }).massKg.is).to.be.closeTo(46.97, 1e-9);
  });

  it('adding a piece never lightens mass or moment on the tube’s side', () => {
    holds(
      fc.property(finite(0, 5), finite(0, 0.5), (massKg, fromRaAxisM) => {
        const more = judgeLoad({ ...heron, parts: [...heron.parts, { id: 'x', massKg, fromRaAxisM, ...atSaddle }] });
        expect(more.massKg.is).to.be.at.least(6.97);
        expect(more.momentKgM.is).to.be.at.least(1.1844 - 1e-9);
      }),
    );
  });

  it('the inertia is held against the best of one’s own nights, and length counts only there', () => {
    const rod = (lengthM: number, alongTubeM = 0) => [{ id: 'a', massKg: 6, fromRaAxisM: 0.2, alongTubeM, lengthM }];
    expect(decInertiaKgM2(rod(0.5))).to.be.closeTo((6 * 0.25) / 12, 1e-12);
    expect(decInertiaKgM2(rod(0.5, 0.1))).to.be.closeTo(0.125 + 0.06, 1e-12);
    expect(judgeLoad({ ...heron, parts: rod(0.5) }).inertiaKgM2).to.equal(null);
    const long = judgeLoad({ ...heron, parts: rod(1), goodInertiaKgM2: 0.4 });
    expect(long.inertiaKgM2).to.deep.equal({ is: 0.5, allowed: 0.4, share: 1.25, verdict: 'over' });
    expect(long.verdict).to.equal('fine');
  });

  it('the limits belong to the milder side', () => {
    expect([0.8, 0.8001, 1, 1.0001].map(loadVerdict)).to.deep.equal(['fine', 'near', 'near', 'over']);
  });
});
