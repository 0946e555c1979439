import { eyeHeights } from '../../core/rig/eyepieceHeight.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { HEIGHTS, heightFigures, heightsReason } from '../../text/eyeHeightWords.ts';
import { FigureList } from '../../ui/FigureList.tsx';

/** Where the eye is, and how high somebody sits for it. */
export function EyeHeights() {
  const { numbers, records, targetSky } = useNight();
  const { target } = useNightAt();
  const { format } = useShared();
  if (!numbers.eyepiece) return null;
  const aim = target && targetSky ? { haH: target.haH, decDeg: targetSky.ofDate.decDeg } : null;
  const heights = eyeHeights(numbers, records.site.latDeg, aim);
  return (
    <div className="section">
      <h2>{HEIGHTS.heights}</h2>
      {heights ? <FigureList figures={heightFigures(heights, format)} /> : <p>{HEIGHTS.noEyepiece}</p>}
      <p className="soft">{heightsReason(format)}</p>
    </div>
  );
}
