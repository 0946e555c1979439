import { useEffect, useMemo } from 'react';
import { Outlet, useParams, useSearchParams } from 'react-router';
import { settingOf } from '../../core/records/setting.ts';
import { recordsOfNight } from '../../core/night/nightRecords.ts';
import { nightStatic, type NightStatic } from '../../core/night/nightStatic.ts';
import { NightContext, SharedContext, useSession, useShared } from '../../session/session.ts';
import { makeFormat } from '../../text/format.ts';
import { Boundary } from '../../ui/Boundary.tsx';
import { NotFound } from '../NotFound.tsx';
import { DamagedNotice } from './DamagedNotice.tsx';
import { Header } from './Header.tsx';
import { Margin, MarginSheet } from './Margin.tsx';
import { RibbonBar } from './RibbonBar.tsx';
import { Run } from './Run.tsx';

function useNightOfRoute(): NightStatic | null {
  const { nightId = '' } = useParams();
  const { stored } = useShared();
  const { clock } = useSession();
  return useMemo(() => {
    const [limits, schools] = [settingOf(stored.settings, 'limits'), settingOf(stored.settings, 'schools')];
    const records = recordsOfNight({ ...stored, limits, schools }, nightId, clock.nowMs());
    return records ? nightStatic(records) : null;
  }, [stored, nightId, clock]);
}

/** The address's `at` sets the ribbon when a page opens or the user goes back. */
function useRibbonFromAddress(): void {
  const { ribbon } = useSession();
  const [params] = useSearchParams();
  const at = params.get('at');
  useEffect(() => {
    const asked = at === null ? Number.NaN : Date.parse(at);
    if (Number.isNaN(asked)) ribbon.goLive();
    // An address that this tab wrote trails behind fast steps; only one that came from outside moves the ribbon.
    else if (at !== null && !ribbon.wroteAddress(at)) ribbon.scrubTo(asked);
  }, [at, ribbon]);
}

function Shown({ night }: { night: NightStatic }) {
  const shared = useShared();
  const { zoneIana } = night.records.site;
  const here = useMemo(() => ({ ...shared, format: makeFormat(shared.format.system, zoneIana) }), [shared, zoneIana]);
  const { nightId, '*': rest } = useParams();
  useRibbonFromAddress();
  useEffect(() => localStorage.setItem('tidy-owl-last-night', night.records.night.id), [night]);
  return (
    <SharedContext value={here}>
      <NightContext value={night}>
        <div className="frame">
          <Header night={night} />
          <Run />
          <main className="bench" id="bench" tabIndex={-1}>
            <DamagedNotice />
            <Boundary what="This bench" resetKey={`${nightId ?? ''}${rest ?? ''}`}>
              <Outlet />
            </Boundary>
          </main>
          <Boundary what="The margin" resetKey={night}>
            <Margin />
            <MarginSheet />
          </Boundary>
          <Boundary what="The ribbon" resetKey={night}>
            <RibbonBar />
          </Boundary>
        </div>
      </NightContext>
    </SharedContext>
  );
}

/** One night with its run, bench, margin and ribbon. */
export function NightFrame() {
  const night = useNightOfRoute();
  return night ? <Shown night={night} /> : <NotFound />;
}
