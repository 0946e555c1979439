/** What hangs on a rig, sorted into the tube's side, the bar and its weights. */
import type { Bar, PlacedMass } from '../mount/balance.ts';
import type { MassBasis } from '../mount/massDoubt.ts';
import type { Part } from '../records/part.ts';
import type { Placed, Rig } from '../records/rig.ts';

export type WeightOnBar = {
  placedId: string;
  partId: string;
  name: string;
  massKg: number;
  massBasis: MassBasis;
  thicknessM: number;
  /** Its middle, from the polar axis along the bar. */
  setM: number;
  movable: boolean;
};

export type TubeSideMass = PlacedMass & {
  partId: string;
  name: string;
  massBasis: MassBasis;
  on: Placed['on'];
  alongTubeM: number;
  sidewaysM: number;
  slides: boolean;
  placeBasis: 'measured' | 'assumed';
  /** Along the tube; 0 for small pieces. */
  lengthM: number;
};

export type RigMasses = {
  tubeSide: TubeSideMass[];
  bar: Bar;
  barBasis: MassBasis;
  barPlaceBasis: 'measured' | 'assumed';
  /** From the polar axis to the bar's end stop; 0 when the rig has no bar part. */
  barLengthM: number;
  weights: WeightOnBar[];
  /** Parts that hang on the rig without a known mass. */
  unweighed: { partId: string; name: string }[];
};

/** Its mass or its place was never measured; where a weight stands is what is asked, so only its mass counts. */
export function isGuess(piece: { massBasis: MassBasis; placeBasis?: Placed['placeBasis'] }): boolean {
  return piece.massBasis === 'assumed' || piece.placeBasis === 'assumed';
}

type Hung = { placed: Placed; part: Part };

function hungOn(rig: Rig, parts: ReadonlyMap<string, Part>): Hung[] {
  return rig.placed.flatMap((placed) => {
    const part = parts.get(placed.partId);
    const carried = part && placed.on !== 'ground' && part.kind !== 'mount' && part.kind !== 'support';
    return carried ? [{ placed, part }] : [];
  });
}

/** A weight that is strapped to the tube is one of its pieces. */
const isOnBar = ({ placed, part }: Hung): boolean => part.kind === 'weight' && placed.on !== 'tube';

function toWeight(hung: Hung): WeightOnBar[] {
  const { placed, part } = hung;
  if (part.kind !== 'weight' || part.massKg === null || !isOnBar(hung)) return [];
  const { placedId, movable, fromRaAxisM } = placed;
  const { id: partId, name, massKg, massBasis, thicknessM } = part;
  return [{ placedId, partId, name, massKg, massBasis, thicknessM, setM: -fromRaAxisM, movable }];
}

/** How long a piece is along the tube, for its own inertia. */
function lengthAlongTubeM(part: Part): number {
  if (part.kind === 'tube') return part.frontM + part.backM;
  return part.kind === 'camera' ? part.lengthM : 0;
}

function toTubeSide(hung: Hung): TubeSideMass[] {
  const { placed, part } = hung;
  if (isOnBar(hung) || part.kind === 'bar' || part.massKg === null) return [];
  const { placedId: id, partId, fromRaAxisM, on, alongTubeM, sidewaysM, slides, placeBasis = 'measured' } = placed;
  const where = { fromRaAxisM, on, alongTubeM, sidewaysM, slides, placeBasis };
  const { name, massKg, massBasis } = part;
  return [{ id, partId, name, massKg, massBasis, lengthM: lengthAlongTubeM(part), ...where }];
}

export function rigMasses(rig: Rig, parts: ReadonlyMap<string, Part>): RigMasses {
  const hung = hungOn(rig, parts);
  const bar = hung.find((h) => h.part.kind === 'bar');
  return {
    tubeSide: hung.flatMap(toTubeSide),
    bar: { massKg: bar?.part.massKg ?? 0, centreM: bar ? -bar.placed.fromRaAxisM : 0 },
    barBasis: bar?.part.massBasis ?? 'weighed',
    barPlaceBasis: bar?.placed.placeBasis ?? 'measured',
    barLengthM: bar?.part.kind === 'bar' ? bar.part.lengthM : 0,
    weights: hung.flatMap(toWeight),
    unweighed: hung.filter((h) => h.part.massKg === null).map(({ part }) => ({ partId: part.id, name: part.name })),
  };
}
