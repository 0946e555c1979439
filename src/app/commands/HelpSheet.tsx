import { Modal } from 'react-bootstrap';
import { Link } from 'react-router';
import { COMMANDS, keyOf, RIBBON_KEYS } from './commands.ts';

/** Every key in one table. */
export function KeyTable({ keys }: { keys: Record<string, string> }) {
  return (
    <table className="table table-sm">
      <tbody>
        {COMMANDS.map((c) => (
          <tr key={c.id}>
            <th scope="row">
              <kbd>{keyOf(c, keys).toUpperCase() || 'none'}</kbd>
            </th>
            <td>{c.label}</td>
          </tr>
        ))}
        {RIBBON_KEYS.map((row) => (
          <tr key={row.keys}>
            <th scope="row">
              <kbd>{row.keys}</kbd>
            </th>
            <td>{row.label}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export function HelpSheet({ show, close, keys }: { show: boolean; close: () => void; keys: Record<string, string> }) {
  return (
    <Modal show={show} onHide={close} animation={false} aria-labelledby="help-title" scrollable>
      <Modal.Header closeButton>
        <Modal.Title id="help-title">Keys</Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        <KeyTable keys={keys} />
        <Link to="/help" onClick={close}>
          Terms, units and own keys
        </Link>
      </Modal.Body>
    </Modal>
  );
}
