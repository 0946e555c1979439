/** The light path's state in the run: right, wrong, or not yet known. */
import { visualView } from '../../core/optics/lightPath.ts';
import { magnificationWords } from '../../text/stations.ts';
import type { Summary } from '../../session/stationState.ts';

export const lightPathSummary: Summary = ({ numbers }, format) => {
  const { train, lightPath, tube, eyepiece } = numbers;
  if (tube && eyepiece) {
    const { magnification } = visualView({ ...tube, eyepieceMm: eyepiece.focalMm });
    return { state: 'done', reading: magnificationWords(magnification) };
  }
  if (!train) return { state: 'open', reading: '' };
  const { spacing, misfits } = lightPath;
  if (!spacing) return { state: 'done', reading: format.quantity(train.scaleArcsecPerPx, 'imageScale') };
  const right = spacing.withinTolerance && misfits.length === 0;
  return { state: right ? 'done' : 'attention', reading: format.quantity(spacing.presentMm, 'opticsMm') };
};
