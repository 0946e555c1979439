import { expect } from 'chai';
import { makeFormat } from '../../../src/text/format.ts';
import { hourMarks } from '../../../src/ui/charts/hourMarks.ts';

const HOUR_MS = 3_600_000;
const at = (text: string): number => Date.parse(text);

describe('the hours on a time axis', () => {
  it('are whole hours of the site’s own clock, in zones off by half and quarter hours too', () => {
    const from = at('2026-11-24T12:10:00Z');
    for (const [zone, first] of [
      ['Europe/Lisbon', '13:00'],
      ['Asia/Kolkata', '18:00'],
      ['Asia/Kathmandu', '18:00'],
      ['Australia/Adelaide', '23:00'],
    ] as const) {
      const format = makeFormat('metric', zone);
      const marks = hourMarks(from, from + 5 * HOUR_MS, 1, format);
      expect(format.clock(marks[0]!.timeMs), zone).to.equal(first);
      expect(marks, zone).to.have.length(5);
      for (const { timeMs, hour } of marks)
        expect(format.clock(timeMs)).to.equal(`${String(hour).padStart(2, '0')}:00`);
    }
  });

  it('an hour that comes twice is marked twice, one that is skipped not at all', () => {
    const format = makeFormat('metric', 'Europe/Lisbon');
    const hours = (from: string, to: string) => hourMarks(at(from), at(to), 1, format).map((m) => m.hour);
    expect(hours('2026-10-24T22:30:00Z', '2026-10-25T03:30:00Z')).to.deep.equal([0, 1, 1, 2, 3]);
    expect(hours('2026-03-28T22:30:00Z', '2026-03-29T03:30:00Z')).to.deep.equal([23, 0, 2, 3, 4]);
  });

  it('every second hour is an even one', () => {
    const marks = hourMarks(at('2026-11-24T17:43:00Z'), at('2026-11-25T05:51:00Z'), 2, makeFormat('metric', 'UTC'));
    expect(marks.map((m) => m.hour)).to.deep.equal([18, 20, 22, 0, 2, 4]);
  });
});
