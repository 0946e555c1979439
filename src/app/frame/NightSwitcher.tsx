import { lazy, Suspense, useState } from 'react';
import { Button } from 'react-bootstrap';
import { formatDate } from '../../core/time/civil.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Night } from '../../core/records/night.ts';
import { useShared } from '../../session/session.ts';
import type { Stored } from '../../storage/useStored.ts';

/** Fetched when they are first opened. */
const NightMenu = lazy(async () => ({ default: (await import('./NightMenu.tsx')).NightMenu }));
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
  const [opened, setOpened] = useState(false);
  const [editing, setEditing] = useState<'none' | 'new' | 'this'>('none');
  const shown = night?.records.night;
  const label = shown ? (
    <>
      <strong>{formatDate(shown.eveningDate)}</strong> <span className="soft">· {describe(shown, stored)}</span>
    </>
  ) : (
    'Choose a night'
  );
  const closed = (
    <Button
      variant="outline"
      id="night-switch"
      className="dropdown-toggle"
      aria-haspopup="true"
      aria-expanded={false}
      onClick={() => setOpened(true)}
    >
      {label}
    </Button>
  );
  return (
    <div className="night-switch">
      {opened ? (
        <Suspense fallback={closed}>
          <NightMenu label={label} shown={shown} describe={(n) => describe(n, stored)} edit={setEditing} />
        </Suspense>
      ) : (
        closed
      )}
      {editing !== 'none' && (
        <Suspense fallback={null}>
          <NightDialog night={editing === 'this' ? (shown ?? null) : null} close={() => setEditing('none')} />
        </Suspense>
      )}
    </div>
  );
}
