import { expect } from 'chai';
import { driveOfOtherNight } from '../../../../../src/core/night/learned/driveOfOtherNight.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { at, before, night } from '../../../../support/nights.ts';
import { nightRecords, reading } from '../../../../support/records.ts';

const mount = { type: 'mount', id: 'demo-heron-mount' } as const;
const values = (periodS: number) => ({
  periodS,
  harmonics: [{ k: 1, amplitudeArcsec: 3, phaseDeg: 0 }],
  raDriftArcsecPerMin: null,
  decDriftArcsecPerMin: null,
  residualArcsec: null,
});

describe('the drive of another night', () => {
  it('is the last one of this mount that was not recorded tonight', () => {
    const told = (...readings: Reading[]) => driveOfOtherNight(nightRecords({ readings }))?.id;
    const tonight = reading('track', values(480), { ...at(5), id: 'now', subject: mount });
    const old = before('track', values(479), 'old-track', mount);
    const other = before('track', values(600), 'other', { type: 'mount', id: 'demo-wagtail-mount' });
    expect(told(tonight, old, other)).to.equal('old-track');
    expect(told(tonight, other)).to.equal(undefined);
  });
});

describe('backlash of earlier nights', () => {
  it('is the last one of this mount’s declination', () => {
    const of = (arcsec: number, axis: 'ra' | 'dec', id: string, mountId = 'demo-heron-mount') =>
      before('backlash', { arcsec, axis }, id, { type: 'mount', id: mountId });
    expect(night().learned.decPlay).to.equal(undefined);
    const readings = [of(8, 'dec', 'a'), of(3, 'ra', 'b'), of(5, 'dec', 'c', 'demo-wagtail-mount')];
    expect(night({ readings }).learned.decPlay?.values.arcsec).to.equal(8);
  });
});
