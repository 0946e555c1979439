/** What five places of a frame say of the distance to the sensor, of tilt, focus and tracking.
 *  Source: field curvature of a corrector that stands too near leaves the sagittal focus behind, too far the tangential one
 *  (Born and Wolf, Principles of Optics, 1999, 5.3); a rule that some correctors turn round. */
import type { PAST_FOCUS } from '../../records/corners.ts';
import { CORNERS, leanOf, lieOf, type Corner, type Lie, type SeenFrame, type Stick } from './seen.ts';

export type PastFocus = (typeof PAST_FOCUS)[number];

export type Side = 'left' | 'right' | 'top' | 'bottom';
export type CornersVerdict =
  | { code: 'good' }
  | { code: 'tooClose' | 'tooFar'; lean: number }
  | { code: 'tilt'; at: Side | Corner | null }
  | { code: 'tracking'; stick: Exclude<Stick, 'round'> }
  | { code: 'focus' }
  | { code: 'coma' }
  | { code: 'cannotTell'; why: 'focusFirst' | 'centreLong' | 'mixed' | 'fieldTurn' };

export type Look = {
  frame: SeenFrame;
  /** False = not so, or not known. */
  centreFocused: boolean;
  pastFocus: PastFocus;
  /** False: a mirror or lens alone, whose corners no distance mends. */
  hasCorrector: boolean;
  /** This corrector behaves the other way round. */
  ruleInverted: boolean;
  /** The known polar error turns the corners visibly within this exposure. */
  fieldTurnShows: boolean;
};

const SIDES: Record<Side, readonly [Corner, Corner]> = {
  left: ['topLeft', 'bottomLeft'],
  right: ['topRight', 'bottomRight'],
  top: ['topLeft', 'topRight'],
  bottom: ['bottomLeft', 'bottomRight'],
};

type Lies = Record<Corner, Lie>;
const countOf = (lies: Lies, lie: Lie): number => CORNERS.filter((c) => lies[c] === lie).length;

/** The way that the centre and three corners, or all four corners, agree on; null when they do not. */
function commonStick(frame: SeenFrame): Exclude<Stick, 'round'> | null {
  for (const stick of ['level', 'upright', 'rising', 'falling'] as const) {
    const corners = CORNERS.filter((c) => frame[c].stick === stick).length;
    if (corners === CORNERS.length || (corners >= 3 && frame.centre.stick === stick)) return stick;
  }
  return null;
}

/** The side or corner that differs from the rest; null = along at one end and across at the other, or not so. */
function tiltOf(lies: Lies): Side | Corner | 'diagonal' | null {
  for (const [side, pair] of Object.entries(SIDES) as [Side, readonly [Corner, Corner]][]) {
    const rest = CORNERS.filter((c) => !pair.includes(c));
    if (pair.every((c) => lies[c] !== 'round' && lies[c] === lies[pair[0]]) && rest.every((c) => lies[c] === 'round'))
      return side;
  }
  const long = CORNERS.filter((c) => lies[c] !== 'round');
  if (long.length === 1) return long[0] ?? null;
  const [along, across] = [CORNERS.filter((c) => lies[c] === 'along'), CORNERS.filter((c) => lies[c] === 'across')];
  const oneSided = (pair: readonly Corner[]): boolean =>
    pair.length <= 2 && Object.values(SIDES).some((s) => pair.every((c) => s.includes(c)));
  return along.length > 0 && across.length > 0 && oneSided(along) && oneSided(across) ? 'diagonal' : null;
}

/** All corners along the radius (or all but one), or all across it. */
function evenLean(lies: Lies): 'along' | 'across' | null {
  const [along, across] = [countOf(lies, 'along'), countOf(lies, 'across')];
  if (along >= 3 && across === 0) return 'along';
  return across >= 3 && along === 0 ? 'across' : null;
}

function spacingVerdict(look: Look, lean: 'along' | 'across'): CornersVerdict {
  if (lean === 'across' && look.fieldTurnShows) return { code: 'cannotTell', why: 'fieldTurn' };
  if (!look.hasCorrector) return { code: 'coma' };
  const along = (lean === 'along') !== look.ruleInverted;
  return { code: along ? 'tooClose' : 'tooFar', lean: leanOf(look.frame) * (look.ruleInverted ? -1 : 1) };
}

/** @returns `lean` + = too close (already turned round for a corrector that behaves the other way): 2 when all four corners
 *  are strongly along the radius. */
export function judgeCorners(look: Look): CornersVerdict {
  const { frame } = look;
  const lies = Object.fromEntries(CORNERS.map((c) => [c, lieOf(c, frame[c])])) as Lies;
  const common = commonStick(frame);
  if (common) return { code: 'tracking', stick: common };
  if (!look.centreFocused) return { code: 'cannotTell', why: 'focusFirst' };
  if (look.pastFocus === 'turned') return { code: 'focus' };
  if (frame.centre.stick !== 'round') return { code: 'cannotTell', why: 'centreLong' };
  if (countOf(lies, 'round') === CORNERS.length) return { code: 'good' };
  const lean = evenLean(lies);
  if (lean) return spacingVerdict(look, lean);
  const at = tiltOf(lies);
  if (at) return { code: 'tilt', at: at === 'diagonal' ? null : at };
  return { code: 'cannotTell', why: 'mixed' };
}

/** What a look says of the distance, for the search: + = too close; null when it says nothing of it. */
export function spacingLean(verdict: CornersVerdict): number | null {
  if (verdict.code === 'good') return 0;
  return verdict.code === 'tooClose' || verdict.code === 'tooFar' ? verdict.lean : null;
}
