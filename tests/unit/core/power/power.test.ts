import { expect } from 'chai';
import fc from 'fast-check';
import {
  batterySideA,
  chargeAh,
  chargeNeeded,
  coldFactor,
  fuelLine,
  hoursUntilEmptyH,
} from '../../../../src/core/power/battery.ts';
import { cablesDropV, deviceCurrentA, seenByBatteryA, supplyMatch } from '../../../../src/core/power/supply.ts';
import { fuseBounds, wireDrop } from '../../../../src/core/power/wire.ts';
import { finite, holds } from '../../../support/properties.ts';

const HOUR_MS = 3_600_000;

describe('a battery in the cold', () => {
  it('lead keeps 70 % at -10 C, everything 100 % when warm, never less when warmer', () => {
    expect(coldFactor('lead', -10)).to.be.closeTo(0.7, 1e-12);
    expect(coldFactor('lithiumIron', -10)).to.be.closeTo(0.85, 1e-12);
    expect(coldFactor('lead', 30)).to.equal(1);
    expect(coldFactor('lead', -60)).to.equal(0.4);
    holds(
      fc.property(finite(-60, 40), finite(-60, 40), (a, b) => {
        expect(coldFactor('lead', Math.max(a, b))).to.be.at.least(coldFactor('lead', Math.min(a, b)));
      }),
    );
  });

  it('a power bank counts at its cells’ voltage: 20,000 mAh are about 5.2 Ah at 12 V', () => {
    expect(chargeAh(20, 12, 'powerBank')).to.be.closeTo(5.24, 0.01);
    expect(chargeAh(50, 12.8, 'lithiumIron')).to.equal(50);
  });

  it('a converter draws the power and its losses from the battery', () => {
    expect(batterySideA(5, 12, 0.9)).to.be.closeTo(0.463, 0.001);
    expect(() => batterySideA(5, 12, 0)).to.throw(RangeError, 'converterEfficiency');
  });
});

describe('the charge of a night', () => {
  const draws = [
    { currentA: 1, duty: 0.5, peakA: 4, hoursH: null },
    { currentA: 2, duty: 1, peakA: null, hoursH: null },
  ];

  it('the line ends exactly where the hours until empty say', () => {
    holds(
      fc.property(finite(1, 14), finite(5, 100), (nightH, capacityAh) => {
        const { averageA } = chargeNeeded(draws, nightH, 0.8, 0.9);
        const lastsH = hoursUntilEmptyH(capacityAh, 0.8, 0.9, averageA!)!;
        const end = fuelLine(capacityAh * 0.8 * 0.9, averageA!, 0, nightH * HOUR_MS).at(-1)!;
        expect(end.atMs).to.equal(nightH * HOUR_MS);
        expect(end.share < 0).to.equal(lastsH < nightH);
        expect(end.share).to.be.closeTo(1 - nightH / lastsH, 1e-9);
      }),
    );
  });

  it('adding a device never lets it last longer', () => {
    holds(
      fc.property(finite(0, 5), finite(0, 1), (currentA, duty) => {
        const more = [...draws, { currentA, duty, peakA: null, hoursH: null }];
        expect(chargeNeeded(more, 9, 0.8, 1).neededAh).to.be.at.least(chargeNeeded(draws, 9, 0.8, 1).neededAh);
      }),
    );
  });

  it('knows no average when a device runs for part of the night, and no end without a draw', () => {
    expect(chargeNeeded([{ ...draws[0]!, hoursH: 2 }], 9, 0.8, 1).averageA).to.equal(null);
    expect(hoursUntilEmptyH(50, 0.8, 1, 0)).to.equal(null);
    expect(() => chargeNeeded(draws, 9, 0, 1)).to.throw(RangeError);
  });
});

describe('the way to the device', () => {
  it('a cable of the smallest sufficient cross-section loses exactly the limit', () => {
    holds(
      fc.property(finite(0.2, 30), finite(0.1, 20), finite(4, 24), (lengthM, currentA, supplyV) => {
        const { minimumAreaMm2 } = wireDrop(lengthM, currentA, 1, supplyV);
        expect(wireDrop(lengthM, currentA, minimumAreaMm2, supplyV).share).to.be.closeTo(0.03, 1e-9);
        expect(wireDrop(lengthM, currentA, minimumAreaMm2 * 1.01, supplyV).ok).to.equal(true);
      }),
    );
  });

  it('a fuse stands above the peak and below the wire, or there is none', () => {
    holds(
      fc.property(finite(0.2, 25), finite(0.5, 32), (peakA, wireMaxA) => {
        const { fuseA, possible } = fuseBounds(peakA, wireMaxA);
        if (fuseA === null) return;
        expect(possible).to.equal(true);
        expect(fuseA).to.be.within(1.25 * peakA, wireMaxA);
      }),
    );
    expect(fuseBounds(9, 11)).to.include({ possible: false, fuseA: null });
    expect(fuseBounds(9, 11.5)).to.include({ possible: true, fuseA: null });
  });

  it('tells what needs a converter', () => {
    const toUsb = { outputV: 5, efficiency: 0.9, maxA: 3 };
    expect(supplyMatch(12, 12.8, null)).to.equal('direct');
    expect(supplyMatch(5, 12.8, null)).to.equal('mismatch');
    expect(supplyMatch(5, 12.8, toUsb)).to.equal('converted');
    expect(supplyMatch(12, 12.8, toUsb)).to.equal('mismatch');
    const device = { currentA: 1, powerW: null, peakA: null, supplyV: 5 };
    expect(seenByBatteryA(1, device, 12.5, toUsb)).to.be.closeTo(5 / 12.5 / 0.9, 1e-12);
    expect(deviceCurrentA({ ...device, currentA: null, powerW: 10 })).to.equal(2);
  });

  it('adds the losses of all cables and leaves out those of unknown cross-section', () => {
    const cable = { lengthM: 3, areaMm2: 1.5 };
    expect(cablesDropV([cable, cable, { lengthM: 9, areaMm2: null }], 5, 12)).to.be.closeTo(0.688, 1e-9);
  });
});
