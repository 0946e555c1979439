/** What the instruction of each bench needs: the same table that the list of steps asks. */
import { HAND_STEPS } from '../../rig/assembly.ts';
import type { Step } from '../../records/reading.ts';
import type { NightStatic } from '../nightStatic.ts';
import type { Visit } from '../plan/run.ts';
import { ledgerOf, missingFor, orderOfNight, type Missing } from './ledger.ts';
import type { Movement } from './movements.ts';
import { movesOfNight } from './movesOfNight.ts';

export type BenchPlace = { step: Step; tab: string | null; visit: Visit | null };

const BENCH_MOVEMENTS: Partial<Record<Step, Movement>> = {
  level: 'bearing',
  balance: 'tipTest',
  polar: 'pole',
  pointing: 'focus',
  tracking: 'firstSub',
  watch: 'firstSub',
};
const LEVEL_TABS: Readonly<Record<string, Movement>> = { level: 'level', latitude: 'latitude' };
/** Where nothing is moved, or where the list of steps says for each what is first. */
const STILL_TABS: readonly string[] = ['pieces', 'order'];

/** What the hands do at a bench; null where they only plan. */
export function movementAt(night: NightStatic, { step, tab, visit }: BenchPlace): Movement | null {
  if (step === 'level') return LEVEL_TABS[tab ?? ''] ?? 'bearing';
  if (step === 'polar' && orderOfNight(night).includes('poleCheck'))
    return visit === 'rough' ? 'roughPole' : 'poleCheck';
  return STILL_TABS.includes(tab ?? '') ? null : (BENCH_MOVEMENTS[step] ?? null);
}

/** What is to be won before the hands do what this bench says. Of what was never told, only where tonight's steps are
 *  ticked: who keeps no list is not asked for its ticks. Silent once it is done. */
export function missingAt(night: NightStatic, place: BenchPlace): Missing[] {
  const movement = movementAt(night, place);
  const moved = new Set<Movement>(movesOfNight(night).map((m) => m.movement));
  if (movement === null || moved.has(movement)) return [];
  const keepsList = HAND_STEPS.some((step) => moved.has(step));
  return missingFor(orderOfNight(night), ledgerOf(night), movement).filter(
    ({ standing }) => standing.state === 'lost' || keepsList,
  );
}
