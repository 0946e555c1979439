import { mountTraits } from '../../core/mount/mountKinds.ts';
import { Button } from 'react-bootstrap';
import { useNight } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { updateHead } from '../../storage/heads.ts';
import { TOWARD_POLE } from '../../text/levelWords.ts';

/** Asked once for a mount: it decides how the feet are drawn and named. */
export function TowardPole() {
  const { numbers, records } = useNight();
  const write = useWrite();
  const { mount } = numbers;
  // Without a polar axis nothing of the tripod looks to the pole.
  if (!mount || !mountTraits(mount).hasPolarAxis || (mount.towardPole ?? null) !== null || records.fromSnapshot)
    return null;
  const answer = (towardPole: 'leg' | 'gap'): void => {
    const what = ['towardPole', mount.id, towardPole];
    void write(what, (w) => updateHead(w, 'parts', mount.id, { towardPole }), TOWARD_POLE.said);
  };
  return (
    <div className="section no-print">
      <p className="mb-1">{TOWARD_POLE.ask}</p>
      <div className="actions">
        {(['leg', 'gap'] as const).map((one) => (
          <Button key={one} variant="outline" onClick={() => answer(one)}>
            {TOWARD_POLE.answers[one]}
          </Button>
        ))}
      </div>
    </div>
  );
}
