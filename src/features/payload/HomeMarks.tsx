import { Button } from 'react-bootstrap';
import { hasHome } from '../../core/night/ledger/ledger.ts';
import { useNight } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { updateHead } from '../../storage/heads.ts';
import { HOME_MARKS } from '../../text/packingWords.ts';

/** Asked until the marks are made, then never again for this mount. */
export function HomeMarks() {
  const night = useNight();
  const write = useWrite();
  const { mount } = night.numbers;
  if (!mount || mount.homeMarks || !hasHome(night) || night.records.fromSnapshot) return null;
  const made = (): void => {
    void write(['homeMarks', mount.id], (w) => updateHead(w, 'parts', mount.id, { homeMarks: true }), HOME_MARKS.said);
  };
  return (
    <div className="section no-print">
      <p className="mb-1">{HOME_MARKS.words}</p>
      <div className="actions">
        <Button variant="outline" onClick={made}>
          {HOME_MARKS.made}
        </Button>
      </div>
    </div>
  );
}
