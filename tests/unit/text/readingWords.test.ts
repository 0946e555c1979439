import { expect } from 'chai';
import type { ReadingKind } from '../../../src/core/records/reading.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { READING_NAMES } from '../../../src/text/readingNames.ts';
import { readingLine } from '../../../src/text/readingWords.ts';
import { reading } from '../../support/records.ts';

const f = makeFormat('metric', 'Europe/Lisbon');

describe('readings in words', () => {
  it('every kind of reading has a name and a line', () => {
    const values: Record<ReadingKind, object> = {
      polarError: { altErrorArcmin: 1.7, azErrorArcmin: -0.5, method: 'drift', reference: 'true' },
      knobTurn: { adjuster: 'altitude', turns: 0.25, afterLockOrReversal: false, beforeArcmin: 14, afterArcmin: 2 },
      lockShift: { altArcmin: 1.3, azArcmin: 0 },
      scaleReading: { scaleDeg: 40.9, trueAltDeg: 40.3 },
      compass: { readDeg: 1, distanceM: 2.5, trueDeg: 0.6 },
      shadow: { shadowDeg: 58, clockwiseDeg: -57, trueDeg: 1 },
      level: { tiltDeg: 0.2, uphillAzimuthDeg: 120 },
      feet: { azimuthDeg: 10 },
      balance: { axis: 'ra', positionM: 0.293, drops: 'none' },
      halfTurn: { beforeXArcmin: 0, beforeYArcmin: 0, afterXArcmin: 3, afterYArcmin: 4 },
      driftMark: { starName: 'Mirach', raDeg: 17, decDeg: 35, northArcsec: -4, sigmaArcsec: 1, starts: false },
      drift: { haH: 0.5, decDeg: 2, rateArcsecPerMin: 1.2 },
      track: {
        periodS: 478.7,
        harmonics: [{ k: 1, amplitudeArcsec: 6.6, phaseDeg: 0 }],
        raDriftArcsecPerMin: null,
        decDriftArcsecPerMin: null,
        residualArcsec: null,
      },
      backlash: { arcsec: 8, axis: 'dec' },
      guiding: { rmsRaArcsec: 0.7, rmsDecArcsec: 0.6 },
      flexure: { arcsecPerMin: 0.1, directionDeg: 0 },
      steadiness: { settleS: 2.4 },
      focus: { positionUm: 12_400, temperatureC: 4, fwhmPx: null },
      air: { temperatureC: -3 },
      gap: { haH: 1.5, state: 'beforeFlip', decDeg: 40, gapM: 0.14 },
      flip: { atUtc: '2026-11-24T21:10:00.000Z', minutes: 9, missEastArcmin: 3, missNorthArcmin: 4 },
      corners: { sigmaArcsec: [1, 1, 1, 1], direction: 'radial', verdict: 'too_close', spacingMm: null },
      cornersSeen: {
        places: {
          topLeft: { stick: 'falling', strong: true },
          topRight: { stick: 'rising', strong: false },
          bottomLeft: { stick: 'round', strong: false },
          bottomRight: { stick: 'round', strong: false },
          centre: { stick: 'round', strong: false },
        },
        centreFocused: true,
        highTarget: true,
        exposureS: 8,
        pastFocus: 'notTried',
        spacingMm: 55.7,
        glassMm: 0.7,
      },
      battery: { voltageV: 12.9, fraction: 0.55 },
      seeing: { fwhmArcsec: 2.4 },
      subs: { count: 211, usable: 203 },
      check: { listId: 'beforeFirstSub', itemId: 'caps', done: false },
      event: { what: 'setByEye' },
      timing: { step: 'polar', minutes: 16 },
      note: { text: 'Calm.' },
      retract: { readingId: 'x' },
    };
    for (const kind of Object.keys(READING_NAMES) as ReadingKind[]) {
      const line = readingLine(reading(kind, values[kind]), { format: f, south: false });
      expect(line, kind)
        .to.match(/\w/)
        .and.not.match(/NaN|undefined|\[object/);
      expect(READING_NAMES[kind], kind).to.match(/^[A-Z]/);
    }
    const line = (kind: ReadingKind) => readingLine(reading(kind, values[kind]), { format: f, south: false });
    const sensed = reading('level', values.level, { source: 'sensor' });
    expect(readingLine(sensed, { format: f, south: false })).to.include('coarse');
    expect(line('polarError')).to.equal('1.7′ too high and 0.5′ too far left (west)');
    expect(line('flip')).to.equal('at 21:10, took 9 min, missed by 5.0′');
    expect(line('check')).to.equal('Take all caps off, dew heater on: open again');
    expect(line('track')).to.equal('13.2″ peak to peak, period 479 s');
  });
});
