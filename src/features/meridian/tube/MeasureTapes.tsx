import { headCapsules, movingCapsules, standingCapsules } from '../../../core/mount/clearance.ts';
import type { TubeClearance } from '../../../core/night/plan/tubeClearance.ts';
import { homePose, measureTapes, type TapeCode } from '../../../core/rig/measureTapes.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { CLEAR, keptInWords, tapeWords } from '../../../text/clearanceWords.ts';
import { ClearanceView } from '../../../ui/instruments/ClearanceView.tsx';
import { COMPASS } from '../model.ts';

/** Seen from the pole's side; the others from the east. */
const ACROSS: readonly TapeCode[] = ['tubeOffset'];

/** The measures the clearance rests on, drawn where the tape is held. */
export function MeasureTapes({ tube }: { tube: TubeClearance }) {
  const { records } = useNight();
  const { format } = useShared();
  const { latDeg } = records.site;
  const tapes = measureTapes(tube, latDeg);
  const south = latDeg < 0;
  const { geometry } = tube;
  const pose = homePose(latDeg);
  return (
    <div className="section">
      <h2>{CLEAR.measure}</h2>
      <p className="soft mb-1">{CLEAR.measureHint}</p>
      <div className="rig-views">
        {(['east', 'pole'] as const).map((side) => (
          <figure key={side}>
            <ClearanceView
              label={`${CLEAR.measure}. ${CLEAR.views[side]}`}
              side={side}
              south={south}
              standing={standingCapsules(geometry, latDeg)}
              head={headCapsules(geometry, latDeg, pose)}
              moving={movingCapsules(geometry, latDeg, pose)}
              gap={null}
              tapes={tapes.filter(({ code }) => ACROSS.includes(code) === (side === 'pole'))}
              compass={COMPASS[side][south ? 'south' : 'north']}
            />
            <figcaption>{CLEAR.views[side]}</figcaption>
          </figure>
        ))}
      </div>
      <ul className="advice">
        {tapes.map((tape) => (
          <li key={tape.code}>{tapeWords(tape, format)}.</li>
        ))}
        {tube.unmeasured.map((what) => (
          <li key={what}>{keptInWords(what)}</li>
        ))}
      </ul>
    </div>
  );
}
