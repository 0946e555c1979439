/** What the balance bench shows, as codes and figures. */
import type { RaBalance } from '../../core/mount/balance.ts';
import {
  barExtensionM,
  clampShift,
  weightSets,
  type ClampShift,
  type SetProposal,
} from '../../core/mount/balanceProposals.ts';
import { nextTipPositionM, type TipTrial } from '../../core/mount/tipTest.ts';
import { lastReading } from '../../core/night/nightRecords.ts';
import type { BarOfNight, NightStatic } from '../../core/night/nightStatic.ts';
import { mountHasBar, type RigGap } from '../../core/night/rigNumbers.ts';
import type { BalanceSaying } from '../../text/balanceWords.ts';

export type Remedies = {
  sets: SetProposal[];
  setsThatFit: number;
  extensionM: number | null;
  clamp: ClampShift | null;
};

export type BarModel = {
  rig: BarOfNight['rig'];
  found: RaBalance;
  /** Where the weight is: the last trial of tonight with this rig, else the rig's own record. */
  setM: number | null;
  /** Where it should go next. */
  goalM: number | null;
  trials: TipTrial[];
  /** Only when the position lies off the bar. */
  remedies: Remedies | null;
};

export type BalanceModel = {
  saying: BalanceSaying;
  /** What the rig lacks for this bench. */
  gaps: RigGap[];
  /** Null for mounts without a bar, and while the rig is incomplete. */
  bar: BarModel | null;
  /** The last position of an earlier night at which nothing dropped. */
  lastTime: { positionM: number; atUtc: string } | null;
};

/** Closer than this nobody slides a weight on purpose. */
const SAME_PLACE_M = 0.003;

/** Tonight's trials with the rig as it is now, in order. */
function trialsOf(night: NightStatic): TipTrial[] {
  const { readings, presentSnapshotIds } = night.records;
  return readings.flatMap((r) =>
    r.kind === 'balance' && r.values.axis === 'ra' && presentSnapshotIds.has(r.snapshotId) ? [r.values] : [],
  );
}

function remediesFor({ rig, found }: BarOfNight): Remedies | null {
  if (found.inRange) return null;
  const sets = weightSets(rig.input, rig.box);
  return {
    sets: sets.slice(0, 3),
    setsThatFit: sets.length,
    extensionM: barExtensionM(rig.input),
    clamp: rig.clampPartId === null ? null : clampShift(rig.input, rig.clampPartId),
  };
}

function barModel(night: NightStatic, bar: BarOfNight): BarModel {
  const trials = trialsOf(night);
  const { positionM } = bar.found;
  return {
    ...bar,
    trials,
    goalM: positionM === null ? null : nextTipPositionM(trials, positionM),
    setM: trials.at(-1)?.positionM ?? bar.rig.movable[0]?.setM ?? null,
    remedies: remediesFor(bar),
  };
}

function sayingForBar(bar: BarModel): BalanceSaying {
  const { goalM, setM, found, trials, remedies } = bar;
  const momentKgM = found.momentNeededFromWeightsKgM;
  const [startM, endM] = bar.rig.input.barRangeM;
  const fits = remedies?.setsThatFit ?? 0;
  if (goalM === null || setM === null) return { code: 'noWeight', momentKgM };
  if (goalM > endM) return { code: 'beyondEnd', positionM: goalM, endM, fits };
  if (goalM < startM) return { code: 'insideStart', positionM: goalM, startM, fits };
  const lastDrop = trials.at(-1)?.drops ?? null;
  if (lastDrop === 'none') return { code: 'leave', positionM: setM, confirmed: true };
  if (Math.abs(goalM - setM) < SAME_PLACE_M) return { code: 'leave', positionM: goalM, confirmed: false };
  return { code: 'move', moveM: goalM - setM, toM: goalM, lastDrop, momentKgM };
}

export function balanceModel(night: NightStatic): BalanceModel {
  const { mount, gaps } = night.numbers;
  const bar = night.bar ? barModel(night, night.bar) : null;
  const { rig, history } = night.records;
  const before = lastReading(
    history,
    'balance',
    (r) => r.values.axis === 'ra' && r.values.drops === 'none' && r.subject.id === rig.id,
  );
  const lastTime = before ? { positionM: before.values.positionM, atUtc: before.takenAtUtc } : null;
  if (mount && !mountHasBar(mount)) {
    return { saying: { code: 'notNeeded', drive: mount.drive }, gaps: [], bar: null, lastTime: null };
  }
  const needed = gaps.filter((gap) => gap.code !== 'cameraMissing');
  return { saying: bar ? sayingForBar(bar) : { code: 'incomplete' }, gaps: needed, bar, lastTime };
}
