/** How near the tube comes to its tripod at any pose, how well that is known, and over which hour angles it may stand on each
 *  side. Where it runs past the meridian only what is known counts; where it stands as it should, a guess takes nothing away. */
import type { Known } from '../../known.ts';
import { fastestM, type Closest, type ClearanceGeometry, type SkyPose, type TubePiece } from '../../mount/clearance.ts';
import { doubtfulClearances, mostDoubtM, type DoubtfulClearance } from '../../mount/clearanceDoubt.ts';
import { firstUsedUp, firstWithRoom, type RoomAt } from '../../mount/clearanceSearch.ts';
import type { FlipState } from '../../mount/pose.ts';
import { clearanceOfRig, type RigClearance, type Unmeasured } from '../../rig/clearanceOfRig.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import type { GapShift } from '../learned/gapShift.ts';

/** Nearer than this nothing may come. */
export const CLEARANCE_MARGIN_M = 0.05;
/** The search ends here: six hours past the meridian the bar stands upright. */
export const FARTHEST_H = 6;
/** From one crossing of the meridian to the next. */
export const HALF_TURN_H = 12;
/** So many sigmas of the doubt count against it. */
const DOUBTS = 2;

/** The gap at a pose with what measured gaps say of it, m, one sigma. */
export type KnownClearance = Known<number> & {
  /** As the drawing has it, without the gaps. */
  drawnM: number;
  closest: Closest<TubePiece>;
  /** What of the doubt guesses make. */
  guessSigmaM: number;
  knownSigmaM: number;
};

/** Hour angles over which nothing comes too near; an end that was not met is null. */
export type ClearSpan = {
  fromH: number | null;
  toH: number | null;
  /** Its end past the meridian where somebody says how far the tube may run: a guess is no word against that. */
  toldToH: number | null;
};

export type TubeClearance = {
  geometry: ClearanceGeometry;
  doubts: RigClearance['doubts'];
  unmeasured: readonly Unmeasured[];
  shift: GapShift | null;
  at: (pose: SkyPose) => KnownClearance;
  /** Before the flip, around the upper transit or up to where the margin is used up before it; null = nowhere clear. */
  before: ClearSpan | null;
  /** After the flip, around the upper transit or from where it is clear past it. */
  after: ClearSpan | null;
  /** The pair that ends the run before the flip; null where nothing does. */
  closest: Closest | null;
  /** Where doubt alone ends the run at the meridian: when past it the drawing itself comes too near; null where it does not. */
  mayTouch: { haH: number; closest: Closest } | null;
};

type Pairs = (pose: SkyPose) => [KnownClearance, ...KnownClearance[]];

/** Every pair that may be the one that touches first, the nearest first. */
function pairsKnown({ geometry, doubts }: RigClearance, latDeg: number, shift: GapShift | null): Pairs {
  const withinM = DOUBTS * mostDoubtM(doubts) + Math.max(0, shift?.shiftM ?? 0);
  const at = doubtfulClearances(geometry, { latDeg, doubts, gaps: shift?.gaps ?? [], withinM });
  const known = (found: DoubtfulClearance): KnownClearance => ({
    value: found.clearanceM + shiftAt(shift, found),
    doubt: found.sigmaM,
    basis: basisOf(found, shift),
    asOf: shift?.atUtc ?? null,
    drawnM: found.clearanceM,
    closest: found.closest,
    guessSigmaM: found.guessSigmaM,
    knownSigmaM: found.knownSigmaM,
  });
  return (pose) => {
    const [first, ...others] = at(pose);
    return [known(first), ...others.map(known)];
  };
}

/** What is left of a gap with its doubt against it, m. */
export const surelyM = ({ value, doubt }: Pick<KnownClearance, 'value' | 'doubt'>): number => value - DOUBTS * doubt;

/** The pair of which least is sure. */
const leastSure = (pairs: readonly [KnownClearance, ...KnownClearance[]]): KnownClearance =>
  pairs.reduce((least, one) => (surelyM(one) < surelyM(least) ? one : least));

/** What gaps take away counts everywhere; what they add only as far as they were measured in a pose like this one. */
function shiftAt(shift: GapShift | null, { likeness }: DoubtfulClearance): number {
  const shiftM = shift?.shiftM ?? 0;
  return shiftM > 0 ? shiftM * likeness : shiftM;
}

function basisOf({ guessSigmaM, knownSigmaM }: DoubtfulClearance, shift: GapShift | null): Known<number>['basis'] {
  if (guessSigmaM > knownSigmaM) return 'assumed';
  return shift === null ? 'told' : 'measured';
}

/** Room beyond the margin, and how it is judged. `sure`: with all doubt against it. `told`: guesses left out of the doubt.
 *  `possible`: guesses turned the best way, what is known as it is; where guesses say most of it, they say nothing. */
type Room = { drawn: number; sure: number; told: number; possible: number };
type Judged = Exclude<keyof Room, 'drawn'>;

function roomOf(known: KnownClearance): Room {
  const { value, guessSigmaM, knownSigmaM } = known;
  const drawn = value - CLEARANCE_MARGIN_M;
  return {
    drawn,
    sure: surelyM(known) - CLEARANCE_MARGIN_M,
    told: drawn + DOUBTS * guessSigmaM - DOUBTS * knownSigmaM,
    possible: guessSigmaM > knownSigmaM ? Infinity : drawn + DOUBTS * guessSigmaM,
  };
}

const lesser = (a: Room, b: Room): Room => ({
  drawn: Math.min(a.drawn, b.drawn),
  sure: Math.min(a.sure, b.sure),
  told: Math.min(a.told, b.told),
  possible: Math.min(a.possible, b.possible),
});

type Search = { roomAt: (haH: number) => Room; speedM: number; mostDoubtM: number };

/** Room as it is judged; what is left beyond all doubt cannot be used up before the tube has moved so far. */
const judgedBy =
  (judged: keyof Room, { roomAt, mostDoubtM: doubtM }: Search): RoomAt =>
  (haH) => {
    const room = roomAt(haH);
    return { roomM: room[judged], safeM: room.drawn - DOUBTS * doubtM };
  };

/** The clear span of a state. @param way toward the hours in which it stands as it should: -1 before the flip, 1 after it. */
function clearSpan(search: Search, way: 1 | -1): ClearSpan | null {
  const metH = firstWithRoom(judgedBy('possible', search), { fromH: 0, toH: way * HALF_TURN_H });
  if (metH === null) return null;
  const endOf = (judged: Judged, fromH: number, toH: number): number | null =>
    firstUsedUp(judgedBy(judged, search), search.speedM, { fromH, toH });
  const pastMeridian = (judged: Judged): number | null => (metH === 0 ? endOf(judged, 0, -way * FARTHEST_H) : metH);
  const far = way * HALF_TURN_H;
  const shouldH = endOf('possible', metH, far);
  const beyond = (judged: Judged): number | null => shouldH ?? endOf(judged, far, far + way * FARTHEST_H);
  return way === -1
    ? { fromH: beyond('sure'), toH: pastMeridian('sure'), toldToH: pastMeridian('told') }
    : { fromH: pastMeridian('sure'), toH: beyond('sure'), toldToH: beyond('told') };
}

const UNLIMITED: ClearSpan = { fromH: null, toH: null, toldToH: null };

/** Every judgement goes the same steps. */
function remembered(roomAt: Search['roomAt']): Search['roomAt'] {
  const known = new Map<number, Room>();
  return (haH) => {
    const found = known.get(haH) ?? roomAt(haH);
    known.set(haH, found);
    return found;
  };
}

/** Null for mounts that never flip and rigs without their parts. @param decDeg null = no target: nothing limits it. */
export function tubeClearance(
  numbers: RigNumbers,
  latDeg: number,
  decDeg: number | null,
  shift: GapShift | null,
): TubeClearance | null {
  const found = clearanceOfRig(numbers, latDeg);
  if (!found) return null;
  const pairs = pairsKnown(found, latDeg, shift);
  const at = (pose: SkyPose): KnownClearance => leastSure(pairs(pose));
  const known = { ...found, shift, at };
  if (decDeg === null) return { ...known, before: UNLIMITED, after: UNLIMITED, closest: null, mayTouch: null };
  const poseAt = (state: FlipState, haH: number): KnownClearance => at({ haH, decDeg, state });
  const searchIn = (state: FlipState): Search => ({
    roomAt: remembered((haH) => pairs({ haH, decDeg, state }).map(roomOf).reduce(lesser)),
    speedM: fastestM(found.geometry),
    mostDoubtM: mostDoubtM(found.doubts),
  });
  const before = clearSpan(searchIn('beforeFlip'), -1);
  const endH = before ? before.toH : 0;
  const beforeFlip = searchIn('beforeFlip');
  const drawnEndH =
    endH === 0 ? firstUsedUp(judgedBy('drawn', beforeFlip), beforeFlip.speedM, { fromH: 0, toH: FARTHEST_H }) : null;
  return {
    ...known,
    before,
    after: clearSpan(searchIn('afterFlip'), 1),
    closest: endH === null ? null : poseAt('beforeFlip', endH).closest,
    mayTouch: drawnEndH === null ? null : { haH: drawnEndH, closest: poseAt('beforeFlip', drawnEndH).closest },
  };
}
