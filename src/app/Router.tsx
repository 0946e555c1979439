import { lazy, Suspense, type ComponentType, type ReactElement } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter, Route, Routes, useLocation } from 'react-router';
import { LastNight } from './LastNight.tsx';
import { NotFound, RouteError } from './NotFound.tsx';
import { NightFrame } from './frame/NightFrame.tsx';
import { PlainFrame } from './frame/PlainFrame.tsx';
import { Root } from './Root.tsx';

/** A page whose code is fetched when it is first opened. */
function later(load: () => Promise<ComponentType>): ReactElement {
  const Page = lazy(async () => ({ default: await load() }));
  return (
    <Suspense fallback={<p role="status">Opening…</p>}>
      <Page />
    </Suspense>
  );
}

/** The benches by their step in the address, and the night card. */
const benches = [
  {
    path: 'light-path',
    element: later(async () => (await import('../features/light-path/LightPathBench.tsx')).LightPathBench),
  },
  { path: 'payload', element: later(async () => (await import('../features/payload/PayloadBench.tsx')).PayloadBench) },
  {
    path: 'meridian',
    element: later(async () => (await import('../features/meridian/MeridianBench.tsx')).MeridianBench),
  },
  { path: 'level', element: later(async () => (await import('../features/level/LevelBench.tsx')).LevelBench) },
  { path: 'balance', element: later(async () => (await import('../features/balance/BalanceBench.tsx')).BalanceBench) },
  { path: 'polar', element: later(async () => (await import('../features/polar/PolarBench.tsx')).PolarBench) },
  {
    path: 'pointing',
    element: later(async () => (await import('../features/pointing/PointingBench.tsx')).PointingBench),
  },
  {
    path: 'tracking',
    element: later(async () => (await import('../features/tracking/TrackingBench.tsx')).TrackingBench),
  },
  { path: 'watch', element: later(async () => (await import('../features/watch/WatchBench.tsx')).WatchBench) },
  { path: 'logbook', element: later(async () => (await import('../features/logbook/LogbookBench.tsx')).LogbookBench) },
  {
    path: 'card',
    element: later(async () => (await import('../features/night-card/NightCardPage.tsx')).NightCardPage),
  },
];

const kit = later(async () => (await import('../features/kit/KitPage.tsx')).KitPage);
const sites = later(async () => (await import('../features/sites/SitesPage.tsx')).SitesPage);
const help = later(async () => (await import('./HelpPage.tsx')).HelpPage);
const data = later(async () => (await import('../features/data/DataPage.tsx')).DataPage);

/** Every address and its page. A page that failed altogether says so, until another address is gone to. */
function Pages() {
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={RouteError} resetKeys={[pathname]}>
      <Routes>
        <Route element={<Root />}>
          <Route path="/" element={<LastNight />} />
          <Route path="/n/:nightId" element={<NightFrame />}>
            {benches.map(({ path, element }) => (
              <Route key={path} path={path} element={element} />
            ))}
            <Route path="*" element={<NotFound />} />
          </Route>
          <Route element={<PlainFrame />}>
            <Route path="/kit/:kind?/:id?" element={kit} />
            <Route path="/sites/:id?" element={sites} />
            <Route path="/data" element={data} />
            <Route path="/help/:topic?" element={help} />
            <Route path="*" element={<NotFound />} />
          </Route>
        </Route>
      </Routes>
    </ErrorBoundary>
  );
}

export function Router() {
  return (
    <BrowserRouter basename={new URL(document.baseURI).pathname}>
      <Pages />
    </BrowserRouter>
  );
}
