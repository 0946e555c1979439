/** Neutral classes of mounts, for someone who is still choosing: usual figures of each class, not of any product. */
import { DEFAULT_REFERENCE_ARM_M } from './load.ts';

export type MountClassId =
  | 'altAzimuth'
  | 'smallTracker'
  | 'bracketTracker'
  | 'smallGeared'
  | 'midBelt'
  | 'largeBelt'
  | 'strainWave';

export type MountClass = {
  id: MountClassId;
  mountKind: 'altAzimuth' | 'trackerBallHead' | 'trackerBracket' | 'germanEquatorial';
  drive: 'worm' | 'strainWave';
  belt: boolean;
  ratedKg: number;
  /** The rating counts bar and weights too, as those of trackers do. */
  ratingCountsWeights: boolean;
  headKg: number;
  supportKg: number;
  hubHeightM: number;
  /** Weights on a bar come along. */
  hasBar: boolean;
  referenceArmM: number;
};

const german = {
  ratingCountsWeights: false,
  mountKind: 'germanEquatorial',
  drive: 'worm',
  hasBar: true,
  referenceArmM: DEFAULT_REFERENCE_ARM_M,
} as const;

/** Lightest to carry first. */
export const MOUNT_CLASSES: readonly MountClass[] = [
  {
    id: 'smallTracker',
    mountKind: 'trackerBallHead',
    drive: 'worm',
    belt: false,
    ratedKg: 3,
    ratingCountsWeights: false,
    headKg: 0.7,
    supportKg: 1.8,
    hubHeightM: 0.8,
    hasBar: false,
    referenceArmM: 0.1,
  },
  {
    id: 'bracketTracker',
    mountKind: 'trackerBracket',
    drive: 'worm',
    belt: false,
    ratedKg: 5,
    ratingCountsWeights: true,
    headKg: 1.6,
    supportKg: 2.1,
    hubHeightM: 0.8,
    hasBar: true,
    referenceArmM: 0.1,
  },
  {
    id: 'altAzimuth',
    mountKind: 'altAzimuth',
    drive: 'worm',
    belt: false,
    ratedKg: 7,
    ratingCountsWeights: false,
    headKg: 4,
    supportKg: 3.5,
    hubHeightM: 0.9,
    hasBar: false,
    referenceArmM: DEFAULT_REFERENCE_ARM_M,
  },
  {
    id: 'strainWave',
    mountKind: 'germanEquatorial',
    drive: 'strainWave',
    belt: false,
    ratedKg: 12,
    ratingCountsWeights: false,
    headKg: 4.2,
    supportKg: 3,
    hubHeightM: 0.85,
    hasBar: false,
    referenceArmM: DEFAULT_REFERENCE_ARM_M,
  },
  { id: 'smallGeared', ...german, belt: false, ratedKg: 9, headKg: 5.4, supportKg: 4.2, hubHeightM: 0.85 },
  { id: 'midBelt', ...german, belt: true, ratedKg: 18, headKg: 11, supportKg: 7.5, hubHeightM: 0.95 },
  { id: 'largeBelt', ...german, belt: true, ratedKg: 30, headKg: 17, supportKg: 11, hubHeightM: 1 },
];

/** Where a weight can stand on a bar of each class, from the polar axis. */
export const BAR_RANGE_M: Partial<Record<MountClassId, [number, number]>> = {
  bracketTracker: [0.06, 0.22],
  smallGeared: [0.1, 0.33],
  midBelt: [0.12, 0.42],
  largeBelt: [0.12, 0.5],
};
