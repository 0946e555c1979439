import { useState } from 'react';
import { Form, ListGroup, Modal } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { formatDate } from '../../core/time/civil.ts';
import { useShared } from '../../session/session.ts';
import { COMMANDS, type CommandId } from './commands.ts';

type Found = { key: string; name: string; what: string; open: () => void };

const PAGES = [
  { path: '/kit', name: 'Kit' },
  { path: '/sites', name: 'Sites' },
  { path: '/data', name: 'Data in and out' },
  { path: '/help', name: 'Help, units and keys' },
] as const;

/** Stations, pages, nights, rigs, parts, sites and targets by a few letters. */
export function FindSheet({ show, close, run }: { show: boolean; close: () => void; run: (id: CommandId) => void }) {
  const [text, setText] = useState('');
  const navigate = useNavigate();
  const { stored } = useShared();
  const go = (path: string) => () => void navigate(path);
  const living = <R extends { deletedAtUtc: string | null }>(records: readonly R[]) =>
    records.filter((r) => r.deletedAtUtc === null);
  const all: Found[] = [
    ...COMMANDS.filter((c) => c.id !== 'find').map((c) => ({
      key: c.id,
      name: c.label,
      what: 'command',
      open: () => run(c.id),
    })),
    ...PAGES.map(({ path, name }) => ({ key: path, name, what: 'page', open: go(path) })),
    ...living(stored.nights).map((n) => ({
      key: n.id,
      name: `${formatDate(n.eveningDate)} ${stored.rigs.find((r) => r.id === n.rigId)?.name ?? ''}`,
      what: 'night',
      open: go(`/n/${n.id}/balance`),
    })),
    ...living(stored.rigs).map((r) => ({ key: r.id, name: r.name, what: 'rig', open: go(`/kit/rigs/${r.id}`) })),
    ...living(stored.parts).map((p) => ({ key: p.id, name: p.name, what: 'part', open: go(`/kit/parts/${p.id}`) })),
    ...living(stored.targets).map((t) => ({
      key: t.id,
      name: t.name,
      what: 'target',
      open: go(`/kit/targets/${t.id}`),
    })),
    ...living(stored.sites).map((s) => ({ key: s.id, name: s.name, what: 'site', open: go(`/sites/${s.id}`) })),
  ];
  const found = all.filter((f) => f.name.toLowerCase().includes(text.trim().toLowerCase())).slice(0, 8);
  const choose = (one: Found | undefined): void => {
    if (!one) return;
    setText('');
    close();
    one.open();
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
