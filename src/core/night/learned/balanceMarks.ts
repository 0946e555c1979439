/** Marks: where a rig stayed on earlier occasions, and what that teaches about its masses. */
import { sum, balancePositionM, leversAt, momentAtKgM, movingKgOf } from '../../mount/levers.ts';
import { MASS_DOUBT_SHARE, momentDoubtKgM } from '../../mount/massDoubt.ts';
import type { Part } from '../../records/part.ts';
import type { ReadingOf } from '../../records/reading.ts';
import type { Rig } from '../../records/rig.ts';
import { leversOf, statedDoubtKgM, type AxisLevers, type BalanceAxis, type Lever } from '../../rig/axisLevers.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { rigMasses } from '../../rig/rigMasses.ts';

/** A place where nothing dropped is good to this, one sigma. */
const STAY_DOUBT_M = 0.004;
/** Arms closer than this are the same place. */
const SAME_ARM_M = 0.001;

export type Mark = { takenAtUtc: string; positionM: number };
export type Taught = {
  mark: Mark;
  /** Moment about the axis beyond the stated masses, kg m, + as the arms. */
  excessKgM: number;
  /** Doubt of tonight's moment that is left, kg m. */
  doubtKgM: number;
  /** Pieces on the axis now that were not there then, gone since, or at another place. */
  added: string[];
  removed: string[];
  moved: string[];
};

/** The levers of a rig on the axis, by its record and these parts. */
export function rigLevers(
  axis: BalanceAxis,
  rig: Rig,
  parts: readonly Part[],
  moverId: string | null = null,
): AxisLevers | null {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const mount = byId.get(rig.mountId);
  const tube = byId.get(rig.imagingTubeId);
  const around = {
    rig,
    masses: rigMasses(rig, byId),
    mount: mount?.kind === 'mount' ? mount : null,
    tube: tube?.kind === 'tube' ? tube : null,
  };
  return leversOf(axis, around, moverId);
}

/** What hangs where on the axis, apart from the place of what is moved to balance it. Trials of one dress belong
 *  together, whatever the parts are said to weigh. */
export function dressOf({ axis, fixed, moving, presentM, sense }: AxisLevers): string {
  const at = (armM: number): string => armM.toFixed(3);
  return [
    axis,
    ...fixed.map((l) => `${l.id} ${l.partId} ${at(l.armM)}`).sort(),
    ...moving.map((l) => `${l.id} ${l.partId} moves ${at(l.armM - sense * presentM)}`).sort(),
  ].join('; ');
}

/** The part that a sideways reading was taken with stands in its subject. */
export function moverOf(reading: ReadingOf<'balance'>, rig: Rig): string | null {
  if (reading.values.axis !== 'sideways' || reading.subject.type !== 'part') return null;
  return rig.placed.find((p) => p.partId === reading.subject.id)?.placedId ?? null;
}

/** The levers with which a reading was taken, by the masses known now; null when its snapshot is gone. */
function leversThen(reading: ReadingOf<'balance'>, { snapshots, parts, rig }: NightRecords): AxisLevers | null {
  const kept = snapshots.get(reading.snapshotId);
  if (kept?.rigId !== rig.id) return null;
  const snapshot = kept.whole();
  const now = new Map(parts.filter((p) => p.deletedAtUtc === null).map((p) => [p.id, p]));
  const known = snapshot.parts.map((p) => now.get(p.id) ?? p);
  return rigLevers(reading.values.axis, snapshot.rig, known, moverOf(reading, snapshot.rig));
}

/** Readings of the axis taken tonight with the dress of now, in order. */
export function trialsInDress(records: NightRecords, levers: AxisLevers): ReadingOf<'balance'>[] {
  const dress = dressOf(levers);
  return records.readings.filter((r): r is ReadingOf<'balance'> => {
    if (r.kind !== 'balance' || r.values.axis !== levers.axis) return false;
    const then = leversThen(r, records);
    return then !== null && dressOf(then) === dress;
  });
}

type Change = Pick<Taught, 'added' | 'removed' | 'moved'> & { doubtKgM: number };

/** What differs between two dresses, and how uncertain the difference of their moments is. */
function changeBetween(then: readonly Lever[], now: readonly Lever[], slid: ReadonlySet<string>): Change {
  const before = new Map(then.map((l) => [`${l.id} ${l.partId}`, l]));
  const after = new Map(now.map((l) => [`${l.id} ${l.partId}`, l]));
  const added = [...after].filter(([key]) => !before.has(key)).map(([, l]) => l);
  const removed = [...before].filter(([key]) => !after.has(key)).map(([, l]) => l);
  const kept = [...after].flatMap(([key, lever]) => {
    const old = before.get(key);
    return old ? [{ lever, byM: lever.armM - old.armM }] : [];
  });
  const moved = kept.filter(({ byM }) => Math.abs(byM) > SAME_ARM_M);
  const doubts = [
    ...[...added, ...removed].map(momentDoubtKgM),
    // What slides together keeps its places within itself: only its mass is in doubt, times the way.
    ...moved.map(({ lever, byM }) =>
      Math.hypot(
        MASS_DOUBT_SHARE[lever.massBasis] * lever.massKg * byM,
        slid.has(lever.id) ? 0 : lever.placeDoubtM * lever.massKg,
      ),
    ),
  ];
  return {
    added: added.map((l) => l.name),
    removed: removed.map((l) => l.name),
    moved: moved.filter(({ lever }) => !slid.has(lever.id)).map(({ lever }) => lever.name),
    doubtKgM: Math.sqrt(sum(doubts, (d) => d ** 2)),
  };
}

/** What the last balance of this rig teaches for the axis as it is dressed now; null before the first one, or when so
 *  much changed that the stated masses know better. Trials of tonight with the present dress are no teachers. */
export function taughtFor(records: NightRecords, levers: AxisLevers): Taught | null {
  const dress = dressOf(levers);
  const plainM = balancePositionM(levers);
  const ofThisRig = (id: string): boolean => records.snapshots.get(id)?.rigId === records.rig.id;
  for (const reading of records.known.latest('balance', { takenWith: ofThisRig, settledOn: levers.axis })) {
    const { positionM } = reading.values;
    const then = leversThen(reading, records);
    if (positionM === null || !then || (reading.nightId === records.night.id && dressOf(then) === dress)) continue;
    const slid = new Set(levers.moving.map((l) => l.id));
    const { doubtKgM, ...change } = changeBetween(leversAt(then, positionM), leversAt(levers, plainM), slid);
    const left = Math.hypot(doubtKgM, STAY_DOUBT_M * movingKgOf(levers));
    if (left > statedDoubtKgM(levers, plainM)) return null;
    const mark = { takenAtUtc: reading.takenAtUtc, positionM };
    return { mark, excessKgM: -momentAtKgM(then, positionM), doubtKgM: left, ...change };
  }
  return null;
}
