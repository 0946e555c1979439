import { Button } from 'react-bootstrap';
import { MISSING_PART } from '../text/errorWords.ts';

/** A part of the program did not come: what to do, and the button that does it. */
export function MissingPartNote({ what }: { what: string | null }) {
  return (
    <div role="alert" className="problem">
      <p className="mb-1">
        {what !== null && <strong>{what} is not here. </strong>}
        {MISSING_PART.words}
      </p>
      <Button variant="outline" onClick={() => location.reload()}>
        {MISSING_PART.reload}
      </Button>
    </div>
  );
}
