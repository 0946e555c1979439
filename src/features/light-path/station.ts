/** The light path's state in the run: right, wrong, or not yet known. */
import { presentLook } from '../../core/night/account/seenSpread.ts';
import type { CornersVerdict } from '../../core/optics/corners/judgeCorners.ts';
import { visualView } from '../../core/optics/lightPath.ts';
import { isKnownRight, isKnownWrong } from '../../core/optics/spacing.ts';
import { magnificationWords } from '../../text/stations.ts';
import type { Summary } from '../../session/stationState.ts';

/** Corners seen with the stack as it stands, that want it or the camera set otherwise. */
const asksForChange = (code: CornersVerdict['code'] | undefined): boolean =>
  code === 'tooClose' || code === 'tooFar' || code === 'tilt';

export const lightPathSummary: Summary = ({ numbers, learned }, format) => {
  const { train, lightPath, eyeOptics } = numbers;
  if (eyeOptics) {
    const { magnification } = visualView(eyeOptics);
    return { state: 'done', reading: magnificationWords(magnification) };
  }
  if (!train) return { state: 'open', reading: '' };
  const { spacing, misfits } = lightPath;
  if (!spacing) return { state: 'done', reading: format.quantity(train.scaleArcsecPerPx, 'imageScale') };
  const look = presentLook(learned.spacing, spacing);
  const reading = format.quantity(spacing.presentMm, 'opticsMm');
  if (misfits.length > 0 || isKnownWrong(spacing) || asksForChange(look?.verdict.code))
    return { state: 'attention', reading };
  return { state: isKnownRight(spacing) ? 'done' : 'half', reading };
};
