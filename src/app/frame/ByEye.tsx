import { handOfNight } from '../../core/night/advice/hands/handOfNight.ts';
import { useNight, useShared } from '../../session/session.ts';
import { Caution } from './Caution.tsx';
import { byEyeWords } from '../../text/handWords.ts';
import { BY_EYE } from '../../text/stations.ts';

/** Somebody looks: no subs, no verdict on them. */
export function ByEye({ step }: { step: string }) {
  const night = useNight();
  const { format } = useShared();
  return (
    <>
      <p>
        <strong>{BY_EYE}</strong> {byEyeWords(handOfNight(night), format)}
      </p>
      <Caution step={step} />
    </>
  );
}
