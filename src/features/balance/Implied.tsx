import { Button } from 'react-bootstrap';
import type { Implied as ImpliedPiece } from '../../core/night/impliedPiece.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { useWriting } from '../../session/useWriting.ts';
import { updateHead } from '../../storage/commands.ts';
import { impliedSaid, impliedWords } from '../../text/balanceWords.ts';

type Props = { implied: ImpliedPiece };

/** What the balance taught about the most doubtful piece. Only the mass is taken over: a place that is changed later would
 *  look like a piece that was moved. */
export function Implied({ implied }: Props) {
  const { records } = useNight();
  const { format, notify } = useShared();
  const { writer } = useSession();
  const writing = useWriting();
  const takeMass = async (): Promise<void> => {
    const massKg = Number(implied.impliedKg.toFixed(3));
    const stored = await writing(updateHead(writer, 'parts', implied.partId, { massKg }));
    if (stored) notify(impliedSaid(implied.name), { undo: true });
  };
  return (
    <div className="section">
      <h2>What this balance teaches</h2>
      <p>{impliedWords(implied, format)}</p>
      {!records.fromSnapshot && (
        <div className="actions">
          <Button variant="outline" onClick={() => void takeMass()}>
            Take the mass
          </Button>
        </div>
      )}
    </div>
  );
}
