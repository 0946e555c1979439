/** Dates as this user writes them, and the evening that an instant belongs to. */
import { expect } from 'chai';
import { makeFormat } from '../../../src/text/format.ts';

describe('the formatter’s dates', () => {
  const at = Date.UTC(2026, 10, 25, 3);
  it('have the day or the month first, with the year where the list’s is another', () => {
    const [day, month] = [false, true].map((monthFirst) =>
      makeFormat('metric', 'UTC', { halfDays: false, monthFirst }),
    );
    expect([day?.date('2026-11-24'), month?.date('2026-11-24')]).to.deep.equal(['Tue 24 Nov', 'Tue Nov 24']);
    expect(month?.dateIn('2026', '2026-11-24')).to.equal('Tue Nov 24');
    expect([day?.dateIn('2027', '2026-11-24'), month?.dateIn('2027', '2026-11-24')]).to.deep.equal([
      'Tue 24 Nov 2026',
      'Tue Nov 24, 2026',
    ]);
  });

  it('name the evening at the site, not the day in Greenwich', () => {
    expect(makeFormat('metric', 'Europe/Lisbon').evening(at)).to.equal('Tue 24 Nov');
    expect(makeFormat('metric', 'Asia/Tokyo').evening(at)).to.equal('Wed 25 Nov');
  });
});
