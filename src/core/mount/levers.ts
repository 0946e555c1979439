/** Masses on levers about one axis, some of which are moved together to balance it: the one rule of balance, for the bar,
 *  for a tube in its rings and for a piece beside it. Arms in m, + = the side that drops when the sum of mass x arm is
 *  positive. Moments in kg m, without g.
 *  Source: equilibrium of moments (Archimedes). */

export type Arm = { massKg: number; armM: number };
export type Levers<L extends Arm = Arm> = {
  fixed: readonly L[];
  /** Arms with the moved pieces at `presentM`. */
  moving: readonly L[];
  presentM: number;
  /** 1: arms grow with the position; -1: they shrink. */
  sense: 1 | -1;
};

export function sum<T>(items: readonly T[], value: (item: T) => number): number {
  return items.reduce((total, item) => total + value(item), 0);
}

export function movingKgOf({ moving }: Levers): number {
  return sum(moving, (l) => l.massKg);
}

/** All levers with the moving pieces at a position. */
export function leversAt<L extends Arm>({ fixed, moving, presentM, sense }: Levers<L>, positionM: number): L[] {
  return [...fixed, ...moving.map((l) => ({ ...l, armM: l.armM + sense * (positionM - presentM) }))];
}

/** Sum of mass x arm at a position. */
export function momentAtKgM(levers: Levers, positionM: number): number {
  return sum(leversAt(levers, positionM), (l) => l.massKg * l.armM);
}

/** The position without a moment: 7 kg at 0.2 m against 3.5 kg on a bar of 0.8 kg at 0.2 m stand at 0.3543 m.
 *  @param excessKgM moment beyond the stated masses, as an earlier balance showed it.
 *  @throws nothing: without moving masses the result is not finite. */
export function balancePositionM(levers: Levers, excessKgM = 0): number {
  const { presentM, sense } = levers;
  return presentM - (sense * (momentAtKgM(levers, presentM) + excessKgM)) / movingKgOf(levers);
}
