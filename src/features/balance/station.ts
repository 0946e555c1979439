/** The balance's state in the run: done when right ascension stayed, with the rig dressed as it is. */
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { offBarOfNight } from '../../core/night/advice/hands/offBarOfNight.ts';
import { offBarPlace } from '../../text/offBarWords.ts';
import { forkTrial } from '../../core/night/ledger/balancedTonight.ts';
import { balancesTubeAlone } from '../../core/rig/rigNumbers.ts';
import { usualTip, type TipOfNight } from '../../core/night/learned/tipOfNight.ts';
import type { Summary } from '../../session/stationState.ts';
import type { StationState } from '../../text/stations.ts';

function stateWith({ records }: NightStatic, tip: TipOfNight | null, isOff: boolean): StationState {
  const tried = tip !== null && tip.trials.length > 0;
  const triedOtherwise = records.readings.some((r) => r.kind === 'balance' && r.values.axis === 'ra');
  // Trials with another dress say nothing about this one.
  if (isOff || (!tried && triedOtherwise)) return 'attention';
  if (!tried) return 'open';
  return tip.estimate.balancedM === null ? 'half' : 'done';
}

/** A fork's tube that was tried and stays. */
function ofFork(night: NightStatic): StationState {
  const trial = forkTrial(night);
  if (!trial) return night.records.tonight.last('balance') ? 'attention' : 'open';
  return trial.values.drops === 'none' ? 'done' : 'half';
}

export const balanceSummary: Summary = (night, format) => {
  if (balancesTubeAlone(night.numbers.mount)) return { state: ofFork(night), reading: '' };
  const tip = usualTip(night.records, 'ra');
  const off = offBarOfNight(night);
  const shownM = night.bar ? (tip?.trials.at(-1)?.positionM ?? night.bar.found.positionM) : null;
  return {
    state: stateWith(night, night.bar ? tip : null, off !== null && off.code !== 'noWeight'),
    reading: off ? offBarPlace(off, format) : shownM === null ? '' : format.quantity(shownM, 'barLength'),
  };
};
