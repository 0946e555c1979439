/** Full disks, closed and lost databases: every press is said, and the copy brings everything back. */
import { expect, test, type Page } from '@playwright/test';
import { addSite, copyNames, counts, hide, notice, openWithHill } from './stored.ts';
import { HERON, NOW, open, sentence, storedText } from './support.ts';

/** From now on the browser's store takes no more, as with a full disk. */
const fillDisk = (page: Page, full: boolean): Promise<void> =>
  page.evaluate((isFull) => {
    const store = IDBObjectStore.prototype as unknown as { put: unknown; kept?: unknown };
    store.kept ??= store.put;
    store.put = isFull
      ? () => {
          throw new DOMException('full', 'QuotaExceededError');
        }
      : store.kept;
  }, full);

test('a full disk is said, what was typed stays, and it is kept once there is room', async ({ page }) => {
  await open(page, '/sites/new');
  await addSite(page, 'Hill');
  const before = await counts(page);
  await fillDisk(page, true);
  // Every press is said, not only the first.
  for (let press = 1; press <= 4; press += 1) {
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(notice(page)).toContainText('no room left');
    await expect(notice(page)).toContainText('what you typed is still here');
    await page.getByRole('button', { name: 'Close this notice' }).click();
    await expect(notice(page)).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Save' })).toHaveAttribute('aria-disabled', 'false');
  }
  await expect(page.getByLabel('Name')).toHaveValue('Hill');
  expect(await counts(page)).toEqual(before);
  await fillDisk(page, false);
  await expect(page.getByRole('button', { name: 'Save' })).toHaveAttribute('aria-disabled', 'false');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(notice(page)).toContainText('Created.');
  expect((await counts(page)).sites).toBe(before.sites + 1);
});

/** Makes a page whose database can be closed under it, as browsers do when their disk is full. */
async function closable(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const real = Reflect.get(IDBDatabase.prototype, 'transaction') as (...asked: unknown[]) => IDBTransaction;
    const closing = (isClosed: boolean): void => {
      if (isClosed) throw new DOMException('The database connection is closing.', 'InvalidStateError');
    };
    IDBDatabase.prototype.transaction = function (this: IDBDatabase, ...asked: unknown[]) {
      closing('isClosed' in window);
      return Reflect.apply(real, this, asked);
    };
  });
}

test('a closed database is said at every press, undo too, and nothing is lost with a reload', async ({ page }) => {
  await closable(page);
  await openWithHill(page);
  const before = await counts(page);
  await page.goto(`${HERON}/level?tab=level&now=${NOW}`);
  await page.getByLabel('Tilt', { exact: true }).fill('0.4');
  await page.evaluate(() => Object.assign(window, { isClosed: true }));
  const presses = [
    () => page.getByRole('button', { name: 'Record this tilt' }).click(),
    () => page.keyboard.press('u'),
  ];
  for (const press of [...presses, ...presses]) {
    await press();
    await expect(notice(page)).toContainText('the browser closed the database of this page');
    await page.getByRole('button', { name: 'Close this notice' }).click();
    await expect(notice(page)).toHaveCount(0);
  }
  await expect(page.getByLabel('Tilt', { exact: true })).toHaveValue('0.4');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Level and bearing');
  expect(await counts(page)).toEqual(before);
});

/** The database goes behind the app's back, as browsers do when a disk is full. */
async function loseDatabase(page: Page): Promise<void> {
  await page.goto('/icon-192.png');
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.deleteDatabase('tidy-owl');
        request.onsuccess = () => resolve();
        request.onerror = () => reject(new Error('not deleted'));
        request.onblocked = () => reject(new Error('blocked'));
      }),
  );
}

test('after a full disk a lost database is said, the demo is not put in its place, the copy brings everything back', async ({
  page,
}) => {
  await openWithHill(page);
  await hide(page);
  await expect.poll(() => copyNames(page)).toHaveLength(1);
  await addSite(page, 'Valley');
  await fillDisk(page, true);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(notice(page)).toContainText('no room left');
  await page.reload();
  const before = JSON.parse(await storedText(page)) as Record<string, unknown>;
  await loseDatabase(page);
  await page.goto(`/?now=${NOW}`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Your records are not here');
  await expect(sentence(page)).toContainText('1 record of your own');
  await page.getByRole('button', { name: 'Bring the copy back' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Balance');
  const after = JSON.parse(await storedText(page)) as Record<string, unknown>;
  for (const table of ['parts', 'rigs', 'sites', 'targets', 'nights', 'snapshots', 'nightReadings', 'settings']) {
    expect(after[table], table).toEqual(before[table]);
  }
});

test('a copy that is damaged is said, and the loss is still there after a reload', async ({ page }) => {
  await openWithHill(page);
  await hide(page);
  await expect.poll(() => copyNames(page)).toHaveLength(1);
  await page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('copies');
    for await (const name of folder.keys()) {
      const file = await (await folder.getFileHandle(name)).createWritable();
      await file.write('{"half');
      await file.close();
    }
  });
  await loseDatabase(page);
  await page.goto(`/?now=${NOW}`);
  await page.getByRole('button', { name: 'Bring the copy back' }).click();
  await expect(page.getByText(/ends early|not JSON|cut off/i)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Your records are not here');
});

test('without a copy one begins anew, and the loss is said once', async ({ page }) => {
  await openWithHill(page);
  await loseDatabase(page);
  await page.goto(`/?now=${NOW}`);
  await expect(page.getByText('This browser holds no copy')).toBeVisible();
  await page.getByRole('button', { name: 'Begin anew without it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Your own night');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Your own night');
});
