import { Button } from 'react-bootstrap';

/** Save, and delete when the record exists already. */
export function SaveBar({ onDelete }: { onDelete: (() => void) | null }) {
  return (
    <div className="actions">
      <Button variant="primary" type="submit">
        Save
      </Button>
      {onDelete && (
        <Button variant="outline" onClick={onDelete}>
          Delete
        </Button>
      )}
    </div>
  );
}
