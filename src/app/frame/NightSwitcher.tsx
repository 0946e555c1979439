import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Night } from '../../core/records/night.ts';
import { useShared } from '../../session/session.ts';
import type { Stored } from '../../storage/useStored.ts';
import { later } from '../../ui/later.tsx';

function ClosedSwitch({ label, open }: { label: ReactNode; open?: () => void }) {
  return (
    <Button
      variant="outline"
      id="night-switch"
      className="dropdown-toggle"
      aria-haspopup="true"
      aria-expanded={false}
      onClick={open}
    >
      {label}
    </Button>
  );
}

const NightMenu = later(
  async () => (await import('./NightMenu.tsx')).NightMenu,
  ({ label }) => <ClosedSwitch label={label} />,
);
const NightDialog = later(async () => (await import('../../features/nights/NightDialog.tsx')).NightDialog);

/** @param lookedAt the target that the mount looks at; else the first of the plan. */
function describe(night: Night, stored: Stored, lookedAt?: string): string {
  const rig = stored.rigs.find((r) => r.id === night.rigId)?.name ?? 'rig gone';
  const site = stored.sites.find((s) => s.id === night.siteId)?.name ?? 'site gone';
  const targetId = lookedAt ?? night.plan[0]?.targetId;
  const target = stored.targets.find((t) => t.id === targetId)?.name ?? 'no target';
  return `${rig} · ${site} · ${target}`;
}

/** The shown night; opens the list of nights, a new night and this night's settings. */
export function NightSwitcher({ night }: { night: NightStatic | null }) {
  const { stored, format } = useShared();
  const [opened, setOpened] = useState(false);
  const [editing, setEditing] = useState<'none' | 'new' | 'this'>('none');
  const shown = night?.records.night;
  const label = shown ? (
    <>
      <strong>{format.date(shown.eveningDate)}</strong>{' '}
      <span className="soft">· {describe(shown, stored, night.entry?.targetId)}</span>
    </>
  ) : (
    'Choose a night'
  );
  return (
    <div className="night-switch">
      {opened ? (
        <NightMenu label={label} shown={shown} describe={(n) => describe(n, stored)} edit={setEditing} />
      ) : (
        <ClosedSwitch label={label} open={() => setOpened(true)} />
      )}
      {editing !== 'none' && (
        <NightDialog night={editing === 'this' ? (shown ?? null) : null} close={() => setEditing('none')} />
      )}
    </div>
  );
}
