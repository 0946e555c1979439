/** The six first answers in words: the value for the hand, and what it rests on. */
import type { LimitSource } from '../core/night/plan/meridianLimit.ts';
import type { Tonight } from '../core/night/advice/tonight.ts';
import type { PlatformRun } from '../core/night/advice/platformRun.ts';
import type { Format } from './format.ts';
import { withStarEnough } from './goalWords.ts';
import { findName, fistWords, standsWords } from './findWords.ts';
import { moonWords } from './planWords.ts';
import { platformRests } from './platformWords.ts';
import { SKY_LIGHT_NAME, skyLightRests, skyLightValue } from './skyLightWords.ts';
import { TONIGHT_NAME } from './stations.ts';
import { minutesWords, teethWords } from './handWords.ts';
import { offBarPlace, offBarSentence, type NameOf } from './offBarWords.ts';
import { plain } from './said.ts';
import { capital } from './tubeEnds.ts';
import { longestWords, onceAligned, subRests } from './subWords.ts';
import { clockFaceWords, readingWords } from './polarWords.ts';

/** `to`: the bench, with its tab. */
export type Line = { name: string; value: string; rests: string; to: string };
export type TonightLines = Record<
  'light' | 'bearing' | 'latitude' | 'dial' | 'sub' | 'find' | 'hand' | 'platform' | 'weight' | 'moon' | 'meridian',
  Line | null
>;

export const TONIGHT = {
  title: TONIGHT_NAME,
  sentence: 'Your night **line by line**. Each leads to its bench.',
  reason: 'What is guessed is said below each; it is asked for where it matters.',
} as const;

const lightLine = (light: Tonight['light'], f: Format): Line | null =>
  light.code === 'dark'
    ? null
    : { name: SKY_LIGHT_NAME, value: skyLightValue(light, f), rests: skyLightRests(light, f), to: 'meridian' };

/** Under this nobody exposes longer for it. */
const LEAST_FACTOR = 1.1;

function moonLine(moon: NonNullable<Tonight['moon']>, f: Format, takesSubs: boolean): Line {
  const factor = moon.worst?.exposureFactor ?? 1;
  const costs = takesSubs && factor >= LEAST_FACTOR;
  return {
    name: costs ? 'Exposure under the moon' : 'Moonlight at the target',
    value:
      moon.worst === null
        ? 'none'
        : costs
          ? `up to ${f.quantity(factor, 'ratio', factor < 3 ? 1 : 0)} times`
          : `${f.quantity(moon.litShare, 'percent')} lit`,
    rests: moonWords(moon, f, takesSubs),
    to: 'meridian',
  };
}

function bearingLine({ compassDeg, declinationDeg, south }: NonNullable<Tonight['bearing']>, f: Format): Line {
  const pole = `true ${south ? 'south' : 'north'}`;
  const size = f.quantity(Math.abs(declinationDeg), 'angleDeg');
  return {
    name: `Point the axis ${pole}`,
    value: compassDeg === null ? 'by sun or stars' : `compass ${f.quantity(compassDeg, 'angleDeg', 0)}`,
    rests:
      compassDeg === null
        ? 'So near a magnetic pole a compass cannot be trusted.'
        : `The needle stands ${size} ${declinationDeg < 0 ? 'west' : 'east'} of true here; no iron near it.`,
    to: 'level',
  };
}

const latitudeLine = ({ scaleDeg, biasKnown }: NonNullable<Tonight['latitude']>, f: Format): Line => ({
  name: 'Set the latitude scale',
  value: f.quantity(scaleDeg, 'angleDeg'),
  rests: biasKnown ? 'With what your scale was read to be off.' : 'As if the scale read true and the base were level.',
  to: 'level?tab=latitude',
});

function dialLine(dial: NonNullable<Tonight['dial']>, f: Format): Line {
  const { star, viewAngleDeg, reading, engraving, finder } = dial;
  const face = clockFaceWords(viewAngleDeg);
  const common = {
    name: finder !== 'none' ? `Put ${star} on the dial` : `${star} stands beside the pole`,
    to: 'polar',
  };
  if (finder === 'none')
    return {
      ...common,
      value: `at ${face}`,
      rests: withStarEnough(
        dial.starIsEnough ? 'As the eye sees it.' : 'As the eye sees it. Align by drift.',
        dial.starIsEnough,
      ),
      to: 'polar?tab=find',
    };
  if (reading === null || engraving === null)
    return { ...common, value: `at ${face}`, rests: 'Of your finder only the view is known.' };
  return {
    ...common,
    value: `at ${readingWords(reading, engraving.numbering, f)}`,
    rests:
      finder === 'own'
        ? 'In your finder’s own engraving and view.'
        : 'A finder seen upside down with twelve on top is taken: compare yours under Kit.',
  };
}

const LOOKED_AT: Record<'still' | 'driven', string> = {
  still: 'Nothing follows: its stars trail within a second. Look, or take the moon.',
  driven: 'Its field turns or its drive swings too fast for this focal length. Look, take the moon, or a shorter lens.',
};

function subLine(sub: NonNullable<Tonight['sub']>, f: Format): Line {
  if (sub.isLookedAt)
    return {
      name: 'Subs on it',
      value: 'none stay round',
      rests: LOOKED_AT[sub.motion === 'still' ? 'still' : 'driven'],
      to: 'tracking',
    };
  const width = f.quantity(sub.evenFwhmArcsec, 'arcsec', 1);
  const common = `${subRests(sub)} Focused, stars are ${width} wide by air and optics.`;
  return {
    name: 'Longest sub, nine in ten good',
    value: longestWords(sub.onceLooked, sub, f),
    rests: sub.byEye
      ? `${capital(onceAligned(sub.looksThrough))}; until then ${longestWords(sub, sub, f)}. ${common}`
      : common,
    to: 'tracking',
  };
}

const findLine = ({ target, altDeg, azDeg, timeMs }: NonNullable<Tonight['find']>, f: Format): Line => ({
  name: findName(target),
  value: standsWords({ altDeg, azDeg }, f),
  rests: `At ${f.clock(timeMs)}, ${fistWords(altDeg)} above the horizon. Sweep there by finder and chart.`,
  to: 'pointing',
});

function handLine(hand: NonNullable<Tonight['hand']>, f: Format): Line | null {
  const { turnMin, view, follows } = hand;
  if (follows)
    return (
      view && {
        name: 'The view is',
        value: f.quantity(view.fieldDeg, 'angleDeg', 1),
        rests: 'From edge to edge of the eyepiece; the mount follows.',
        to: 'light-path',
      }
    );
  const seen = view?.by === 'eyepiece' ? 'the view' : 'the frame';
  const stays = view ? ` Left alone it crosses ${seen} in ${minutesWords(view.stayMin)}.` : '';
  if (turnMin !== null)
    return {
      name: 'Follow: one turn of the knob in',
      value: minutesWords(turnMin),
      rests: `${teethWords(hand)}${stays}`,
      to: 'tracking',
    };
  return (
    view && {
      name: 'It stays in view',
      value: minutesWords(view.stayMin),
      rests: 'From edge to edge, when nothing follows it.',
      to: 'tracking',
    }
  );
}

const platformLine = (run: PlatformRun, f: Format): Line => ({
  name: 'The platform follows for',
  value: f.quantity(run.runMin, 'minutes', 0),
  rests: `Then set it back. ${platformRests(run)}`,
  to: 'watch',
});

function weightLine({ positionM, off, guessed }: NonNullable<Tonight['weight']>, f: Format, nameOf: NameOf): Line {
  const rests = guessed
    ? 'Bar, weights and places are guesses: the tip test finds yours.'
    : 'From your masses and places; the tip test has the last word.';
  return {
    name: 'The weight’s middle, from the axis',
    value: off ? offBarPlace(off, f) : positionM === null ? '' : f.quantity(positionM, 'barLength'),
    rests: off ? `${plain(offBarSentence(off, nameOf, f))} ${rests}` : rests,
    to: 'balance',
  };
}

/** What the moment of the flip rests on. */
const LIMITS: Record<LimitSource, string> = {
  night: 'At the end of the sub that crosses, within the limit you set.',
  mount: 'At the end of the sub that crosses, within the mount’s own limit.',
  cable: 'At the end of the sub that crosses, as far as the cables reach.',
  fitting: 'Before a fitting hits, as you marked it.',
  clearance: 'While the tube is clear of its tripod, by your measures.',
  clear: 'At the end of the sub that crosses; the tube stays clear.',
  doubt: 'Before it crosses: how far the tube may run past it is not known well enough. Measure it by day.',
};

const HIGHEST = 'There its light passes through the least air.';

function meridianLine(meridian: Tonight['meridian'], f: Format): Line {
  if (meridian === null)
    return {
      name: 'The meridian',
      value: 'no target yet',
      rests: 'Choose one in the night’s settings.',
      to: 'meridian',
    };
  const { target, flipMs, transitMs, flips, motors, limit } = meridian;
  if (motors === 'none')
    return {
      name: `${target} stands highest`,
      value: f.clock(transitMs),
      rests: flips ? 'Carry the tube over by hand before it nears a leg.' : HIGHEST,
      to: 'meridian',
    };
  if (!flips)
    return {
      name: `${target} stands highest`,
      value: f.clock(transitMs),
      rests: HIGHEST,
      to: 'meridian',
    };
  return {
    name: flipMs === null ? `${target} crosses the meridian` : `${target}: flip`,
    value: f.clock(flipMs ?? transitMs),
    rests: flipMs === null ? 'No flip in the dark hours.' : LIMITS[limit],
    to: 'meridian',
  };
}

export function tonightLines(t: Tonight, f: Format, nameOf: NameOf): TonightLines {
  return {
    light: lightLine(t.light, f),
    bearing: t.bearing && bearingLine(t.bearing, f),
    latitude: t.latitude && latitudeLine(t.latitude, f),
    dial: t.dial && dialLine(t.dial, f),
    sub: t.sub && subLine(t.sub, f),
    find: t.find && findLine(t.find, f),
    hand: t.hand && handLine(t.hand, f),
    platform: t.platform && platformLine(t.platform, f),
    weight: t.weight && weightLine(t.weight, f, nameOf),
    moon: t.moon && moonLine(t.moon, f, t.takesSubs),
    // Where it never gets dark the first line says so; no target is asked for.
    meridian: t.meridian !== null || t.isDark ? meridianLine(t.meridian, f) : null,
  };
}
