import { expect } from 'chai';
import { firstOf } from '../../../../src/core/firstOf.ts';
import { livingNights, nightsAround, yearOf } from '../../../../src/core/history/livingNights.ts';
import type { Night } from '../../../../src/core/records/night.ts';
import { formatDateIn, formatMonth, shiftDate } from '../../../../src/core/time/civil.ts';
import { world } from '../../../support/records.ts';

const [one] = world().nights;
const nightOn = (eveningDate: string, id = eveningDate, deletedAtUtc: string | null = null): Night => ({
  ...one!,
  id,
  eveningDate,
  deletedAtUtc,
});

describe('lists of nights', () => {
  it('begin with the newest, those of one evening by their ids, without those that were deleted', () => {
    const nights = [
      nightOn('2026-01-01', 'b'),
      nightOn('2026-03-01'),
      nightOn('2026-01-01', 'a'),
      nightOn('2026-02-01', 'gone', '2026-02-02T00:00:00.000Z'),
    ];
    expect(livingNights(nights).map((n) => n.id)).to.deep.equal(['2026-03-01', 'a', 'b']);
    expect(yearOf(livingNights(nights))).to.equal('2026');
    expect(yearOf([])).to.equal('');
  });

  it('in a menu are forty around the shown one, or the newest', () => {
    const nights = Array.from({ length: 100 }, (_, i) => nightOn(shiftDate('2026-11-24', -i), `n${i}`));
    const ends = (shownId?: string) => {
      const listed = nightsAround(nights, shownId);
      return [listed[0]?.id, listed.at(-1)?.id, listed.length];
    };
    expect(ends()).to.deep.equal(['n0', 'n39', 40]);
    expect(ends('n5')).to.deep.equal(['n0', 'n39', 40]);
    expect(ends('n50')).to.deep.equal(['n30', 'n69', 40]);
    expect(ends('n99')).to.deep.equal(['n60', 'n99', 40]);
    expect(nightsAround(nights.slice(0, 12), 'n3')).to.have.length(12);
  });

  it('name the year of a date that is not of the list’s own', () => {
    expect(formatDateIn('2026', '2026-11-24')).to.equal('Tue 24 Nov');
    expect(formatDateIn('2026', '2025-11-24')).to.equal('Mon 24 Nov 2025');
    expect(formatMonth(Date.parse('2025-11-30T00:00:00Z'))).to.equal('Nov 2025');
  });
});

describe('the first of a sequence', () => {
  it('asks for no more than it wants', () => {
    let asked = 0;
    const values = function* () {
      for (;;) yield (asked += 1);
    };
    expect(firstOf(values(), 3)).to.deep.equal([1, 2, 3]);
    expect(asked).to.equal(3);
    expect(firstOf(values(), 0)).to.deep.equal([]);
    expect(asked).to.equal(3);
    expect(firstOf([1, 2], 5)).to.deep.equal([1, 2]);
  });
});
