import { useUndoable } from '../../session/useUndo.ts';
import { useEffect, useRef, type ReactNode } from 'react';
import { Dropdown } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { livingNights, nightsAround, yearOf } from '../../core/history/livingNights.ts';
import { besideOwn, isMixed, useDemo } from '../../session/demo.ts';
import { useShared } from '../../session/session.ts';
import { useCommands } from '../commands/CommandProvider.tsx';
import type { Night } from '../../core/records/night.ts';

type Props = {
  label: ReactNode;
  shown: Night | undefined;
  describe: (night: Night) => string;
  edit: (which: 'new' | 'this') => void;
};

/** The menu behind the night's name, open from the start: it is fetched when it is opened for the first time. */
export function NightMenu({ label, shown, describe, edit }: Props) {
  const { stored, format } = useShared();
  const { run } = useCommands();
  const last = useUndoable();
  const { shown: withDemo, setShown } = useDemo();
  const nights = livingNights(
    withDemo || shown?.origin === 'demo' ? stored.nights : besideOwn(stored.nights, stored.nights),
  );
  const listed = nightsAround(nights, shown?.id);
  const navigate = useNavigate();
  const toggle = useRef<HTMLButtonElement>(null);
  useEffect(() => toggle.current?.focus(), []);
  return (
    <Dropdown defaultShow>
      <Dropdown.Toggle variant="outline" id="night-switch" ref={toggle}>
        {label}
      </Dropdown.Toggle>
      <Dropdown.Menu style={{ maxHeight: '70vh', overflowY: 'auto' }}>
        {shown && <Dropdown.Item onClick={() => edit('this')}>Settings of this night…</Dropdown.Item>}
        <Dropdown.Item onClick={() => edit('new')}>New night…</Dropdown.Item>
        {shown && <Dropdown.Item onClick={() => void navigate(`/n/${shown.id}/card`)}>Night card</Dropdown.Item>}
        <Dropdown.Item onClick={() => run('find')}>Find anything…</Dropdown.Item>
        <Dropdown.Item onClick={() => run('undo')} disabled={!last}>
          Undo the last change
        </Dropdown.Item>
        <Dropdown.Item onClick={() => void navigate('/kit')}>Kit</Dropdown.Item>
        <Dropdown.Item onClick={() => void navigate('/sites')}>Sites</Dropdown.Item>
        <Dropdown.Item onClick={() => void navigate('/data')}>Data in and out</Dropdown.Item>
        <Dropdown.Item onClick={() => void navigate('/help')}>Help and units</Dropdown.Item>
        {isMixed(stored.nights, stored.nights) && (
          <Dropdown.Item as="button" onClick={() => setShown(!withDemo)}>
            {withDemo ? 'Hide the demo' : 'Show the demo too'}
          </Dropdown.Item>
        )}
        <Dropdown.Divider />
        {listed.map((night) => (
          <Dropdown.Item
            key={night.id}
            active={night.id === shown?.id}
            onClick={() => void navigate(`/n/${night.id}/balance`)}
          >
            {format.dateIn(yearOf(nights), night.eveningDate)} · {describe(night)}
          </Dropdown.Item>
        ))}
        {listed.length < nights.length && (
          <Dropdown.Item onClick={() => run('find')}>All {nights.length} nights: find one by its date…</Dropdown.Item>
        )}
      </Dropdown.Menu>
    </Dropdown>
  );
}
