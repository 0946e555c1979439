/** What to do when the weights would have to stand off the bar: another set from the box, a longer bar, or the camera
 *  clamp moved.
 *  Source: equilibrium of moments, all sets tried. */
import { raBalance, raInertiaKgM2, type RaBalanceInput } from './balance.ts';
import { sum } from './levers.ts';

export type BoxWeight = { id: string; massKg: number };
export type SetProposal = {
  ids: string[];
  massKg: number;
  positionM: number;
  totalOnAxisKg: number;
  inertiaKgM2: number;
};

/** The box may hold at most this many weights: every set is tried, which doubles with each piece. */
export const LARGEST_BOX = 12;

function setsOf(box: readonly BoxWeight[]): BoxWeight[][] {
  return Array.from({ length: 2 ** box.length - 1 }, (_, i) => box.filter((_, bit) => ((i + 1) >> bit) & 1));
}

function compareIds(a: readonly string[], b: readonly string[]): number {
  for (let i = 0; i < Math.min(a.length, b.length); i += 1) {
    const [left = '', right = ''] = [a[i], b[i]];
    if (left !== right) return left < right ? -1 : 1;
  }
  return a.length - b.length;
}

/** Every non-empty set of the box, mounted in place of all weights at one common position, that lands on the bar.
 *  Fewest pieces first, then least inertia, then ids; ids sort as plain text, within a set too, so that the answer does
 *  not hang on the order of the box. @throws RangeError for a box of more than twelve. */
export function weightSets(input: RaBalanceInput, box: readonly BoxWeight[]): SetProposal[] {
  if (box.length > LARGEST_BOX) {
    throw new RangeError(`box must hold at most ${String(LARGEST_BOX)} weights, got ${String(box.length)}`);
  }
  const fitting = setsOf(box).flatMap((set): SetProposal[] => {
    const tried: RaBalanceInput = { ...input, movableWeights: set, fixedWeights: [] };
    const found = raBalance(tried);
    if (!found.inRange || found.positionM === null) return [];
    return [
      {
        ids: set.map((w) => w.id).sort(),
        massKg: sum(set, (w) => w.massKg),
        positionM: found.positionM,
        totalOnAxisKg: found.totalOnAxisKg,
        inertiaKgM2: raInertiaKgM2(tried, found.positionM),
      },
    ];
  });
  const close = (a: number, b: number): boolean => Math.abs(a - b) < 1e-12;
  return fitting.sort(
    (a, b) =>
      a.ids.length - b.ids.length ||
      (close(a.inertiaKgM2, b.inertiaKgM2) ? compareIds(a.ids, b.ids) : a.inertiaKgM2 - b.inertiaKgM2),
  );
}

/** How much longer the bar must be, m; null unless the weights would stand beyond its outer end. */
export function barExtensionM(input: RaBalanceInput): number | null {
  const { positionM } = raBalance(input);
  const outer = input.barRangeM[1];
  return positionM !== null && positionM > outer ? positionM - outer : null;
}

export type ClampShift = { clampShiftM: number; weightsAtM: number; inertiaKgM2: number };

/** How far to move one part (+ = away from the axis) so that the weights balance at a place on the bar; null when the
 *  part is not there, has no mass, or no weight moves. */
export function clampShiftTo(input: RaBalanceInput, partId: string, weightsAtM: number): ClampShift | null {
  const { positionM } = raBalance(input);
  const part = input.parts.find((p) => p.id === partId);
  if (positionM === null || !part || part.massKg <= 0) return null;
  const movableKg = sum(input.movableWeights, (w) => w.massKg);
  const clampShiftM = ((weightsAtM - positionM) * movableKg) / part.massKg;
  const moved = input.parts.map((p) => (p === part ? { ...p, fromRaAxisM: p.fromRaAxisM + clampShiftM } : p));
  return { clampShiftM, weightsAtM, inertiaKgM2: raInertiaKgM2({ ...input, parts: moved }, weightsAtM) };
}

/** The same to the end of the bar that the weights would overrun; null when they are on the bar. */
export function clampShift(input: RaBalanceInput, partId: string): ClampShift | null {
  const { positionM, inRange } = raBalance(input);
  if (inRange || positionM === null) return null;
  return clampShiftTo(input, partId, positionM > input.barRangeM[1] ? input.barRangeM[1] : input.barRangeM[0]);
}
