import { Button } from 'react-bootstrap';
import { useSearchParams } from 'react-router';
import { goalOfNight } from '../../../core/night/ledger/goalOfNight.ts';
import { useNight, useSession, useShared } from '../../../session/session.ts';
import { recordLabel, useRecord } from '../../../session/useRecord.ts';
import { useIsLive } from '../../../session/useTime.ts';
import { AxesOpened } from './AxesOpened.tsx';
import { setByEyeSaid } from '../../../text/goalWords.ts';

/** On a tracker's last visit the tick says that the star still stood there with everything on. */
export function SetByEye() {
  const { clock } = useSession();
  const { format } = useShared();
  const night = useNight();
  const isLive = useIsLive();
  const record = useRecord();
  const [params] = useSearchParams();
  if (night.records.fromSnapshot) return null;
  const isFinal = params.get('visit') === 'final';
  const label = isFinal ? 'It still stands there, clutch tight' : 'The star is there';
  const tick = (): void => {
    const values = { what: isFinal ? 'lastPoleCheck' : 'setByEye' } as const;
    void record(
      { step: 'polar', subject: { type: 'mount', id: night.records.rig.mountId }, kind: 'event', values },
      setByEyeSaid(isFinal, goalOfNight(night), format),
    );
  };
  return (
    <div className="actions">
      <Button variant="primary" onClick={tick}>
        {recordLabel(label, isLive, format.clock(clock.nowMs()))}
      </Button>
      <AxesOpened />
    </div>
  );
}
