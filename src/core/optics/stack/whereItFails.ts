/** Why nothing of a box screws together between two ends: the joint at which every way ends. */
import { wayOf, type BoxPiece, type Ends, type Way } from './joints.ts';
import { endsMet } from './trail.ts';

export type Failing =
  /** `reached`: open ends that pieces lead to from the corrector; `wanted`: those from which one could go on to the camera. */
  | { code: 'noWay'; reached: string[]; wanted: string[] }
  /** A piece that must be in the stack and stands on no way. */
  | { code: 'required'; id: string }
  /** Every joint is there, but not enough copies, or the way back is missing. */
  | { code: 'copies' };

const asTaken = (ways: readonly Way[]) => ways.map((way) => ({ way, count: 1 }));
const backwards = ({ piece, from, to }: Way): Way => ({ piece, from: to, to: from });

/** Only to be asked when no stack was found. */
export function whereItFails(box: readonly BoxPiece[], ends: Ends): Failing {
  const ways = box.filter((p) => p.count > 0).map(wayOf);
  const reached = endsMet(asTaken(ways), ends.from);
  const wanted = endsMet(asTaken(ways.map(backwards)), ends.to);
  if (!reached.has(ends.to)) return { code: 'noWay', reached: [...reached].sort(), wanted: [...wanted].sort() };
  const astray = ways.find(({ piece, from, to }) => piece.required === true && !(reached.has(from) && wanted.has(to)));
  return astray ? { code: 'required', id: astray.piece.id } : { code: 'copies' };
}
