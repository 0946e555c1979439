import { Form } from 'react-bootstrap';
import { isMixed, useDemo } from './demo.ts';
import { useShared } from './session.ts';

/** One switch for every list: the demo's records beside one's own. */
export function DemoSwitch({ records }: { records: Parameters<typeof isMixed>[0] }) {
  const { shown, setShown } = useDemo();
  const { nights } = useShared().stored;
  if (!isMixed(records, nights)) return null;
  return (
    <Form.Check
      type="switch"
      id="demo-switch"
      className="mt-2"
      label="Show the demo too"
      checked={shown}
      onChange={(event) => setShown(event.target.checked)}
    />
  );
}
