/** Every kind of reading as a line of words, for the logbook and the night card. */
import { PLACES } from '../core/records/corners.ts';
import type { EventName, Reading, ReadingKind, ReadingOf } from '../core/records/reading.ts';
import { fromUtcText } from '../core/time/utc.ts';
import { dropName } from './balanceWords.ts';
import { PLACE_NAMES, seenStarWords } from './cornersWords.ts';
import type { Format } from './format.ts';
import { compassPoint } from './compassWords.ts';
import { errorWords } from './polarWords.ts';
import { CHECK_WORDS } from './trackingWords.ts';
import { stationOf } from './stations.ts';

type About = { format: Format; south: boolean };
type Line<K extends ReadingKind> = (v: ReadingOf<K>['values'], about: About) => string;

const AXIS_NAMES = { ra: 'right ascension', dec: 'declination', sideways: 'sideways' } as const;
const EVENT_WORDS: Record<EventName, string> = {
  setByEye: 'star set at its mark by eye',
  plateMoved: 'plate screws of the finder turned',
  driftGivenUp: 'timing of a star given up',
  lastPoleCheck: 'pole checked with everything on',
  flipBegun: 'flip begun',
  scaleSet: 'latitude scale set',
  legsMoved: 'a leg was moved',
  axesOpened: 'axes turned to see through the finder',
  started: 'subs started',
  paused: 'subs paused',
  resumed: 'subs go on',
  targetTaken: 'Target taken',
  skipped: 'Target left out',
  stopped: 'this target is done',
  platformReset: 'platform set back to its start',
};
const TICKS: Record<string, string> = {
  dress: 'final dress on',
  home: 'in home position',
};
/** What a tick stands for; one whose words are gone keeps its own name. */
function tickWords(itemId: string): string {
  const check = Object.entries(CHECK_WORDS).find(([id]) => id === itemId);
  return check ? check[1].do : (TICKS[itemId] ?? itemId);
}

const LINES: { [K in ReadingKind]: Line<K> } = {
  polarError: (v, { format, south }) => errorWords(v, south, format),
  knobTurn: (v, { format }) =>
    `${v.adjuster} by ${format.number(v.turns, 2)} turns${v.beforeArcmin === null ? '' : `, from ${format.quantity(v.beforeArcmin, 'arcmin')}`}${v.afterArcmin === null ? '' : ` to ${format.quantity(v.afterArcmin, 'arcmin')}`}`,
  lockShift: (v, { format }) =>
    v.altArcmin === null || v.azArcmin === null
      ? 'tightened: the next error tells what that did'
      : `altitude ${format.quantity(v.altArcmin, 'arcmin')}, azimuth ${format.quantity(v.azArcmin, 'arcmin')}`,
  scaleReading: (v, { format }) =>
    `read ${format.quantity(v.scaleDeg, 'angleDeg')} with the axis ${v.trueAltDeg === null ? 'on the pole as it was set' : `at ${format.quantity(v.trueAltDeg, 'angleDeg')}`}`,
  compass: (v, { format }) =>
    `read ${format.quantity(v.readDeg, 'angleDeg')}, true ${format.quantity(v.trueDeg, 'angleDeg')}, from ${format.quantity(v.distanceM, 'length', 1)} away`,
  shadow: (v, { format }) =>
    `shadow at ${format.quantity(v.shadowDeg, 'angleDeg')}, axis ${format.quantity(v.clockwiseDeg, 'angleDeg')} clockwise of it: true ${format.quantity(v.trueDeg, 'angleDeg')}`,
  level: (v, { format }) => `${format.quantity(v.tiltDeg, 'angleDeg')} up toward ${compassPoint(v.uphillAzimuthDeg)}`,
  feet: (v, { format }) => `first foot at ${format.quantity(v.azimuthDeg, 'angleDeg')}`,
  balance: (v, { format }) =>
    `${AXIS_NAMES[v.axis]}${v.positionM === null ? '' : ` at ${format.quantity(v.positionM, 'barLength')}`}: ${dropName(v.drops).toLowerCase()}`,
  halfTurn: (v, { format }) =>
    `moved ${format.quantity(Math.hypot(v.afterXArcmin - v.beforeXArcmin, v.afterYArcmin - v.beforeYArcmin), 'arcmin')}`,
  driftMark: (v, { format }) =>
    v.starts ? `${v.starName}: clock started` : `${v.starName}: ${format.quantity(v.northArcsec, 'arcsec', 1)} north`,
  drift: (v, { format }) =>
    `${format.quantity(v.rateArcsecPerMin, 'driftRate')} at hour angle ${format.hours(v.haH)}, declination ${format.quantity(v.decDeg, 'angleDeg', 0)}`,
  track: (v, { format }) => {
    if (v.periodS === null && v.swingUnderArcsec != null)
      return `no period stands out: under ${format.quantity(v.swingUnderArcsec, 'arcsec', 1)} peak to peak`;
    const swing = 2 * Math.max(0, ...v.harmonics.map((h) => h.amplitudeArcsec));
    const period = v.periodS === null ? 'period not told' : `period ${format.quantity(v.periodS, 'seconds')}`;
    return `${format.quantity(swing, 'arcsec', 1)} peak to peak, ${period}`;
  },
  backlash: (v, { format }) => `${AXIS_NAMES[v.axis]} ${format.quantity(v.arcsec, 'arcsec', 1)}`,
  guiding: (v, { format }) =>
    `${format.quantity(v.rmsRaArcsec, 'arcsec')} in right ascension, ${format.quantity(v.rmsDecArcsec, 'arcsec')} in declination`,
  flexure: (v, { format }) => format.quantity(v.arcsecPerMin, 'driftRate'),
  steadiness: (v, { format }) => `still after ${format.quantity(v.settleS, 'seconds', 1)}`,
  focus: (v, { format }) =>
    `${format.quantity(v.positionUm, 'focusUm')} at ${format.quantity(v.temperatureC, 'temperature')}${v.fwhmPx === null ? '' : `, star ${format.quantity(v.fwhmPx, 'pixels')} wide`}`,
  air: (v, { format }) => format.quantity(v.temperatureC, 'temperature'),
  gap: (v, { format }) =>
    `${v.atLeast === true ? 'at least ' : ''}${format.quantity(v.gapM, 'barLength')} at hour angle ${format.hours(v.haH)}`,
  flip: (v, { format }) =>
    `at ${format.clock(fromUtcText(v.atUtc))}, took ${format.quantity(v.minutes, 'minutes')}${v.missEastArcmin === null || v.missNorthArcmin === null ? '' : `, missed by ${format.quantity(Math.hypot(v.missEastArcmin, v.missNorthArcmin), 'arcmin')}`}`,
  corners: (v, { format }) =>
    `spread ${v.sigmaArcsec.map((s) => format.quantity(s, 'arcsec', 1)).join(', ')}, ${v.direction === 'radial' ? 'along' : 'across'} the radius`,
  cornersSeen: (v, { format }) =>
    `${PLACES.map((place) => `${PLACE_NAMES[place]} ${seenStarWords(v.places[place])}`).join(', ')}${v.spacingMm === null ? '' : `; sensor at ${format.quantity(v.spacingMm, 'opticsMm', 2)}`}`,
  battery: (v, { format }) => `${format.quantity(v.voltageV, 'volts')}, ${format.quantity(v.fraction, 'percent')} left`,
  seeing: (v, { format }) => format.quantity(v.fwhmArcsec, 'arcsec', 1),
  subs: (v) => `${v.count} taken, ${v.usable} usable`,
  check: (v) => `${tickWords(v.itemId)}${v.done ? '' : ': open again'}`,
  event: (v) => EVENT_WORDS[v.what],
  timing: (v, { format }) => `${stationOf(v.step)?.name ?? v.step}: ${format.quantity(v.minutes, 'minutes')}`,
  note: (v) => v.text,
  retract: () => 'a reading was taken back',
};

/** The reading's values in words. */
export function readingLine(reading: Reading, about: About): string {
  const line = LINES[reading.kind] as Line<ReadingKind>;
  const words = line(reading.values, about);
  return reading.source === 'sensor' ? `${words}, by the device’s own sensor (coarse)` : words;
}
