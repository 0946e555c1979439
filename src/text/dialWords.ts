/** Words around the finder's dial: rings, tilt, the cross' own offset, what the knobs do to the stars, what to check. */
import type { RigHas } from '../core/rig/rigHas.ts';
import type { Format } from './format.ts';
import { clockFaceWords } from './polarWords.ts';

/** `Your ring stands for 40′ (2020): put the star 2.8′ inside it.` */
export function ringWords(ring: { arcmin: number; year: number | null; offArcmin: number }, f: Format): string {
  const year = ring.year === null ? '' : ` (${ring.year})`;
  const off = f.quantity(Math.abs(ring.offArcmin), 'arcmin');
  const where =
    Math.abs(ring.offArcmin) < 0.4 ? '**on it**' : `**${off} ${ring.offArcmin < 0 ? 'inside' : 'outside'} it**`;
  return `Ring of ${f.quantity(ring.arcmin, 'arcmin', 0)}${year}: put the star ${where}.`;
}

/** Each engraved star against where it stands now. */
export function spotWords(spot: { name: string; inwardArcmin: number }, f: Format): string {
  const off = Math.abs(spot.inwardArcmin);
  if (off < 0.5) return `${spot.name}: on its mark.`;
  return `${spot.name}: ${f.quantity(off, 'arcmin')} ${spot.inwardArcmin > 0 ? 'nearer to the pole than' : 'beyond'} its mark.`;
}

export function uprightWords(
  {
    plateTurnDeg,
    tiltCostArcmin,
    turnsWithAxis,
  }: { plateTurnDeg: number; tiltCostArcmin: number; turnsWithAxis: boolean },
  f: Format,
): string {
  if (plateTurnDeg !== 0) {
    const side = plateTurnDeg > 180 ? 360 - plateTurnDeg : plateTurnDeg;
    return `Your plate stands turned by ${f.quantity(side, 'angleDeg', 0)}: the reading is corrected for it. Uncorrected the star would stand ${f.quantity(tiltCostArcmin, 'arcmin')} off.`;
  }
  const turn = turnsWithAxis ? 'turn right ascension' : 'turn the finder in its holder';
  return `Dial upright first: put a star or a distant lamp on the cross and turn only the altitude bolt. It must run along the line from the top mark; if not, ${turn} until it does, and note where that is.`;
}

export function offsetWords(sizeArcmin: number, f: Format): string {
  return `Your cross stands ${f.quantity(sizeArcmin, 'arcmin')} beside the axis by the last half-turn test: the place drawn and the reading allow for it. The small ring is the axis.`;
}

const WAYS = { up: 'up', down: 'down', left: 'to the left', right: 'to the right' } as const;

/** The same in an eye of the two dials, where there is little room. */
export function shortKnobName(adjuster: 'altitude' | 'azimuth', paired: boolean, other = false): string {
  const name = knobName(adjuster, paired, other);
  return paired ? name.replace(`${adjuster} `, '') : name;
}

/** Of opposed knobs one is turned, the other followed. */
export function knobName(adjuster: 'altitude' | 'azimuth', paired: boolean, other = false): string {
  if (adjuster === 'altitude') return paired ? (other ? 'front altitude bolt' : 'rear altitude bolt') : 'altitude bolt';
  if (!paired) return 'azimuth knob';
  return other ? 'left azimuth knob' : 'right azimuth knob';
}

export function patternMoveWords(move: {
  adjuster: 'altitude' | 'azimuth';
  paired: boolean;
  way: keyof typeof WAYS;
}): string {
  const name = knobName(move.adjuster, move.paired);
  return `${name.charAt(0).toUpperCase()}${name.slice(1)} clockwise: the stars move ${WAYS[move.way]} in this view.`;
}

/** Null for what stands on the ground: nothing hangs over there. */
export const lowPoleWords = (has: RigHas): string | null =>
  has.has('legs')
    ? `The pole stands low here: one leg toward the pole, under the overhang${has.has('bar') ? ', and see that bar and weights clear it before you tilt the head' : ''}.`
    : null;

/** What tells the four-sided pattern from others like it. */
export type PatternCheck =
  | { code: 'side'; from: string; to: string; lengthDeg: number }
  | { code: 'neighbour'; of: string; magnitude: number; distanceArcmin: number; viewAngleDeg: number };

export function patternCheckWords(check: PatternCheck, f: Format): string {
  if (check.code === 'side') return `${check.from} to ${check.to}: ${f.quantity(check.lengthDeg, 'angleDeg')}.`;
  return `Beside ${check.of}, toward ${clockFaceWords(check.viewAngleDeg)}: a star of magnitude ${f.number(check.magnitude, 1)}, ${f.quantity(check.distanceArcmin, 'arcmin', 0)} away.`;
}

export function drawnWords(view: 'upright' | 'inverted', fieldMissing: boolean): string {
  const way =
    view === 'inverted' ? 'Drawn as your finder shows it, upside down.' : 'Drawn upright, as the eye sees it.';
  const faint = fieldMissing ? ' The fainter stars could not be read; the place is right without them.' : '';
  return `${way} Open circles: the star at those times.${faint}`;
}
