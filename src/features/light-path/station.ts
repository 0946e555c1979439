/** The light path's state in the run: right, wrong, or not yet known. */
import type { Summary } from '../../session/stationState.ts';

export const lightPathSummary: Summary = ({ numbers }, format) => {
  const { train, lightPath } = numbers;
  if (!train) return { state: 'open', reading: '' };
  const { spacing, misfits } = lightPath;
  if (!spacing) return { state: 'done', reading: format.quantity(train.scaleArcsecPerPx, 'imageScale') };
  const right = spacing.withinTolerance && misfits.length === 0;
  return { state: right ? 'done' : 'attention', reading: format.quantity(spacing.presentMm, 'opticsMm') };
};
