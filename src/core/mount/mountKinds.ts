/** What each kind of mount has and how it is worked with: one entry per kind, asked by everything that differs between them. */
import type { MountKind, MountPart } from '../records/part.ts';
import type { FirstSubCheck } from '../records/checks.ts';

/** Where its axes cross: above the hub of the tripod or the board it stands on, before the column's middle, and above the
 *  column's end; m. */
export type UsualAxes = { aboveHubM: number; axisForwardM: number; columnTopDropM: number };

/** Whose order it is put together in, and what comes before its first sub. `floor`: its box stands on the ground. */
export type AssemblyOrder = 'german' | 'tracker' | 'fork' | 'floor' | 'platform';
/** Why its run stands in this order. */
export type OrderReason = 'german' | 'trackerFirstPole' | 'wedge' | 'altAzimuth' | 'pushed' | 'platform' | 'noMount';

export type KindTraits = {
  /** A small star tracker: its pole is looked for before the camera blocks its finder. */
  isTracker: boolean;
  /** Turns about an axis toward the pole. */
  hasPolarAxis: boolean;
  /** Goes over to the other side of its column. */
  flips: boolean;
  /** What the tube is held by. `rocker`: round bearings at its sides lie in a box. */
  holds: 'saddle' | 'ballHead' | 'bracket' | 'arms' | 'rocker';
  /** What is balanced on it where its drive has clutches: a tube against weights on a bar, the tube alone, or nothing. */
  balances: 'bar' | 'tubeAlone' | 'nothing';
  /** Axes that are opened to turn them by hand; others turn by friction. */
  clutches: boolean;
  /** Which axes a motor turns, whatever its drive; null: as its drive says. */
  motors: 'raOnly' | 'none' | null;
  standsOn: 'legs' | 'ground';
  /** It follows for some minutes and is then set back. */
  runsOut: boolean;
  order: AssemblyOrder;
  reason: OrderReason;
  checks: readonly FirstSubCheck[];
  /** Its azimuth is moved by knobs of the head, which may hold a peg of the tripod between them. */
  knobsOnHead: boolean;
  usualAxes: UsualAxes;
};

const OVER_COLUMN: UsualAxes = { aboveHubM: 0.25, axisForwardM: 0.06, columnTopDropM: 0.18 };
/** A hand's breadth before its wedge. */
const BEFORE_WEDGE: UsualAxes = { aboveHubM: 0.18, axisForwardM: 0.1, columnTopDropM: 0.08 };
const IN_BOX: UsualAxes = { aboveHubM: 0.4, axisForwardM: 0, columnTopDropM: 0.3 };

const CHECKS: readonly FirstSubCheck[] = ['clutches', 'rate', 'cables', 'caps', 'parked', 'cardSpace', 'dew'];
/** What beginners with a tracker and a lens miss. */
const TRACKER_CHECKS: readonly FirstSubCheck[] = [
  'hemisphere',
  'rate',
  'clutches',
  'lensSwitches',
  'focusTaped',
  'darkFrames',
  'longExposure',
  'shutterLead',
  'cardSpace',
  'dew',
];

const GERMAN: KindTraits = {
  isTracker: false,
  hasPolarAxis: true,
  flips: true,
  holds: 'saddle',
  balances: 'bar',
  clutches: true,
  motors: null,
  standsOn: 'legs',
  runsOut: false,
  order: 'german',
  reason: 'german',
  checks: CHECKS,
  knobsOnHead: true,
  usualAxes: OVER_COLUMN,
};
const TRACKER: KindTraits = {
  ...GERMAN,
  isTracker: true,
  motors: 'raOnly',
  order: 'tracker',
  reason: 'trackerFirstPole',
  checks: TRACKER_CHECKS,
  knobsOnHead: false,
};
const FORK: KindTraits = {
  ...GERMAN,
  flips: false,
  holds: 'arms',
  balances: 'tubeAlone',
  order: 'fork',
  reason: 'wedge',
  knobsOnHead: false,
};
const ALT_AZIMUTH: KindTraits = {
  ...FORK,
  hasPolarAxis: false,
  holds: 'saddle',
  balances: 'nothing',
  reason: 'altAzimuth',
};
const FLOOR: KindTraits = {
  ...ALT_AZIMUTH,
  holds: 'rocker',
  balances: 'tubeAlone',
  clutches: false,
  motors: 'none',
  standsOn: 'ground',
  order: 'floor',
  reason: 'pushed',
  usualAxes: IN_BOX,
};

export const MOUNT_KINDS: Readonly<Record<MountKind, KindTraits>> = {
  germanEquatorial: GERMAN,
  trackerBallHead: { ...TRACKER, flips: false, holds: 'ballHead', balances: 'nothing' },
  trackerBracket: { ...TRACKER, holds: 'bracket', usualAxes: BEFORE_WEDGE },
  forkOnWedge: FORK,
  altAzimuth: ALT_AZIMUTH,
  pushedAltAzimuth: { ...ALT_AZIMUTH, clutches: false, motors: 'none', reason: 'pushed' },
  floorReflector: FLOOR,
  tiltingPlatform: {
    ...FLOOR,
    hasPolarAxis: true,
    motors: 'raOnly',
    runsOut: true,
    order: 'platform',
    reason: 'platform',
  },
};

/** Until somebody says what it is, it has an axis toward the pole and nothing else that could be missed. */
const NO_MOUNT: KindTraits = { ...GERMAN, flips: false, balances: 'nothing', reason: 'noMount', knobsOnHead: false };

export const mountTraits = (mount: Pick<MountPart, 'mountKind'> | null): KindTraits =>
  mount === null ? NO_MOUNT : MOUNT_KINDS[mount.mountKind];
