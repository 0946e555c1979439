import { Button } from 'react-bootstrap';
import { hasHome } from '../../../core/night/ledger/ledger.ts';
import { useNight } from '../../../session/session.ts';
import { useRecord } from '../../../session/useRecord.ts';

/** For mounts whose finder looks through the axis: turning it opens the view, and home is gone until it is won back. */
export function AxesOpened() {
  const night = useNight();
  const record = useRecord();
  const { records } = night;
  if (records.fromSnapshot || !hasHome(night)) return null;
  const tell = (): void => {
    const values = { what: 'axesOpened' } as const;
    void record({ step: 'polar', subject: { type: 'mount', id: records.rig.mountId }, kind: 'event', values }, null);
  };
  return (
    <Button variant="outline" onClick={tell}>
      I turned the axes
    </Button>
  );
}
