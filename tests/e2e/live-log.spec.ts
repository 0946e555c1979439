/** Logs that come by themselves: a folder that is watched, the stand-in mount; with the server and without it. */
import { expect, test, type Page } from '@playwright/test';
import { appendFileSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../../server/app.ts';
import { watchFolder } from '../../server/watchedFolder.ts';
import { dist, listen, stop } from './hosts.ts';
import { HERON, NOW, open, sentence } from './support.ts';

const LINES = readFileSync('tests/fixtures/logs/log01.csv', 'utf8').trimEnd().split('\n');
const text = (from: number, to?: number): string => `${LINES.slice(from, to).join('\n')}\n`;
const row = (page: Page, name: string) => page.getByRole('listitem').filter({ hasText: name });

test('a growing log is followed out of a watched folder, which may go and come back', async ({ page }) => {
  const outside = mkdtempSync(join(tmpdir(), 'owl-e2e-'));
  const [dir, away] = [join(outside, 'night'), join(outside, 'away')];
  renameSync(mkdtempSync(join(outside, 'x-')), dir);
  const folder = watchFolder(dir);
  const { server, address } = await listen(createApp({ dist, demo: true, folder }));
  const problems = await open(page, `${address}${HERON}/tracking?tab=log`);
  await expect(page.getByText('Nothing lies in it yet')).toBeVisible();
  writeFileSync(join(dir, 'guide.csv'), text(0, 200));
  await row(page, 'guide.csv').getByRole('button', { name: 'Follow' }).click();
  await expect(page.getByText('guide.csv is followed')).toBeVisible();
  await expect(sentence(page)).toContainText('Log longer');
  appendFileSync(join(dir, 'guide.csv'), text(200));
  await expect(sentence(page)).toContainText('Record this drive');
  await expect(page.getByText('1801 rows')).toBeVisible();
  await page.getByRole('button', { name: 'Record this drive' }).click();
  await expect(page.locator('.toast')).toContainText('The drive is recorded');
  renameSync(dir, away);
  await expect(page.getByText('The folder night is gone')).toBeVisible();
  await expect(sentence(page), 'what was read stays').toContainText('Record this drive');
  // Back again it is read again; a file that goes while it is asked for would be told by the browser as an error.
  const readAgain = page.waitForResponse((response) => response.url().endsWith('guide.csv') && response.ok());
  renameSync(away, dir);
  await expect(page.getByText('guide.csv is followed')).toBeVisible();
  await readAgain;
  rmSync(join(dir, 'guide.csv'));
  await expect(page.getByText('guide.csv is not in the folder any more')).toBeVisible();
  // What the browser itself says of a stream that broke off is no fault of the page.
  expect(problems).toEqual([]);
  await stop(server);
  await expect(page.getByText('does not answer')).toBeVisible();
  await folder.close();
  rmSync(outside, { recursive: true });
});

test('the stand-in mount is watched as it logs, judged, and then looked at', async ({ page }) => {
  const problems = await open(page, `${HERON}/tracking?tab=log`);
  await page.getByText('No log at hand').click();
  await page.getByLabel('Number of the mount').fill('seven');
  await page.getByRole('button', { name: 'Watch it log' }).click();
  await expect(page.getByLabel('Number of the mount')).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByText('Type a whole number.')).toBeVisible();
  await page.getByLabel('Number of the mount').fill('7');
  await page.getByLabel('How hard').selectOption('easy');
  await page.getByRole('button', { name: 'Watch it log' }).click();
  await expect(page.getByText('Mount 7 logs')).toBeVisible();
  await expect(page.getByText('Mount 7 has logged')).toBeVisible({ timeout: 30_000 });
  const swing = /Now look at the truth: by its log it swings [\d.]+″ in (\d+)\.\d s/;
  await expect(sentence(page)).toHaveText(swing);
  const found = swing.exec(await sentence(page).innerText())?.[1] ?? '';
  // What does not exist is never recorded as this mount's.
  await expect(page.getByRole('button', { name: 'Record this drive' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Count it for the pole' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Show the truth' }).click();
  await expect(page.locator('.figure-list', { hasText: 'Backlash in declination' })).toContainText(`${found}.`);
  await page.locator('#log-file').setInputFiles('tests/fixtures/logs/log02.csv');
  await expect(page.getByRole('button', { name: 'Record this drive' })).toBeVisible();
  expect(problems).toEqual([]);
});

test.describe('without a server', () => {
  test.use({ serviceWorkers: 'allow' });
  test('a log is read and the stand-in logs on this device', async ({ page }) => {
    const { server, address } = await listen(createApp({ dist, demo: true }));
    await page.goto(`${address}${HERON}/tracking?tab=log&now=${NOW}`);
    await expect(sentence(page)).toContainText('Choose a log');
    await page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state);
    await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBeGreaterThan(0);
    await page.reload();
    await stop(server);
    await page.reload();
    await page.locator('#log-file').setInputFiles('tests/fixtures/logs/log02.csv');
    await expect(sentence(page)).toContainText('Record this drive: it swings 13.');
    await page.getByText('No log at hand').click();
    await page.getByLabel('How hard').selectOption('easy');
    await page.getByRole('button', { name: 'Watch it log' }).click();
    await expect(page.getByText('Mount 7 has logged')).toBeVisible({ timeout: 30_000 });
    await expect(sentence(page)).toContainText('look at the truth');
  });
});
