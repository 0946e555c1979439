import { expect } from 'chai';
import { opticalTrain } from '../../../../src/core/optics/train.ts';

describe('optical train', () => {
  it('names the argument that cannot be', () => {
    expect(() =>
      opticalTrain({ apertureMm: 80, focalMm: 0, factor: 1, pixelUm: 3.76, widthPx: 10, heightPx: 10 }),
    ).to.throw('focalMm must be above 0, got 0');
  });
});
