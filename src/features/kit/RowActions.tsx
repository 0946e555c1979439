import { Button } from 'react-bootstrap';
import type { Part } from '../../core/records/part.ts';
import { useHeadActions } from '../../session/useHeadActions.ts';

/** A copy to change, or out of sight: what a rig uses stays in the rig. */
export function RowActions({ part }: { part: Part }) {
  const { copy, toggleArchived } = useHeadActions('parts');
  return (
    <span className="row-actions">
      <Button variant="link" onClick={() => void copy(part)} aria-label={`Copy ${part.name}`}>
        Copy
      </Button>
      <Button
        variant="link"
        onClick={() => toggleArchived(part)}
        aria-label={`${part.archived ? 'Bring back' : 'Archive'} ${part.name}`}
      >
        {part.archived ? 'Bring back' : 'Archive'}
      </Button>
    </span>
  );
}
