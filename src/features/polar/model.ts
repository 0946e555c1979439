/** What the finder-dial bench shows, as codes and figures. */
import { dialReading, ringFraction, viewAngleDeg, type Engraving } from '../../core/mount/dial.ts';
import { arcminPerTurn, turnToMend } from '../../core/mount/knobs.ts';
import { totalErrorArcmin } from '../../core/mount/polarDrift.ts';
import { lastReading } from '../../core/night/nightRecords.ts';
import type { NightAt } from '../../core/night/nightAt.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { MountPart } from '../../core/records/part.ts';
import type { DialSaying } from '../../text/polarWords.ts';

/** Nearer to the equator than this the pole cannot be sighted. */
const LOWEST_POLE_DEG = 2;

export type DialModel = {
  saying: DialSaying;
  engraving: Engraving | null;
  view: 'upright' | 'inverted';
  plateTurnDeg: number;
  ringArcmin: number | null;
  ringYear: number | null;
  /** Current polar distance over the ring's. */
  ringFraction: number | null;
  stars: { name: string; viewAngleDeg: number; distanceArcmin: number; lead: boolean }[];
};

function engravingOf(mount: MountPart | null): Engraving | null {
  const finder = mount?.finder;
  if (!finder || finder.numbering === 'pattern') return null;
  return { numbering: finder.numbering, topMark: finder.topMark, direction: finder.direction, view: finder.view };
}

function sayingOf(night: NightStatic, at: NightAt, engraving: Engraving | null): DialSaying {
  const { latDeg } = night.records.site;
  const finder = night.numbers.mount?.finder ?? null;
  const star = at.poleStar.name;
  const south = latDeg < 0;
  if (Math.abs(latDeg) < LOWEST_POLE_DEG) return { code: 'equator' };
  if (!finder) return { code: 'noFinder', star, viewAngleDeg: at.poleStar.uprightAngleDeg, south };
  const viewAngle = viewAngleDeg(at.poleStar.haH, latDeg, finder.view);
  if (!engraving) return { code: 'pattern', star, viewAngleDeg: viewAngle, view: finder.view, south };
  const { reading } = dialReading(at.poleStar.haH, latDeg, engraving, finder.plateTurnDeg);
  return {
    code: 'engraved',
    star,
    reading,
    numbering: engraving.numbering,
    viewAngleDeg: viewAngle,
    view: finder.view,
    south,
  };
}

const NO_FINDER = { view: 'upright', plateTurnDeg: 0, ringArcmin: null, ringYear: null } as const;

export function dialModel(night: NightStatic, at: NightAt): DialModel {
  const { latDeg } = night.records.site;
  const { view, plateTurnDeg, ringArcmin, ringYear } = night.numbers.mount?.finder ?? NO_FINDER;
  const engraving = engravingOf(night.numbers.mount);
  // In the north the leading star is bright and alone is enough; in the south the pattern is what the eye finds.
  const shown = latDeg < 0 ? at.polePattern : [at.poleStar];
  return {
    saying: sayingOf(night, at, engraving),
    engraving,
    view,
    plateTurnDeg,
    ringArcmin,
    ringYear,
    ringFraction: ringArcmin === null ? null : ringFraction(at.poleStar.polarDistanceArcmin, ringArcmin),
    stars: shown.map((s) => ({
      name: s.name,
      viewAngleDeg: viewAngleDeg(s.haH, latDeg, view),
      distanceArcmin: s.polarDistanceArcmin,
      lead: s.name === at.poleStar.name,
    })),
  };
}

export type KnobAdvice = { turns: number; clockwise: boolean; gainArcminPerTurn: number } | null;
export type ErrorModel = {
  altErrorArcmin: number;
  azErrorArcmin: number;
  takenAtUtc: string;
  altitude: KnobAdvice;
  azimuth: KnobAdvice;
  /** Every error of tonight in order, as total on the sky. */
  history: { takenAtUtc: string; totalArcmin: number }[];
};

/** Closer than this an adjuster is left alone: by eye nothing finer can be told. */
export const GOAL_ARCMIN = 1;

function advise(mount: MountPart | null, which: 'altitude' | 'azimuth', errorArcmin: number): KnobAdvice {
  const adjuster = mount?.adjusters?.[which];
  if (!adjuster?.pitchMm || !adjuster.leverMm || !adjuster.clockwiseMoves) return null;
  const gain = arcminPerTurn(adjuster.pitchMm, adjuster.leverMm);
  return { ...turnToMend(errorArcmin, gain, adjuster.clockwiseMoves), gainArcminPerTurn: gain };
}

/** The last recorded error and what to turn; null before the first one of the night. */
export function errorModel(night: NightStatic): ErrorModel | null {
  const { readings, site } = night.records;
  const last = lastReading(readings, 'polarError');
  if (!last) return null;
  const { altErrorArcmin, azErrorArcmin } = last.values;
  return {
    altErrorArcmin,
    azErrorArcmin,
    takenAtUtc: last.takenAtUtc,
    altitude: advise(night.numbers.mount, 'altitude', altErrorArcmin),
    azimuth: advise(night.numbers.mount, 'azimuth', azErrorArcmin),
    history: readings.flatMap((r) =>
      r.kind === 'polarError'
        ? [
            {
              takenAtUtc: r.takenAtUtc,
              totalArcmin: totalErrorArcmin(r.values, site.latDeg),
            },
          ]
        : [],
    ),
  };
}
