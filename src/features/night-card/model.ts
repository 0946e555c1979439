/** The night card: everything a night needs on one page, as codes and figures; also as calendar events. */
import { dialSpan } from '../../core/night/advice/hands/dialSpan.ts';
import { waitsUntilMs } from '../../core/night/plan/plan.ts';
import { poleStarsShow } from '../../core/night/plan/darkness.ts';
import type { OffBar } from '../../core/mount/offBar.ts';
import { findOfNight, type FindOfNight } from '../../core/night/advice/hands/findOfNight.ts';
import { offBarOfNight } from '../../core/night/advice/hands/offBarOfNight.ts';
import { poleByCompassDeg } from '../../core/night/advice/hands/magneticOfNight.ts';
import type { Judgement } from '../../core/night/ledger/judgement.ts';
import { middleStars } from '../../core/night/advice/stars/middleStars.ts';
import { subAnswer, type SubAnswer } from '../../core/night/advice/stars/subAnswer.ts';
import { nightAt, nightEventList, type NightEvent } from '../../core/night/nightAt.ts';
import { exposureGroups, type ExposureGroup } from '../../core/night/advice/exposureGroups.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { tapeReadingM } from '../../core/mount/tape.ts';
import { dialPlace } from '../../core/pole/dialOfNight.ts';
import { poleOfNight, type PoleOfNight } from '../../core/pole/poleOfNight.ts';
import { scaleToSet } from '../../core/pole/scaleToSet.ts';
import { tapeOfRig } from '../../core/rig/tapeOfRig.ts';
import { usualTip } from '../../core/night/learned/tipOfNight.ts';
import type { Reading } from '../../core/records/reading.ts';
import type { SettingValue } from '../../core/records/setting.ts';
import { MS_PER_MINUTE } from '../../core/time/utc.ts';

export type DialRow = { timeMs: number; reading: number | null; viewAngleDeg: number };
export type CardTarget = {
  name: string;
  subS: number;
  count: number;
  integrationS: number;
  /** The latest moment for each flip that is to come; null = at once. */
  latestFlipsMs: (number | null)[];
};
export type CardWeight = { name: string; positionM: number | null };

/** What the sky does, and when the hands begin: with setting up, and with the pole as soon as its star shows. */
export type CardEvent = { code: NightEvent['code'] | 'setUp' | 'align'; timeMs: number; target: string | null };

export type NightCard = {
  events: CardEvent[];
  /** The account in the middle of the hours that can be used; null without a light path. */
  stars: { judgement: Judgement; share: number; answer: SubAnswer } | null;
  transits: { target: string | null; timeMs: number }[];
  /** Where the pole star belongs every half hour; empty for a mount without a polar axis or on the equator. */
  dial: DialRow[];
  compassDeg: number;
  /** Readings of the latitude scale and, along the user's tapes, of weights and tube. */
  scaleDeg: number;
  weights: CardWeight[];
  /** What the bar wants instead, where they stand off it. */
  offBar: OffBar | null;
  tubeM: number | null;
  /** The last of tonight's set-up readings of each kind and axis, in the order taken. */
  measured: Reading[];
  /** Null where nobody has looked at the pole, and for mounts without one. */
  pole: PoleOfNight | null;
  spacing: { presentMm: number; neededMm: number } | null;
  /** Where the target stands as soon as it can be had, for the hand that no motor sends there. */
  find: FindOfNight | null;
  targets: CardTarget[];
  groups: ExposureGroup[];
  /** Where focus was last sharp. */
  focus: { positionUm: number; temperatureC: number } | null;
};

const HALF_HOUR_MS = 30 * MS_PER_MINUTE;
const MOST_ROWS = 36;

/** Half hours of the clock while the dial can be set. */
function halfHours(night: NightStatic): number[] {
  const span = dialSpan(night);
  if (!span) return [];
  const first = Math.ceil(span.fromMs / HALF_HOUR_MS) * HALF_HOUR_MS;
  const count = Math.max(0, Math.floor((span.toMs - first) / HALF_HOUR_MS) + 1);
  return Array.from({ length: Math.min(count, MOST_ROWS) }, (_, i) => first + i * HALF_HOUR_MS);
}

function dialRows(night: NightStatic): DialRow[] {
  if (!night.numbers.mount?.finder || !night.run.stops.some((s) => s.step === 'polar')) return [];
  return halfHours(night).map((timeMs) => {
    const { belongs, reading } = dialPlace(night.records, nightAt(night, timeMs).poleStar);
    return { timeMs, reading, viewAngleDeg: belongs.angleDeg };
  });
}

/** Movable weights where they stayed tonight, else where they are expected; by the user's tape. */
function weightsOf({ numbers, records, bar }: NightStatic, settings: SettingValue<'balance'>): CardWeight[] {
  const tip = bar ? usualTip(records, 'ra') : null;
  const tape = tapeOfRig(numbers, 'ra', settings);
  const atM = tip?.estimate.balancedM ?? bar?.found.positionM ?? null;
  return numbers.masses.weights.map((w) => {
    const placeM = w.movable ? atM : w.setM;
    return { name: w.name, positionM: placeM === null ? null : tapeReadingM(tape, placeM) };
  });
}

function tubeOf({ numbers, records, bar }: NightStatic, settings: SettingValue<'balance'>): number | null {
  const tip = bar ? usualTip(records, 'dec') : null;
  if (!tip) return null;
  return tapeReadingM(tapeOfRig(numbers, 'dec', settings), tip.estimate.balancedM ?? tip.problem.predictedM);
}

const SET_UP: ReadonlySet<Reading['kind']> = new Set(['compass', 'shadow', 'feet', 'level', 'scaleReading', 'balance']);

function measuredOf({ records }: NightStatic): Reading[] {
  const last = new Map<string, Reading>();
  for (const r of records.readings) {
    if (SET_UP.has(r.kind)) last.set(r.kind === 'balance' ? `${r.kind} ${r.values.axis}` : r.kind, r);
  }
  return records.readings.filter((r) => [...last.values()].includes(r));
}

const targetsOf = ({ legs }: NightStatic): CardTarget[] =>
  legs.flatMap(({ plan, entry, target }) =>
    plan && entry && target
      ? [
          {
            name: target.name,
            subS: entry.subS,
            count: plan.subs.length,
            integrationS: plan.integrationS,
            latestFlipsMs: plan.flips.filter((f) => !f.done).map(waitsUntilMs),
          },
        ]
      : [],
  );

function transitsOf({ legs }: NightStatic): NightCard['transits'] {
  return legs.flatMap(({ target, targetSky }) =>
    targetSky && !targetSky.transit.neverRises
      ? [{ target: legs.length > 1 ? (target?.name ?? null) : null, timeMs: targetSky.transit.transitMs }]
      : [],
  );
}

function workEvents({ dark, sky, run, records }: NightStatic, setUpMin: number): CardEvent[] {
  const shows = poleStarsShow(sky.events, records.site.latDeg);
  const alignMs = shows && run.stops.some((s) => s.step === 'polar') ? shows.fromMs : null;
  // Everything is on before the pole's star shows.
  const readyMs = alignMs ?? dark?.fromMs;
  return [
    ...(readyMs === undefined
      ? []
      : [{ code: 'setUp' as const, timeMs: readyMs - setUpMin * MS_PER_MINUTE, target: null }]),
    ...(alignMs === null ? [] : [{ code: 'align' as const, timeMs: alignMs, target: null }]),
  ];
}

function starsOf(night: NightStatic): NightCard['stars'] {
  const stars = middleStars(night);
  if (!stars) return null;
  const { judgement, budget, sub } = stars;
  return { judgement, share: budget.shareAcceptable, answer: subAnswer(night, sub) };
}

/** @param settings whose tapes the places are read from.
 *  @param setUpMin how long setting up takes until the pole's star shows. */
export function nightCard(night: NightStatic, settings: SettingValue<'balance'>, setUpMin: number): NightCard {
  const { known, rig } = night.records;
  const { spacing } = night.numbers.lightPath;
  const focus = known.last('focus', rig.id);
  const pole = poleOfNight(night.records);
  return {
    events: [...nightEventList(night), ...workEvents(night, setUpMin)].sort((a, b) => a.timeMs - b.timeMs),
    stars: starsOf(night),
    transits: transitsOf(night),
    dial: dialRows(night),
    compassDeg: poleByCompassDeg(night),
    scaleDeg: scaleToSet(night.records).scaleDeg,
    weights: weightsOf(night, settings),
    offBar: offBarOfNight(night),
    tubeM: tubeOf(night, settings),
    measured: measuredOf(night),
    pole: pole.basis === 'untouched' ? null : pole,
    spacing: spacing ? { presentMm: spacing.presentMm, neededMm: spacing.neededMm } : null,
    find: night.usable && findOfNight(night, nightAt(night, night.usable.fromMs)),
    targets: targetsOf(night),
    groups: exposureGroups(night),
    focus: focus?.values ?? null,
  };
}

/** The events that deserve a calendar entry, each with minutes of warning. */
export const CALENDAR_ALARMS: Partial<Record<CardEvent['code'], number>> = {
  setUp: 30,
  align: 10,
  dark: 15,
  start: 10,
  refocus: 5,
  reset: 5,
  flip: 15,
  secondFlip: 15,
  limit: 15,
  end: 5,
  dawn: 20,
};
