/** One axis of a rig as pieces on levers: what stays, and what is moved to balance it. Arms in m, + = the side that drops
 *  when the sum of mass x arm is positive: the tube's side, the front end, the upper side of a level tube. */
import { mountTraits } from '../mount/mountKinds.ts';
import { leversAt, sum, type Levers } from '../mount/levers.ts';
import { momentsDoubtKgM, PLACE_DOUBT_M, type DoubtfulMass } from '../mount/massDoubt.ts';
import type { MountPart, PartOf } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import type { RigMasses } from './rigMasses.ts';

export type BalanceAxis = 'ra' | 'dec' | 'sideways';
export type Lever = DoubtfulMass & { id: string; partId: string; name: string };
/** `presentM` by the rig's record: the weights' middle, the tube's mark along the saddle, the piece's place aside. */
export type AxisLevers = Levers<Lever> & { axis: BalanceAxis; rangeM: readonly [number, number] };

/** What weighs less balances nothing. */
const LIGHTEST_KG = 0.001;

/** A tube is not slid so far that the saddle would hold its end. */
const TUBE_SHARE = 0.8;
/** A piece beside the tube stays within this of its centre line. */
const ASIDE_M = 0.3;

const acrossDoubtM = (placeBasis: 'measured' | 'assumed'): number =>
  placeBasis === 'assumed' ? PLACE_DOUBT_M.guessed : PLACE_DOUBT_M.across;

type Around = { rig: Rig; masses: RigMasses; mount: MountPart | null; tube: PartOf<'tube'> | null };

const onTubeSide = (p: RigMasses['tubeSide'][number]): Lever => ({
  ...pieceOf(p),
  placeDoubtM: acrossDoubtM(p.placeBasis),
  armM: p.fromRaAxisM,
});

function raLevers({ masses, mount }: Around): AxisLevers | null {
  const range = mount?.barRangeM;
  const movable = masses.weights.filter((w) => w.movable);
  const movingKg = sum(movable, (w) => w.massKg);
  if (!range || movingKg < LIGHTEST_KG) return null;
  const presentM = sum(movable, (w) => w.massKg * w.setM) / movingKg;
  const onBar = (w: RigMasses['weights'][number], atM: number): Lever => ({
    id: w.placedId,
    partId: w.partId,
    name: w.name,
    massKg: w.massKg,
    massBasis: w.massBasis,
    placeDoubtM: PLACE_DOUBT_M.across,
    armM: -atM,
  });
  const bar: Lever = {
    id: 'bar',
    partId: 'bar',
    name: 'bar',
    massKg: masses.bar.massKg,
    massBasis: masses.barBasis,
    placeDoubtM: acrossDoubtM(masses.barPlaceBasis),
    armM: -masses.bar.centreM,
  };
  return {
    axis: 'ra',
    fixed: [
      ...masses.tubeSide.map(onTubeSide),
      bar,
      ...masses.weights.filter((w) => !w.movable).map((w) => onBar(w, w.setM)),
    ],
    moving: movable.map((w) => onBar(w, presentM)),
    presentM,
    sense: -1,
    rangeM: range,
  };
}

const pieceOf = ({ id, partId, name, massKg, massBasis }: RigMasses['tubeSide'][number]) => ({
  id,
  partId,
  name,
  massKg,
  massBasis,
});

/** How far behind its mark the saddle can hold: the tube's rear end, on a tracker's bracket also a camera. */
function holdsBehindM(moving: RigMasses['tubeSide'], ownM: number, { tube, mount }: Around): number {
  const backM = tube?.backM ?? 0;
  if (mountTraits(mount).holds !== 'bracket') return backM;
  return Math.max(backM, ...moving.map((p) => ownM - p.alongTubeM + p.lengthM / 2));
}

function decLevers(around: Around): AxisLevers | null {
  const { masses, tube } = around;
  const turning = masses.tubeSide.filter((p) => p.on === 'tube');
  const own = turning.find((p) => p.partId === tube?.id);
  const lever = (p: RigMasses['tubeSide'][number]): Lever => ({
    ...pieceOf(p),
    placeDoubtM: PLACE_DOUBT_M.along,
    armM: p.alongTubeM,
  });
  const moving = turning.filter((p) => p.slides);
  if (!own || !tube || sum(moving, (p) => p.massKg) < LIGHTEST_KG) return null;
  return {
    axis: 'dec',
    fixed: turning.filter((p) => !p.slides).map(lever),
    moving: moving.map(lever),
    presentM: own.alongTubeM,
    sense: 1,
    rangeM: [-tube.frontM * TUBE_SHARE, holdsBehindM(moving, own.alongTubeM, around) * TUBE_SHARE],
  };
}

/** The piece that is shifted sideways unless another is chosen: the one farthest aside, else the heaviest beside the
 *  optical train; null when nothing hangs beside it. */
function usualMover(pieces: RigMasses['tubeSide'], rig: Rig): string | null {
  const inTrain = new Set([rig.imagingTubeId, rig.cameraId, ...rig.train]);
  const beside = pieces.filter((p) => p.slides && !inTrain.has(p.partId));
  return (
    [...beside].sort((a, b) => Math.abs(b.sidewaysM) - Math.abs(a.sidewaysM) || b.massKg - a.massKg)[0]?.id ?? null
  );
}

function sidewaysLevers({ masses, rig }: Around, moverId: string | null): AxisLevers | null {
  const turning = masses.tubeSide.filter((p) => p.on === 'tube');
  const chosen = turning.some((p) => p.id === moverId) ? moverId : usualMover(turning, rig);
  const mover = turning.find((p) => p.id === chosen);
  if (!mover || mover.massKg < LIGHTEST_KG) return null;
  const lever = (p: RigMasses['tubeSide'][number]): Lever => ({
    ...pieceOf(p),
    placeDoubtM: PLACE_DOUBT_M.across,
    armM: p.sidewaysM,
  });
  return {
    axis: 'sideways',
    fixed: turning.filter((p) => p !== mover).map(lever),
    moving: [lever(mover)],
    presentM: mover.sidewaysM,
    sense: 1,
    rangeM: [-ASIDE_M, ASIDE_M],
  };
}

/** The levers of an axis; null when nothing can be moved there.
 *  @param moverId which placed piece is shifted sideways; null = the usual one. */
export function leversOf(axis: BalanceAxis, around: Around, moverId: string | null = null): AxisLevers | null {
  if (axis === 'ra') return raLevers(around);
  return axis === 'dec' ? decLevers(around) : sidewaysLevers(around, moverId);
}

/** Doubt of the moment by the stated masses alone, kg m. */
export function statedDoubtKgM(levers: AxisLevers, positionM: number): number {
  return momentsDoubtKgM(leversAt(levers, positionM));
}
