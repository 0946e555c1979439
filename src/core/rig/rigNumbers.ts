/** A rig's records as the numbers that the formulas want, and what is missing for them. */
import { mountTraits } from '../mount/mountKinds.ts';
import type { RaBalanceInput } from '../mount/balance.ts';
import { LARGEST_BOX, type BoxWeight } from '../mount/balanceProposals.ts';
import { offBarOf } from '../mount/offBar.ts';
import { opticalTrain, type Train } from '../optics/train.ts';
import type { MountPart, Part, PartKind, PartOf } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import { achievedFactor, lightPathOf, type LightPath } from './lightPathOfRig.ts';
import { rigMasses, type RigMasses, type WeightOnBar } from './rigMasses.ts';

export type RigGap =
  | { code: 'mountMissing' | 'tubeMissing' | 'cameraMissing' | 'barRangeMissing' | 'noWeight' }
  | { code: 'massMissing'; partId: string; name: string }
  | { code: 'barTooShort'; name: string };

export type RigBalance = {
  input: RaBalanceInput;
  movable: WeightOnBar[];
  /** From the polar axis to the bar's end stop; 0 when the rig has no bar part. */
  barLengthM: number;
  box: BoxWeight[];
  /** The heaviest piece that slides or clamps on the tube's side: the one whose clamp would be moved. */
  clampPartId: string | null;
};

export type RigNumbers = {
  mount: MountPart | null;
  tube: PartOf<'tube'> | null;
  camera: PartOf<'camera'> | null;
  /** Where the rig names an eyepiece for its camera, somebody looks through it and takes no subs. */
  eyepiece: PartOf<'eyepiece'> | null;
  /** What the eye sees through, barlows and reducers of the train counted; null where nobody looks. */
  eyeOptics: { apertureMm: number; focalMm: number; eyepieceMm: number } | null;
  support: PartOf<'support'> | null;
  train: Train | null;
  lightPath: LightPath;
  masses: RigMasses;
  balance: RigBalance | null;
  gaps: RigGap[];
};

/** What nights taught of a rig that its records do not say. */
export type Taught = {
  /** Moment about the polar axis that an earlier balance showed beyond the stated masses. */
  momentKgM: number;
  /** By how much farther than specified the sensor must stand, as corners showed; null = they did not yet. */
  spacingMm: number | null;
  /** The camera whose guessed depth is in that distance; null = it was told. */
  spacingGuessOf: string | null;
};

/** German mounts and trackers with a counterweight bar go over to the other side; the others never flip. */
export const mountFlips = (mount: MountPart | null): boolean => mountTraits(mount).flips;

/** True for mounts that balance a tube against weights on a bar. */
export const mountHasBar = (mount: MountPart | null): boolean =>
  mountTraits(mount).balances === 'bar' && mount?.drive !== 'strainWave';

/** A fork with clutches carries its tube on its axis: nothing is balanced but the tube itself, front to back. */
export const balancesTubeAlone = (mount: MountPart | null): boolean =>
  mountTraits(mount).balances === 'tubeAlone' && mount?.drive !== 'strainWave';

function partOf<K extends PartKind>(parts: ReadonlyMap<string, Part>, id: string, kind: K): PartOf<K> | null {
  const part = parts.get(id);
  return part?.kind === kind ? (part as PartOf<K>) : null;
}

/** Product of the factors of all correctors in the train; the last one's at the distance that its sensor has. */
function trainFactor(rig: Rig, parts: ReadonlyMap<string, Part>, path: LightPath | null): number {
  const last = path?.corrector ?? null;
  const factors = rig.train.flatMap((id) => partOf(parts, id, 'corrector') ?? []);
  return factors.reduce(
    (factor, one) => factor * (one.id === last?.id ? achievedFactor(one, path?.spacing ?? null) : one.factor),
    1,
  );
}

type TubeAndCamera = { tube: PartOf<'tube'> | null; camera: PartOf<'camera'> | null };

/** Null while tube or camera is missing. @param path null: by the correctors' own numbers. */
function trainOf(
  rig: Rig,
  parts: ReadonlyMap<string, Part>,
  { tube, camera }: TubeAndCamera,
  path: LightPath | null,
): Train | null {
  if (!tube || !camera) return null;
  return opticalTrain({
    apertureMm: tube.apertureMm,
    focalMm: tube.focalMm,
    factor: Math.max(LEAST_FACTOR, trainFactor(rig, parts, path)),
    pixelUm: camera.pixelUm,
    widthPx: camera.widthPx,
    heightPx: camera.heightPx,
  });
}
/** A stack far beyond its distance would turn the light round. */
const LEAST_FACTOR = 0.05;

/** Every copy of every weight that the user owns, largest box first cut to what can be searched. */
function weightBox(parts: readonly Part[]): BoxWeight[] {
  return parts
    .filter(
      (p): p is PartOf<'weight'> => p.kind === 'weight' && !p.archived && p.deletedAtUtc === null && p.massKg !== null,
    )
    .flatMap((p) => Array.from({ length: p.count }, () => ({ id: p.id, massKg: p.massKg ?? 0 })))
    .slice(0, LARGEST_BOX);
}

function rigBalance(
  masses: RigMasses,
  mount: MountPart,
  all: readonly Part[],
  learnedMomentKgM: number,
): RigBalance | null {
  if (mount.barRangeM === null) return null;
  const { tubeSide, bar, barLengthM, weights } = masses;
  const movable = weights.filter((w) => w.movable);
  const clamp = tubeSide.filter((m) => m.on === 'tube').sort((a, b) => b.massKg - a.massKg)[0];
  return {
    input: {
      parts: tubeSide,
      bar,
      movableWeights: movable.map((w) => ({ id: w.partId, massKg: w.massKg })),
      fixedWeights: weights.filter((w) => !w.movable).map((w) => ({ massKg: w.massKg, positionM: w.setM })),
      barRangeM: mount.barRangeM,
      learnedMomentKgM,
    },
    movable,
    barLengthM,
    box: weightBox(all),
    clampPartId: clamp?.id ?? null,
  };
}

/** What balancing on a bar lacks. */
function barGaps(mount: MountPart | null, balance: RigBalance | null): RigGap[] {
  if (!mountHasBar(mount)) return [];
  if (balance === null) return [{ code: 'barRangeMissing' }];
  const { input, box } = balance;
  return input.movableWeights.length > 0 || offBarOf(input, box)?.code === 'noWeight' ? [] : [{ code: 'noWeight' }];
}

/** What the rig lacks: parts, masses, and what balancing on a bar needs. */
function gapsOf(found: Pick<RigNumbers, 'mount' | 'tube' | 'camera' | 'eyepiece' | 'masses' | 'balance'>): RigGap[] {
  const { mount, tube, camera, eyepiece, masses, balance } = found;
  // A weight that is thicker than the bar is long cannot hang on it.
  const thick = masses.weights.find((w) => masses.barLengthM > 0 && w.thicknessM > masses.barLengthM);
  const missing: (RigGap | false)[] = [
    mount === null && { code: 'mountMissing' },
    tube === null && { code: 'tubeMissing' },
    camera === null && eyepiece === null && { code: 'cameraMissing' },
    ...masses.unweighed.map((part): RigGap => ({ code: 'massMissing', ...part })),
    thick !== undefined && { code: 'barTooShort', name: thick.name },
    ...barGaps(mount, balance),
  ];
  return missing.filter((gap) => gap !== false);
}

/** Resolves a rig against the parts it names. Nothing throws: what is missing is listed in `gaps`. */
export function rigNumbers(rig: Rig, all: readonly Part[], taught: Partial<Taught> = {}): RigNumbers {
  const parts = new Map(all.filter((p) => p.deletedAtUtc === null).map((p) => [p.id, p]));
  const mount = partOf(parts, rig.mountId, 'mount');
  const tube = partOf(parts, rig.imagingTubeId, 'tube');
  const camera = partOf(parts, rig.cameraId, 'camera');
  const eyepiece = partOf(parts, rig.cameraId, 'eyepiece');
  const support = partOf(parts, rig.supportId, 'support');
  const masses = rigMasses(rig, parts);
  const optics = { tube, camera };
  const nominal = trainOf(rig, parts, optics, null);
  const lightPath = lightPathOf(
    rig,
    parts,
    { ...optics, focalRatio: nominal?.focalRatio ?? null },
    taught.spacingMm == null ? null : { mm: taught.spacingMm, guessOf: taught.spacingGuessOf ?? null },
  );
  const train = trainOf(rig, parts, optics, lightPath);
  const balance = mount && mountHasBar(mount) ? rigBalance(masses, mount, all, taught.momentKgM ?? 0) : null;
  const gaps = gapsOf({ mount, tube, camera, eyepiece, masses, balance });
  const eyeOptics = tube &&
    eyepiece && {
      apertureMm: tube.apertureMm,
      focalMm: tube.focalMm * Math.max(LEAST_FACTOR, trainFactor(rig, parts, null)),
      eyepieceMm: eyepiece.focalMm,
    };
  return { mount, tube, camera, eyepiece, eyeOptics, support, train, lightPath, masses, balance, gaps };
}
