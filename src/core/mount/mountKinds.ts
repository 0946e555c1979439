/** What each kind of mount has and how it is worked with: one entry per kind, asked by everything that differs between them. */
import type { MountKind, MountPart } from '../records/part.ts';

/** Where its axes cross: above the hub of the tripod, before the column's middle, and above the column's end; m. */
export type UsualAxes = { aboveHubM: number; axisForwardM: number; columnTopDropM: number };

export type KindTraits = {
  /** A small star tracker: one motor, its pole looked for before the camera blocks its finder. */
  isTracker: boolean;
  /** Turns about an axis toward the pole. */
  hasPolarAxis: boolean;
  /** Goes over to the other side of its column. */
  flips: boolean;
  /** What the tube is held by. */
  holds: 'saddle' | 'ballHead' | 'bracket' | 'arms';
  /** What is balanced on it where its drive has clutches: a tube against weights on a bar, the tube alone, or nothing. */
  balances: 'bar' | 'tubeAlone' | 'nothing';
  /** Whose order it is put together in, and what comes before its first sub. */
  order: 'german' | 'tracker' | 'fork';
  /** Its azimuth is moved by knobs of the head, which may hold a peg of the tripod between them. */
  knobsOnHead: boolean;
  usualAxes: UsualAxes;
};

const OVER_COLUMN: UsualAxes = { aboveHubM: 0.25, axisForwardM: 0.06, columnTopDropM: 0.18 };
/** A hand's breadth before its wedge. */
const BEFORE_WEDGE: UsualAxes = { aboveHubM: 0.18, axisForwardM: 0.1, columnTopDropM: 0.08 };

export const MOUNT_KINDS: Readonly<Record<MountKind, KindTraits>> = {
  germanEquatorial: {
    isTracker: false,
    hasPolarAxis: true,
    flips: true,
    holds: 'saddle',
    balances: 'bar',
    order: 'german',
    knobsOnHead: true,
    usualAxes: OVER_COLUMN,
  },
  trackerBallHead: {
    isTracker: true,
    hasPolarAxis: true,
    flips: false,
    holds: 'ballHead',
    balances: 'nothing',
    order: 'tracker',
    knobsOnHead: false,
    usualAxes: OVER_COLUMN,
  },
  trackerBracket: {
    isTracker: true,
    hasPolarAxis: true,
    flips: true,
    holds: 'bracket',
    balances: 'bar',
    order: 'tracker',
    knobsOnHead: false,
    usualAxes: BEFORE_WEDGE,
  },
  forkOnWedge: {
    isTracker: false,
    hasPolarAxis: true,
    flips: false,
    holds: 'arms',
    balances: 'tubeAlone',
    order: 'fork',
    knobsOnHead: false,
    usualAxes: OVER_COLUMN,
  },
  altAzimuth: {
    isTracker: false,
    hasPolarAxis: false,
    flips: false,
    holds: 'saddle',
    balances: 'nothing',
    order: 'fork',
    knobsOnHead: false,
    usualAxes: OVER_COLUMN,
  },
};

/** Until somebody says what it is, it has an axis toward the pole and nothing else that could be missed. */
const NO_MOUNT: KindTraits = { ...MOUNT_KINDS.germanEquatorial, flips: false, balances: 'nothing', knobsOnHead: false };

export const mountTraits = (mount: Pick<MountPart, 'mountKind'> | null): KindTraits =>
  mount === null ? NO_MOUNT : MOUNT_KINDS[mount.mountKind];
