import { expect } from 'chai';
import fc from 'fast-check';
import { COMPASS_KINDS, readingFromTrueDeg, trueFromReadingDeg } from '../../../../src/core/sky/bearing.ts';
import { finite, holds } from '../../../support/properties.ts';

describe('what a bearing is read with', () => {
  it('350 degrees with 12 east is 2; a phone set to true north adds nothing; a fixed card counts backwards', () => {
    expect(trueFromReadingDeg('phoneMagnetic', 350, 12)).to.equal(2);
    expect(trueFromReadingDeg('ring', 350, 12)).to.equal(2);
    expect(trueFromReadingDeg('phoneTrue', 350, 12)).to.equal(350);
    // Laid 10 degrees west of magnetic north, the needle stands 10 degrees clockwise of the card's N.
    expect(trueFromReadingDeg('needle', 10, 12)).to.equal(2);
  });

  it('and back', () => {
    holds(
      fc.property(
        fc.constantFrom(...COMPASS_KINDS),
        finite(0, 359.9),
        finite(-40, 40),
        (kind, trueDeg, declination) => {
          const back = trueFromReadingDeg(kind, readingFromTrueDeg(kind, trueDeg, declination), declination);
          expect(Math.abs(((back - trueDeg + 540) % 360) - 180)).to.be.below(1e-9);
        },
      ),
    );
  });
});
