import { useMemo, useState } from 'react';
import { Form, ListGroup, Modal } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { livingNights, yearOf } from '../../core/history/livingNights.ts';
import type { Stored } from '../../storage/useStored.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { derivedNight } from '../../session/derivedNight.ts';
import { addressNow } from '../../session/paths.ts';
import { useSession, useShared, type Shared } from '../../session/session.ts';
import { foundTabs } from './foundTabs.ts';
import { COMMANDS, type CommandId } from './commands.ts';

type Found = {
  key: string;
  name: string;
  what: string;
  opens: { path: string } | { command: CommandId };
  searched: string;
};
const MOST_SHOWN = 8;

const PAGES = [
  { path: '/kit', name: 'Kit' },
  { path: '/sites', name: 'Sites' },
  { path: '/data', name: 'Data in and out' },
  { path: '/help', name: 'Help, units and keys' },
] as const;

const living = <R extends { deletedAtUtc: string | null }>(records: readonly R[]): R[] =>
  records.filter((r) => r.deletedAtUtc === null);

/** All that can be found, once per records: a history of nights is long. */
function everything({ stored, format }: Shared, night: NightStatic | null): Found[] {
  const page = (key: string, name: string, what: string, path: string): Found => ({
    key,
    name,
    what,
    opens: { path },
    searched: name.toLowerCase(),
  });
  const nights = livingNights(stored.nights);
  const rigNames = new Map(stored.rigs.map((r) => [r.id, r.name]));
  return [
    ...COMMANDS.filter((c) => c.id !== 'find').map(({ id, label }): Found => ({
      key: id,
      name: label,
      what: 'command',
      opens: { command: id },
      searched: label.toLowerCase(),
    })),
    ...(night ? foundTabs(night) : []).map((tab) => ({
      ...page(tab.key, tab.name, tab.station, tab.path),
      searched: `${tab.name} ${tab.station}`.toLowerCase(),
    })),
    ...PAGES.map(({ path, name }) => page(path, name, 'page', path)),
    ...nights.map(({ id, eveningDate, rigId }) => {
      const name = `${format.dateIn(yearOf(nights), eveningDate)} ${rigNames.get(rigId) ?? ''}`;
      return { ...page(id, name, 'night', `/n/${id}/balance`), searched: `${name} ${eveningDate}`.toLowerCase() };
    }),
    ...living(stored.rigs).map((r) => page(r.id, r.name, 'rig', `/kit/rigs/${r.id}`)),
    ...living(stored.parts).map((p) => page(p.id, p.name, 'part', `/kit/parts/${p.id}`)),
    ...living(stored.targets).map((t) => page(t.id, t.name, 'target', `/kit/targets/${t.id}`)),
    ...living(stored.sites).map((s) => page(s.id, s.name, 'site', `/sites/${s.id}`)),
  ];
}

/** The night of the address; null on other pages. */
function shownNight(stored: Stored, nowMs: number): NightStatic | null {
  const [, n, nightId = ''] = addressNow().pathname.split('/');
  if (n !== 'n') return null;
  const found = derivedNight(stored, nightId, nowMs);
  return found.state === 'night' ? found.night : null;
}

/** Stations and their tabs, pages, nights, rigs, parts, sites and targets by a few letters. */
export function FindSheet({ show, close, run }: { show: boolean; close: () => void; run: (id: CommandId) => void }) {
  const [text, setText] = useState('');
  const navigate = useNavigate();
  const shared = useShared();
  const { clock } = useSession();
  const all = useMemo(
    () => (show ? everything(shared, shownNight(shared.stored, clock.nowMs())) : []),
    [show, shared, clock],
  );
  const words = text.trim().toLowerCase();
  const found = all.filter(({ searched }) => searched.includes(words)).slice(0, MOST_SHOWN);
  const choose = (one: Found | undefined): void => {
    if (!one) return;
    setText('');
    close();
    if ('path' in one.opens) void navigate(one.opens.path);
    else run(one.opens.command);
  };
  return (
    <Modal show={show} onHide={close} animation={false} aria-labelledby="find-title">
      <Modal.Header closeButton>
        <Modal.Title id="find-title">Find anything</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <Form
          onSubmit={(event) => {
            event.preventDefault();
            choose(found[0]);
          }}
        >
          <Form.Control
            autoFocus
            type="search"
            aria-label="Find by name"
            placeholder="Name of a part, night, station…"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </Form>
        <ListGroup variant="flush" className="mt-2">
          {found.map((one) => (
            <ListGroup.Item key={one.key} action onClick={() => choose(one)}>
              {one.name} <span className="soft">{one.what}</span>
            </ListGroup.Item>
          ))}
        </ListGroup>
        {found.length === 0 && <p className="soft mt-2">Nothing of that name.</p>}
      </Modal.Body>
    </Modal>
  );
}
