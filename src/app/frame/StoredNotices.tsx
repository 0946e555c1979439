import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Reading } from '../../core/records/reading.ts';
import { useShared } from '../../session/session.ts';
import { damagedWords, setAsideWords, smallerWords, unknownZoneWords } from '../../text/storedWords.ts';
import { READING_NAMES } from '../../text/readingNames.ts';
import { Problem } from '../../ui/Problem.tsx';

/** Records that could not be read: named, kept, left out. */
function Damaged() {
  const { damaged } = useShared().stored;
  if (damaged.length === 0) return null;
  return (
    <Problem>
      <strong>
        {damaged.length === 1 ? 'One record' : `${damaged.length} records`} could not be read and is left out.
      </strong>{' '}
      Nothing was deleted.{' '}
      {damaged
        .slice(0, 3)
        .map((d) => damagedWords(d))
        .join('; ')}
    </Problem>
  );
}

/** Less is here than before: where the copies are, or that it is right so. */
function Loss() {
  const { loss } = useShared();
  if (!loss) return null;
  return (
    <div className="problem" role="alert">
      <p className="mb-1">{smallerWords(loss.before, loss.now)}</p>
      <div className="actions">
        <Link className="btn btn-primary" to="/data">
          Look at the copies
        </Link>
        <Button variant="outline" onClick={loss.accept}>
          It is right so
        </Button>
      </div>
    </div>
  );
}

type Props = { setAside?: Reading | null; unknownZone?: string | null };

/** What is wrong with what is stored, above every page. */
export function StoredNotices({ setAside = null, unknownZone = null }: Props) {
  return (
    <>
      <Loss />
      <Damaged />
      {setAside && <Problem>{setAsideWords(READING_NAMES[setAside.kind], setAside.takenAtUtc)}</Problem>}
      {unknownZone !== null && <Problem>{unknownZoneWords(unknownZone)}</Problem>}
    </>
  );
}
