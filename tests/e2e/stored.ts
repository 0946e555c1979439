/** What journeys about stored records read and do. */
import { expect, type Page } from '@playwright/test';
import { NOW, open, storedText } from './support.ts';

export const notice = (page: Page) => page.locator('.toast');

export type Counts = { nights: number; readings: number; sites: number };

/** What stands in the browser's database. */
export async function counts(page: Page): Promise<Counts> {
  const tables = JSON.parse(await storedText(page)) as Record<string, { readings?: unknown[] }[]>;
  return {
    nights: tables['nights']?.length ?? 0,
    readings: (tables['nightReadings'] ?? []).flatMap((row) => row.readings ?? []).length,
    sites: tables['sites']?.length ?? 0,
  };
}

export async function addSite(page: Page, name: string): Promise<void> {
  await page.goto(`/sites/new?now=${NOW}`);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Latitude').fill('50');
  await page.getByLabel('Longitude').fill('10');
}

/** The demo and one own site. */
export async function openWithHill(page: Page): Promise<void> {
  await open(page, '/sites/new');
  await addSite(page, 'Hill');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Hill');
}

export async function hide(page: Page): Promise<void> {
  await page.evaluate(() => {
    Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
  });
}

/** Whole copies only: one that is still being written ends in ".part" and belongs to its writer. */
export const copyNames = (page: Page): Promise<string[]> =>
  page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('copies', { create: true });
    const names: string[] = [];
    for await (const name of folder.keys()) if (!name.endsWith('.part')) names.push(name);
    return names;
  });
