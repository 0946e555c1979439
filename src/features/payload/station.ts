/** The payload's state in the run. */
import type { Summary } from '../../session/stationState.ts';

export const payloadSummary: Summary = ({ load, numbers }, format) => {
  if (!load || numbers.masses.tubeSide.length === 0) return { state: 'open', reading: '' };
  const { is, allowed } = load.massKg;
  return {
    state: load.verdict === 'over' ? 'attention' : 'done',
    reading: `${format.number(format.shown(is, 'mass'), 1)}/${format.quantity(allowed, 'mass', 1)}`,
  };
};
