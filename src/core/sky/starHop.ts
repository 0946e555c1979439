/** From bright groups to the pole with the bare eye: which of them stand above the horizon now, and which way and how far
 *  the pole lies from them as the eye sees it.
 *  Source: Snyder, Map Projections: A Working Manual (1987), ch. 21. */
import { DEG_PER_RAD, RAD_PER_DEG, wrap360 } from '../math/angles.ts';
import { median } from '../math/statistics.ts';
import { dot, fromSpherical, normalize, scale, add, cross, type Vec3 } from '../math/vectors.ts';
import { BRIGHT_STARS } from './brightStars.ts';
import { apparentPlaces } from './ephemeris.ts';
import { altAzAt, type Horizontal } from './horizontal.ts';
import { poleBearingDeg } from './bearing.ts';

export type HopGroupId = 'plough' | 'cassiopeia' | 'cepheus' | 'cross' | 'achernar' | 'hydrus';
type HopGroup = {
  id: HopGroupId;
  south: boolean;
  /** Stars joined by lines, by Hipparcos number. */
  lines: readonly (readonly number[])[];
  /** The star that the hop starts from. */
  from: number;
};

const HOP_GROUPS: readonly HopGroup[] = [
  {
    id: 'plough',
    south: false,
    lines: [[67301, 65378, 62956, 59774, 54061, 53910, 58001, 59774]],
    from: 54061,
  },
  { id: 'cassiopeia', south: false, lines: [[746, 3179, 4427, 6686, 8886]], from: 4427 },
  { id: 'cepheus', south: false, lines: [[105199, 106032, 116727, 105199]], from: 116727 },
  {
    id: 'cross',
    south: true,
    lines: [
      [61084, 60718],
      [62434, 59747],
      [71683, 68702],
    ],
    from: 60718,
  },
  { id: 'achernar', south: true, lines: [[7588]], from: 7588 },
  { id: 'hydrus', south: true, lines: [[2021, 9236, 17678, 2021]], from: 2021 },
];

/** Looking toward the pole: degrees to the right and up from the pole's place, stereographic. */
export type ViewPoint = { rightDeg: number; upDeg: number };

function directionOf({ altDeg, azDeg }: Horizontal): Vec3 {
  return fromSpherical(azDeg * RAD_PER_DEG, altDeg * RAD_PER_DEG);
}

/** Stereographic projection about a direction in the horizon frame; angles keep their shape, 10 degrees from the middle
 *  are 10.0, 60 degrees 66.2. */
export function projectFrom(centre: Horizontal, place: Horizontal): ViewPoint {
  const c = directionOf(centre);
  // Azimuth grows to the right, so the frame is left-handed seen from inside: right is up x forward, reversed.
  const right: Vec3 = normalize(cross([0, 0, 1], c));
  const up = add([0, 0, 1], scale(c, -c[2]));
  const p = directionOf(place);
  const factor = (2 / (1 + dot(p, c))) * DEG_PER_RAD;
  return { rightDeg: dot(p, right) * factor, upDeg: dot(p, normalize(up)) * factor };
}

/** In the middle the stars of the Plough are of magnitude 2.2, those of Hydrus 2.9, of Cepheus 3.2. */
const PLAIN_MAG = 2.5;
/** Lower than this haze hides stars. */
const LOWEST_GROUP_DEG = 10;

export type Hop = {
  group: HopGroupId;
  fromName: string;
  /** Most of it is seen at a glance, also under a bright sky. */
  plain: boolean;
  /** Lowest star of the group above the true horizon. */
  lowestAltDeg: number;
  /** All of it stands clear of haze and horizon line. */
  clear: boolean;
  /** To the pole. */
  distanceDeg: number;
  /** Clockwise from straight up, as the eye sees it. */
  directionDeg: number;
  lines: ViewPoint[][];
  from: ViewPoint;
};

export type Place = { latDeg: number; lonDeg: number };

/** The pole that stands above the horizon. */
export function elevatedPole(latDeg: number): Horizontal {
  return { altDeg: Math.min(89.9, Math.abs(latDeg)), azDeg: poleBearingDeg(latDeg) };
}

/** The groups of the site's hemisphere at an instant, those of plain stars first, then those that stand highest.
 *  @param horizonDeg altitude of the site's horizon line at an azimuth; groups that reach below it, or below 10 degrees,
 *  are left out. */
export function starHops(utcMs: number, place: Place, horizonDeg: (azDeg: number) => number = () => 0): Hop[] {
  const centre = elevatedPole(place.latDeg);
  const groups = HOP_GROUPS.filter((g) => g.south === place.latDeg < 0);
  const wanted = new Set(groups.flatMap((g) => g.lines.flat()));
  const stars = BRIGHT_STARS.filter((s) => wanted.has(s.hip));
  const places = apparentPlaces(stars, utcMs).map((ofDate) => altAzAt(utcMs, place, ofDate));
  const at = new Map(stars.map((s, i) => [s.hip, { ...s, place: places[i] ?? centre }]));
  const hopOf = (group: HopGroup): Hop => {
    const from = at.get(group.from);
    const start = projectFrom(centre, from?.place ?? centre);
    const all = group.lines.flat();
    const seen = all.map((hip) => at.get(hip)?.place ?? centre);
    return {
      group: group.id,
      fromName: from?.name ?? '',
      plain: (median(all.map((hip) => at.get(hip)?.magnitude ?? Infinity)) ?? Infinity) <= PLAIN_MAG,
      lowestAltDeg: Math.min(...seen.map((s) => s.altDeg)),
      clear: seen.every((s) => s.altDeg >= Math.max(LOWEST_GROUP_DEG, horizonDeg(s.azDeg))),
      distanceDeg: 2 * Math.atan(Math.hypot(start.rightDeg, start.upDeg) / 2 / DEG_PER_RAD) * DEG_PER_RAD,
      directionDeg: wrap360(Math.atan2(-start.rightDeg, -start.upDeg) * DEG_PER_RAD),
      lines: group.lines.map((line) => line.map((hip) => projectFrom(centre, at.get(hip)?.place ?? centre))),
      from: start,
    };
  };
  return groups
    .map(hopOf)
    .filter((hop) => hop.clear)
    .sort((a, b) => Number(b.plain) - Number(a.plain) || b.lowestAltDeg - a.lowestAltDeg);
}
