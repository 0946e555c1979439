/** The payload's state in the run. */
import { footingOfRig } from '../../core/rig/footingOfRig.ts';
import type { Summary } from '../../session/stationState.ts';

/** Attention when the mount is overloaded or the outfit would fall; the power of the night is said on its own tab. */
export const payloadSummary: Summary = ({ load, numbers, records }, format) => {
  if (!load || numbers.masses.tubeSide.length === 0) return { state: 'open', reading: '' };
  const { is, allowed } = load.massKg;
  const footing = footingOfRig(numbers, records.site.latDeg, records.site.elevationM);
  const falls = footing !== null && !footing.worst.footing.stable;
  return {
    state: load.verdict === 'over' || falls ? 'attention' : 'done',
    reading: `${format.number(format.shown(is, 'mass'), 1)}/${format.quantity(allowed, 'mass', 1)}`,
  };
};
