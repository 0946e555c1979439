/** Do the weights of tonight stand off their bar, and what then: by the masses before the first trial, by the trials later. */
import { sum } from '../../../mount/levers.ts';
import { offBarOf, type OffBar } from '../../../mount/offBar.ts';
import { usualTip, type TipOfNight } from '../../learned/tipOfNight.ts';
import type { NightStatic } from '../../nightStatic.ts';
import type { RaBalanceInput } from '../../../mount/balance.ts';

/** Where the trials put the balance when that is off the bar; null while they do not. */
const triedOffM = (tip: TipOfNight | null): number | null =>
  tip === null || tip.trials.length === 0 || tip.estimate.off === null ? null : tip.estimate.middleM;

/** What hangs on the bar, with what tonight's answers say beyond the stated masses. Null without a bar. */
export function triedInput({ bar, records }: NightStatic): RaBalanceInput | null {
  if (!bar) return null;
  const offM = triedOffM(usualTip(records, 'ra'));
  if (offM === null) return bar.rig.input;
  const { input, movable } = bar.rig;
  const beyondKgM = (offM - (bar.found.positionM ?? offM)) * sum(movable, (w) => w.massKg);
  return { ...input, learnedMomentKgM: (input.learnedMomentKgM ?? 0) + beyondKgM };
}

export function offBarOfNight(night: NightStatic): OffBar | null {
  const input = triedInput(night);
  if (!night.bar || !input) return null;
  const tip = usualTip(night.records, 'ra');
  // Once answers came in, they alone say so.
  if (tip && tip.trials.length > 0 && triedOffM(tip) === null) return null;
  return offBarOf(input, night.bar.rig.box);
}
