/** Sentences of pointing by the circles. */
import { CIRCLE_DIVISIONS, type CircleHop } from '../core/night/advice/hands/circles.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';
import { starName } from './starWords.ts';

type Figure = { name: string; value: string };

/** `1 h 52 min` of right ascension, as circles are divided. */
function raWords(hours: number): string {
  const minutes = Math.round(Math.abs(hours) * 60) % 1440;
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}

export function circleSentence(hop: CircleHop | null, target: string | null, f: Format): Said {
  if (target === null) return 'Choose a **target** for this night.';
  if (hop === null)
    return 'No bright star stands near it on its side of the meridian. **Sweep from the nearest pattern**.';
  const ra = `${raWords(hop.turnWestH)} ${hop.turnWestH < 0 ? 'eastward' : 'westward'}`;
  const dec = `${f.quantity(Math.abs(hop.turnNorthDeg), 'angleDeg', 1)} ${hop.turnNorthDeg < 0 ? 'south' : 'north'}`;
  return `Centre **${starName(hop.star.name)}**, then turn right ascension **${ra}** and declination **${dec}**.`;
}

export function circleReason(hop: CircleHop | null, f: Format): string {
  if (hop === null) return 'Circles carry about 30°; a star across the meridian would turn the tube over.';
  const apart = f.quantity(hop.apartDeg, 'angleDeg', 0);
  const miss = f.quantity(hop.missDeg, 'angleDeg', 1);
  return `First right ascension, lock it, then declination, a hand on the clutch. ${apart} apart; circles divided into ${raWords(CIRCLE_DIVISIONS.raMin / 60)} and ${f.quantity(CIRCLE_DIVISIONS.decDeg, 'angleDeg', 0)} land within ${miss}: look with the lowest power.`;
}

/** What the two circles read at the star and at the target. */
export function circleFigures(hop: CircleHop, f: Format): Figure[] {
  const ra = (deg: number): string => raWords(deg / 15);
  const dec = (deg: number): string => `${f.quantity(Math.abs(deg), 'angleDeg', 1)} ${deg < 0 ? 'south' : 'north'}`;
  const { starOfDate, targetOfDate } = hop;
  const star = starName(hop.star.name);
  return [
    { name: `RA circle on ${star}`, value: ra(starOfDate.raDeg) },
    { name: `Declination on ${star}`, value: dec(starOfDate.decDeg) },
    { name: 'Turn until the RA circle reads', value: ra(targetOfDate.raDeg) },
    { name: 'Turn until declination reads', value: dec(targetOfDate.decDeg) },
  ];
}

export const CIRCLE_NAMES = { ra: 'RA, hours', dec: 'Declination' } as const;

/** A circle that stands still while the sky turns has to be set again. */
export const CIRCLE_STILL =
  'The right-ascension circle stands still while the sky turns: set it on the star just before you turn. Each minute that passes, the target reads a minute less.';
