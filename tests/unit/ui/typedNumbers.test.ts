import { expect } from 'chai';
import { formatHoursMinutes } from '../../../src/core/units/sexagesimal.ts';
import { tabForKey } from '../../../src/ui/TabRow.tsx';
import { readTyped } from '../../../src/ui/form/typedNumbers.ts';

describe('what hands type', () => {
  it('hours may be typed as they are printed', () => {
    for (const hours of [6.9, -3.25, 0, 12.75, -0.5])
      expect(readTyped(formatHoursMinutes(hours), 'hours'), String(hours)).to.be.closeTo(hours, 1 / 120);
    expect([readTyped('6:54', 'hours'), readTyped('-0:30', 'hours'), readTyped('1,5', 'hours')]).to.deep.equal([
      6.9, -0.5, 1.5,
    ]);
    expect(readTyped('6:75', 'hours')).to.deep.equal(Number.NaN);
    expect(readTyped('6:54', 'mass')).to.deep.equal(Number.NaN);
    expect([readTyped('', 'mass'), readTyped(' −2,5 ', 'mass')]).to.deep.equal([null, -2.5]);
  });

  it('arrows go round the tabs, Home and End to their ends, other keys nowhere', () => {
    expect(
      ['ArrowRight', 'ArrowDown', 'ArrowLeft', 'ArrowUp', 'Home', 'End', 'a'].map((key) => tabForKey(key, 2, 3)),
    ).to.deep.equal([0, 0, 1, 1, 0, 2, null]);
    expect(tabForKey('ArrowLeft', 0, 3)).to.equal(2);
  });
});
