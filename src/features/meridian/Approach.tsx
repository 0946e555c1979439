import {
  clearanceOf,
  closestPoints,
  headCapsules,
  movingCapsules,
  standingCapsules,
} from '../../core/mount/clearance.ts';
import { CLEARANCE_MARGIN_M, secondLimitMs, type TubeClearance } from '../../core/night/meridian/meridianLimit.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { CLEAR, gapWords, secondLimitWords } from '../../text/clearanceWords.ts';
import { ClearanceView } from '../../ui/instruments/ClearanceView.tsx';
import { Problem } from '../../ui/Problem.tsx';
import { isAfterFlip } from './model.ts';

/** Left and right in each view. */
const COMPASS = {
  pole: { north: ['east', 'west'], south: ['west', 'east'] },
  east: { north: ['south', 'north'], south: ['south', 'north'] },
} as const;
const SIDES = ['pole', 'east'] as const;

/** A target that never sets may bring the flipped tube down again before the night is over. */
function SecondLimit({ tube }: { tube: TubeClearance }) {
  const { usable, targetSky } = useNight();
  const { format } = useShared();
  const secondMs = secondLimitMs(tube, targetSky?.transit.transitMs ?? null);
  if (secondMs === null || !usable || secondMs >= usable.toMs) return null;
  return <p className="mb-0">{secondLimitWords(secondMs, format)}</p>;
}

/** The tube as it comes near to column and legs, at the ribbon's time, from two sides. */
export function Approach({ tube, label }: { tube: TubeClearance; label: string }) {
  const night = useNight();
  const { target, timeMs } = useNightAt();
  const { format } = useShared();
  const { latDeg } = night.records.site;
  const decDeg = night.targetSky?.ofDate.decDeg;
  if (!target || decDeg === undefined) return null;
  const { geometry, shift } = tube;
  const south = latDeg < 0;
  const pose = { haH: target.haH, decDeg, state: isAfterFlip(night, timeMs) ? 'afterFlip' : 'beforeFlip' } as const;
  const found = clearanceOf(geometry, latDeg)(pose);
  const clearanceM = found.clearanceM + (shift?.shiftM ?? 0);
  const line = closestPoints(geometry, latDeg, pose, found.closest);
  const words = gapWords(found.closest, clearanceM, format);
  const gap = {
    from: line.onFirst,
    to: line.onSecond,
    text: format.quantity(Math.max(0, clearanceM), 'barLength'),
    tight: clearanceM <= CLEARANCE_MARGIN_M,
  };
  return (
    <>
      <div className="rig-views">
        {SIDES.map((side) => (
          <figure key={side}>
            <ClearanceView
              label={`${CLEAR.views[side]}. ${label} ${words}`}
              side={side}
              south={south}
              standing={standingCapsules(geometry, latDeg)}
              head={headCapsules(geometry, latDeg, pose)}
              moving={movingCapsules(geometry, latDeg, pose)}
              gap={gap}
              compass={COMPASS[side][south ? 'south' : 'north']}
            />
            <figcaption>{CLEAR.views[side]}</figcaption>
          </figure>
        ))}
      </div>
      <p className="mb-0">
        {CLEAR.now}: <strong>{words}</strong>.{' '}
        <span className="soft">{gapWords(found.barClosest, found.barClearanceM, format)}.</span>
      </p>
      <SecondLimit tube={tube} />
      {found.barClearanceM <= 0 && <Problem>{gapWords(found.barClosest, found.barClearanceM, format)}.</Problem>}
    </>
  );
}
