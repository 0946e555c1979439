import { expect } from 'chai';
import { crossingMin, knobTurnMin } from '../../../../src/core/mount/handTurning.ts';
import { motorsOf } from '../../../../src/core/mount/motors.ts';

describe('motors and the hand', () => {
  it('a tracker follows with one motor whatever its gear; without a motor the hand does both', () => {
    const one = (mountKind: string, drive: string) => motorsOf({ mountKind, drive } as Parameters<typeof motorsOf>[0]);
    expect(one('germanEquatorial', 'worm')).to.equal('both');
    expect(one('germanEquatorial', 'strainWave')).to.equal('both');
    expect(one('germanEquatorial', 'raMotor')).to.equal('raOnly');
    expect(one('trackerBallHead', 'worm')).to.equal('raOnly');
    expect(one('trackerBracket', 'byHand')).to.equal('none');
    expect(one('altAzimuth', 'byHand')).to.equal('none');
    expect(motorsOf(null)).to.equal('both');
  });

  it('one turn of the knob of a wheel with 144 teeth is 9 min 58 s by the clock', () => {
    expect(Math.round(knobTurnMin(144) * 60)).to.equal(598);
    expect(knobTurnMin(180) / knobTurnMin(144)).to.be.closeTo(144 / 180, 1e-12);
    expect(() => knobTurnMin(0)).to.throw(RangeError, 'teeth must be above 0, got 0');
  });

  it('one degree on the equator is crossed in four sidereal minutes, at declination 60 in twice that', () => {
    expect(crossingMin(1, 0) * 60).to.be.closeTo(86164.09 / 360, 0.02);
    expect(crossingMin(1, 60) / crossingMin(1, 0)).to.be.closeTo(2, 1e-12);
    expect(crossingMin(1, -60)).to.equal(crossingMin(1, 60));
    expect(() => crossingMin(0, 0)).to.throw(RangeError, 'fieldDeg');
  });
});
