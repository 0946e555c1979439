import { headCapsules, movingCapsules, standingCapsules } from '../../core/mount/clearance.ts';
import type { TubeClearance } from '../../core/night/plan/tubeClearance.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import { useIsAhead, useNightAt } from '../../session/useTime.ts';
import { CLEAR, gapWords, waitWords } from '../../text/clearanceWords.ts';
import { ClearanceView } from '../../ui/instruments/ClearanceView.tsx';
import { Problem } from '../../ui/Problem.tsx';
import { approachAt, COMPASS, waitOf } from './model.ts';

const SIDES = ['pole', 'east'] as const;

/** Where the tube is free on neither side for a while. */
function Waiting({ tube }: { tube: TubeClearance }) {
  const night = useNight();
  const { format } = useShared();
  const wait = waitOf(night);
  return wait && <Problem>{waitWords(wait.fromMs, wait.toMs, tube.unmeasured.length > 0, format)}</Problem>;
}

/** The tube as it comes near to column and legs, at the ribbon's time, from two sides. */
export function Approach({ tube, label }: { tube: TubeClearance; label: string }) {
  const night = useNight();
  const hasBar = useHas().has('bar');
  const found = approachAt(night, useNightAt(), useIsAhead());
  const { format } = useShared();
  if (!found) return null;
  const { latDeg } = night.records.site;
  const { geometry, pose, closest, clearanceM, sigmaM, tight, line, barClosest, barClearanceM } = found;
  const south = latDeg < 0;
  const words = gapWords(closest, { gapM: clearanceM, sigmaM }, geometry, format);
  const barWords = gapWords(barClosest, { gapM: barClearanceM, sigmaM: null }, geometry, format);
  const text = format.quantity(Math.max(0, clearanceM), 'barLength');
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
              gap={{ from: line.onFirst, to: line.onSecond, text, tight }}
              compass={COMPASS[side][south ? 'south' : 'north']}
            />
            <figcaption>{CLEAR.views[side]}</figcaption>
          </figure>
        ))}
      </div>
      <p className="mb-0">
        {CLEAR.now}: <strong>{words}</strong>. {hasBar && <span className="soft">{barWords}.</span>}
      </p>
      <Waiting tube={tube} />
      {hasBar && barClearanceM <= 0 && <Problem>{barWords}.</Problem>}
    </>
  );
}
