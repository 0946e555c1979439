/** The screws around a polar finder's plate: a screw that is tightened pushes the plate away from itself. Angles clockwise
 *  from the top of the view as the plate stands now.
 *  Source: the smallest solution of too few equations (Penrose, Proc. Camb. Phil. Soc. 51, 406, 1955). */
import { RAD_PER_DEG } from '../math/angles.ts';
import type { PlatePoint } from './finderPlate.ts';

/** What one turn does before it was seen: 0.5 mm of thread behind a lens of 150 mm. */
export const USUAL_ARCMIN_PER_TURN = 11.5;
/** More than this at once lets a screw come loose. */
const MOST_TURNS = 1.5;

export type ScrewTurn = { angleDeg: number; turns: number };

type Unit = readonly [number, number];
/** The way the plate goes when the screw is tightened. */
const pushOf = (angleDeg: number): Unit => [-Math.sin(angleDeg * RAD_PER_DEG), -Math.cos(angleDeg * RAD_PER_DEG)];

/** Solves for the turns of each screw (tighten +) that move the cross by `move` and together add nothing, so that all
 *  stay snug: the smallest such turns. Three or more screws that do not lie on one line through the middle.
 *  Null for fewer, or when they cannot push that way.
 *  @param arcminPerTurn what a turn of one screw moves the cross. */
export function screwTurns(
  screwAnglesDeg: readonly number[],
  move: PlatePoint,
  arcminPerTurn: number = USUAL_ARCMIN_PER_TURN,
): ScrewTurn[] | null {
  if (screwAnglesDeg.length < 3) return null;
  const pushes = screwAnglesDeg.map(pushOf);
  const mean: Unit = [meanOf(pushes.map((p) => p[0])), meanOf(pushes.map((p) => p[1]))];
  // With the mean taken out, turns along the pushes sum to zero by themselves.
  const free = pushes.map(([x, y]): Unit => [x - mean[0], y - mean[1]]);
  const [xx, xy, yy] = [sum(free, (f) => f[0] * f[0]), sum(free, (f) => f[0] * f[1]), sum(free, (f) => f[1] * f[1])];
  const determinant = xx * yy - xy * xy;
  if (determinant < 1e-6) return null;
  const [dx, dy] = [move.xArcmin / arcminPerTurn, move.yArcmin / arcminPerTurn];
  const u = (yy * dx - xy * dy) / determinant;
  const v = (xx * dy - xy * dx) / determinant;
  const turns = free.map(([x, y]) => x * u + y * v);
  return screwAnglesDeg.map((angleDeg, i) => ({ angleDeg, turns: turns[i] ?? 0 }));
}

function sum(list: readonly Unit[], of: (u: Unit) => number): number {
  return list.reduce((total, u) => total + of(u), 0);
}

function meanOf(values: readonly number[]): number {
  return values.reduce((total, v) => total + v, 0) / values.length;
}

/** The share of a move that may be made at once without a screw coming loose, at most 1. */
export function shareAtOnce(turns: readonly ScrewTurn[]): number {
  const most = Math.max(0, ...turns.map((t) => Math.abs(t.turns)));
  return most > MOST_TURNS ? MOST_TURNS / most : 1;
}

const LEAST_GAIN = 0.3;
const MOST_GAIN = 3;
/** Smaller moves tell nothing about the screws. */
const TELLING_ARCMIN = 6;

/** What a turn really did: the asked move and the one seen in the next test. The former figure when either is too small
 *  to tell. */
export function learnScrewGain(asked: PlatePoint, seen: PlatePoint, assumedArcminPerTurn: number): number {
  const size2 = asked.xArcmin ** 2 + asked.yArcmin ** 2;
  if (Math.sqrt(size2) < TELLING_ARCMIN) return assumedArcminPerTurn;
  const along = (asked.xArcmin * seen.xArcmin + asked.yArcmin * seen.yArcmin) / size2;
  return assumedArcminPerTurn * Math.min(MOST_GAIN, Math.max(LEAST_GAIN, along));
}
