/** Where the pole star stands on a polar finder's dial, for any engraving.
 *  Source: the sky turns 15 degrees an hour. North, H = 6 h: 270 degrees upright, 90 in an ordinary finder. */
import { wrap, wrap360 } from '../math/angles.ts';

export type Numbering = '12h' | '24h' | 'deg';
export type Engraving = {
  numbering: Numbering;
  /** Number engraved at the top of the view with the finder set upright; 12 on a twelve-hour dial is 0. */
  topMark: number;
  /** The way the numbers grow, as seen in the view. */
  direction: 'clockwise' | 'counterclockwise';
  view: 'upright' | 'inverted';
};

const STEP_DEG: Record<Numbering, number> = { '12h': 30, '24h': 15, deg: 1 };
export const FULL_TURN: Record<Numbering, number> = { '12h': 12, '24h': 24, deg: 360 };

/** Angle of the star about the pole, clockwise from straight up, seen upright and unmirrored, degrees in [0, 360).
 *  Facing north the stars turn counter-clockwise (-15 H), facing south clockwise (+15 H); H = 0: straight above. */
export function uprightAngleDeg(haH: number, latDeg: number): number {
  return wrap360(latDeg < 0 ? 15 * haH : -15 * haH);
}

/** The same angle in the finder's view: an ordinary polar finder turns the picture by 180 degrees. */
export function viewAngleDeg(haH: number, latDeg: number, view: Engraving['view']): number {
  return wrap360(uprightAngleDeg(haH, latDeg) + (view === 'inverted' ? 180 : 0));
}

/** Number that stands at a view angle: (topMark +- angle / step) mod full, in [0, full). */
export function readingAt(viewDeg: number, dial: Pick<Engraving, 'numbering' | 'topMark' | 'direction'>): number {
  const sense = dial.direction === 'clockwise' ? 1 : -1;
  return wrap(dial.topMark + (sense * viewDeg) / STEP_DEG[dial.numbering], FULL_TURN[dial.numbering]);
}

/** View angle of a number on the dial; inverse of `readingAt`. */
export function viewAngleOf(reading: number, dial: Pick<Engraving, 'numbering' | 'topMark' | 'direction'>): number {
  const sense = dial.direction === 'clockwise' ? 1 : -1;
  return wrap360(sense * (reading - dial.topMark) * STEP_DEG[dial.numbering]);
}

export type DialReading = { uprightAngleDeg: number; viewAngleDeg: number; reading: number };

/** The reading for a star at an hour angle. A plate turned clockwise by `plateTurnDeg` in the view carries its numbers
 *  along, so the number under the star is the one that stands that much earlier. A view mirrored by a right-angle
 *  eyepiece mirrors dial and star alike and changes nothing. */
export function dialReading(haH: number, latDeg: number, engraving: Engraving, plateTurnDeg = 0): DialReading {
  const view = viewAngleDeg(haH, latDeg, engraving.view);
  return {
    uprightAngleDeg: uprightAngleDeg(haH, latDeg),
    viewAngleDeg: view,
    reading: readingAt(wrap360(view - plateTurnDeg), engraving),
  };
}
