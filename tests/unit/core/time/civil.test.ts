import { expect } from 'chai';
import fc from 'fast-check';
import {
  clockChange,
  eveningDate,
  formatClock,
  formatDate,
  clockWords,
  instantInNight,
  readClock,
  instantOfWallTime,
  isKnownZone,
  localNoon,
  shiftDate,
  wallTime,
  zoneOffsetMin,
} from '../../../../src/core/time/civil.ts';
import { MS_PER_DAY, MS_PER_HOUR } from '../../../../src/core/time/utc.ts';
import { holds } from '../../../support/properties.ts';

const LISBON = 'Europe/Lisbon';

describe('civil time of a site', () => {
  it('knows summer and winter time, and zones with odd offsets', () => {
    expect(zoneOffsetMin(Date.UTC(2026, 6, 1), LISBON)).to.equal(60);
    expect(zoneOffsetMin(Date.UTC(2026, 10, 24), LISBON)).to.equal(0);
    expect(zoneOffsetMin(Date.UTC(2026, 10, 24), 'Africa/Windhoek')).to.equal(120);
    expect(zoneOffsetMin(Date.UTC(2026, 10, 24), 'Asia/Kathmandu')).to.equal(345);
    expect(zoneOffsetMin(Date.UTC(2026, 10, 24), 'Pacific/Kiritimati')).to.equal(840);
    expect(isKnownZone('Mars/Crater')).to.equal(false);
  });

  it('what a clock of half days shows is read as the same moment, for every hour', () => {
    for (let hour = 0; hour < 24; hour += 1) {
      const shown = clockWords({ hour, minute: 7 }, true);
      expect(readClock(shown), shown).to.deep.equal({ hour, minute: 7 });
    }
    expect([0, 11, 12, 13].map((hour) => clockWords({ hour, minute: 0 }, true))).to.deep.equal([
      '12:00 am',
      '11:00 am',
      '12:00 pm',
      '1:00 pm',
    ]);
  });

  it('reads a clock within a night: from noon on the evening itself, before noon the next day', () => {
    expect(instantInNight('21:30', '2026-11-24', LISBON)).to.equal(Date.UTC(2026, 10, 24, 21, 30));
    expect(instantInNight('1.05', '2026-11-24', LISBON)).to.equal(Date.UTC(2026, 10, 25, 1, 5));
    expect(instantInNight('00:00', '2026-11-30', LISBON)).to.equal(Date.UTC(2026, 11, 1));
    expect(instantInNight('12:00', '2026-11-24', 'Africa/Windhoek')).to.equal(Date.UTC(2026, 10, 24, 10));
    expect(instantInNight('11:59', '2026-11-24', 'Africa/Windhoek')).to.equal(Date.UTC(2026, 10, 25, 9, 59));
    expect(instantInNight('9:30 pm', '2026-11-24', LISBON)).to.equal(Date.UTC(2026, 10, 24, 21, 30));
    expect(instantInNight('12:05 am', '2026-11-24', LISBON)).to.equal(Date.UTC(2026, 10, 25, 0, 5));
    expect(instantInNight('12 p.m.', '2026-11-24', LISBON)).to.equal(Date.UTC(2026, 10, 24, 12));
    for (const wrong of ['13:00 pm', '0:30 am', '25:00', '12:60', 'nine', '', '12'])
      expect(instantInNight(wrong, '2026-11-24', LISBON)).to.equal(null);
  });

  it('finds the instant of every wall time it prints', () => {
    const zones = [LISBON, 'Africa/Windhoek', 'America/St_Johns', 'Pacific/Apia', 'Australia/Lord_Howe'];
    holds(
      fc.property(
        fc.integer({ min: Date.UTC(2024, 0), max: Date.UTC(2029, 0) }),
        fc.constantFrom(...zones),
        (ms, zone) => {
          const utcMs = Math.floor(ms / 1000) * 1000;
          const back = instantOfWallTime(wallTime(utcMs, zone), zone);
          expect([0, MS_PER_HOUR, MS_PER_HOUR / 2]).to.include(Math.abs(back - utcMs));
          expect(wallTime(back, zone)).to.deep.equal(wallTime(utcMs, zone));
        },
      ),
    );
  });

  it('reads a skipped wall time after the gap and a doubled one as the first', () => {
    const skipped = instantOfWallTime({ year: 2026, month: 3, day: 29, hour: 1, minute: 30, second: 0 }, LISBON);
    expect(formatClock(skipped, LISBON)).to.equal('02:30');
    const doubled = instantOfWallTime({ year: 2026, month: 10, day: 25, hour: 1, minute: 30, second: 0 }, LISBON);
    expect(new Date(doubled).toISOString()).to.equal('2026-10-25T00:30:00.000Z');
  });

  it('a night across the change of summer time is 24 hours long and says when the clock jumps', () => {
    const noon = localNoon('2026-10-24', LISBON);
    expect(new Date(noon).toISOString()).to.equal('2026-10-24T11:00:00.000Z');
    const change = clockChange(noon, noon + MS_PER_DAY, LISBON);
    expect(change?.minutes).to.equal(-60);
    expect(new Date(change?.utcMs ?? 0).toISOString()).to.equal('2026-10-25T01:00:00.000Z');
    expect(clockChange(localNoon('2026-11-24', LISBON), localNoon('2026-11-25', LISBON), LISBON)).to.equal(null);
  });

  it('gives the small hours to the evening before, also at the date line', () => {
    expect(eveningDate(Date.parse('2026-11-25T02:00:00Z'), LISBON)).to.equal('2026-11-24');
    expect(eveningDate(Date.parse('2026-11-24T12:30:00Z'), LISBON)).to.equal('2026-11-24');
    const midnightUtc = Date.parse('2026-11-24T00:00:00Z');
    expect(eveningDate(midnightUtc, 'Pacific/Kiritimati')).to.equal('2026-11-24');
    expect(eveningDate(midnightUtc, 'Pacific/Pago_Pago')).to.equal('2026-11-23');
  });

  it('prints and shifts dates', () => {
    expect(formatDate('2026-11-24')).to.equal('Tue 24 Nov');
    expect(shiftDate('2026-03-01', -1)).to.equal('2026-02-28');
  });
});
