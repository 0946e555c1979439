/** Words of the first three screens and of what they make. */
import type { StandingTarget } from '../core/night/plan/easyTargets.ts';
import type { Town } from '../core/places/findTowns.ts';
import type { Carrier, Size } from '../core/rig/dressing/carriers.ts';
import type { Piece } from '../core/rig/dressing/dressRig.ts';
import type { TubeKind } from '../core/records/part.ts';
import { SENSORS, type Body, type Optics, type SensorFormat } from '../core/rig/dressing/looks.ts';
import type { Format } from './format.ts';

export const SCREENS = ['where', 'carries', 'looks'] as const;
export type Screen = (typeof SCREENS)[number];

export const START = {
  title: 'Your own night',
  sentences: {
    where: 'Say **where you stand**: the sky follows from it. A town near you is near enough.',
    carries: 'Choose **what carries it**. Sizes and weights are guessed, and asked for later, where they matter.',
    looks: 'Say **what looks**: two numbers of the lens or tube, and the sensor.',
  },
  unknown: { where: 'Place', carries: 'Mount', looks: 'Lens and sensor' },
  next: 'Next',
  back: 'Back',
  done: 'Show my night',
  town: 'The nearest town',
  towns: 'Towns',
  noTown: 'No town of 15,000 people and more begins so. Try a larger one near you, or type the coordinates.',
  townsMissing: 'The list of towns could not be read. Type the coordinates.',
  placeHow: 'Or coordinates, as a map tells them. The time zone follows from them.',
  zones: 'The map of time zones',
  zoneFailed: 'The time zone of this place was not found: this device’s own is taken. Correct it under Sites.',
  made: 'Your night is ready.',
  bringIn: 'Bring in a file from another device',
} as const;

export const CARRIER_WORDS: Record<Carrier, { name: string; what: string }> = {
  trackerBallHead: { name: 'Small tracker', what: 'the camera on a ball head' },
  trackerBracket: { name: 'Tracker with bar', what: 'bracket and counterweight' },
  germanEquatorial: { name: 'German mount', what: 'tube on one side, weights on a bar' },
  strainWave: { name: 'Strain-wave head', what: 'small, strong, no clutch' },
  forkOnWedge: { name: 'Fork on a wedge', what: 'arms around the tube, tilted' },
  altAzimuth: { name: 'Alt-azimuth', what: 'with motors, up and down, left and right' },
  pushedAltAzimuth: { name: 'Pushed alt-azimuth', what: 'on legs, moved by hand' },
  floorReflector: { name: 'Reflector in a box', what: 'on the ground, pushed' },
  tiltingPlatform: { name: 'Tilting platform', what: 'a box on it follows for an hour' },
  byHand: { name: 'Turned by hand', what: 'a knob on each axis' },
};

export const SIZE_WORDS: Record<Size, string> = { small: 'Small', middle: 'Middle', large: 'Large' };
export const sizeWords = (size: Size, ratedKg: number, f: Format): string =>
  `${SIZE_WORDS[size]}, rated ${f.quantity(ratedKg, 'mass', 0)}`;

export const OPTICS_WORDS: Record<TubeKind, string> = {
  lens: 'Camera lens',
  refractor: 'Refractor',
  newtonian: 'Reflector',
  mirrorLens: 'Mirror-lens tube',
};

export const BODY_WORDS: Record<Body, string> = {
  lensMount: 'A camera that takes lenses',
  telescope: 'A camera made for the telescope',
};

const FORMAT_WORDS: Record<SensorFormat, string> = {
  fullFrame: 'Full frame',
  reduced: 'Reduced format',
  fourThirds: 'Four thirds',
  oneInch: 'One inch',
  small: 'Small, of a planet camera',
};
export const sensorWords = (format: SensorFormat): string =>
  `${FORMAT_WORDS[format]}, ${SENSORS[format].join(' × ')} mm`;

/** What looks: a sensor, a phone, or nobody but the user. */
export function lookerWords(looker: SensorFormat | 'phone' | 'eye'): string {
  if (looker === 'phone') return 'A phone';
  return looker === 'eye' ? 'Only my eye' : sensorWords(looker);
}

/** What the parts are called. */
const PIECE_WORDS: Record<Piece, string> = {
  mount: 'Mount',
  tripod: 'Tripod',
  board: 'Ground board',
  tube: 'Tube',
  rings: 'Tube rings',
  plate: 'Plate under the tube',
  camera: 'Camera',
  eyepiece: 'Eyepiece',
  guideScope: 'Guide scope',
  ballHead: 'Ball head',
  bar: 'Counterweight bar',
  weight: 'Weight',
};

export function pieceName(piece: Piece, massKg: number, own: { carrier: Carrier; rigName: string }, f: Format): string {
  if (piece === 'weight') return `Weight ${f.quantity(massKg, 'mass', 1)}`;
  if (piece === 'mount') return CARRIER_WORDS[own.carrier].name;
  return piece === 'tube' ? own.rigName : PIECE_WORDS[piece];
}

const BEHIND = { phone: ', phone behind it', eye: ', by eye' } as const;

/** `135 mm lens`, `750 mm reflector, by eye`, `Phone`. */
export function rigNameOf(
  { kind, focalMm }: Pick<Optics, 'kind' | 'focalMm'>,
  looker: SensorFormat | 'phone' | 'eye',
  f: Format,
): string {
  if (kind === 'lens' && looker === 'phone') return 'Phone';
  const name = `${f.quantity(focalMm, 'opticsMm', 0)} ${kind === 'lens' ? 'lens' : OPTICS_WORDS[kind].toLowerCase()}`;
  return looker === 'phone' || looker === 'eye' ? `${name}${BEHIND[looker]}` : name;
}

/** `M 45, Pleiades: 74° high, 8 h dark`. */
export const standingWords = (t: StandingTarget, f: Format): string =>
  `${targetName(t.catalogueId, t.plainName)}: ${f.quantity(t.highestAltDeg, 'angleDeg', 0)} high, ${f.quantity(t.usableH, 'hours', 0)} dark`;

export const targetName = (catalogueId: string, plainName: string): string => `${catalogueId}, ${plainName}`;

/** `Covilhã, PT, 40°16′48″ N, 7°30′36″ W`: towns of one name are told apart by where they are. */
export const townName = ({ name, country, latDeg, lonDeg }: Town, f: Format): string =>
  `${name}, ${country}, ${placeName(latDeg, lonDeg, f)}`;

export const placeName = (latDeg: number, lonDeg: number, f: Format): string =>
  `${f.latitude(latDeg)}, ${f.longitude(lonDeg)}`;

/** @param ratio what is taken where nothing is typed. */
export const lensRatioHint = (ratio: number, f: Format): string =>
  `As it will be set. Empty: f/${f.number(ratio, ratio < 10 ? 1 : 0).replace(/\.0$/, '')} is taken.`;
