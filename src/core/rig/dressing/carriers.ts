/** What carries the tube, in ten kinds and three sizes: usual figures of each class, not of any product. */
import { mountTraits } from '../../mount/mountKinds.ts';
import { DEFAULT_REFERENCE_ARM_M } from '../../mount/load.ts';
import { BAR_RANGE_M, MOUNT_CLASSES, type MountClass, type MountClassId } from '../../mount/mountClasses.ts';
import type { MountKind, MountPart } from '../../records/part.ts';

export const CARRIERS = [
  'germanEquatorial',
  'trackerBallHead',
  'trackerBracket',
  'forkOnWedge',
  'altAzimuth',
  'pushedAltAzimuth',
  'floorReflector',
  'tiltingPlatform',
  'strainWave',
  'byHand',
] as const;
export type Carrier = (typeof CARRIERS)[number];
export const SIZES = ['small', 'middle', 'large'] as const;
export type Size = (typeof SIZES)[number];

export type UsualBar = { massKg: number; lengthM: number; centreM: number; rangeM: [number, number] };

export type UsualCarrier = {
  mountKind: MountKind;
  drive: Exclude<MountPart['drive'], 'frictionOrDirect'>;
  belt: boolean;
  ratedKg: number;
  ratingIncludesWeights: boolean;
  headKg: number;
  supportKg: number;
  hubHeightM: number;
  footRadiusM: number;
  referenceArmM: number;
  /** From the polar axis to where the plate, the ball head or the bracket's end lies. */
  saddleM: number;
  bar: UsualBar | null;
  /** A finder through the polar axis and knobs that move it. */
  hasFinder: boolean;
};

/** What the hand pushes, and what tilts under it. */
type Pushed = 'pushedAltAzimuth' | 'floorReflector' | 'tiltingPlatform';

type Base = { classId: MountClassId; ratedKg: Record<Size, number>; saddleM: number; footRadiusM: number };

const BASES: Record<Exclude<Carrier, 'germanEquatorial' | 'forkOnWedge' | 'byHand' | Pushed>, Base> = {
  trackerBallHead: {
    classId: 'smallTracker',
    ratedKg: { small: 2, middle: 3, large: 5 },
    saddleM: 0.09,
    footRadiusM: 0.45,
  },
  trackerBracket: {
    classId: 'bracketTracker',
    ratedKg: { small: 3, middle: 5, large: 7 },
    saddleM: 0.06,
    footRadiusM: 0.45,
  },
  altAzimuth: { classId: 'altAzimuth', ratedKg: { small: 4, middle: 7, large: 12 }, saddleM: 0.1, footRadiusM: 0.45 },
  strainWave: { classId: 'strainWave', ratedKg: { small: 8, middle: 12, large: 20 }, saddleM: 0.08, footRadiusM: 0.45 },
};
const GERMAN: Record<Size, { classId: MountClassId; saddleM: number; footRadiusM: number }> = {
  small: { classId: 'smallGeared', saddleM: 0.09, footRadiusM: 0.45 },
  middle: { classId: 'midBelt', saddleM: 0.1, footRadiusM: 0.52 },
  large: { classId: 'largeBelt', saddleM: 0.12, footRadiusM: 0.55 },
};
/** Small German mounts with a knob on each axis. */
const BY_HAND_KG: Record<Size, number> = { small: 3, middle: 5, large: 8 };
const FORK_KG: Record<Size, number> = { small: 6, middle: 10, large: 15 };

/** Of the low box and the board under it, with what carries them where they tilt; kg. */
const FLOOR_KG: Record<Size, number> = { small: 6, middle: 12, large: 20 };
const PLATFORM_KG = 7;
const BOARD: Record<Size, number> = { small: 0.22, middle: 0.27, large: 0.33 };

const BARS: Partial<Record<MountClassId, Omit<UsualBar, 'rangeM'>>> = {
  bracketTracker: { massKg: 0.22, lengthM: 0.24, centreM: 0.1 },
  smallGeared: { massKg: 0.7, lengthM: 0.36, centreM: 0.17 },
  midBelt: { massKg: 0.8, lengthM: 0.45, centreM: 0.2 },
  largeBelt: { massKg: 1.3, lengthM: 0.54, centreM: 0.25 },
};

const classOf = (id: MountClassId): MountClass => {
  const found = MOUNT_CLASSES.find((one) => one.id === id);
  if (!found) throw new RangeError(`no class of mounts is called ${id}`);
  return found;
};

/** A class at another rating: heads grow a little slower than what they carry, tripods with its root. */
function scaled(classId: MountClassId, ratedKg: number, saddleM: number, footRadiusM: number): UsualCarrier {
  const base = classOf(classId);
  const factor = ratedKg / base.ratedKg;
  const [bar, rangeM] = [BARS[classId], BAR_RANGE_M[classId]];
  return {
    mountKind: base.mountKind,
    drive: base.drive,
    belt: base.belt,
    ratedKg,
    ratingIncludesWeights: base.ratingCountsWeights,
    headKg: base.headKg * factor ** 0.8,
    supportKg: base.supportKg * Math.sqrt(factor),
    hubHeightM: base.hubHeightM,
    footRadiusM,
    referenceArmM: base.referenceArmM,
    saddleM,
    bar: bar && rangeM ? { ...bar, rangeM } : null,
    hasFinder: mountTraits(base).hasPolarAxis && base.drive !== 'strainWave',
  };
}

/** A box and its board are made for one tube: what it weighs is what they carry. */
function onGround(carrier: 'floorReflector' | 'tiltingPlatform', size: Size): UsualCarrier {
  const platformKg = carrier === 'tiltingPlatform' ? PLATFORM_KG : 0;
  return {
    mountKind: carrier,
    drive: carrier === 'tiltingPlatform' ? 'raMotor' : 'byHand',
    belt: false,
    ratedKg: 3 * FLOOR_KG[size],
    ratingIncludesWeights: false,
    headKg: FLOOR_KG[size] + platformKg,
    supportKg: 0.3 * FLOOR_KG[size],
    hubHeightM: platformKg > 0 ? 0.15 : 0.05,
    footRadiusM: BOARD[size],
    referenceArmM: DEFAULT_REFERENCE_ARM_M,
    saddleM: 0,
    bar: null,
    hasFinder: false,
  };
}

/** The usual figures of a kind and size. A middle German mount is rated 18 kg, its head weighs 11 kg. */
export function usualCarrier(carrier: Carrier, size: Size): UsualCarrier {
  if (carrier === 'germanEquatorial') {
    const { classId, saddleM, footRadiusM } = GERMAN[size];
    return scaled(classId, classOf(classId).ratedKg, saddleM, footRadiusM);
  }
  if (carrier === 'forkOnWedge') {
    const altAz = scaled('altAzimuth', FORK_KG[size], 0.12, 0.5);
    return { ...altAz, mountKind: 'forkOnWedge', referenceArmM: DEFAULT_REFERENCE_ARM_M };
  }
  if (carrier === 'pushedAltAzimuth') {
    const { classId, ratedKg, saddleM, footRadiusM } = BASES.altAzimuth;
    const pushed = scaled(classId, ratedKg[size], saddleM, footRadiusM);
    return { ...pushed, mountKind: carrier, drive: 'byHand' };
  }
  if (carrier === 'floorReflector' || carrier === 'tiltingPlatform') return onGround(carrier, size);
  if (carrier === 'byHand') return { ...scaled('smallGeared', BY_HAND_KG[size], 0.08, 0.45), drive: 'byHand' };
  const { classId, ratedKg, saddleM, footRadiusM } = BASES[carrier];
  return scaled(classId, ratedKg[size], saddleM, footRadiusM);
}
