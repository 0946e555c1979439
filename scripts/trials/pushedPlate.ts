/** A finder's plate between its screws, for simulations. */
import type { PlatePoint } from '../../src/core/mount/finderPlate.ts';
import type { ScrewTurn } from '../../src/core/mount/plateScrews.ts';

/** How the cross moves: each screw tightened sends the plate to the side opposite to it. */
export function crossMoved(turns: readonly ScrewTurn[], arcminPerTurn: number): PlatePoint {
  let [xArcmin, yArcmin] = [0, 0];
  for (const { angleDeg, turns: tightened } of turns) {
    const opposite = ((angleDeg + 180) * Math.PI) / 180;
    xArcmin += tightened * arcminPerTurn * Math.sin(opposite);
    yArcmin += tightened * arcminPerTurn * Math.cos(opposite);
  }
  return { xArcmin, yArcmin };
}
