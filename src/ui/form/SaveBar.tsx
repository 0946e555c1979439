import { Button } from 'react-bootstrap';

type Props = {
  onDelete: (() => void) | null;
  /** Both only for records that exist already. */
  onCopy?: (() => void) | null;
  archive?: { archived: boolean; toggle: () => void } | null;
};

/** Save, and for a record that exists already copy, archive and delete. */
export function SaveBar({ onDelete, onCopy, archive }: Props) {
  return (
    <div className="actions">
      <Button variant="primary" type="submit">
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
