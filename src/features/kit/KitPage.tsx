import { useState } from 'react';
import { Button, Form, Nav } from 'react-bootstrap';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Part, PartKind } from '../../core/records/part.ts';
import type { Rig } from '../../core/records/rig.ts';
import type { Target } from '../../core/records/site.ts';
import { useListing } from '../../session/demo.ts';
import { DemoSwitch } from '../../session/DemoSwitch.tsx';
import { Gone } from '../../session/Gone.tsx';
import { useShared } from '../../session/session.ts';
import { CHOOSE } from '../../text/choiceWords.ts';
import { Empty } from '../../ui/Problem.tsx';
import { Boundary } from '../../ui/Boundary.tsx';
import { PageTitle } from '../../ui/PageTitle.tsx';
import { PartsBox } from './PartsBox.tsx';
import { PartForm } from './PartForm.tsx';
import { PART_KIND_NAMES } from './partFields.ts';
import { RigForm } from './RigForm.tsx';
import { TargetForm } from './TargetForm.tsx';

const KINDS = ['rigs', 'parts', 'targets'] as const;
type Kind = (typeof KINDS)[number];
const KIND_NAMES: Record<Kind, string> = { rigs: 'Rigs', parts: 'Parts', targets: 'Targets' };

/** For who has none yet. */
function StartLink() {
  return (
    <p className="mb-2">
      <Link to="/start">Start your own night</Link>: three questions make rig, site and night.{' '}
      <Link to="/choose">{CHOOSE.link}</Link>
    </p>
  );
}

function KindTabs({ kind }: { kind: Kind }) {
  const navigate = useNavigate();
  return (
    <Nav variant="pills" activeKey={kind} onSelect={(key) => void navigate(`/kit/${key ?? 'rigs'}`)} as="div">
      {KINDS.map((k) => (
        <Nav.Link key={k} eventKey={k} as="button" type="button" aria-pressed={k === kind}>
          {KIND_NAMES[k]}
        </Nav.Link>
      ))}
    </Nav>
  );
}

function List({ kind, openId }: { kind: Kind; openId: string | undefined }) {
  const { stored, format } = useShared();
  const [filter, setFilter] = useState('');
  const rows = useListing()<Part | Rig | Target>(stored[kind])
    .filter((r) => r.deletedAtUtc === null && r.name.toLowerCase().includes(filter.toLowerCase()))
    .sort((a, b) => a.name.localeCompare(b.name));
  return (
    <>
      <Form.Control
        className="mt-2"
        type="search"
        placeholder={`Filter ${KIND_NAMES[kind].toLowerCase()}`}
        aria-label={`Filter ${KIND_NAMES[kind].toLowerCase()}`}
        value={filter}
        onChange={(event) => setFilter(event.target.value)}
      />
      <ul className="kit-list" aria-label={KIND_NAMES[kind]}>
        {rows.map((row) => (
          <li key={row.id}>
            <Link to={`/kit/${kind}/${row.id}`} aria-current={row.id === openId ? 'page' : undefined}>
              <span>
                {row.name}
                {row.archived && <span className="soft"> archived</span>}
              </span>
              {'massKg' in row && (
                <span className="figures">{row.massKg === null ? 'no mass' : format.quantity(row.massKg, 'mass')}</span>
              )}
            </Link>
          </li>
        ))}
      </ul>
      <DemoSwitch records={stored[kind]} />
      {rows.length === 0 && (
        <Empty>
          {filter === ''
            ? `No ${KIND_NAMES[kind].toLowerCase()} yet. Add the first one.`
            : 'Nothing matches the filter.'}
        </Empty>
      )}
    </>
  );
}

function AddButton({ kind }: { kind: Kind }) {
  const navigate = useNavigate();
  const [partKind, setPartKind] = useState<PartKind>('weight');
  if (kind !== 'parts') {
    return (
      <Button variant="outline" className="w-100 mt-2" onClick={() => void navigate(`/kit/${kind}/new`)}>
        Add a {kind === 'rigs' ? 'rig' : 'target'}
      </Button>
    );
  }
  return (
    <div className="d-flex gap-2 mt-2">
      <Form.Select
        aria-label="Kind of the new part"
        value={partKind}
        onChange={(event) => setPartKind(event.target.value as PartKind)}
      >
        {Object.entries(PART_KIND_NAMES).map(([value, label]) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </Form.Select>
      <Button variant="outline" onClick={() => void navigate(`/kit/parts/new?kind=${partKind}`)}>
        Add
      </Button>
    </div>
  );
}

function PartEditor({ part, id }: { part: Part | null; id: string }) {
  const [params] = useSearchParams();
  const asked = params.get('kind');
  const kind = part?.kind ?? (Object.keys(PART_KIND_NAMES) as PartKind[]).find((k) => k === asked) ?? 'small';
  return <PartForm key={`${id}-${kind}`} part={part} kind={kind} />;
}

function Editor({ kind, id }: { kind: Kind; id: string | undefined }) {
  const { stored } = useShared();
  if (id === undefined) {
    return (
      <>
        <PageTitle>{KIND_NAMES[kind]}</PageTitle>
        <Empty>Choose one on the list, or add one. Every bench computes with what stands here.</Empty>
      </>
    );
  }
  const find = <R extends { id: string; deletedAtUtc: string | null }>(records: readonly R[]): R | null =>
    records.find((r) => r.id === id && r.deletedAtUtc === null) ?? null;
  const record = find<Part | Rig | Target>(stored[kind]);
  if (!record && id !== 'new') return <Gone table={kind} id={id} />;
  if (kind === 'rigs') return <RigForm key={id} rig={find(stored.rigs)} />;
  if (kind === 'targets') return <TargetForm key={id} target={find(stored.targets)} />;
  return <PartEditor part={find(stored.parts)} id={id} />;
}

export function KitPage() {
  const { kind: asked, id } = useParams();
  const kind = KINDS.find((k) => k === asked) ?? 'rigs';
  if (kind === 'parts' && id === undefined) {
    return (
      <div className="kit-whole">
        <div className="kit-head">
          <KindTabs kind={kind} />
          <AddButton kind={kind} />
        </div>
        <Boundary what="The parts box">
          <PartsBox />
        </Boundary>
      </div>
    );
  }
  return (
    <div className="kit">
      <div>
        <KindTabs kind={kind} />
        <StartLink />
        <List kind={kind} openId={id} />
        <AddButton kind={kind} />
      </div>
      <Boundary what="This form" resetKey={`${kind}/${id ?? ''}`}>
        <div>
          <Editor kind={kind} id={id} />
        </div>
      </Boundary>
    </div>
  );
}
