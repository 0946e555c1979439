import { handOfNight } from '../../core/night/handOfNight.ts';
import { useNight, useShared } from '../../session/session.ts';
import { CAUTIONS } from '../../text/cautions.ts';
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
      {station && <p className="caution">{CAUTIONS[station.step]}</p>}
    </>
  );
}
