import { expect } from 'chai';
import fc from 'fast-check';
import {
  formatDoubt,
  formatNumber,
  formatQuantity,
  fromDisplay,
  toDisplay,
} from '../../../../src/core/units/quantities.ts';
import {
  formatCoordinate,
  formatDegMinSec,
  formatHourMinSec,
  formatHoursMinutes,
  parseSexagesimal,
  toSexagesimal,
} from '../../../../src/core/units/sexagesimal.ts';
import { finite, holds } from '../../../support/properties.ts';

const latitude = { min: -90, max: 90, letters: { positive: 'N', negative: 'S' } };
const value = (text: string, limits = latitude) => {
  const parsed = parseSexagesimal(text, limits);
  return parsed.ok ? parsed.value : parsed.code;
};

describe('sexagesimal numbers', () => {
  it('reads the ways people write coordinates', () => {
    expect(value('40.33')).to.equal(40.33);
    expect(value('40,33')).to.equal(40.33);
    expect(value('-22 45')).to.equal(-22.75);
    expect(value('−22 45 00')).to.equal(-22.75);
    expect(value('22°45\'00"S')).to.equal(-22.75);
    expect(value('S 22 45')).to.equal(-22.75);
    expect(value('40° 19′ 48″ N')).to.be.closeTo(40.33, 1e-9);
    expect(value('22:45:36')).to.be.closeTo(22.76, 1e-9);
    expect(value('-0 30')).to.equal(-0.5);
    expect(value('0h52m49s', { min: 0, max: 24, letters: null as never })).to.be.closeTo(0.88028, 1e-4);
  });

  it('says what is wrong', () => {
    expect(value('forty')).to.equal('notANumber');
    expect(value('')).to.equal('notANumber');
    expect(value('40 61')).to.equal('minutesOutOfRange');
    expect(value('40.5 30')).to.equal('notANumber');
    expect(value('91')).to.equal('outOfRange');
    expect(value('-22 S')).to.equal('signAndLetter');
  });

  it('reads back what it prints', () => {
    holds(
      fc.property(finite(-90, 90), (deg) => {
        const printed = formatCoordinate(deg, latitude.letters);
        expect(value(printed), printed).to.be.closeTo(deg, 0.5 / 3600 + 1e-9);
        expect(value(formatDegMinSec(deg)), formatDegMinSec(deg)).to.be.closeTo(deg, 0.5 / 3600 + 1e-9);
      }),
    );
  });

  it('never prints sixty', () => {
    expect(toSexagesimal(59.99999 / 3600 + 10 + 59 / 60)).to.deep.equal({
      negative: false,
      whole: 11,
      minutes: 0,
      seconds: 0,
    });
    expect(formatHoursMinutes(1.9999)).to.equal('2:00');
    expect(formatHoursMinutes(-0.001)).to.equal('0:00');
    expect(formatHourMinSec(0.88028)).to.equal('00h 52m 49s');
  });
});

describe('quantities', () => {
  it('converts there and back', () => {
    holds(
      fc.property(
        finite(-1000, 1000),
        fc.constantFrom('mass', 'barLength', 'moment', 'inertia', 'elevation', 'arcmin'),
        (base, kind) => {
          expect(fromDisplay(toDisplay(base, kind, 'imperial'), kind, 'imperial')).to.be.closeTo(base, 1e-9);
        },
      ),
    );
  });

  it('never tells a doubt as none', () => {
    expect(formatDoubt(0.2, 'driftRate', 'metric')).to.equal('±0.20″/min');
    expect(formatDoubt(0.004, 'driftRate', 'metric')).to.equal('±0.01″/min');
    expect(formatDoubt(0, 'arcmin', 'metric')).to.equal('±0.1′');
    expect(formatDoubt(0.0002, 'barLength', 'metric')).to.equal('±1 mm');
    expect(formatDoubt(0.003, 'barLength', 'imperial')).to.equal('±0.12 in');
    expect(formatDoubt(0.3, 'seconds', 'metric', 2)).to.equal('±0.30 s');
  });

  it('prints both systems with a true minus and no minus zero', () => {
    expect(formatQuantity(3.5, 'mass', 'metric')).to.equal('3.50 kg');
    expect(formatQuantity(3.5, 'mass', 'imperial')).to.equal('7.72 lb');
    expect(formatQuantity(0.2927, 'barLength', 'metric')).to.equal('293 mm');
    expect(formatQuantity(0.2927, 'barLength', 'imperial')).to.equal('11.52 in');
    expect(formatQuantity(-1.84, 'arcmin', 'metric')).to.equal('−1.8′');
    expect(formatNumber(-0.0001, 2)).to.equal('0.00');
  });
});
