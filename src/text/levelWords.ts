/** Sentences of level and bearing. */
import { fromUtcText } from '../core/time/utc.ts';
import type { HeightAdvice } from '../core/mount/finderEye.ts';
import type { CompassKind } from '../core/sky/bearing.ts';
import type { RigHas } from '../core/rig/rigHas.ts';
import type { IronCheck } from '../core/pole/bearing.ts';
import type { ScaleToSet } from '../core/pole/scaleToSet.ts';
import { LAST_NIGHTS, type GroundMarks } from '../core/pole/groundMarks.ts';
import type { SunShadow } from '../core/sky/sunShadow.ts';
import type { MagneticField } from '../core/sky/magnetic.ts';
import type { CompassPoint } from './compassWords.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export type BearingSaying =
  | { code: 'noCompass' }
  /** Set down on last time's marks. */
  | { code: 'marks'; atUtc: string; withinDeg: number; south: boolean }
  /** `foot`: the one nearest to the pole; `turned`: it does not point there, so the tripod is turned; `gap`: this mount
   *  wants two legs astride instead. */
  | { code: 'set'; compassDeg: number; south: boolean; foot: CompassPoint | null; turned: boolean; gap: boolean }
  /** Only a reading close to the mount so far. */
  | { code: 'readFar' }
  | { code: 'turn'; errorDeg: number; east: boolean; south: boolean }
  | { code: 'stands'; errorDeg: number };

/** The two-distance check; `differenceDeg` null = read at one distance only. */

const poleName = (south: boolean): string => `true ${south ? 'south' : 'north'}`;

function setSentence(s: Extract<BearingSaying, { code: 'set' }>, f: Format): Said {
  const ring = `**${f.quantity(s.compassDeg, 'angleDeg')}**`;
  if (s.foot === null) return `Point the polar axis where the compass reads ${ring}: ${poleName(s.south)}.`;
  if (s.gap) return `Set the compass ring to ${ring}. Stand **two legs** astride it: ${poleName(s.south)}.`;
  const leg = s.turned ? 'Turn the tripod: lay **one leg** along it' : `Lay the **${s.foot} leg** along it`;
  return `Set the compass ring to ${ring}. ${leg}: ${poleName(s.south)}.`;
}

/** Asked once for a mount. */
export const TOWARD_POLE = {
  ask: 'Which way does this head want its tripod? Look where its azimuth lug or pin stands.',
  answers: { leg: 'One leg toward the pole', gap: 'The gap between two legs' },
  said: 'Kept with the mount: the feet are drawn so from now on.',
} as const;

export function bearingSentence(s: BearingSaying, f: Format): Said {
  switch (s.code) {
    case 'noCompass':
      return 'A compass **cannot be trusted here**. Use the sun’s shadow or the stars.';
    case 'marks':
      return `Set the feet **on the marks** of ${f.evening(fromUtcText(s.atUtc))}; expect ${poleName(s.south)} within **${f.quantity(s.withinDeg, 'angleDeg')}**.`;
    case 'set':
      return setSentence(s, f);
    case 'readFar':
      return 'Read once more from **two or three metres away**, along the same line.';
    case 'turn':
      // East lies on the right when one faces north, on the left when one faces south.
      return `Turn the head **${f.quantity(s.errorDeg, 'angleDeg')} to the ${s.east === s.south ? 'right' : 'left'} (${s.east ? 'west' : 'east'})**.`;
    case 'stands':
      return `Leave it: the axis points **within ${f.quantity(Math.max(0.5, s.errorDeg), 'angleDeg')}** of the pole’s bearing.`;
  }
}

/** Null while the date lies inside the years of the magnetic model. */
export function modelYearsWords({ insideModelYears }: Pick<MagneticField, 'insideModelYears'>): string | null {
  return insideModelYears ? null : 'The date lies outside the magnetic model’s years: take its declination as a guess.';
}

export function bearingReason(s: BearingSaying, field: MagneticField, f: Format): string {
  const { declinationDeg } = field;
  const size = f.quantity(Math.abs(declinationDeg), 'angleDeg');
  const side = declinationDeg < 0 ? 'west' : 'east';
  if (s.code === 'noCompass') return 'So near a magnetic pole the needle hardly points anywhere.';
  if (s.code === 'readFar') return 'Steel and magnets bend the needle close by; more than 2° difference tells.';
  if (s.code === 'marks') return 'Feet on their marks beat any compass. Read it anyway if something was moved.';
  const weak = field.compass === 'unreliable' ? ' The needle is weak here: trust the sun’s shadow more.' : '';
  return `Here and tonight the needle points ${size} ${side} of true north; good to about 0.4°, before any iron.${weak}`;
}

/** The verdict of the two-distance check. */
export function ironWords({ differenceDeg, iron }: IronCheck, f: Format): string {
  if (differenceDeg === null) return 'Iron: read once near the mount and once two or three metres away.';
  const apart = f.quantity(differenceDeg, 'angleDeg');
  return iron
    ? `Iron: near and far differ by ${apart}, more than 2°. Metal bends the needle at the mount; the far reading counts.`
    : `No iron: near and far agree within ${apart}.`;
}

export const COMPASS_NAMES: Record<CompassKind, string> = {
  phoneMagnetic: 'Phone, magnetic north',
  phoneTrue: 'Phone, set to true north',
  ring: 'Compass with a turning ring',
  needle: 'Needle over a fixed card',
};

/** How each is read along the axis. */
export const COMPASS_HOW: Record<CompassKind, string> = {
  phoneMagnetic: 'Its upper edge along the axis.',
  phoneTrue: 'Its upper edge along the axis; nothing is added to it.',
  ring: 'Arrow along the axis, turn the ring until its north meets the needle, read at the arrow.',
  needle: 'Laid with its N ahead along the axis: the number under the needle’s north end.',
};

/** Why a leg points at the pole. */
export function footReason(latDeg: number, gap: boolean, has: RigHas): string {
  if (gap)
    return 'Two legs toward the pole carry the load that hangs over there: your mount wants its lug between them.';
  if (Math.abs(latDeg) < 25) {
    const clear = has.has('bar') ? ', and bar and weights must clear it' : '';
    return `At your latitude the tube’s load hangs over toward the pole: a leg belongs under it${clear}.`;
  }
  const knobs = has.has('knobs') ? ', and the azimuth knobs work against it' : '';
  return `One leg toward the pole carries the load that hangs over there${knobs}.`;
}

/** What earlier nights remember of the ground. */
export function marksWords(marks: GroundMarks, f: Format): string {
  const count = `${marks.nights} ${marks.nights === 1 ? 'night' : 'nights'}`;
  const nights = marks.nights === LAST_NIGHTS ? `the last ${count}` : count;
  const error =
    marks.lastErrorDeg === null
      ? 'how near the pole that was has not been measured'
      : `the axis was found ${f.quantity(Math.abs(marks.lastErrorDeg), 'angleDeg')} too far ${marks.lastErrorDeg > 0 ? 'east' : 'west'}`;
  return `Marked on ${nights}, the first foot at ${f.quantity(marks.firstFootAzimuthDeg, 'angleDeg', 0)}; last time ${error}.`;
}

/** What a base that leans to the east or west does to the axis. */
export function slopeFigures(
  slope: Pick<ScaleToSet, 'dragArcmin' | 'liftArcmin' | 'levellingTurnsDeg'>,
  f: Format,
): { name: string; value: string }[] {
  const { dragArcmin, liftArcmin, levellingTurnsDeg } = slope;
  const side = (east: boolean): string => (east ? 'east' : 'west');
  const [drag, lift, turn] = [
    f.quantity(Math.abs(dragArcmin), 'arcmin'),
    f.quantity(Math.abs(liftArcmin), 'arcmin'),
    f.quantity(Math.abs(levellingTurnsDeg), 'angleDeg'),
  ];
  return [
    { name: '1° up drags the azimuth', value: `${drag} ${side(dragArcmin > 0)}` },
    { name: '1° toward east', value: liftArcmin > 0 ? `lifts it ${lift}` : `lowers it ${lift}` },
    { name: 'Levelling now would turn it', value: `${turn} ${side(levellingTurnsDeg > 0)}` },
  ];
}

export type ShadowSaying =
  | { code: 'down'; meridianMs: number }
  | { code: 'shadow'; timeMs: number; shadow: SunShadow; south: boolean };

export function shadowSentence(s: ShadowSaying, f: Format): Said {
  if (s.code === 'down')
    return `The sun is down. On the meridian it stands at **${f.clock(s.meridianMs)}**: a shadow then lies along true north and south.`;
  const { toPoleDeg } = s.shadow;
  const way = toPoleDeg >= 0 ? 'right' : 'left';
  return `At ${f.clock(s.timeMs)} a plumb line’s shadow points to **${f.quantity(s.shadow.shadowAzDeg, 'angleDeg')}**. From it turn **${f.quantity(Math.abs(toPoleDeg), 'angleDeg')} to the ${way}**: ${poleName(s.south)}.`;
}

export function shadowReason(s: ShadowSaying, f: Format): string {
  if (s.code === 'down')
    return 'Needs no compass and fears no iron. Hang a stone on a thread and mark where its shadow falls.';
  const short =
    s.shadow.use === 'short'
      ? ' The sun is high and the shadow short: a finger’s width is several degrees.'
      : ' Mark two points of the shadow, far apart, within the minute.';
  return `Turn your back to the sun: never look at it. It stands ${f.quantity(s.shadow.sunAltDeg, 'angleDeg', 0)} high.${short}`;
}

/** `leg`: how much longer it becomes. */
type Leg = { point: CompassPoint; stretchM: number };
export type LevelSaying =
  | { code: 'notRead' }
  | { code: 'good'; tiltDeg: number }
  | { code: 'raise'; legs: Leg[] }
  | { code: 'noFeet'; tiltDeg: number; low: CompassPoint };

export function levelSentence(s: LevelSaying, f: Format, hasLegs: boolean): Said {
  switch (s.code) {
    case 'notRead':
      return 'Put a level on the base and **record the tilt**.';
    case 'good':
      return `Leave ${hasLegs ? 'the legs' : 'it'}: **${f.quantity(s.tiltDeg, 'angleDeg')}** is level enough.`;
    case 'raise':
      return `Draw out ${s.legs.map((leg) => `the **${leg.point} leg ${f.quantity(leg.stretchM, 'barLength')}**`).join(' and ')}.`;
    case 'noFeet':
      return `Raise the **${s.low} side** by ${f.quantity(s.tiltDeg, 'angleDeg')}.`;
  }
}

export function levelReason(has: RigHas): string {
  if (has.has('scale'))
    return 'An aligned axis tracks the same on a slant. Level makes the latitude scale true and keeps the two adjusters apart.';
  if (has.has('polarAxis'))
    return 'It was built for your latitude on level ground: on a slant its axis points elsewhere.';
  return has.has('slew')
    ? 'It counts from the level: half a degree is enough, its alignment stars mend the rest.'
    : 'On a slant it turns downhill by itself.';
}

export function heightWords(advice: HeightAdvice, f: Format): string {
  const eye = f.quantity(advice.eyeM, 'length', 2);
  switch (advice.code) {
    case 'lower':
      return `Low stands stiller: the legs can come in by up to ${f.quantity(advice.byM, 'length', 2)} and the polar finder, now at ${eye}, still serves an eye on its knees.`;
    case 'raise':
      return `The polar finder’s eyepiece sits at ${eye}: draw the legs out by ${f.quantity(advice.byM, 'length', 2)}, or lie down for it.`;
    case 'right':
      return `The polar finder’s eyepiece sits at ${eye}: as low as an eye on its knees can use.`;
  }
}
export const NO_FINDER_HEIGHT = 'Set the legs as low as the tube clears them: low stands still.';

export type LevelWay = 'tilt' | 'slopes' | 'bubble' | 'phone';
export const LEVEL_WAYS: Record<LevelWay, string> = {
  tilt: 'Tilt and its high side',
  slopes: 'Two readings, across each other',
  bubble: 'A round bubble',
  phone: 'This phone, coarse',
};

export type PhoneStep = 'ask' | 'refused' | 'silent' | 'toPole' | 'away';

/** What to do with the phone at each step. */
export function phoneWords(step: PhoneStep, south: boolean): string {
  switch (step) {
    case 'ask':
      return 'Good to about 0.3°. Keep it for the tilt only: so near iron its compass lies.';
    case 'refused':
      return 'The phone does not let this page use its sensors. Allow motion in the browser’s settings, or read a level.';
    case 'silent':
      return 'No tilt arrives from this device. Read a level instead.';
    case 'toPole':
      return `Lay it on the base, its top edge toward the ${south ? 'south' : 'north'}. Wait until the figures stand still.`;
    case 'away':
      return `Turn it round, top edge to the ${south ? 'north' : 'south'}, on the same spot: that takes its own error out.`;
  }
}
