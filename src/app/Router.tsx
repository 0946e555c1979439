import { useEffect, type ComponentType } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter, Route, Routes, useLocation } from 'react-router';
import { LastNight } from './LastNight.tsx';
import { NotFound, RouteError } from './NotFound.tsx';
import { NightFrame } from './frame/NightFrame.tsx';
import { PlainFrame } from './frame/PlainFrame.tsx';
import { later } from '../ui/later.tsx';
import { OpeningPage } from '../ui/OpeningPage.tsx';
import { Root } from './Root.tsx';

const page = (load: () => Promise<ComponentType>) => later(load, OpeningPage);

/** The benches by their step in the address, and the night card. */
const benches = [
  {
    path: 'light-path',
    Page: page(async () => (await import('../features/light-path/LightPathBench.tsx')).LightPathBench),
  },
  { path: 'payload', Page: page(async () => (await import('../features/payload/PayloadBench.tsx')).PayloadBench) },
  {
    path: 'meridian',
    Page: page(async () => (await import('../features/meridian/MeridianBench.tsx')).MeridianBench),
  },
  { path: 'level', Page: page(async () => (await import('../features/level/LevelBench.tsx')).LevelBench) },
  { path: 'balance', Page: page(async () => (await import('../features/balance/BalanceBench.tsx')).BalanceBench) },
  { path: 'polar', Page: page(async () => (await import('../features/polar/PolarBench.tsx')).PolarBench) },
  {
    path: 'pointing',
    Page: page(async () => (await import('../features/pointing/PointingBench.tsx')).PointingBench),
  },
  {
    path: 'tracking',
    Page: page(async () => (await import('../features/tracking/TrackingBench.tsx')).TrackingBench),
  },
  { path: 'watch', Page: page(async () => (await import('../features/watch/WatchBench.tsx')).WatchBench) },
  { path: 'logbook', Page: page(async () => (await import('../features/logbook/LogbookBench.tsx')).LogbookBench) },
  { path: 'tonight', Page: page(async () => (await import('../features/tonight/TonightPage.tsx')).TonightPage) },
  {
    path: 'card',
    Page: page(async () => (await import('../features/night-card/NightCardPage.tsx')).NightCardPage),
  },
];

const Kit = page(async () => (await import('../features/kit/KitPage.tsx')).KitPage);
const Sites = page(async () => (await import('../features/sites/SitesPage.tsx')).SitesPage);
const Start = page(async () => (await import('../features/start/StartPage.tsx')).StartPage);
const Choose = page(async () => (await import('../features/payload/ChoosePage.tsx')).ChoosePage);
const Help = page(async () => (await import('./HelpPage.tsx')).HelpPage);
const Data = page(async () => (await import('../features/data/DataPage.tsx')).DataPage);

/** Every address and its page. A page that failed altogether says so, until another address is gone to. */
function Pages() {
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={RouteError} resetKeys={[pathname]}>
      <Routes>
        <Route element={<Root />}>
          <Route path="/" element={<LastNight />} />
          <Route path="/n/:nightId" element={<NightFrame />}>
            {benches.map(({ path, Page }) => (
              <Route key={path} path={path} element={<Page />} />
            ))}
            <Route path="*" element={<NotFound />} />
          </Route>
          <Route element={<PlainFrame />}>
            <Route path="/kit/:kind?/:id?" element={<Kit />} />
            <Route path="/sites/:id?" element={<Sites />} />
            <Route path="/start" element={<Start />} />
            <Route path="/choose" element={<Choose />} />
            <Route path="/data" element={<Data />} />
            <Route path="/help/:topic?" element={<Help />} />
            <Route path="*" element={<NotFound />} />
          </Route>
        </Route>
      </Routes>
    </ErrorBoundary>
  );
}

/** The addressed bench is fetched while the database still opens. What fails is asked for again, and said, by the page. */
function useAddressedBench(): void {
  useEffect(() => {
    const step = location.pathname.split('/').at(-1);
    const bench = benches.find(({ path }) => path === step);
    bench?.Page.fetch().catch(() => undefined);
  }, []);
}

export function Router() {
  useAddressedBench();
  return (
    <BrowserRouter basename={new URL(document.baseURI).pathname}>
      <Pages />
    </BrowserRouter>
  );
}
