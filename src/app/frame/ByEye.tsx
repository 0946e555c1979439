import { handOfNight } from '../../core/night/advice/hands/handOfNight.ts';
import { motorsOf } from '../../core/mount/motors.ts';
import { useNight, useShared } from '../../session/session.ts';
import { cautionOf } from '../../text/cautions.ts';
import { byEyeWords } from '../../text/handWords.ts';
import { BY_EYE, stationOf } from '../../text/stations.ts';

/** Somebody looks: no subs, no verdict on them. */
export function ByEye({ step }: { step: string }) {
  const night = useNight();
  const { format } = useShared();
  const station = stationOf(step);
  return (
    <>
      <p>
        <strong>{BY_EYE}</strong> {byEyeWords(handOfNight(night), format)}
      </p>
      {station && <p className="caution">{cautionOf(station.step, motorsOf(night.numbers.mount))}</p>}
    </>
  );
}
