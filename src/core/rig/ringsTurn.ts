/** A reflector's camera stands beside its tube: turned in its rings the tube takes it round, until nothing hangs to one side. */
import { DEG_PER_RAD, RAD_PER_DEG } from '../math/angles.ts';
import { sum } from '../mount/levers.ts';
import { looksFromSide, tubeKindOf } from './lookerPlace.ts';
import type { RigNumbers } from './rigNumbers.ts';
import type { Placed, Rig } from '../records/rig.ts';

export type RingsTurn = {
  /** Where it points now, from straight away from the polar axis toward the upper side of a level tube. */
  nowDeg: number;
  /** Where it has to point: of the two directions that balance it the one away from the mount. Null = what else hangs beside
   *  the tube outweighs it. */
  wantedDeg: number | null;
};

/** Lighter than this it turns nothing. */
const LEAST_KGM = 0.002;

/** Source: moments about the tube's middle line; that of the camera goes with the sine of its direction.
 *  Null for tubes that one looks into from behind, and without anything at their side. */
export function ringsTurn(
  { tube, masses }: Pick<RigNumbers, 'tube' | 'masses'>,
  { cameraId, train }: Pick<Rig, 'cameraId' | 'train'>,
): RingsTurn | null {
  const line = masses.tubeSide.find((p) => p.partId === tube?.id);
  if (!tube || !line || !looksFromSide(tubeKindOf(tube))) return null;
  const looks = new Set([cameraId, ...train]);
  const turning = masses.tubeSide.filter((p) => p.on === 'tube' && p !== line);
  const own = turning.filter((p) => looks.has(p.partId));
  const outKgM = sum(own, (p) => p.massKg * (p.fromRaAxisM - line.fromRaAxisM));
  const asideKgM = sum(own, (p) => p.massKg * (p.sidewaysM - line.sidewaysM));
  const othersKgM = sum(
    turning.filter((p) => !looks.has(p.partId)),
    (p) => p.massKg * (p.sidewaysM - line.sidewaysM),
  );
  const ownKgM = Math.hypot(outKgM, asideKgM);
  if (ownKgM < LEAST_KGM) return null;
  const wanted = -othersKgM / ownKgM;
  return {
    nowDeg: Math.atan2(asideKgM, outKgM) * DEG_PER_RAD,
    wantedDeg: Math.abs(wanted) > 1 ? null : Math.asin(wanted) * DEG_PER_RAD,
  };
}

/** Less of a turn no hand sets on purpose. */
const SET_DEG = 3;

/** By how much the tube is to be turned, + = what looks goes to the upper side; 0 = it lies as it has to, null = no turn does. */
export function ringsByDeg({ nowDeg, wantedDeg }: RingsTurn): number | null {
  if (wantedDeg === null) return null;
  return Math.abs(wantedDeg - nowDeg) < SET_DEG ? 0 : wantedDeg - nowDeg;
}

/** The pieces of the train as they stand after the tube was turned in its rings; all else stays. */
export function turnedInRings(
  rig: Pick<Rig, 'placed' | 'imagingTubeId' | 'cameraId' | 'train'>,
  byDeg: number,
): Placed[] {
  const line = rig.placed.find((p) => p.partId === rig.imagingTubeId);
  const looks = new Set([rig.cameraId, ...rig.train]);
  const [c, s] = [Math.cos(byDeg * RAD_PER_DEG), Math.sin(byDeg * RAD_PER_DEG)];
  const tenthMm = (m: number): number => Math.round(m * 1e4) / 1e4;
  return rig.placed.map((p) => {
    if (!line || p.on !== 'tube' || !looks.has(p.partId)) return p;
    const [out, aside] = [p.fromRaAxisM - line.fromRaAxisM, p.sidewaysM - line.sidewaysM];
    return {
      ...p,
      fromRaAxisM: tenthMm(line.fromRaAxisM + c * out - s * aside),
      sidewaysM: tenthMm(line.sidewaysM + s * out + c * aside),
    };
  });
}
