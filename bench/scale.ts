/** What a long history costs in the browser: the same walk with a dozen, a thousand and five thousand nights. */
import { chromium, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { median, type Figure } from './figure.ts';
import { scrub } from './frames.ts';
import { historyOf, type History } from '../scripts/trials/history.ts';

const TONIGHT = 'demo-tonight-heron';
const NOW = '2026-11-24T19:21:00Z';

/** Puts rows into the open app's database, as another program would: no code of the app runs. */
async function putRows(page: Page, tables: Record<string, readonly object[]>): Promise<void> {
  await page.evaluate(
    (given) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('tidy-owl');
        open.onerror = () => reject(new Error('not opened'));
        open.onsuccess = () => {
          const db = open.result;
          const change = db.transaction(Object.keys(given), 'readwrite');
          for (const [table, rows] of Object.entries(given)) for (const row of rows) change.objectStore(table).put(row);
          change.oncomplete = () => {
            db.close();
            resolve();
          };
          change.onerror = () => reject(new Error('not kept'));
        };
      }),
    tables,
  );
}

export async function fill(page: Page, { nights, snapshots, nightReadings }: History): Promise<void> {
  const some = 250;
  await putRows(page, { snapshots });
  for (let i = 0; i < nights.length; i += some)
    await putRows(page, { nights: nights.slice(i, i + some), nightReadings: nightReadings.slice(i, i + some) });
}

type Until = { selector: string; text?: string; gone?: boolean };
type Act = { click: string } | { type: string; text: string } | { key: string };

/** From an action to the frame in which the page shows what it is waited for, ms. */
export async function time(page: Page, act: Act, until: Until): Promise<number> {
  return page.evaluate(
    async ({ act, until }) => {
      const isDone = (): boolean =>
        [...document.querySelectorAll(until.selector)].some((e) => e.textContent.includes(until.text ?? ''));
      const frame = (): Promise<void> => new Promise((resolve) => requestAnimationFrame(() => resolve()));
      const painted = (): Promise<void> =>
        new Promise((resolve) => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => resolve();
          port2.postMessage(null);
        });
      const start = performance.now();
      if ('click' in act) document.querySelector<HTMLElement>(act.click)?.click();
      else if ('key' in act) window.dispatchEvent(new KeyboardEvent('keydown', { key: act.key, bubbles: true }));
      else {
        const field = document.querySelector<HTMLInputElement | HTMLTextAreaElement>(act.type);
        const kind = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
        Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set?.call(field, act.text);
        field?.dispatchEvent(new Event('input', { bubbles: true }));
      }
      do {
        await frame();
        if (performance.now() - start > 15_000) return Number.NaN;
      } while (!isDone());
      await painted();
      return performance.now() - start;
    },
    { act, until },
  );
}

/** The longest time in which the page did not answer, since it was last asked. */
export const longest = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const kept = window as unknown as { longTasks?: number[] };
    return Math.max(0, ...(kept.longTasks?.splice(0) ?? []));
  });

export async function watchLongTasks(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const all: number[] = [];
    (window as unknown as { longTasks: number[] }).longTasks = all;
    new PerformanceObserver((list) => all.push(...list.getEntries().map((e) => e.duration))).observe({
      type: 'longtask',
      buffered: true,
    });
  });
}

export async function opened(page: Page, address: string): Promise<number> {
  const start = performance.now();
  await page.goto(`${address}/n/${TONIGHT}/balance?now=${NOW}`);
  await page.locator('.sentence').waitFor({ timeout: 120_000 });
  return performance.now() - start;
}

const digests = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const open = indexedDB.open('tidy-owl');
        open.onsuccess = () => {
          const count = open.result.transaction('nightDigests').objectStore('nightDigests').count();
          count.onsuccess = () => {
            open.result.close();
            resolve(count.result);
          };
        };
      }),
  );

/** Until the app has put so many nights away by itself, ms. */
export async function putAway(page: Page, nights: number): Promise<number> {
  const start = performance.now();
  while ((await digests(page)) < nights) await new Promise((resolve) => setTimeout(resolve, 200));
  return performance.now() - start;
}

const station = (step: string): string => `.run a[href*="/${step}"]`;

/** From the press to the notice of a note, the median of three; once before without a clock. */
async function recorded(page: Page): Promise<number> {
  const times: number[] = [];
  for (const wind of ['none', 'light', 'some', 'strong']) {
    await page.locator('textarea').fill(`Wind: ${wind}.`);
    // A button rests for a moment after what it did.
    await page.locator('.bench form button[type=submit]:not([aria-disabled=true])').waitFor();
    times.push(
      await time(
        page,
        { click: '.bench form button[type=submit]' },
        { selector: '.toast-corner', text: 'Note recorded' },
      ),
    );
    await page.locator('.toast-corner .btn-close').click();
    await page.locator('.toast').waitFor({ state: 'detached' });
  }
  return median(times.slice(1));
}

/** Two stations by turns, the median of three each. */
async function betweenStations(page: Page): Promise<Record<string, number>> {
  const [level, payload]: [number[], number[]] = [[], []];
  for (let turn = 0; turn < 3; turn += 1) {
    level.push(await time(page, { click: station('level') }, { selector: '.bench h1', text: 'Level' }));
    payload.push(await time(page, { click: station('payload') }, { selector: '.bench h1', text: 'Payload' }));
  }
  return { 'station: level': median(level), 'station: payload': median(payload) };
}

/** From the press on a night that was not looked at before to that night in full, the median of three. */
async function switched(page: Page): Promise<number> {
  const times: number[] = [];
  for (const row of [5, 7, 9]) {
    const link = `.night-table tbody tr:nth-child(${row}) a`;
    const date = (await page.locator(link).textContent()) ?? '';
    times.push(await time(page, { click: link }, { selector: '#in-full', text: `${date} in full` }));
  }
  return median(times);
}

export async function walk(page: Page): Promise<Record<string, number>> {
  const found: Record<string, number> = {};
  const inTurn = async (name: string, act: Act, until: Until): Promise<void> => {
    found[name] = await time(page, act, until);
  };
  // Once without a clock: what a bench fetches is no matter of history.
  for (const step of ['level', 'polar', 'payload', 'balance']) {
    await page.locator(station(step)).first().click();
    await page.locator('.bench h1').waitFor();
  }
  Object.assign(found, await betweenStations(page));
  await inTurn('logbook', { click: station('logbook') }, { selector: '.night-table tbody th' });
  await inTurn(
    'filter',
    { type: 'input[type=search]', text: '2026-11-21' },
    { selector: '.night-table tbody tr:first-child th', text: '21 Nov' },
  );
  await inTurn(
    'filter cleared',
    { type: 'input[type=search]', text: '' },
    { selector: '.night-table tbody tr:first-child th', text: '24 Nov' },
  );
  found['record'] = await recorded(page);
  found['switch night'] = await switched(page);
  // Opened once before: what they fetch is no matter of history.
  await time(page, { key: '/' }, { selector: '.modal input' });
  await page.keyboard.press('Escape');
  await page.locator('.modal').waitFor({ state: 'detached' });
  await inTurn('find', { key: '/' }, { selector: '.modal input' });
  await inTurn(
    'find by date',
    { type: '.modal input', text: '2026-11-21' },
    { selector: '.modal .list-group-item:first-child', text: '21 Nov' },
  );
  await page.keyboard.press('Escape');
  await page.locator('#night-switch').click();
  await page.locator('.dropdown-menu.show').waitFor();
  await page.keyboard.press('Escape');
  await inTurn('menu of nights', { click: '#night-switch' }, { selector: '.dropdown-menu.show' });
  await page.keyboard.press('Escape');
  return found;
}

/** Everything out to a file and back in, by the buttons; s. */
async function outAndIn(page: Page, address: string): Promise<Record<string, number>> {
  await page.goto(`${address}/data?now=${NOW}`);
  const save = page.getByRole('button', { name: 'Save everything' });
  await save.waitFor({ timeout: 60_000 });
  const began = performance.now();
  const [download] = await Promise.all([page.waitForEvent('download', { timeout: 120_000 }), save.click()]);
  const path = join(mkdtempSync(join(tmpdir(), 'owl-history-')), 'history.json');
  await download.saveAs(path);
  const exportS = (performance.now() - began) / 1000;
  await page.getByRole('button', { name: 'Remove everything' }).click();
  await page.locator('.modal').getByRole('button', { name: 'Remove everything' }).click();
  await page.getByText('Everything was removed').waitFor({ timeout: 120_000 });
  const emptyS = (performance.now() - began) / 1000 - exportS;
  const again = performance.now();
  await page.locator('#backup-file').setInputFiles(path);
  await page.getByRole('button', { name: 'Merge into what is here' }).click({ timeout: 120_000 });
  await page.getByText('Merged.').waitFor({ timeout: 120_000 });
  rmSync(dirname(path), { recursive: true });
  return { 'export, s': exportS, 'emptying, s': emptyS, 'import, s': (performance.now() - again) / 1000 };
}

export async function heapMb(page: Page): Promise<number> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('HeapProfiler.enable');
  await devtools.send('HeapProfiler.collectGarbage');
  const { usedSize } = await devtools.send('Runtime.getHeapUsage');
  return usedSize / 2 ** 20;
}

/** Wanted at 5,000 nights; what is not listed is wanted as with a dozen, and a fifth more. */
const WANTED: Record<string, number> = {
  logbook: 400,
  filter: 100,
  'filter cleared': 100,
  record: 50,
  'switch night': 150,
  find: 100,
  'find by date': 100,
  'longest freeze': 200,
  'longest freeze, out and in': 200,
  'heap, MB': 250,
  'export, s': 8,
  'emptying, s': 8,
  'import, s': 12,
};

async function measured(address: string, nights: number): Promise<Record<string, number>> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  // The runner of this script names functions by a helper that the page does not have.
  await page.addInitScript('globalThis.__name = (named) => named');
  await watchLongTasks(page);
  await opened(page, address);
  const found: Record<string, number> = {};
  if (nights > 12) {
    await fill(page, historyOf(nights));
    await opened(page, address);
    found['put away, s'] = (await putAway(page, nights)) / 1000;
  }
  found['reload'] = median([await opened(page, address), await opened(page, address), await opened(page, address)]);
  const opening = await longest(page);
  Object.assign(found, await walk(page));
  await page.goto(`${address}/n/${TONIGHT}/polar?now=${NOW}`);
  await page.locator('.pole-dial').waitFor();
  found['scrub step'] = median(await scrub(page));
  found['card'] = await time(page, { key: 'c' }, { selector: '.night-card h1' });
  found['heap, MB'] = await heapMb(page);
  found['longest freeze'] = Math.max(opening, await longest(page));
  Object.assign(found, await outAndIn(page, address));
  found['longest freeze, out and in'] = await longest(page);
  await browser.close();
  return found;
}

export async function scaleFigures(address: string, sizes = [12, 1000, 5000]): Promise<Figure[]> {
  const figures: Figure[] = [];
  let few: Record<string, number> = {};
  for (const nights of sizes) {
    const found = await measured(address, nights);
    if (nights === 12) few = found;
    for (const [name, value] of Object.entries(found)) {
      const asFew = name === 'reload' ? (few[name] ?? 0) + 500 : Math.max(16, 1.2 * (few[name] ?? 0));
      const unit = / (MB|s)$/.exec(name)?.[1] ?? 'ms';
      figures.push({ name: `${nights} nights: ${name}`, value, unit, target: WANTED[name] ?? asFew });
    }
  }
  return figures;
}
