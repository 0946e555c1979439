/** What the finder-dial bench shows, as codes and figures. */
import { polarStarsStand } from '../../../core/pole/polarStars.ts';
import { viewAngleDeg, type Numbering } from '../../../core/mount/dial.ts';
import { starsOff } from '../../../core/mount/eyeError.ts';
import type { PlatePoint, PlatePolar } from '../../../core/mount/finderPlate.ts';
import { senseOf } from '../../../core/mount/knobs.ts';
import { engravedStars, patternTurnDeg, type EngravedStar } from '../../../core/mount/plateEngraving.ts';
import type { NightAt } from '../../../core/night/nightAt.ts';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import { dialPlace, engravingOf, type DialPlace } from '../../../core/pole/dialOfNight.ts';
import type { Dial, MountPart } from '../../../core/records/part.ts';
import type { DialSaying } from '../../../text/polarWords.ts';

/** Under this the pole stands so low that leg and bar come into its way. */
export const LOW_POLE_DEG = 25;

export type RingNote = { arcmin: number; year: number | null; offArcmin: number };
/** Which way the stars go in this view when a knob is turned clockwise. */
export type PatternMove = { adjuster: 'altitude' | 'azimuth'; paired: boolean; way: 'up' | 'down' | 'left' | 'right' };

export type DialModel = {
  saying: DialSaying;
  latDeg: number;
  view: 'upright' | 'inverted';
  numbering: Numbering | 'pattern' | null;
  plateTurnDeg: number;
  turnsWithAxis: boolean;
  rings: RingNote[];
  /** Of an engraved pattern: where each star was when the plate was made, and how much nearer the pole it is now. */
  spots: (EngravedStar & { inwardArcmin: number })[];
  spotsTurnDeg: number;
  stars: { name: string; viewAngleDeg: number; distanceArcmin: number; lead: boolean }[];
  /** Where the leading star belongs on the plate, seen from the cross. */
  belongs: PlatePolar;
  crossOffset: PlatePoint | null;
  fieldDeg: number;
  faintestMag: number;
  /** What a tilted plate would misplace the star by if the reading were not corrected; 0 when upright. */
  tiltCostArcmin: number;
  moves: PatternMove[];
  lowPole: boolean;
};

function sayingOf(night: NightStatic, at: NightAt, finder: Dial | null, { belongs, reading }: DialPlace): DialSaying {
  const { latDeg } = night.records.site;
  const star = at.poleStar.name;
  const south = latDeg < 0;
  if (!polarStarsStand(latDeg)) return { code: 'equator' };
  if (!finder) return { code: 'noFinder', star, viewAngleDeg: at.poleStar.uprightAngleDeg, south };
  const engraving = engravingOf(finder);
  const common = { star, viewAngleDeg: belongs.angleDeg, view: finder.view, south };
  if (!engraving || reading === null) return { code: 'pattern', ...common, engraved: finder.patternHips.length > 0 };
  return { code: 'engraved', ...common, reading, numbering: engraving.numbering };
}

function movesOf(mount: MountPart | null, latDeg: number, view: 'upright' | 'inverted'): PatternMove[] {
  return (['altitude', 'azimuth'] as const).flatMap((adjuster): PatternMove[] => {
    const { clockwiseMoves = null, paired = false } = mount?.adjusters?.[adjuster] ?? {};
    if (clockwiseMoves === null) return [];
    const size = senseOf(clockwiseMoves);
    const error = {
      altErrorArcmin: adjuster === 'altitude' ? size : 0,
      azErrorArcmin: adjuster === 'azimuth' ? size : 0,
    };
    const off = starsOff(error, { latDeg, view });
    const way =
      adjuster === 'altitude'
        ? off.yArcmin > 0
          ? 'up'
          : 'down'
        : off.xArcmin > 0
          ? ('right' as const)
          : ('left' as const);
    return [{ adjuster, paired, way }];
  });
}

const NO_FINDER = {
  numbering: null,
  view: 'upright',
  plateTurnDeg: 0,
  turnsWithAxis: false,
  fieldDeg: 6,
  faintestMag: 6,
} as const;

function spotsOf(finder: Dial | null, night: NightStatic, at: NightAt): Pick<DialModel, 'spots' | 'spotsTurnDeg'> {
  if (finder?.numbering !== 'pattern') return { spots: [], spotsTurnDeg: 0 };
  const { latDeg } = night.records.site;
  const year = finder.patternYear ?? new Date(at.timeMs).getUTCFullYear();
  const engraved = engravedStars(finder.patternHips, year, latDeg);
  const nowOf = (name: string) => at.polePattern.find((p) => p.name === name);
  const spots = engraved.map((spot) => ({
    ...spot,
    inwardArcmin: spot.distanceArcmin - (nowOf(spot.name)?.polarDistanceArcmin ?? spot.distanceArcmin),
  }));
  const spotsTurnDeg = patternTurnDeg(engraved, (name) => {
    const star = nowOf(name);
    return star ? viewAngleDeg(star.haH, latDeg, finder.view) : null;
  });
  return { spots, spotsTurnDeg };
}

/** In the north the leading star is bright and alone is enough; in the south the pattern is what the eye finds. */
function starsOf(night: NightStatic, at: NightAt, view: 'upright' | 'inverted', withPattern: boolean) {
  const { latDeg } = night.records.site;
  const shown = latDeg < 0 || withPattern ? at.polePattern : [at.poleStar];
  return shown.map((s) => ({
    name: s.name,
    viewAngleDeg: viewAngleDeg(s.haH, latDeg, view),
    distanceArcmin: s.polarDistanceArcmin,
    lead: s.name === at.poleStar.name,
  }));
}

export function dialModel(night: NightStatic, at: NightAt): DialModel {
  const { latDeg } = night.records.site;
  const { mount } = night.numbers;
  const finder = mount?.finder ?? null;
  const { numbering, view, plateTurnDeg, turnsWithAxis, fieldDeg, faintestMag } = finder ?? NO_FINDER;
  const place = dialPlace(night.records, at.poleStar);
  const { belongs, crossOffset } = place;
  return {
    saying: sayingOf(night, at, finder, place),
    latDeg,
    view,
    numbering,
    plateTurnDeg,
    turnsWithAxis,
    rings: (finder?.rings ?? []).map((ring) => ({ ...ring, offArcmin: belongs.distanceArcmin - ring.arcmin })),
    ...spotsOf(finder, night, at),
    stars: starsOf(night, at, view, (finder?.patternHips.length ?? 0) > 0),
    belongs,
    crossOffset,
    fieldDeg,
    faintestMag,
    tiltCostArcmin: Math.abs(Math.sin((plateTurnDeg * Math.PI) / 180)) * at.poleStar.polarDistanceArcmin,
    moves: movesOf(mount, latDeg, view),
    lowPole: Math.abs(latDeg) < LOW_POLE_DEG,
  };
}

/** What the edge of the drawing stands for: the whole view, or the neighbourhood of star and rings. */
export function shownRadiusArcmin(model: DialModel, whole: boolean): number {
  const full = model.fieldDeg * 30;
  const needed = Math.max(model.belongs.distanceArcmin, ...model.rings.map((r) => r.arcmin), 20);
  return whole ? full : Math.min(full, needed * 1.35);
}
