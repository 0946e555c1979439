import { lazy, Suspense, useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { formatDate } from '../../core/time/civil.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Night } from '../../core/records/night.ts';
import { useShared } from '../../session/session.ts';
import type { Stored } from '../../storage/useStored.ts';

/** Fetched when it is first opened. */
const NightDialog = lazy(async () => ({
  default: (await import('../../features/nights/NightDialog.tsx')).NightDialog,
}));

function describe(night: Night, stored: Stored): string {
  const rig = stored.rigs.find((r) => r.id === night.rigId)?.name ?? 'rig gone';
  const site = stored.sites.find((s) => s.id === night.siteId)?.name ?? 'site gone';
  const target = stored.targets.find((t) => t.id === night.plan[0]?.targetId)?.name ?? 'no target';
  return `${rig} · ${site} · ${target}`;
}

/** The shown night; opens the list of nights, a new night and this night's settings. */
export function NightSwitcher({ night }: { night: NightStatic | null }) {
  const { stored } = useShared();
  const navigate = useNavigate();
  const [editing, setEditing] = useState<'none' | 'new' | 'this'>('none');
  const nights = stored.nights
    .filter((n) => n.deletedAtUtc === null)
    .sort((a, b) => (a.eveningDate < b.eveningDate ? 1 : -1));
  const shown = night?.records.night;
  return (
    <div className="night-switch">
      <Dropdown>
        <Dropdown.Toggle variant="outline" id="night-switch">
          {shown ? (
            <>
              <strong>{formatDate(shown.eveningDate)}</strong> <span className="soft">· {describe(shown, stored)}</span>
            </>
          ) : (
            'Choose a night'
          )}
        </Dropdown.Toggle>
        <Dropdown.Menu style={{ maxHeight: '70vh', overflowY: 'auto' }}>
          {shown && <Dropdown.Item onClick={() => setEditing('this')}>Settings of this night…</Dropdown.Item>}
          <Dropdown.Item onClick={() => setEditing('new')}>New night…</Dropdown.Item>
          {shown && <Dropdown.Item onClick={() => void navigate(`/n/${shown.id}/card`)}>Night card</Dropdown.Item>}
          <Dropdown.Item onClick={() => void navigate('/kit')}>Kit</Dropdown.Item>
          <Dropdown.Item onClick={() => void navigate('/sites')}>Sites</Dropdown.Item>
          <Dropdown.Item onClick={() => void navigate('/data')}>Data in and out</Dropdown.Item>
          <Dropdown.Item onClick={() => void navigate('/help')}>Help and units</Dropdown.Item>
          <Dropdown.Divider />
          {nights.map((n) => (
            <Dropdown.Item key={n.id} active={n.id === shown?.id} onClick={() => void navigate(`/n/${n.id}/balance`)}>
              {formatDate(n.eveningDate)} · {describe(n, stored)}
            </Dropdown.Item>
          ))}
        </Dropdown.Menu>
      </Dropdown>
      {editing !== 'none' && (
        <Suspense fallback={null}>
          <NightDialog night={editing === 'this' ? (shown ?? null) : null} close={() => setEditing('none')} />
        </Suspense>
      )}
    </div>
  );
}
