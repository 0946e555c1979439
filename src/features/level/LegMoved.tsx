import { Button } from 'react-bootstrap';
import { useNight } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';

/** What stood on the legs is gone when one of them was moved: said once, and won back on its bench. */
export function LegMoved() {
  const { records, numbers } = useNight();
  const record = useRecord();
  if (records.fromSnapshot || numbers.support?.supportKind !== 'tripod') return null;
  const tell = (): void => {
    const values = { what: 'legsMoved' } as const;
    void record({ step: 'level', subject: { type: 'night', id: records.night.id }, kind: 'event', values }, null);
  };
  return (
    <div className="actions">
      <Button variant="outline" onClick={tell}>
        A leg was moved since
      </Button>
    </div>
  );
}
