/** What a turn of this mount's bolt and knobs does: learned from its logged turns, else by pitch and lever, else unknown. */
import {
  arcminPerTurn,
  isLearned,
  learnKnob,
  learnLockShift,
  senseOf,
  turnsFor,
  type LearnedKnob,
  type LearnedLockShift,
  type LoggedTurn,
} from '../mount/knobs.ts';
import type { MountPart } from '../records/part.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import type { NightRecords } from './nightRecords.ts';
import { poleLiftArcmin } from './poleLift.ts';

export type Adjuster = 'altitude' | 'azimuth';
export type KnobBasis = 'learned' | 'geometry' | 'few';
export type Knob = {
  /** Arcmin per clockwise turn, signed like the error. */
  gainArcminPerTurn: number;
  deadTurns: number;
  /** `few`: some turns were logged, not enough or too far apart to trust, and pitch and lever are not known. */
  basis: KnobBasis;
  learned: LearnedKnob | null;
};

/** Screws are cleaned and greased: older turns say nothing any more. */
const KEPT_TURNS = 24;
const KEPT_SHIFTS = 8;

function ofMount({ history, readings, rig }: NightRecords): Reading[] {
  return [...history, ...readings].filter((r) => r.subject.type === 'mount' && r.subject.id === rig.mountId);
}

/** An error that was measured, against the true pole. */
function errorOf({ values, snapshotId }: ReadingOf<'polarError'>, adjuster: Adjuster, records: NightRecords): number {
  if (adjuster === 'azimuth') return values.azErrorArcmin;
  const { latDeg } = records.snapshots.get(snapshotId)?.site ?? records.site;
  return values.altErrorArcmin + (values.reference === 'refracted' ? poleLiftArcmin(latDeg) : 0);
}

/** The error that followed a turn: as stated with it, else the next one measured that night. Several turns of the same
 *  knob before it, or a tightening, leave a turn without an outcome. */
function outcome(all: readonly Reading[], at: number, adjuster: Adjuster, records: NightRecords): number | null {
  const turn = all[at];
  if (turn?.kind !== 'knobTurn') return null;
  if (turn.values.afterArcmin !== null) return turn.values.afterArcmin;
  for (const later of all.slice(at + 1)) {
    if (later.nightId !== turn.nightId) return null;
    if (later.kind === 'knobTurn' && later.values.adjuster === adjuster) return null;
    if (later.kind === 'lockShift') return null;
    if (later.kind === 'polarError') return errorOf(later, adjuster, records);
  }
  return null;
}

/** True when the error before a turn was measured, not reckoned: no other turn of the knob came in between. */
function startsMeasured(all: readonly Reading[], at: number, adjuster: Adjuster): boolean {
  const night = all[at]?.nightId;
  const before = all
    .slice(0, at)
    .findLast(
      (r) =>
        r.nightId === night && (r.kind === 'polarError' || (r.kind === 'knobTurn' && r.values.adjuster === adjuster)),
    );
  return before?.kind !== 'knobTurn' || before.values.afterArcmin !== null;
}

export function loggedTurns(records: NightRecords, adjuster: Adjuster): LoggedTurn[] {
  const all = ofMount(records);
  return all
    .flatMap((r, i): LoggedTurn[] => {
      if (r.kind !== 'knobTurn' || r.values.adjuster !== adjuster) return [];
      const afterArcmin = outcome(all, i, adjuster, records);
      const { turns, beforeArcmin, afterLockOrReversal } = r.values;
      return afterArcmin === null || !startsMeasured(all, i, adjuster)
        ? []
        : [{ turns, beforeArcmin, afterArcmin, afterLockOrReversal }];
    })
    .slice(-KEPT_TURNS);
}

function byGeometry(mount: MountPart | null, adjuster: Adjuster): number | null {
  const { pitchMm = null, leverMm = null, clockwiseMoves = null } = mount?.adjusters?.[adjuster] ?? {};
  if (pitchMm === null || leverMm === null || clockwiseMoves === null) return null;
  return senseOf(clockwiseMoves) * arcminPerTurn(pitchMm, leverMm);
}

/** Null when nothing is known of this knob yet. */
export function knobOfMount(records: NightRecords, mount: MountPart | null, adjuster: Adjuster): Knob | null {
  const learned = learnKnob(loggedTurns(records, adjuster));
  if (learned && isLearned(learned)) return { ...pick(learned), basis: 'learned', learned };
  const gain = byGeometry(mount, adjuster);
  if (gain !== null) return { gainArcminPerTurn: gain, deadTurns: 0, basis: 'geometry', learned };
  return learned ? { ...pick(learned), basis: 'few', learned } : null;
}

const pick = ({ gainArcminPerTurn, deadTurns }: LearnedKnob) => ({ gainArcminPerTurn, deadTurns });

/** What tightening does to this mount; null before the first record. */
export function lockShiftOfMount(records: NightRecords): LearnedLockShift | null {
  const shifts = ofMount(records).flatMap((r) => (r.kind === 'lockShift' ? [r.values] : []));
  return learnLockShift(shifts.slice(-KEPT_SHIFTS));
}

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
