import { Button } from 'react-bootstrap';
import type { Implied as ImpliedPiece } from '../../core/rig/impliedPiece.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { updateHead } from '../../storage/heads.ts';
import { impliedSaid, impliedWords } from '../../text/balanceWords.ts';

type Props = { implied: ImpliedPiece };

/** What the balance taught about the most doubtful piece. Only the mass is taken over: a place that is changed later would
 *  look like a piece that was moved. */
export function Implied({ implied }: Props) {
  const { records } = useNight();
  const { format } = useShared();
  const write = useWrite();
  const takeMass = (): void => {
    const { partId, name, impliedKg } = implied;
    const massKg = Number(impliedKg.toFixed(3));
    void write(['mass', partId, massKg], (w) => updateHead(w, 'parts', partId, { massKg }), impliedSaid(name));
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
