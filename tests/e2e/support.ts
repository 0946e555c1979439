import { expect, type Page } from '@playwright/test';
import { decode } from 'fast-png';

/** The evening on which every interface test plays. */
export const NOW = '2026-11-24T19:21:00Z';
export const HERON = '/n/demo-tonight-heron';
export const WAGTAIL = '/n/demo-tonight-wagtail';

export type Light = 'day' | 'dusk' | 'red';

/** Opens an address with the clock fixed; with `light` the device remembers that light. Collects errors of page and
 *  console in the list it returns. */
export async function open(page: Page, path: string, light?: Light, nowUtc = NOW): Promise<string[]> {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') problems.push(message.text());
  });
  if (light) await page.addInitScript((chosen) => localStorage.setItem('tidy-owl-light', chosen), light);
  await page.goto(`${path}${path.includes('?') ? '&' : '?'}now=${nowUtc}`);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  return problems;
}

/** Goes on to another view as a link would, without loading the app anew. */
export async function visit(page: Page, path: string, heading: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(heading);
}

/** The same without knowing the heading: by way of a page that has another one for sure. */
export async function visitAny(page: Page, path: string): Promise<void> {
  await visit(page, '/no/such/page', 'Nothing here');
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText('Nothing here');
  await expect(page.getByText('Opening…')).toBeHidden();
}

/** Types into the tape's field what is expected there, as a hand that finds it so. */
export async function readTape(page: Page): Promise<void> {
  const field = page.locator('input[name="tapeM"]');
  await field.fill((await field.getAttribute('placeholder')) ?? '');
}

export const sentence = (page: Page) => page.locator('.sentence');

/** Everything stored in this browser, but for the list of changes, as one comparable text. */
export async function storedText(page: Page): Promise<string> {
  return page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open('tidy-owl');
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(new Error('closed'));
    });
    const tables = [...db.objectStoreNames].filter((name) => name !== 'changes');
    const dump: Record<string, unknown> = {};
    for (const name of tables) {
      dump[name] = await new Promise((resolve) => {
        const request = db.transaction(name).objectStore(name).getAll();
        request.onsuccess = () => resolve(request.result);
      });
    }
    db.close();
    return JSON.stringify(dump);
  });
}

/** How many pixels of the whole page have any green or blue. */
export async function notRedPixels(page: Page): Promise<{ bad: number; total: number; lit: number }> {
  const { data, channels, width, height } = decode(await page.screenshot({ fullPage: true }));
  let [bad, lit] = [0, 0];
  for (let i = 0; i < data.length; i += channels) {
    if (data[i + 1] !== 0 || data[i + 2] !== 0) bad += 1;
    if ((data[i] ?? 0) > 120) lit += 1;
  }
  return { bad, total: width * height, lit };
}

export async function expectOnlyRed(page: Page, what: string): Promise<void> {
  const { bad, total, lit } = await notRedPixels(page);
  expect(total, what).toBeGreaterThan(100_000);
  expect(lit, `${what} shows something`).toBeGreaterThan(200);
  expect(bad, `${what}: pixels with green or blue`).toBe(0);
}
