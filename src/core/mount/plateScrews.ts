/** The screws around a polar finder's plate: the tip of a screw pushes the plate away from itself and cannot pull it.
 *  Angles clockwise from the top of the view as the plate stands now.
 *  Source: contact of a rigid plate: a tip that pushes along p follows a plate that moves by d when it advances by d . p. */
import { RAD_PER_DEG, wrap360 } from '../math/angles.ts';
import type { PlatePoint } from './finderPlate.ts';

/** What one turn does before it was seen: 0.5 mm of thread behind a lens of 150 mm. */
export const USUAL_ARCMIN_PER_TURN = 11.5;
/** More than this at once lets the plate fall between its screws. */
const MOST_TURNS = 0.25;

export type ScrewTurn = { angleDeg: number; turns: number };
/** Turns of one round in the order of the hand, loosened ones first, and how often the round is made. */
export type ScrewPlan = { round: ScrewTurn[]; rounds: number };

/** True when the screws hold the plate from all sides: no half of the rim is free of them. */
function surround(screwAnglesDeg: readonly number[]): boolean {
  const sorted = screwAnglesDeg.map(wrap360).sort((a, b) => a - b);
  return sorted.every((angle, i) => {
    const next = sorted[i + 1] ?? (sorted[0] ?? 0) + 360;
    return next - angle < 180 - 1e-6;
  });
}

/** The turns of each screw (tighten +) with which all of them still touch the plate after it moved by `move`: straight away
 *  from one of three screws, that one 1, the others back by 1/2 each. No screw is turned by more than a quarter at once.
 *  Null when fewer than three screws hold it, or not from all sides.
 *  @param arcminPerTurn what a turn of one screw moves the plate away from it. */
export function screwPlan(
  screwAnglesDeg: readonly number[],
  move: PlatePoint,
  arcminPerTurn: number = USUAL_ARCMIN_PER_TURN,
): ScrewPlan | null {
  if (screwAnglesDeg.length < 3 || !surround(screwAnglesDeg)) return null;
  const whole = screwAnglesDeg.map((angleDeg): ScrewTurn => {
    const angle = angleDeg * RAD_PER_DEG;
    return { angleDeg, turns: (-move.xArcmin * Math.sin(angle) - move.yArcmin * Math.cos(angle)) / arcminPerTurn };
  });
  const most = Math.max(...whole.map((t) => Math.abs(t.turns)));
  const rounds = Math.max(1, Math.ceil(most / MOST_TURNS - 1e-9));
  const round = whole.map(({ angleDeg, turns }) => ({ angleDeg, turns: turns / rounds }));
  return { round: round.sort((a, b) => a.turns - b.turns), rounds };
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
