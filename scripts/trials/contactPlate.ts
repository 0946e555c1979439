/** A finder's plate held by the tips of its screws, for simulations: a tip pushes the plate and cannot pull it. Nothing here
 *  knows how turns are planned. */
import type { PlatePoint } from '../../src/core/mount/finderPlate.ts';

type Screw = { pushX: number; pushY: number; tipArcmin: number };
/** How far each screw is turned, tightened +, one after the other. */
export type HandTurn = { angleDeg: number; turns: number };

/** A hand feels a screw that bites; finer than this it turns on. */
const BITE_ARCMIN = 0.002;
const STEPS_PER_TURN = 80;

function screwAt(angleDeg: number, plate: PlatePoint): Screw {
  // The tip stands at the rim and pushes toward the middle; view coordinates run right and up.
  const [pushX, pushY] = [-Math.sin((angleDeg * Math.PI) / 180), -Math.cos((angleDeg * Math.PI) / 180)];
  return { pushX, pushY, tipArcmin: plate.xArcmin * pushX + plate.yArcmin * pushY };
}

const gap = (plate: PlatePoint, s: Screw): number => plate.xArcmin * s.pushX + plate.yArcmin * s.pushY - s.tipArcmin;

/** The plate slides before the tips that press on it until none does; null when they hold it between them. */
function pressed(from: PlatePoint, screws: readonly Screw[]): PlatePoint | null {
  let at = from;
  for (let i = 0; i < 400; i += 1) {
    const deepest = screws.reduce((worst, s) => (gap(at, s) < gap(at, worst) ? s : worst));
    const depth = -gap(at, deepest);
    if (depth <= BITE_ARCMIN) return at;
    at = { xArcmin: at.xArcmin + depth * deepest.pushX, yArcmin: at.yArcmin + depth * deepest.pushY };
  }
  return null;
}

/** Turns one screw; a tightened one stops when the plate is held on all sides. */
function turnOne(plate: PlatePoint, screws: readonly Screw[], screw: Screw, byArcmin: number): PlatePoint {
  if (byArcmin < 0) {
    screw.tipArcmin += byArcmin;
    return plate;
  }
  let at = plate;
  const steps = Math.max(1, Math.ceil((byArcmin / 10) * STEPS_PER_TURN));
  for (let i = 0; i < steps; i += 1) {
    screw.tipArcmin += byArcmin / steps;
    const next = pressed(at, screws);
    if (next === null) {
      screw.tipArcmin -= byArcmin / steps;
      break;
    }
    at = next;
  }
  return at;
}

/** Where the plate stands after rounds of turns, all screws made snug after each.
 *  @param rounds turns in the order in which the hand makes them. */
export function plateAfter(
  start: PlatePoint,
  rounds: readonly (readonly HandTurn[])[],
  arcminPerTurn: number,
): PlatePoint {
  let plate = start;
  const screws = new Map<number, Screw>();
  for (const { angleDeg } of rounds[0] ?? []) screws.set(angleDeg, screwAt(angleDeg, plate));
  for (const round of rounds) {
    const all = [...screws.values()];
    for (const { angleDeg, turns } of round) {
      const screw = screws.get(angleDeg);
      if (screw) plate = turnOne(plate, all, screw, turns * arcminPerTurn);
    }
    for (const screw of all) screw.tipArcmin += gap(plate, screw);
  }
  return plate;
}
