import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { Outlet } from 'react-router';
import { settingOf } from '../core/records/setting.ts';
import { useSession, SharedContext, type Shared } from '../session/session.ts';
import { useStored, type Stored } from '../storage/useStored.ts';
import { isInitialised } from '../storage/stored.ts';
import { initialiseEmpty } from '../storage/initialise.ts';
import { makeFormat } from '../text/format.ts';
import { CommandProvider } from './commands/CommandProvider.tsx';
import { fetchHello } from './hello.ts';
import { keepOffline } from './offline.ts';
import { NoticeCorner, useNotices } from './Notices.tsx';

/** Sets the database up once: with the demo scenario when the local server offers it. */
function useInitialised(): 'opening' | 'ready' | Error {
  const { db, clock } = useSession();
  const [state, setState] = useState<'opening' | 'ready' | Error>('opening');
  const hello = useQuery({ queryKey: ['hello'], queryFn: fetchHello });
  const demo = hello.data?.demo;
  useEffect(() => {
    const prepare = async (): Promise<void> => {
      if (!(await isInitialised(db))) {
        if (demo === undefined) return;
        if (demo) {
          const { loadDemo } = await import('../storage/demo/loadDemo.ts');
          await loadDemo(db, clock.nowMs());
        } else await initialiseEmpty(db, clock.nowMs());
      }
      setState('ready');
    };
    prepare().catch((error: unknown) => setState(error instanceof Error ? error : new Error(String(error))));
  }, [db, clock, demo]);
  useEffect(() => {
    const giveWay = (): void => {
      db.close();
      setState(new Error('A newer Tidy Owl is open in another tab. Your records are safe. Reload to go on.'));
    };
    db.on('versionchange', giveWay);
    return () => db.on('versionchange').unsubscribe(giveWay);
  }, [db]);
  return state;
}

function WithRecords({ stored }: { stored: Stored }) {
  const { notices, notify, dismiss } = useNotices();
  const units = settingOf(stored.settings, 'units');
  useEffect(
    () =>
      keepOffline({
        onNewer: (take) => notify('A newer Tidy Owl is ready.', { action: { label: 'Reload', run: take } }),
      }),
    [notify],
  );
  const shared = useMemo<Shared>(() => ({ stored, format: makeFormat(units, 'UTC'), notify }), [stored, units, notify]);
  return (
    <SharedContext value={shared}>
      <CommandProvider>
        <Outlet />
        <NoticeCorner notices={notices} dismiss={dismiss} />
      </CommandProvider>
    </SharedContext>
  );
}

function Records() {
  const { db } = useSession();
  const stored = useStored(db);
  return stored ? (
    <WithRecords stored={stored} />
  ) : (
    <p className="opening" role="status">
      Opening your nights…
    </p>
  );
}

/** Opens the database, then shows the routes. */
export function Root() {
  const state = useInitialised();
  if (state instanceof Error) throw state;
  return state === 'ready' ? (
    <Records />
  ) : (
    <p className="opening" role="status">
      Opening your nights…
    </p>
  );
}
