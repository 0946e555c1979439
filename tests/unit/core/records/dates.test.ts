import { expect } from 'chai';
import fc from 'fast-check';
import { localDateSchema, utcSchema } from '../../../../src/core/records/common.ts';

const two = (n: number): string => String(n).padStart(2, '0');
const isDate = (text: string): boolean => localDateSchema.safeParse(text).success;
const isInstant = (text: string): boolean => utcSchema.safeParse(text).success;

describe('dates and instants', () => {
  it('are those that the calendar has, in the years that are reckoned', () => {
    const part = (most: number) => fc.integer({ min: 0, max: most });
    fc.assert(
      fc.property(fc.integer({ min: 1940, max: 2160 }), part(14), part(33), (year, month, day) => {
        const text = `${year}-${two(month)}-${two(day)}`;
        const made = new Date(Date.UTC(year, month - 1, day));
        const isReal = made.toISOString().startsWith(text) && year >= 1950 && year <= 2150;
        expect(isDate(text), text).to.equal(isReal);
        expect(isInstant(`${text}T12:00:00.000Z`), text).to.equal(isReal);
      }),
      { numRuns: 2000 },
    );
    expect(['1900', '2000', '2024', '2026', '2100'].filter((year) => isDate(`${year}-02-29`))).to.deep.equal([
      '2000',
      '2024',
    ]);
  });

  it('an instant has an hour of the day, to the thousandth, in UTC', () => {
    const day = '2026-11-24T';
    expect(['23:59:59.999Z', '00:00:00.000Z'].every((time) => isInstant(day + time))).to.equal(true);
    for (const time of [
      '24:00:00.000Z',
      '12:60:00.000Z',
      '12:00:60.000Z',
      '12:00:00Z',
      '12:00:00.000',
      ' 12:00:00.000Z',
    ])
      expect(isInstant(day + time), time).to.equal(false);
  });
});
