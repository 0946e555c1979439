import { useEffect, useMemo, type ReactNode } from 'react';
import { Link, Outlet, useLocation, useParams, useSearchParams } from 'react-router';
import type { DerivedNight } from '../../core/night/deriveNight.ts';
import { aimedAt, type NightStatic } from '../../core/night/nightStatic.ts';
import { legIndexAt } from '../../core/night/life/legs.ts';
import type { LeftOut } from '../../core/night/plan/run.ts';
import type { Reading } from '../../core/records/reading.ts';
import { derivedNight } from '../../session/derivedNight.ts';
import { Gone } from '../../session/Gone.tsx';
import { NightContext, SharedContext, useSession, useShared } from '../../session/session.ts';
import { useNightNow, useRibbonTime } from '../../session/useTime.ts';
import { makeFormat } from '../../text/format.ts';
import { BROKEN_NIGHT } from '../../text/storedWords.ts';
import { LEFT_OUT, leftOutWords, stationOf } from '../../text/stations.ts';
import { clipped } from '../../text/schemaWords.ts';
import { FirstOpen } from '../../session/firstOpen.ts';
import { firstOpenStop } from './summaries.ts';
import { BenchNote } from '../../ui/benchNote.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { Boundary } from '../../ui/Boundary.tsx';
import { SkipLink } from '../../ui/SkipLink.tsx';
import { PageTitle } from '../../ui/PageTitle.tsx';
import { Header } from './Header.tsx';
import { LedgerLine } from './LedgerLine.tsx';
import { Margin, MarginSheet } from './Margin.tsx';
import { PlainPage } from './PlainFrame.tsx';
import { RibbonBar } from './RibbonBar.tsx';
import { Run } from './Run.tsx';
import { StoredNotices } from './StoredNotices.tsx';

/** `unread`: the night was put away and is being taken out. */
function useNightOfRoute(): DerivedNight | { state: 'unread' } {
  const { nightId = '' } = useParams();
  const { stored } = useShared();
  const { clock } = useSession();
  const { readWhole } = stored;
  const isAway = stored.readings.get(nightId)?.whole === false;
  useEffect(() => {
    if (isAway) readWhole(nightId);
  }, [isAway, readWhole, nightId]);
  return useMemo(() => {
    if (isAway) return { state: 'unread' };
    return derivedNight(stored, nightId, clock.nowMs());
  }, [stored, nightId, clock, isAway]);
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

/** What is not in the run, but checked on a bench of its own. */
const HAS_A_BENCH: readonly LeftOut['why'][] = ['strainWaveHasNoClutch'];

/** Why a station is not for this rig, where its key or its address asks for it; else null. */
function useLeftOut({ run }: NightStatic): ReactNode {
  const step = useLocation().pathname.split('/')[3] ?? '';
  const left = run.stops.some((stop) => stop.step === step)
    ? []
    : run.leftOut.filter((one) => one.step === step && !HAS_A_BENCH.includes(one.why));
  const station = stationOf(step);
  if (left.length === 0 || !station) return null;
  return (
    <BenchLayout title={station.name} sentence={LEFT_OUT} reason={leftOutWords(left).join(' ')} instrumentName="" />
  );
}

const LEDGER_LINE = <LedgerLine />;

function Shown({ night: stored, setAside }: { night: NightStatic; setAside: Reading | null }) {
  const night = useNightNow(stored);
  const shared = useShared();
  const { zoneIana } = night.records.site;
  const here = useMemo(
    () => ({ ...shared, format: makeFormat(shared.format.system, zoneIana, shared.format.written) }),
    [shared, zoneIana],
  );
  const { pathname } = useLocation();
  useRibbonFromAddress();
  // Bench, margin and header follow the target that the mount looks at, at the ribbon's time.
  const aimed = aimedAt(
    night,
    useRibbonTime((timeMs) => legIndexAt(night.legs, timeMs)),
  );
  const without = useLeftOut(aimed);
  useEffect(() => localStorage.setItem('tidy-owl-last-night', night.records.night.id), [night]);
  return (
    <SharedContext value={here}>
      <NightContext value={aimed}>
        <div className="frame">
          <SkipLink />
          <Header night={aimed} />
          <Run />
          <main className="bench" id="bench" tabIndex={-1}>
            <StoredNotices setAside={setAside} unknownZone={night.records.unknownZone} />
            <Boundary what="This bench" resetKey={pathname}>
              <BenchNote value={LEDGER_LINE}>
                <FirstOpen value={firstOpenStop(aimed, here.format)}>{without ?? <Outlet />}</FirstOpen>
              </BenchNote>
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

/** Night, rig or site are not there any more, or never were. */
function GoneNight() {
  const { nightId = '' } = useParams();
  const { stored } = useShared();
  const night = stored.nights.find((n) => n.id === nightId && n.deletedAtUtc === null);
  const isThere = (records: readonly { id: string }[], id: string): boolean => records.some((r) => r.id === id);
  const missing = night && !isThere(stored.rigs, night.rigId) ? 'rigs' : night ? 'sites' : 'nights';
  const id = { nights: nightId, rigs: night?.rigId ?? '', sites: night?.siteId ?? '' }[missing];
  return (
    <PlainPage>
      <PageTitle>Nothing here</PageTitle>
      <Gone table={missing} id={id} />
      <p className="mt-3">
        <Link to="/">Go to the last night</Link>
      </p>
    </PlainPage>
  );
}

function BrokenNight({ problem }: { problem: string }) {
  return (
    <PlainPage>
      <PageTitle>{BROKEN_NIGHT.title}</PageTitle>
      <p role="alert">{BROKEN_NIGHT.what}</p>
      <p className="soft">{clipped(problem)}</p>
      <p>
        <Link to="/kit">Kit</Link> · <Link to="/sites">Sites</Link> · <Link to="/data">Data in and out</Link>
      </p>
    </PlainPage>
  );
}

/** One night with its run, bench, margin and ribbon. */
export function NightFrame() {
  const found = useNightOfRoute();
  switch (found.state) {
    case 'night':
      return <Shown night={found.night} setAside={found.setAside} />;
    case 'gone':
      return <GoneNight />;
    case 'unread':
      return (
        <PlainPage>
          <p className="opening" role="status">
            Opening this night…
          </p>
        </PlainPage>
      );
    case 'broken':
      return <BrokenNight problem={found.problem} />;
  }
}
