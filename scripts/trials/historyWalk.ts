/** A user with a long history: it is brought in from a file, every station is looked at, old nights are found and opened, and
 *  what tonight learns from nights put away is what it learns from whole ones. */
import type { Page } from '@playwright/test';
import { shiftDate, formatDateIn } from '../../src/core/time/civil.ts';
import { STATIONS } from '../../src/text/stations.ts';

const TONIGHT = 'demo-tonight-heron';
const NOW = '2026-11-24T19:21:00Z';
/** More rows than these drawn at once would be no window. */
const MOST_ROWS = 90;

export type Walk = { page: Page; base: string; nights: number; file: string };
type Check = (isRight: boolean, what: string) => void;

const go = async ({ page, base }: Walk, path: string): Promise<void> => {
  await page.goto(`${base}${path}?now=${NOW}`);
  await page.getByRole('heading', { level: 1 }).first().waitFor({ timeout: 120_000 });
};

async function bringIn(walk: Walk): Promise<void> {
  const { page, file } = walk;
  await go(walk, '/data');
  await page.locator('#backup-file').setInputFiles(file);
  await page.getByRole('button', { name: 'Merge into what is here' }).click({ timeout: 180_000 });
  await page.getByText('Merged.').waitFor({ timeout: 180_000 });
}

/** Parts of a bench whose code is still on its way leave a mark. */
const expectNone = (page: Page, selector: string): Promise<unknown> =>
  page.waitForFunction((mark) => document.querySelector(mark) === null, selector);

/** What the benches of tonight say. */
async function said(walk: Walk): Promise<string[]> {
  const { page } = walk;
  const all: string[] = [];
  const read = async (): Promise<void> => {
    await page.getByText('Opening…').waitFor({ state: 'detached' });
    await expectNone(page, '.awaited');
    all.push((await page.getByRole('main').innerText()).replaceAll(/\s+/g, ' '));
  };
  await go(walk, `/n/${TONIGHT}/card`);
  await read();
  await go(walk, `/n/${TONIGHT}/light-path`);
  for (const { step, name } of STATIONS) {
    await page.locator(`.run a[href*="/${step}"]`).first().click();
    // Headings say more than the run does.
    const [word = ''] = name.split(/[ ,]/);
    await page.getByRole('heading', { level: 1, name: word }).waitFor();
    await read();
  }
  return all;
}

/** How many digests there are; they can be thrown away. */
const digests = (page: Page, clear: boolean): Promise<number> =>
  page.evaluate(
    (throwAway) =>
      new Promise<number>((resolve) => {
        const open = indexedDB.open('tidy-owl');
        open.onsuccess = () => {
          const store = open.result.transaction('nightDigests', 'readwrite').objectStore('nightDigests');
          const count = store.count();
          count.onsuccess = () => {
            if (throwAway) store.clear();
            store.transaction.oncomplete = () => {
              open.result.close();
              resolve(count.result);
            };
          };
        };
      }),
    clear,
  );

async function lookInLists(walk: Walk, check: Check): Promise<void> {
  const { page, nights } = walk;
  await go(walk, `/n/${TONIGHT}/logbook`);
  const rows = page.locator('.night-table tbody tr:not(.gap-row)');
  check((await rows.count()) < MOST_ROWS, `the logbook draws ${await rows.count()} rows`);
  const told = Number(await page.locator('.night-table').getAttribute('aria-rowcount'));
  check(told > nights, `the logbook counts ${told} rows`);
  const date = shiftDate('2026-11-24', -Math.floor(nights / 2));
  await page.getByRole('searchbox').fill(date);
  const words = formatDateIn('2026', date);
  await page.getByRole('link', { name: words }).click();
  await page.getByText('in full').waitFor();
  const listed = await page.locator('.reading-list li').count();
  // Twenty-seven or so are listed one by one, the ticks of the packing list are counted.
  check(listed > 20, `an old night lists ${listed} readings`);
  await page.locator('#night-switch').click();
  const items = page.locator('.dropdown-menu.show .dropdown-item');
  check((await items.count()) < 60, `the menu of nights lists ${await items.count()}`);
  await items.last().click();
  await page.getByRole('searchbox', { name: 'Find by name' }).fill(date);
  await page.locator('.modal .list-group-item', { hasText: words }).click();
  await page.getByRole('heading', { level: 1, name: /Balance/ }).waitFor();
}

/** @returns what was not right. */
export async function walkHistory(walk: Walk): Promise<string[]> {
  const { page, nights } = walk;
  const problems: string[] = [];
  const check: Check = (isRight, what) => {
    if (!isRight) problems.push(what);
  };
  page.on('pageerror', (error) => problems.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') problems.push(message.text());
  });
  await go(walk, `/n/${TONIGHT}/balance`);
  await bringIn(walk);
  check((await digests(page, false)) >= nights, 'what was brought in is not put away');
  const fromDigests = await said(walk);
  await lookInLists(walk, check);
  await digests(page, true);
  const fromWhole = await said(walk);
  fromDigests.forEach((text, i) => check(text === fromWhole[i], `${text} | ${fromWhole[i] ?? ''}`));
  return problems;
}
