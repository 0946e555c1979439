/** A tracking log of some other program: brought in, read another way, recorded; told where it is none. */
import { expect, test, type Page } from '@playwright/test';
import { HERON, open, sentence } from './support.ts';

const LOGS = 'tests/fixtures/logs';
const bring = (page: Page, file: string | { name: string; mimeType: string; buffer: Buffer }) =>
  page.locator('#log-file').setInputFiles(file);

test('a log is read as it comes, recorded, and counts in the account and over a reload', async ({ page }) => {
  const problems = await open(page, `${HERON}/tracking?tab=log`);
  await expect(page.getByText(/^As recorded on .* peak to peak in 479 s\.$/)).toBeVisible();
  await bring(page, `${LOGS}/log02.csv`);
  await expect(sentence(page)).toHaveText(/^Record this drive: it swings 13\.\d″ peak to peak in 47\d\.\d s\.$/);
  await expect(page.getByText('the worm of this mount')).toBeVisible();
  await expect(page.getByRole('img', { name: /All turns laid over each other: 5\.6 turns/ })).toBeVisible();
  await page.getByRole('button', { name: 'Record this drive' }).click();
  await expect(page.locator('.toast')).toContainText('The drive is recorded');
  await page.getByLabel('Hour angle in the middle of the log').fill('0.2');
  await page.getByRole('button', { name: 'Count it for the pole' }).click();
  await expect(page.locator('.toast').last()).toContainText('The drift counts for the pole');
  await page.getByRole('tab', { name: 'Usable subs' }).click();
  await expect(page.getByRole('region', { name: 'What if' })).toContainText('Subs of 60 s');
  await expect(page.getByRole('main')).toContainText('measured');
  await page.reload();
  await page.goto(
    page
      .url()
      .replace('tracking', 'logbook')
      .replace(/tab=[a-z]+&?/, ''),
  );
  await expect(page.getByRole('main')).toContainText('Drive measured');
  await expect(page.getByRole('main')).toContainText(/0\.\d+″\/min at hour angle 0:12/);
  expect(problems).toEqual([]);
});

test('without names it is asked; said once, it is read so the next time', async ({ page }) => {
  const problems = await open(page, `${HERON}/tracking?tab=log`);
  const rows = Array.from(
    { length: 900 },
    (_, i) => `${i}\t${(i * 0.01 + Math.sin(i * 1.7)).toFixed(3)}\t${(6 * Math.sin(i / 30)).toFixed(3)}`,
  );
  const odd = { name: 'odd.txt', mimeType: 'text/plain', buffer: Buffer.from(rows.join('\n')) };
  await bring(page, odd);
  await expect(page.getByText('Its columns have no names')).toBeVisible();
  await expect(page.getByRole('region', { name: 'How this log is read' })).toBeVisible();
  // The guess took the second column for right ascension: it is the declination's.
  await page.getByLabel('column 2 is').selectOption('error in declination');
  await page.getByLabel('column 3 is').selectOption('error in right ascension');
  await page.getByRole('button', { name: 'Read it this way' }).click();
  await expect(sentence(page)).toContainText('12.0″ peak to peak in 188.5 s');
  await page.reload();
  await bring(page, odd);
  await expect(sentence(page)).toContainText('12.0″ peak to peak in 188.5 s');
  expect(problems).toEqual([]);
});

test('a sure guess that somebody set right is remembered as well', async ({ page }) => {
  const problems = await open(page, `${HERON}/tracking?tab=log`);
  await bring(page, `${LOGS}/log01.csv`);
  await expect(sentence(page)).toContainText('peak to peak in 59');
  await page.getByText('How this log is read').click();
  await page.getByLabel('Unit of ra_error_arcsec').selectOption('arcminutes');
  await page.getByRole('button', { name: 'Read it this way' }).click();
  await expect(sentence(page)).toContainText(/it swings 11\d\d\.\d″ peak to peak/);
  await page.reload();
  await bring(page, `${LOGS}/log01.csv`);
  await expect(sentence(page)).toContainText(/it swings 11\d\d\.\d″ peak to peak/);
  expect(problems).toEqual([]);
});

test('cuts are put in and taken away one by one, and found anew', async ({ page }) => {
  const problems = await open(page, `${HERON}/tracking?tab=log`);
  await bring(page, `${LOGS}/log02.csv`);
  await page.getByText(/^Cuts \(0\)$/).click();
  await page.getByLabel('Cut at', { exact: true }).fill('0');
  await page.getByRole('button', { name: 'Cut here' }).click();
  await expect(page.getByText('Must be at least 1 s.')).toBeVisible();
  for (const [i, at] of ['600', '1200'].entries()) {
    await page.getByLabel('Cut at', { exact: true }).fill(at);
    await page.getByRole('button', { name: 'Cut here' }).click();
    await expect(page.getByText(`Cuts (${i + 1})`)).toBeVisible();
  }
  await expect(page.getByText('0 holes, 2 cuts')).toBeVisible();
  await page.getByRole('button', { name: /Take the cut at 60\d s away/ }).click();
  await expect(page.getByText('0 holes, one cut')).toBeVisible();
  await page.getByRole('button', { name: 'Cut where jumps are found' }).click();
  await expect(page.getByText('Cuts (0)')).toBeVisible();
  await expect(sentence(page)).toContainText('Record this drive: it swings 13.');
  expect(problems).toEqual([]);
});

test('what is no log is told as such; one without rows says what to do', async ({ page }) => {
  const problems = await open(page, `${HERON}/tracking?tab=log`);
  await bring(page, { name: 'a.bin', mimeType: 'application/octet-stream', buffer: Buffer.from(new Uint8Array(5000)) });
  await expect(page.locator('.reason')).toContainText('This is no log of numbers in columns');
  await bring(page, `${LOGS}/log11.csv`);
  await expect(page.locator('.reason')).toContainText('no row with usable numbers');
  await bring(page, `${LOGS}/log08.csv`);
  await expect(sentence(page)).toContainText('Log longer: at least one and a half turns');
  await expect(page.getByRole('button', { name: 'Record this drive' })).toHaveCount(0);
  expect(problems).toEqual([]);
});

const plotX = async (page: Page, name: RegExp, share: number): Promise<{ x: number; y: number }> => {
  const box = (await page.getByRole('img', { name }).boundingBox())!;
  // The plot stands between the margins of the frame.
  return { x: box.x + 56 + share * (box.width - 86), y: box.y + box.height / 2 };
};
async function drag(page: Page, name: RegExp, from: number, to: number): Promise<void> {
  const [start, end] = [await plotX(page, name, from), await plotX(page, name, to)];
  await page.mouse.move(start.x, start.y);
  await page.mouse.down();
  await page.mouse.move(end.x, end.y, { steps: 4 });
  await page.mouse.up();
}

test('by hand in the charts: a cut is dragged, the sub is dragged and planned', async ({ page }) => {
  const problems = await open(page, `${HERON}/tracking?tab=log`);
  await bring(page, `${LOGS}/log02.csv`);
  await page.getByText(/^Cuts \(0\)$/).click();
  await page.getByLabel('Cut at', { exact: true }).fill('1350');
  await page.getByRole('button', { name: 'Cut here' }).click();
  await expect(page.getByRole('button', { name: /Take the cut at 135\d s away/ })).toBeVisible();
  // The log runs over 2,700 s: its middle to a quarter.
  await page.getByRole('img', { name: /The log, drift and cuts/ }).scrollIntoViewIfNeeded();
  // A tap beside it, as a finger hits it, leaves it where it is.
  await drag(page, /The log, drift and cuts/, 0.49, 0.49);
  await expect(page.getByRole('button', { name: /Take the cut at 135\d s away/ })).toBeVisible();
  await drag(page, /The log, drift and cuts/, 0.49, 0.24);
  await expect(page.getByRole('button', { name: /Take the cut at 6[678]\d s away/ })).toBeVisible();
  await expect(page.getByText('0 holes, one cut')).toBeVisible();

  await page.getByRole('tab', { name: 'Usable subs' }).click();
  await drag(page, /subs stay usable|Look for the pole|Shorten the sub/, 0.4, 0.5);
  await page.getByRole('button', { name: 'Plan subs of 3 min' }).click();
  await expect(page.locator('.toast').last()).toContainText('Subs of 3 min planned.');
  expect(problems).toEqual([]);
});

test('plus toward the west is said of a column, and turns the drift round', async ({ page }) => {
  const problems = await open(page, `${HERON}/tracking?tab=log`);
  await bring(page, `${LOGS}/log02.csv`);
  const drift = page.getByRole('img', { name: /right ascension drifts −/ });
  await expect(drift).toBeVisible();
  await page.getByText('How this log is read').click();
  await page.getByLabel(/^RA-Fehler.*: plus is$/).selectOption('plus is west');
  await page.getByRole('button', { name: 'Read it this way' }).click();
  await expect(page.getByRole('img', { name: /right ascension drifts \d/ })).toBeVisible();
  expect(problems).toEqual([]);
});

test('backlash, tap by tap on the phone, recorded and told after a reload', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const problems = await open(page, `${HERON}/tracking?tab=play`);
  const tap = (name: string) => page.getByRole('button', { name, exact: true }).click();
  await tap('North is pressed');
  for (const way of ['South', 'North']) {
    await tap(`${way} is pressed`);
    await expect(sentence(page)).toContainText('tap when the star moves back');
    await tap('It moves');
  }
  await expect(page.getByText('Reversals')).toBeVisible();
  await page.getByLabel('Rate while the button is held').fill('0');
  await tap('Record this backlash');
  await expect(page.getByText('Must be at least 0.50″/s.')).toBeVisible();
  await page.getByLabel('Rate while the button is held').fill('15.04');
  await tap('Record this backlash');
  await expect(page.locator('.toast').last()).toContainText('Backlash in declination recorded');
  await page.reload();
  await expect(page.getByText(/Recorded on Tue 24 Nov: \d+\.\d″/)).toBeVisible();
  expect(problems).toEqual([]);
});

test('a log that is left is not read on, and another one is read at once', async ({ page }) => {
  await page.addInitScript(() => {
    const asked: string[] = [];
    Object.assign(window, { asked });
    const post = Reflect.get(Worker.prototype, 'postMessage') as (...given: unknown[]) => void;
    Worker.prototype.postMessage = function (this: Worker, ...given: unknown[]) {
      const [message] = given as [{ path?: string[] } | undefined];
      asked.push((message?.path ?? []).join('.'));
      Reflect.apply(post, this, given);
    };
  });
  await open(page, `${HERON}/tracking?tab=log`);
  const rows = Array.from({ length: 400_000 }, (_, i) => `${i}.0\t${(3 * Math.sin(i / 76)).toFixed(2)}\t0.1`);
  await bring(page, { name: 'long.txt', mimeType: 'text/plain', buffer: Buffer.from(rows.join('\n')) });
  await expect(page.getByRole('button', { name: 'Cancel' })).toBeVisible();
  await page.getByRole('tab', { name: 'Usable subs' }).click();
  const asked = () => page.evaluate(() => (window as unknown as { asked: string[] }).asked);
  await expect.poll(asked).toContain('cancel');
  await page.getByRole('tab', { name: 'A log' }).click();
  await bring(page, `${LOGS}/log02.csv`);
  await expect(sentence(page)).toHaveText(/^Record this drive: it swings 13\.\d″/);
});

test('of 10,000 columns a window is drawn, at the first that tells anything', async ({ page }) => {
  await open(page, `${HERON}/tracking?tab=log`);
  const names = Array.from({ length: 10_000 }, (_, i) =>
    i === 5000 ? 'time' : i === 5001 ? 'ra' : i === 5002 ? 'dec' : `c${i}`,
  );
  const line = (t: number) =>
    names.map((_, i) => (i === 5000 ? t : i === 5001 ? Math.sin(t / 9).toFixed(2) : i === 5002 ? 0.1 : 7)).join(',');
  const text = [names.join(','), ...Array.from({ length: 60 }, (_, t) => line(t))].join('\n');
  await bring(page, { name: 'wide.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByRole('combobox', { name: 'ra is' })).toHaveValue('ra');
  expect(await page.locator('tr[data-index]').count()).toBeLessThan(80);
});
