import { expect } from 'chai';
import fc from 'fast-check';
import { focalMmOfScale, imageScaleArcsecPerPx, opticalTrain } from '../../../../src/core/optics/train.ts';
import { finite, holds } from '../../../support/properties.ts';

describe('optical train', () => {
  it('names the argument that cannot be', () => {
    expect(() =>
      opticalTrain({ apertureMm: 80, focalMm: 0, factor: 1, pixelUm: 3.76, widthPx: 10, heightPx: 10 }),
    ).to.throw('focalMm must be above 0, got 0');
  });

  it('a scale and its focal length are inverses', () => {
    expect(focalMmOfScale(4, 1.650116)).to.be.closeTo(500, 0.01);
    holds(
      fc.property(finite(1, 20), finite(5, 4000), (pixelUm, focalMm) => {
        expect(focalMmOfScale(pixelUm, imageScaleArcsecPerPx(pixelUm, focalMm))).to.be.closeTo(focalMm, 1e-6 * focalMm);
      }),
    );
  });
});
