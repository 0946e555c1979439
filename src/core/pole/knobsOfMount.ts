/** What a turn of this mount's bolt and knobs does: learned from its logged turns, else by pitch and lever, else unknown. */
import { firstOf } from '../firstOf.ts';
import { SIGMA_PER_MEDIAN_DISTANCE } from '../math/statistics.ts';
import { oncePer } from '../once.ts';
import {
  arcminPerTurn,
  isLearned,
  learnKnob,
  learnLockShift,
  senseOf,
  turnsFor,
  type LearnedKnob,
  type LearnedLockShift,
  type LockShift,
  type LoggedTurn,
} from '../mount/knobs.ts';
import { altSigmaArcmin, azSigmaArcmin, type Change } from '../mount/poleEstimate.ts';
import type { MountPart } from '../records/part.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { mountOf } from '../rig/rigState.ts';
import { stepsMeasured } from './measuredErrors.ts';
import { isMeasured, type Adjuster, type PoleCircumstances, type PoleState, type PoleStep } from './poleWalk.ts';

export type KnobBasis = 'learned' | 'geometry' | 'few';
export type Knob = {
  /** Arcmin per clockwise turn, signed like the error. */
  gainArcminPerTurn: number;
  deadTurns: number;
  /** `few`: some turns were logged, not enough or too far apart to trust, and pitch and lever are not known. */
  basis: KnobBasis;
  learned: LearnedKnob | null;
};
export type Knobs = Record<Adjuster, Knob | null>;

/** Screws are cleaned and greased: older turns say nothing any more. */
const KEPT_TURNS = 24;
const KEPT_SHIFTS = 8;

/** An error that is to teach what a turn does must be known this well. */
const TELLING_SIGMA_ARCMIN = 5;

/** One part of the error against the true pole, if it was measured well and not turned since; else null. */
function toldArcmin({ estimate, turned }: PoleState, adjuster: Adjuster): number | null {
  const altitude = adjuster === 'altitude';
  const sigma = altitude ? altSigmaArcmin(estimate) : azSigmaArcmin(estimate);
  if (turned.has(adjuster) || sigma > TELLING_SIGMA_ARCMIN) return null;
  return altitude ? estimate.altArcmin : estimate.azArcmin;
}

type Turn = ReadingOf<'knobTurn'>;
type InNight<R extends Reading> = { reading: R; steps: readonly PoleStep[]; at: number };

/** A reading of any night among the steps of its own night. */
function inItsNight<R extends Reading>(reading: R, records: NightRecords): InNight<R> | null {
  const night = reading.nightId;
  if (night === null) return null;
  const readings = night === records.night.id ? records.readings : records.ofNight(night);
  const latDeg = records.snapshots.get(reading.snapshotId)?.latDeg ?? records.site.latDeg;
  const steps = stepsMeasured(readings, latDeg);
  const at = steps.findIndex((step) => step.reading.id === reading.id);
  return at === -1 ? null : { reading, steps, at };
}

/** The error that followed a turn: as stated with it, else the next one measured that night. Several turns of the same
 *  knob before it, or a tightening, leave a turn without an outcome. */
function outcome({ reading: { values }, steps, at }: InNight<Turn>): number | null {
  if (values.afterArcmin !== null) return values.afterArcmin;
  for (const { reading, after } of steps.slice(at + 1)) {
    if (reading.kind === 'knobTurn' && reading.values.adjuster === values.adjuster) return null;
    if (reading.kind === 'lockShift') return null;
    const told = toldArcmin(after, values.adjuster);
    if (told !== null) return told;
  }
  return null;
}

/** The error before a turn: as stated with it unless another turn of the knob came in between, else as measured. */
function beginning({ reading: { values }, steps, at }: InNight<Turn>): number | null {
  const { adjuster, beforeArcmin } = values;
  const state = steps[at]?.before;
  if (!state) return null;
  if (beforeArcmin === null) return toldArcmin(state, adjuster);
  if (!state.turned.has(adjuster)) return beforeArcmin;
  const last = steps.slice(0, at).findLast(({ reading: r }) => r.kind === 'knobTurn' && r.values.adjuster === adjuster);
  return last?.reading.kind === 'knobTurn' && last.reading.values.afterArcmin !== null ? beforeArcmin : null;
}

function loggedTurns(records: NightRecords, adjuster: Adjuster): LoggedTurn[] {
  const logged: LoggedTurn[] = [];
  for (const turn of records.known.latest('knobTurn', { subjectId: records.rig.mountId })) {
    if (logged.length === KEPT_TURNS) break;
    if (turn.values.adjuster !== adjuster) continue;
    const there = inItsNight(turn, records);
    const [beforeArcmin, afterArcmin] = there ? [beginning(there), outcome(there)] : [null, null];
    if (beforeArcmin === null || afterArcmin === null) continue;
    const { turns: by, afterLockOrReversal } = turn.values;
    logged.unshift({ turns: by, beforeArcmin, afterArcmin, afterLockOrReversal });
  }
  return logged;
}

function byGeometry(mount: MountPart | null, adjuster: Adjuster): number | null {
  const { pitchMm = null, leverMm = null, clockwiseMoves = null } = mount?.adjusters?.[adjuster] ?? {};
  if (pitchMm === null || leverMm === null || clockwiseMoves === null) return null;
  return senseOf(clockwiseMoves) * arcminPerTurn(pitchMm, leverMm);
}

const pick = ({ gainArcminPerTurn, deadTurns }: LearnedKnob) => ({ gainArcminPerTurn, deadTurns });

/** Null when nothing is known of this knob yet. */
function knobOfMount(records: NightRecords, mount: MountPart | null, adjuster: Adjuster): Knob | null {
  const learned = learnKnob(loggedTurns(records, adjuster));
  if (learned && isLearned(learned)) return { ...pick(learned), basis: 'learned', learned };
  const gain = byGeometry(mount, adjuster);
  if (gain !== null) return { gainArcminPerTurn: gain, deadTurns: 0, basis: 'geometry', learned };
  return learned ? { ...pick(learned), basis: 'few', learned } : null;
}

/** Bolt and knobs of the night's mount, by what was known by its end. */
export const knobsOf = oncePer((records: NightRecords): Knobs => {
  const mount = mountOf(records);
  return {
    altitude: knobOfMount(records, mount, 'altitude'),
    azimuth: knobOfMount(records, mount, 'azimuth'),
  };
});

/** How far a turn may miss what it was to do, as a share of it: by pitch and lever, and by a few turns that do not agree yet. */
const DOUBT_SHARE = { geometry: 0.2, few: 0.3 } as const;
const LEAST_LEARNED_SHARE = 0.05;
/** A hand reads its own turn to so much. */
const TURN_READ_TURNS = 0.02;

function doubtShareOf({ basis, learned }: Knob): number {
  if (basis !== 'learned') return DOUBT_SHARE[basis];
  return Math.max(LEAST_LEARNED_SHARE, SIGMA_PER_MEDIAN_DISTANCE * (learned?.spread ?? 0));
}

/** What a logged turn was to do with these knobs; null where the knob is not known. */
export function changeByTurn(knobs: Knobs): (turn: Turn['values']) => Change | null {
  return ({ adjuster, turns, afterLockOrReversal }) => {
    const knob = knobs[adjuster];
    if (!knob) return null;
    const dead = afterLockOrReversal ? knob.deadTurns : 0;
    const arcmin = knob.gainArcminPerTurn * Math.sign(turns) * Math.max(0, Math.abs(turns) - dead);
    const readArcmin = Math.abs(knob.gainArcminPerTurn) * TURN_READ_TURNS;
    return { arcmin, sigmaArcmin: Math.hypot(doubtShareOf(knob) * arcmin, readArcmin) };
  };
}

/** What one tightening did: as stated, else the next error measured that night less the one before. */
function shiftOf(shift: ReadingOf<'lockShift'>, records: NightRecords): LockShift | null {
  const { altArcmin, azArcmin } = shift.values;
  if (altArcmin !== null && azArcmin !== null) return { altArcmin, azArcmin };
  const there = inItsNight(shift, records);
  const before = there?.steps[there.at]?.before;
  const next = there?.steps.slice(there.at + 1).find(({ reading }) => reading.kind !== 'note');
  if (!before || !next || next.reading.kind !== 'polarError' || !isMeasured(before)) return null;
  const { estimate } = next.after;
  return {
    altArcmin: estimate.altArcmin - before.estimate.altArcmin,
    azArcmin: estimate.azArcmin - before.estimate.azArcmin,
  };
}

/** What tightening does to this mount; null before the first record. */
export const lockShiftOfMount = oncePer((records: NightRecords): LearnedLockShift | null => {
  const shifts = firstOf(records.known.latest('lockShift', { subjectId: records.rig.mountId }), KEPT_SHIFTS).reverse();
  return learnLockShift(shifts.flatMap((r) => shiftOf(r, records) ?? []));
});

/** What one tightening usually moves, where nobody measured it, and what is left of the doubt once it is learned or stated. */
const USUAL_LOCK_ARCMIN = 1.5;
const LEARNED_LOCK_ARCMIN = 0.5;

/** What a tightening on record did to both parts: as stated, as it is learned, else anything that is usual. */
export function changeByLock(shift: LearnedLockShift | null): PoleCircumstances['lockOf'] {
  const of = (stated: number | null, learned: number): Change =>
    stated === null && shift?.learned !== true
      ? { arcmin: 0, sigmaArcmin: USUAL_LOCK_ARCMIN }
      : { arcmin: stated ?? learned, sigmaArcmin: LEARNED_LOCK_ARCMIN };
  return ({ altArcmin, azArcmin }) => ({
    altitude: of(altArcmin, shift?.altArcmin ?? 0),
    azimuth: of(azArcmin, shift?.azArcmin ?? 0),
  });
}

/** How a night's axis is walked with what is known of this mount. */
export const circumstancesOf = (records: NightRecords, latDeg = records.site.latDeg): PoleCircumstances => ({
  latDeg,
  changeOf: changeByTurn(knobsOf(records)),
  lockOf: changeByLock(lockShiftOfMount(records)),
});

/** True when the next turn of a knob loses its dead band: it is the first of the night, it was locked since, or it now
 *  goes the other way. */
export function losesDeadBand({ readings }: NightRecords, adjuster: Adjuster, clockwise: boolean): boolean {
  const last = readings.findLastIndex((r) => r.kind === 'knobTurn' && r.values.adjuster === adjuster);
  const turn = readings[last];
  if (turn?.kind !== 'knobTurn') return true;
  return turn.values.turns > 0 !== clockwise || readings.slice(last + 1).some((r) => r.kind === 'lockShift');
}

/** Until the gain is learned a hand stops short, so that it never has to come back. */
const SHORT_OF_IT = 0.8;
/** How far below its goal the altitude is brought before it is finished upward, against the weight. */
const BELOW_ARCMIN = 5;

export type TurnAdvice = {
  turns: number;
  clockwise: boolean;
  /** Share of the error that the turn takes away. */
  fraction: number;
  /** The turn back up, when the altitude comes down past its goal first. */
  thenUpTurns: number | null;
};

/** What to turn to change an error by so much; tonight's turns tell whether the dead band is lost. */
export function turnAdvice(records: NightRecords, knob: Knob, adjuster: Adjuster, changeArcmin: number): TurnAdvice {
  const fraction = knob.basis === 'learned' ? 1 : SHORT_OF_IT;
  const comesDown = adjuster === 'altitude' && changeArcmin < 0 && fraction === 1;
  const change = comesDown ? changeArcmin - BELOW_ARCMIN : changeArcmin;
  const { clockwise } = turnsFor(change, knob);
  const dead = losesDeadBand(records, adjuster, clockwise) ? knob.deadTurns : 0;
  const first = turnsFor(change, { ...knob, deadTurns: dead }, fraction);
  return { ...first, fraction, thenUpTurns: comesDown ? turnsFor(BELOW_ARCMIN, knob).turns : null };
}
