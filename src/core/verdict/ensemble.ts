/** How long the stars of the possible subs get: each sub along its own path, all motions together. */
import type { Covariance2 } from '../math/covariance2.ts';
import { isStill, type Motions, type Off } from './motions.ts';
import type { Drawn, PossibleSubs } from './possibleSubs.ts';

/** Per member the largest eigenvalue (arcsec^2) of the spread that the motions add, at its worst point and at the centre.
 *  The even width adds the same to every eigenvalue. */
export type Lengths = { worst: Float64Array; centre: Float64Array };

/** Motions of the members that are the same over the frame. */
type Shared = {
  vx: Float64Array;
  vy: Float64Array;
  turn: Float64Array;
  variance: Float64Array;
  withTime: Float64Array;
};

/** How much of it is left to chance: its direction, or two sizes. */
const freedomOf = ({ ring, doubt }: Off): number => (ring > 0 ? 1 : 0) + (doubt ? 2 : 0);

/** Adds to the members how far off each is: along times one factor to the first, across times another to the second. */
function addOff(
  { mean, ring, doubt }: Off,
  drawn: Drawn,
  [byAlong, byAcross]: readonly [number, number],
  [first, second]: readonly [Float64Array, Float64Array],
): void {
  const [along, across] = [byAlong * mean[0], byAcross * mean[1]];
  addLinear(first, along, [byAlong * ring, drawn.direction.x]);
  addLinear(second, across, [byAcross * ring, drawn.direction.y]);
  if (!doubt) return;
  const { x, y } = drawn.normal;
  addLinear(first, 0, [byAlong * doubt[0], x]);
  addLinear(second, 0, [byAcross * doubt[1], x]);
  addLinear(second, 0, [byAcross * doubt[2], y]);
}

/** Adds a constant, and a factor of each member's own number. */
function addLinear(to: Float64Array, constant: number, [factor, own]: readonly [number, Float64Array]): void {
  if (constant === 0 && factor === 0) return;
  for (let i = 0; i < to.length; i += 1) to[i] = (to[i] as number) + constant + factor * (own[i] as number);
}

function scaled(values: Float64Array, factor: number, members: number): Float64Array {
  const result = new Float64Array(members);
  if (factor !== 0) for (let i = 0; i < members; i += 1) result[i] = factor * (values[i] as number);
  return result;
}

/** Plain loops over plain numbers, here and below: they are run ten thousand times a moment. */
function sharedMotions(m: Motions, subs: PossibleSubs, members: number): Shared {
  const vx = new Float64Array(members).fill(m.rate[0] + m.refraction[0]);
  const vy = new Float64Array(members).fill(m.rate[1] + m.refraction[1]);
  const turn = new Float64Array(members).fill(m.ownTurn);
  addOff(m.axis, subs.axis, m.drifts, [vx, vy]);
  addOff(m.axis, subs.axis, [m.turn, 0], [turn, turn]);
  addOff(m.flexure, subs.flexure, [1, 1], [vy, vx]);
  const variance = scaled(subs.wobbleVariance, m.wobble * m.wobble, members);
  return { vx, vy, turn, variance, withTime: scaled(subs.wobbleWithTime, m.wobble, members) };
}

type Place = { x: number; y: number; xx: number; xy: number; yy: number };

/** Where the frame is judged: from the point about which it turns, with the spread that stays the same in every sub. Where
 *  nothing differs over the frame its centre speaks for all. */
function placesOf(m: Motions): Place[] {
  const places = m.points.map(({ x, y }, i): Place => {
    const [xx, xy, yy] = m.spacing[i] ?? [0, 0, 0];
    return { x: x - m.about[0], y: y - m.about[1], xx: xx + m.guiding[0], xy, yy: yy + m.guiding[1] };
  });
  const same = isStill(m.axis) && m.ownTurn === 0 && m.spacing.length === 0;
  return same ? places.slice(0, 1) : places;
}

/** How many members tell what these motions can do: one when nothing is left to chance, and more with each thing that is.
 *  Any power of two from the first on is spread evenly. */
export function membersOf(m: Motions, subs: PossibleSubs): number {
  const free = (m.wobble === 0 ? 0 : subs.free) + freedomOf(m.axis) + freedomOf(m.flexure);
  return free === 0 ? 1 : Math.min(subs.count, FOR_ONE * 2 ** (free - 1));
}
const FOR_ONE = 512;

/** Raises each member's length to that at one more place. */
function stretchAt({ x, y, xx, xy, yy }: Place, timeVariance: number, shared: Shared, into: Float64Array): void {
  const { vx, vy, turn, variance, withTime } = shared;
  for (let i = 0; i < into.length; i += 1) {
    const q = turn[i] as number;
    const mx = (vx[i] as number) - q * y;
    const my = (vy[i] as number) + q * x;
    const t = withTime[i] as number;
    const cxx = (variance[i] as number) + (2 * t + mx * timeVariance) * mx + xx;
    const cxy = (t + mx * timeVariance) * my + xy;
    const cyy = my * my * timeVariance + yy;
    const half = (cxx - cyy) / 2;
    const length = (cxx + cyy) / 2 + Math.sqrt(half * half + cxy * cxy);
    into[i] = Math.max(into[i] as number, length);
  }
}

/** The lengths of the first members. */
export function lengthsOf(m: Motions, subs: PossibleSubs, members = membersOf(m, subs)): Lengths {
  const shared = sharedMotions(m, subs, members);
  const [centrePlace, ...corners] = placesOf(m);
  const centre = new Float64Array(members);
  if (centrePlace) stretchAt(centrePlace, subs.timeVariance, shared, centre);
  const worst = centre.slice();
  for (const place of corners) stretchAt(place, subs.timeVariance, shared, worst);
  return { worst, centre };
}

/** Spread that the motions of one member add at each point, arcsec^2. */
export function spreadsOf(m: Motions, subs: PossibleSubs, member: number): Covariance2[] {
  const { vx, vy, turn, variance, withTime } = sharedMotions(m, subs, member + 1);
  const at = (values: Float64Array): number => values[member] as number;
  const { timeVariance } = subs;
  return placesOf(m).map((p) => {
    const [mx, my] = [at(vx) - at(turn) * p.y, at(vy) + at(turn) * p.x];
    return {
      xx: at(variance) + (2 * at(withTime) + mx * timeVariance) * mx + p.xx,
      xy: (at(withTime) + mx * timeVariance) * my + p.xy,
      yy: my * my * timeVariance + p.yy,
    };
  });
}
