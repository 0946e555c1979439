/** What the tip tests of the balance bench show, as codes and figures. */
import { biasedPositionM, raBalance, type RaBalance, type RaBalanceInput } from '../../core/mount/balance.ts';
import {
  barExtensionM,
  clampShift,
  weightSets,
  type ClampShift,
  type SetProposal,
} from '../../core/mount/balanceProposals.ts';
import { PLAIN_TAPE, tapeReadingM, type Tape } from '../../core/mount/tape.ts';
import type { BalanceAxis } from '../../core/rig/axisLevers.ts';
import { balanceOrder, nextStep } from '../../core/night/advice/hands/balanceOrder.ts';
import { offBarOfNight, triedInput } from '../../core/night/advice/hands/offBarOfNight.ts';
import { impliedPiece, type Implied } from '../../core/rig/impliedPiece.ts';
import type { BarOfNight, NightStatic } from '../../core/night/nightStatic.ts';
import { mountHasBar, type RigGap } from '../../core/rig/rigNumbers.ts';
import { ringsByDeg, ringsTurn } from '../../core/rig/ringsTurn.ts';
import { tapeOfRig } from '../../core/rig/tapeOfRig.ts';
import { tipOfNight, usualTip, type TipOfNight } from '../../core/night/learned/tipOfNight.ts';
import type { SettingValue } from '../../core/records/setting.ts';
import type { BalanceSaying, Why } from '../../text/balanceWords.ts';

export type Remedies = {
  sets: SetProposal[];
  setsThatFit: number;
  extensionM: number | null;
  clamp: ClampShift | null;
};

export type AxisModel = {
  saying: BalanceSaying;
  /** What the rig lacks for this bench. */
  gaps: RigGap[];
  /** Null for mounts without a bar, while the rig is incomplete, and where nothing can be moved. */
  tip: TipOfNight | null;
  tape: Tape;
  /** Where the piece is: the last trial of tonight, else the rig's own record. */
  setM: number | null;
  /** Where it should go next. */
  goalM: number | null;
  /** Only when the weights' place lies off the bar. */
  remedies: Remedies | null;
  /** After a balance that the stated masses do not explain. */
  implied: Implied | null;
  /** Moments and masses about the polar axis; right ascension only. */
  found: RaBalance | null;
};

/** Closer than this nobody slides a piece on purpose. */
const SAME_PLACE_M = 0.003;

/** Ways out when the weights would stand off the bar; the trials' own word counts more than the stated masses. */
function remediesFor({ rig }: BarOfNight, input: RaBalanceInput): Remedies {
  const sets = weightSets(input, rig.box);
  return {
    sets: sets.slice(0, 3),
    setsThatFit: sets.length,
    extensionM: barExtensionM(input),
    clamp: rig.clampPartId === null ? null : clampShift(input, rig.clampPartId),
  };
}

function whyOf(tip: TipOfNight, tape: Tape): Why {
  const { trials, estimate, taught, problem } = tip;
  const last = trials.at(-1);
  const reading = (positionM: number): number => tapeReadingM(tape, positionM);
  if (last) {
    return { code: 'answers', lastDrop: last.drops, lowM: reading(estimate.lowM), highM: reading(estimate.highM) };
  }
  if (!taught) return { code: 'stated', withinM: problem.sigmaM };
  const { mark, added, removed, moved } = taught;
  return { code: 'lastTime', atM: reading(mark.positionM), added, removed, moved };
}

/** Before the flip the tube hangs west of the column, after it east, in both hemispheres. */
function tubeSideAtStart({ plan }: NightStatic): 'west' | 'east' {
  return plan?.subs[0]?.side === 'after' ? 'east' : 'west';
}

/** Balanced: leave it, or east a little heavy for those who want that. */
function balancedSaying(
  night: NightStatic,
  axis: BalanceAxis,
  at: { balancedM: number; setM: number; tape: Tape; biasMm: number },
): BalanceSaying {
  const tubeSide = tubeSideAtStart(night);
  if (axis === 'ra' && night.records.schools.balance === 'eastHeavy') {
    const toM = biasedPositionM(at.balancedM, at.biasMm, tubeSide);
    return {
      code: 'bias',
      moveM: toM - at.balancedM,
      toM: tapeReadingM(at.tape, toM),
      stepM: (2 * at.biasMm) / 1000,
      tubeSide,
    };
  }
  const next = nextStep(balanceOrder(night));
  return { code: 'balanced', axis, atM: tapeReadingM(at.tape, at.setM), next };
}

type Place = { tip: TipOfNight; tape: Tape; setM: number; goalM: number };

function tipSaying(night: NightStatic, axis: BalanceAxis, place: Place, biasMm: number): BalanceSaying {
  const { tip, tape, setM, goalM } = place;
  const { balancedM, off } = tip.estimate;
  if (balancedM !== null) return balancedSaying(night, axis, { balancedM, setM, tape, biasMm });
  if (axis === 'dec' && off !== null) return { code: 'offSaddle', toward: off === 'above' ? 'front' : 'rear' };
  const atM = tapeReadingM(tape, goalM);
  if (tip.trials.at(-1)?.drops === 'none' && goalM === setM) return { code: 'again', axis, atM };
  const why = whyOf(tip, tape);
  if (Math.abs(goalM - setM) < SAME_PLACE_M) return { code: 'try', axis, atM, why };
  return { code: 'move', axis, name: tip.levers.moving[0]?.name ?? '', moveM: goalM - setM, toM: atM, why };
}

const NOTHING = { tip: null, tape: PLAIN_TAPE, setM: null, goalM: null, remedies: null, implied: null, found: null };

/** A missing camera does not keep anybody from balancing. */
const gapsOf = ({ numbers }: NightStatic): RigGap[] => numbers.gaps.filter((gap) => gap.code !== 'cameraMissing');

/** A camera at the tube's side is taken round before anything else is shifted; null when it points where it has to. */
function ringsModel({ numbers, records }: NightStatic, tip: TipOfNight | null): AxisModel | null {
  const turn = ringsTurn(numbers, records.rig);
  if (!turn) return null;
  const byDeg = ringsByDeg(turn);
  if (byDeg !== 0) return { ...NOTHING, saying: { code: 'turnRings', byDeg }, gaps: [] };
  return tip ? null : { ...NOTHING, saying: { code: 'ringsStay' }, gaps: [] };
}

/** The state before any piece can be moved; null when the tip test can go on. */
function hindrance(night: NightStatic, axis: BalanceAxis, tip: TipOfNight | null): AxisModel | null {
  const { mount } = night.numbers;
  if (mount && !mountHasBar(mount)) {
    return { ...NOTHING, saying: { code: 'notNeeded', drive: mount.drive }, gaps: [] };
  }
  const gaps = gapsOf(night);
  const found = night.bar?.found ?? null;
  if (!night.bar) return { ...NOTHING, saying: { code: 'incomplete' }, gaps };
  const rings = axis === 'sideways' ? ringsModel(night, tip) : null;
  if (rings) return rings;
  if (tip) return null;
  if (axis !== 'ra') return { ...NOTHING, saying: { code: 'noMover', axis }, gaps: [] };
  const off = offBarOfNight(night);
  if (off) return { ...NOTHING, saying: { code: 'offBar', off }, gaps, found };
  const momentKgM = night.bar.found.momentNeededFromWeightsKgM;
  return { ...NOTHING, saying: { code: 'noWeight', momentKgM }, gaps, found };
}

/** The tip test itself, with the ways out where the weights' place lies off the bar. */
function testedModel(
  night: NightStatic,
  { axis, tip, bar }: { axis: BalanceAxis; tip: TipOfNight; bar: BarOfNight },
  settings: SettingValue<'balance'>,
): AxisModel {
  const tape = tapeOfRig(night.numbers, axis, settings);
  const setM = tip.trials.at(-1)?.positionM ?? tip.levers.presentM;
  const { balancedM, nextM } = tip.estimate;
  const goalM = balancedM ?? nextM;
  const shared = {
    gaps: gapsOf(night),
    tip,
    tape,
    setM,
    implied: balancedM === null ? null : impliedPiece(tip.levers, balancedM),
    found: axis === 'ra' ? bar.found : null,
  };
  const off = axis === 'ra' ? offBarOfNight(night) : null;
  const input = triedInput(night);
  if (off === null || input === null) {
    const saying = tipSaying(night, axis, { tip, tape, setM, goalM }, settings.biasMm);
    return { ...shared, saying, goalM, remedies: null };
  }
  const offM = raBalance(input).positionM ?? goalM;
  return { ...shared, saying: { code: 'offBar', off }, goalM: offM, remedies: remediesFor(bar, input) };
}

/** @param moverId the piece shifted sideways, if one was chosen. */
export function axisModel(
  night: NightStatic,
  axis: BalanceAxis,
  settings: SettingValue<'balance'>,
  moverId: string | null = null,
): AxisModel {
  const tip = moverId === null ? usualTip(night.records, axis) : tipOfNight(night.records, axis, moverId);
  const { bar } = night;
  const hindered = hindrance(night, axis, tip);
  if (hindered) return hindered;
  if (!tip || !bar) return { ...NOTHING, saying: { code: 'incomplete' }, gaps: gapsOf(night) };
  return testedModel(night, { axis, tip, bar }, settings);
}
