import { Button } from 'react-bootstrap';

type Props = {
  onDelete: (() => void) | null;
  /** Both only for records that exist already. */
  onCopy?: (() => void) | null;
  archive?: { archived: boolean; toggle: () => void } | null;
  /** Something is being kept. */
  busy: boolean;
};

/** Save, and for a record that exists already copy, archive and delete. */
export function SaveBar({ onDelete, onCopy, archive, busy }: Props) {
  return (
    <div className="actions">
      <Button variant="primary" type="submit" aria-disabled={busy}>
        Save
      </Button>
      {onCopy && (
        <Button variant="outline" onClick={onCopy}>
          Copy
        </Button>
      )}
      {archive && (
        <Button variant="outline" onClick={archive.toggle}>
          {archive.archived ? 'Bring back' : 'Archive'}
        </Button>
      )}
      {onDelete && (
        <Button variant="outline" onClick={onDelete}>
          Delete
        </Button>
      )}
    </div>
  );
}
