/** Where to look for the pole with the bare eye, and how to sweep for it. */
import type { HopGroupId } from '../core/sky/starHop.ts';
import type { RigHas } from '../core/rig/rigHas.ts';
import type { Format } from './format.ts';
import { clockFaceWords } from './polarWords.ts';
import { starName } from './starWords.ts';
import type { Said } from './said.ts';

export const GROUP_NAMES: Record<HopGroupId, string> = {
  plough: 'the Plough',
  cassiopeia: 'Cassiopeia',
  cepheus: 'Cepheus',
  cross: 'the Southern Cross',
  achernar: 'Achernar',
  hydrus: 'Hydrus',
};

/** What helps to keep the line. */
const LINES: Partial<Record<HopGroupId, string>> = {
  plough: 'in line with Merak and Dubhe, its outer pair, five times as far',
  cassiopeia: 'from the middle star of the W',
  cross: 'along its long axis, four and a half times as far',
};

export type FindSaying =
  | { code: 'look'; south: boolean; altDeg: number; star: string; compassDeg: number }
  | { code: 'equator' };

const FIST_DEG = 10;
/** A fist at arm's length is about ten degrees. */
export function fistWords(deg: number): string {
  const fists = Math.max(1, Math.round((deg / FIST_DEG) * 2) / 2);
  return fists === 1 ? 'one fist' : `${fists % 1 === 0 ? fists : `${Math.floor(fists)}½`} fists`;
}

export const findName = (target: string): string => `Find ${target}`;
/** `56° up, bearing 48°` */
export const standsWords = ({ altDeg, azDeg }: { altDeg: number; azDeg: number }, f: Format): string =>
  `${f.quantity(altDeg, 'angleDeg', 0)} up, bearing ${f.quantity(azDeg, 'angleDeg', 0)}`;

export function findSentence(saying: FindSaying, f: Format): Said {
  if (saying.code === 'equator') return 'The pole lies **on the horizon** here: align by drift.';
  const { south, altDeg, star } = saying;
  const side = south ? 'south' : 'north';
  const alt = f.quantity(altDeg, 'angleDeg', 0);
  return south
    ? `Point the axis **true ${side}, ${alt} up**, then sweep for the four stars.`
    : `Look **true ${side}, ${alt} up**: the lone bright star there is ${star}.`;
}

export function findReason(saying: FindSaying, f: Format): string {
  if (saying.code === 'equator') return 'No pole star stands high enough to be seen.';
  const compass = `By compass ${f.quantity(saying.compassDeg, 'angleDeg', 0)}; ${fistWords(saying.altDeg)} above the horizon.`;
  return saying.south ? `${compass} No bright star marks this pole: ${saying.star} is of magnitude 5.4.` : compass;
}

export function hopWords(hop: {
  group: HopGroupId;
  fromName: string;
  distanceDeg: number;
  directionDeg: number;
}): string {
  const line = LINES[hop.group];
  const [star, group] = [starName(hop.fromName), GROUP_NAMES[hop.group]];
  const from = star === group ? star : `${star} in ${group}`;
  return `From ${from}: ${fistWords(hop.distanceDeg)} toward ${clockFaceWords(hop.directionDeg)}${line === undefined ? '' : `, ${line}`}.`;
}

export const NO_GROUP_WORDS = 'None of the bright groups stands clear of the horizon now.';

/** `showMs`: from when the pattern shows; null = not tonight. */
type Sweep = { latDeg: number; has: RigHas; showMs: number | null };

/** The sweep, in order, for a pole that no bright star marks. */
export function sweepSteps({ latDeg, has, showMs }: Sweep, f: Format): string[] {
  if (latDeg >= 0) return [];
  const alt = f.quantity(Math.abs(latDeg), 'angleDeg');
  return [
    `Bearing 180° true; altitude ${alt}, your latitude without its sign; bubble in the middle.`,
    ...(has.has('motor') && !has.has('slew') ? ['Set the hemisphere switch to south, or it turns the wrong way.'] : []),
    `Wait until the stars of magnitude 5 show${showMs === null ? '' : `, from ${f.clock(showMs)}`}.`,
    `Look ${has.has('polarFinder') ? 'through the finder' : 'along the axis with binoculars'} and sweep in azimuth, 3° to each side, slowly.`,
    'Nothing: altitude 1° up, sweep again; then 1° and 2° down.',
    `Four stars in a trapezium: check its sides${has.has('polarFinder') ? ' and neighbours on the dial’s tab' : ''} before you trust it.`,
    `Still nothing: ${has.has('camera') ? 'a short lens on the axis shows the pattern in a few seconds, or ' : ''}align by drift.`,
  ];
}
