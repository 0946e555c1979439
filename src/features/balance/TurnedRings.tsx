import { Button } from 'react-bootstrap';
import { turnedInRings } from '../../core/rig/ringsTurn.ts';
import { useNight } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { updateHead } from '../../storage/heads.ts';
import { RINGS } from '../../text/balanceWords.ts';

/** Said by the hand that turned it: the rig's record follows. */
export function TurnedRings({ byDeg }: { byDeg: number }) {
  const { rig, fromSnapshot } = useNight().records;
  const write = useWrite();
  if (fromSnapshot) return null;
  const { id, rev: baseRev } = rig;
  const placed = turnedInRings(rig, byDeg);
  return (
    <Button
      variant="primary"
      onClick={() =>
        void write(
          ['place', id, baseRev, placed],
          (w) => updateHead(w, 'rigs', id, { placed }, { baseRev }),
          RINGS.said,
        )
      }
    >
      {RINGS.turned}
    </Button>
  );
}
