/** Nothing is lost without a word: presses, copies, tabs. */
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { addSite, copyNames, counts, hide, notice, openWithHill } from './stored.ts';
import { HERON, NOW, open, readTape, storedText } from './support.ts';

test('a double click on “Stays anywhere”, “Record this tilt” or “Save” makes one record', async ({ page }) => {
  const problems = await open(page, `${HERON}/balance`);
  const before = await counts(page);
  await readTape(page);
  await page.getByRole('button', { name: 'Stays anywhere' }).dblclick();
  await expect(notice(page)).toContainText('recorded');
  await expect.poll(async () => (await counts(page)).readings).toBe(before.readings + 1);
  await page.goto(`${HERON}/level?tab=level&now=${NOW}`);
  await page.getByLabel('Tilt', { exact: true }).fill('0.4');
  await page.getByRole('button', { name: 'Record this tilt' }).dblclick();
  await expect(notice(page)).toContainText('recorded');
  await addSite(page, 'Hill');
  await page.getByRole('button', { name: 'Save' }).dblclick();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Hill');
  const after = await counts(page);
  expect([after.readings, after.sites]).toEqual([before.readings + 2, before.sites + 1]);
  expect(problems).toEqual([]);
});

test('“Remove everything” and “Remove the demo”, pressed twice, are taken back by one undo', async ({ page }) => {
  await open(page, '/data');
  const before = await storedText(page);
  const demo = page.getByRole('button', { name: 'Remove the demo' });
  await demo.evaluate((button: HTMLElement) => {
    button.click();
    button.click();
  });
  await expect(notice(page)).toContainText('demo records removed');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(notice(page)).toContainText('Everything is as before it');
  // The counter of changes goes on: only the records are compared.
  const records = (text: string) => ({ ...(JSON.parse(text) as Record<string, unknown>), meta: null });
  expect(records(await storedText(page))).toEqual(records(before));
});

test('copies are made when the page hides, told on Data, and one can be looked at', async ({ page }) => {
  await openWithHill(page);
  await hide(page);
  await expect.poll(() => copyNames(page)).toHaveLength(1);
  await page.goto(`/data?now=${NOW}`);
  await expect(page.getByText('keeps all of it').or(page.getByText('not promised to keep it'))).toBeVisible();
  await page.getByRole('button', { name: /^Look at it/ }).click();
  await expect(page.getByText('Equal or newer here')).toBeVisible();
});

/** A file picker that answers with a file of the browser's own storage. */
async function pickInside(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const pick = async () => (await navigator.storage.getDirectory()).getFileHandle('mine.json', { create: true });
    Object.assign(window, { showSaveFilePicker: pick });
  });
}

test('a file that the user chose holds the copy too', async ({ page }) => {
  await pickInside(page);
  await openWithHill(page);
  await page.goto(`/data?now=${NOW}`);
  await page.getByRole('button', { name: 'Also keep a copy in a file' }).click();
  await expect(notice(page)).toContainText('kept in that file too');
  const text = await page.evaluate(async () => {
    const file = await (await navigator.storage.getDirectory()).getFileHandle('mine.json');
    return (await file.getFile()).text();
  });
  expect((JSON.parse(text) as { sites: { name: string }[] }).sites.map((s) => s.name)).toContain('Hill');
});

async function twoTabs(context: BrowserContext, path: string): Promise<[Page, Page]> {
  const a = await context.newPage();
  await open(a, path);
  const b = await context.newPage();
  await open(b, path);
  return [a, b];
}

test('what another tab removes is said here, with the way back', async ({ context }) => {
  const [a, b] = await twoTabs(context, `${HERON}/level`);
  await b.goto(`/data?now=${NOW}`);
  await b.getByRole('button', { name: 'Remove everything' }).click();
  await b.getByRole('dialog').getByRole('button', { name: 'Remove everything' }).click();
  await expect(a.getByRole('alert').first()).toContainText('removed at 19:21 in another tab');
  await a.bringToFront();
  await a.getByRole('button', { name: 'Bring it back' }).click();
  await expect(a.getByRole('heading', { level: 1 })).toHaveText('Level and bearing');
});

test('a record saved in another tab leaves what is typed, and is decided field by field', async ({ context }) => {
  const [a, b] = await twoTabs(context, '/kit/parts/demo-heron-camera');
  await a.getByLabel('Name').fill('My camera');
  await a.getByLabel('Mass', { exact: true }).fill('0.9');
  await b.getByLabel('Mass', { exact: true }).fill('0.8');
  await b.getByLabel('Packed in').fill('blue case');
  await b.getByRole('button', { name: 'Save' }).click();
  await expect(notice(b)).toContainText('Saved.');
  await expect(a.getByLabel('Name')).toHaveValue('My camera');
  await a.bringToFront();
  await a.getByRole('button', { name: 'Save' }).click();
  await expect(a.getByText('Saved elsewhere meanwhile')).toBeVisible();
  await expect(a.getByLabel('Packed in'), 'not typed in here: it follows').toHaveValue('blue case');
  await a.getByLabel('typed here: 0.9').check();
  await expect(a.getByText('typed here: My camera'), 'nobody else changed the name').toHaveCount(0);
  await a.getByRole('button', { name: 'Save' }).click();
  await expect(notice(a)).toContainText('Saved.');
  await expect(b.getByLabel('Mass', { exact: true }), 'an untouched form follows').toHaveValue('0.9');
  await expect(b.getByLabel('Packed in')).toHaveValue('blue case');
});

test('a duplicated tab takes back its own changes only', async ({ context }) => {
  const a = await context.newPage();
  await open(a, '/sites/demo-estrela');
  const tab = await a.evaluate(() => sessionStorage.getItem('tidy-owl-tab'));
  await a.getByLabel('Name').fill('Estrela, east');
  await a.getByRole('button', { name: 'Save' }).click();
  await expect(notice(a)).toContainText('Saved.');
  const b = await context.newPage();
  await b.addInitScript((id) => sessionStorage.setItem('tidy-owl-tab', id ?? ''), tab);
  await open(b, '/sites/demo-estrela');
  await expect(b.getByRole('button', { name: 'Undo the last change' })).toBeDisabled();
  await expect(a.getByRole('button', { name: 'Undo the last change' })).toBeEnabled();
});

/** Rows that no version of ours writes, put in past the app. */
async function putRow(page: Page, table: string, key: string, change: Record<string, unknown>): Promise<void> {
  await page.evaluate(
    ([name, id, patch]) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('tidy-owl');
        request.onsuccess = () => {
          const store = request.result.transaction(name, 'readwrite').objectStore(name);
          const got = store.get(id);
          got.onsuccess = () => {
            store.put({ ...(got.result as object), ...patch });
            store.transaction.oncomplete = () => {
              request.result.close();
              resolve();
            };
          };
        };
        request.onerror = () => reject(new Error('closed'));
      }),
    [table, key, change] as const,
  );
}

test('nothing stored shuts the app out: an impossible date, an unknown zone', async ({ page }) => {
  await open(page, `${HERON}/level`);
  await putRow(page, 'nights', 'demo-tonight-wagtail', { eveningDate: '2026-99-99' });
  await putRow(page, 'sites', 'demo-estrela', { zoneIana: 'Here/There' });
  for (const [path, title] of [
    ['/', 'Balance'],
    ['/data', 'Data in and out'],
    [`${HERON}/level`, 'Level and bearing'],
    [`${HERON}/card`, 'Tue 24 Nov 2026, Heron'],
  ] as const) {
    await page.goto(`${path}?now=${NOW}`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(title);
    await expect(page.locator('.problem').first()).toContainText('must be a date that the calendar has', {
      ignoreCase: true,
    });
  }
  await page.goto(`${HERON}/level?now=${NOW}`);
  await expect(page.getByText('does not know the time zone “Here/There”')).toBeVisible();
});

test('a night that ended while its page was open is asked about before it is written into', async ({ page }) => {
  await page.clock.install({ time: new Date(NOW) });
  await page.goto(`${HERON}/balance`);
  await page.getByRole('heading', { level: 1, name: 'Balance' }).waitFor();
  const before = await counts(page);
  await page.clock.setSystemTime(new Date('2026-11-25T12:01:00Z'));
  await readTape(page);
  await page.getByRole('button', { name: 'Stays anywhere' }).click();
  await expect(notice(page)).toContainText('This night is over');
  expect((await counts(page)).readings).toBe(before.readings);
  await page.getByRole('button', { name: 'Record it on this night' }).click();
  await expect(notice(page)).toContainText('recorded');
  expect((await counts(page)).readings).toBe(before.readings + 1);
});
