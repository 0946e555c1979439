/** Every page of a night as text, drawn by the components that the app draws. */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createElement as h, type ComponentType, type ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import type { NightStatic } from '../../src/core/night/nightStatic.ts';
import { LedgerLine } from '../../src/app/frame/LedgerLine.tsx';
import { Margin } from '../../src/app/frame/Margin.tsx';
import { Run } from '../../src/app/frame/Run.tsx';
import { BalanceBench } from '../../src/features/balance/BalanceBench.tsx';
import { LevelBench } from '../../src/features/level/LevelBench.tsx';
import { LightPathBench } from '../../src/features/light-path/LightPathBench.tsx';
import { LogbookBench } from '../../src/features/logbook/LogbookBench.tsx';
import { MeridianBench } from '../../src/features/meridian/MeridianBench.tsx';
import { NightCardPage } from '../../src/features/night-card/NightCardPage.tsx';
import { PayloadBench } from '../../src/features/payload/PayloadBench.tsx';
import { PointingBench } from '../../src/features/pointing/PointingBench.tsx';
import { PolarBench } from '../../src/features/polar/PolarBench.tsx';
import { TonightPage } from '../../src/features/tonight/TonightPage.tsx';
import { TrackingBench } from '../../src/features/tracking/TrackingBench.tsx';
import { WatchBench } from '../../src/features/watch/WatchBench.tsx';
import { MS_PER_MINUTE } from '../../src/core/time/utc.ts';
import type { Clock } from '../../src/session/clock.ts';
import { createRibbonTime } from '../../src/session/ribbonTime.ts';
import { NightContext, SessionContext, SharedContext, type Session, type Shared } from '../../src/session/session.ts';
import type { UnitSystem } from '../../src/core/units/quantities.ts';
import { makeFormat } from '../../src/text/format.ts';
import { fetchAllLater } from '../../src/ui/later.tsx';
import type { OwnStored } from './ownWorld.ts';

const PAGES: Record<string, ComponentType> = {
  tonight: TonightPage,
  'light-path': LightPathBench,
  payload: PayloadBench,
  meridian: MeridianBench,
  level: LevelBench,
  balance: BalanceBench,
  polar: PolarBench,
  pointing: PointingBench,
  tracking: TrackingBench,
  watch: WatchBench,
  logbook: LogbookBench,
  card: NightCardPage,
};

const nothing = (): undefined => undefined;
const unheard = (): (() => undefined) => () => undefined;

const emptyStore = { getItem: () => null, setItem: nothing, removeItem: nothing };
const noMatch = { matches: false, addEventListener: nothing, removeEventListener: nothing };

/** What the pages ask of a browser while they are drawn: one that remembers nothing and has no touch.
 *  @returns the way to be rid of it: others in the same process must not take it for one. */
function quietBrowser(): () => void {
  const has: Record<string, unknown> = {
    localStorage: emptyStore,
    sessionStorage: emptyStore,
    matchMedia: () => noMatch,
    window: globalThis,
    navigator: { maxTouchPoints: 0 },
    document: { baseURI: 'http://127.0.0.1/', documentElement: { dataset: {} } },
  };
  const lacking = Object.entries(has).filter(([name]) => !(name in globalThis));
  for (const [name, value] of lacking) Object.defineProperty(globalThis, name, { value, configurable: true });
  return () => {
    for (const [name] of lacking) Reflect.deleteProperty(globalThis, name);
  };
}

/** A tab whose clock stands and which writes nothing. */
function quietSession(nowMs: number): Session {
  const clock: Clock = { nowMs: () => nowMs, elapsedMs: () => 0, fixed: true, subscribe: unheard };
  const quiet = {
    clock,
    ribbon: createRibbonTime(clock, (callback) => callback()),
    db: {},
    writer: { nowMs: clock.nowMs },
    tab: { id: () => 'tab', subscribe: unheard, openTabs: async () => Promise.resolve(new Set(['tab'])) },
    presses: { run: nothing, busy: () => false, subscribe: unheard },
    copies: { state: () => ({ copies: [], problem: null }), subscribe: unheard },
    records: nothing,
  };
  return quiet as unknown as Session;
}

function sharedOf({ records }: OwnStored, night: NightStatic, units: UnitSystem): Shared {
  const stored = { ...records, settings: [], damaged: [], readWhole: nothing, doubles: 0 };
  return {
    stored: stored as unknown as Shared['stored'],
    format: makeFormat(units, night.records.site.zoneIana),
    notify: nothing,
    loss: null,
  };
}

/** What a reader sees, one line per block of text. */
export const textOf = (markup: string): string[] =>
  markup
    .replaceAll(/<(?:option|title)[^>]*>/g, '\n')
    .replaceAll(
      /<\/?(?:p|h\d|div|li|ul|ol|dt|dd|dl|tr|td|th|table|button|label|select|option|text|section|figure|figcaption|summary|details|form|title|g|svg)\b[^>]*>/g,
      '\n',
    )
    .replaceAll(/<[^>]+>/g, '')
    .replaceAll('&amp;', '&')
    .replaceAll('&#x27;', '’')
    .replaceAll('&quot;', '"')
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>')
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

export type Page = { name: string; lines: string[] };

const TAB_LINK = /<button[^>]*data-tab="([^"]+)"/g;

/** Draws what stands at an address of the night as markup. */
function drawerOf(stored: OwnStored, night: NightStatic, units: UnitSystem) {
  const session = quietSession(stored.nowMs);
  const shared = sharedOf(stored, night, units);
  const client = new QueryClient();
  return (path: string, what: ReactNode, atMs: number | null = null): string => {
    if (atMs === null) session.ribbon.goLive();
    else session.ribbon.scrubTo(atMs);
    const page = h(MemoryRouter, { initialEntries: [`/n/${stored.nightId}/${path}`] }, what);
    const ofNight = h(NightContext.Provider, { value: night }, page);
    const ofRecords = h(SharedContext.Provider, { value: shared }, ofNight);
    const ofTab = h(SessionContext.Provider, { value: session }, ofRecords);
    return renderToStaticMarkup(h(QueryClientProvider, { client }, ofTab));
  };
}

/** When a night asks for something else: before and in its subs, at each flip, behind the end. */
function momentsOf({ plan }: NightStatic): [string, number][] {
  const [first, last] = [plan?.subs[0], plan?.subs.at(-1)];
  if (!plan || !first || !last) return [];
  const flips = plan.flips.flatMap(({ startMs, latestMs }): [string, number][] => [
    ['before the flip', startMs - MS_PER_MINUTE],
    ['flip', startMs],
    ['late', latestMs + MS_PER_MINUTE],
  ]);
  return [['running', first.startMs + 1], ...flips, ['over', last.endMs + MS_PER_MINUTE]];
}

/** All pages of a night with all their tabs, and what stands around them. */
export async function pagesOf(stored: OwnStored, night: NightStatic, units: UnitSystem = 'metric'): Promise<Page[]> {
  const rid = quietBrowser();
  try {
    await fetchAllLater();
    return drawnPages(drawerOf(stored, night, units), night);
  } finally {
    rid();
  }
}

function drawnPages(draw: ReturnType<typeof drawerOf>, night: NightStatic): Page[] {
  const pages: Page[] = [{ name: 'run', lines: textOf(draw('tonight', h(Run))) }];
  const add = (name: string, markup: string): number => pages.push({ name, lines: textOf(markup) });
  const addMargin = (step: string): number =>
    add(`margin of ${step}`, draw(step, [h(LedgerLine, { key: 'line' }), h(Margin, { key: 'margin' })]));
  // Their keys lead to these too, and the margin stands beside the sentence that says why there is nothing.
  for (const { step } of night.run.leftOut) addMargin(step);
  for (const step of ['tonight', ...new Set(night.run.stops.map((stop) => stop.step)), 'card']) {
    const Bench = PAGES[step];
    if (!Bench) throw new Error(`no page for ${step}`);
    const first = draw(step, h(Bench));
    add(step, first);
    addMargin(step);
    for (const [when, atMs] of step === 'watch' ? momentsOf(night) : [])
      add(`watch, ${when}`, draw(step, [h(LedgerLine, { key: 'line' }), h(Bench, { key: 'bench' })], atMs));
    const tabs = [...first.matchAll(TAB_LINK)].map((found) => found[1] ?? '');
    for (const tab of tabs.slice(1)) add(`${step}, ${tab}`, draw(`${step}?tab=${tab}`, h(Bench)));
  }
  return pages;
}
