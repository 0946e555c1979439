import { Button } from 'react-bootstrap';
import type { Implied as ImpliedPiece } from '../../core/night/impliedPiece.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { updateHead } from '../../storage/commands.ts';
import { impliedSaid, impliedWords } from '../../text/balanceWords.ts';
import { writeWords } from '../../text/errorWords.ts';

type Props = { implied: ImpliedPiece };

/** What the balance taught about the most doubtful piece. Only the mass is taken over: a place that is changed later would
 *  look like a piece that was moved. */
export function Implied({ implied }: Props) {
  const { records } = useNight();
  const { format, notify } = useShared();
  const { writer } = useSession();
  const said = (written: Awaited<ReturnType<typeof updateHead>>): void => {
    if (written.ok) notify(impliedSaid(implied.name), { undo: true });
    else notify(writeWords(written.code, written.figures), { tone: 'problem' });
  };
  const takeMass = (): void => {
    const massKg = Number(implied.impliedKg.toFixed(3));
    void updateHead(writer, 'parts', implied.partId, { massKg }).then(said);
  };
  return (
    <div className="section">
      <h2>What this balance teaches</h2>
      <p>{impliedWords(implied, format)}</p>
      {!records.fromSnapshot && (
        <div className="actions">
          <Button variant="outline" onClick={takeMass}>
            Take the mass
          </Button>
        </div>
      )}
    </div>
  );
}
