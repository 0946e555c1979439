/** The night's plan as it is made and as it goes: targets in sequence, the meridian, the flip walked through. */
import { expect, test, type Page } from '@playwright/test';
import { expectOnlyRed, HERON, NOW, open, sentence, WAGTAIL } from './support.ts';

/** Presses the step's button until all are done. */
async function walkThrough(page: Page, steps: number): Promise<void> {
  for (let step = 1; step <= steps; step += 1) {
    await expect(page.getByText(`Step ${step} of ${steps}`)).toBeVisible();
    await page.getByRole('button', { name: 'Done', exact: true }).press('Enter');
  }
}

test('the flip walked through: step by step, over a reload, in another tab, held to be done, remembered', async ({
  page,
  context,
}) => {
  const now = '2026-11-24T21:08:40.000Z';
  await open(page, `${HERON}/watch`, undefined, now);
  await expect(sentence(page)).toContainText('Flip now');
  await page.getByRole('button', { name: 'Start flip' }).press('Enter');
  await expect(sentence(page)).toContainText('Let the sub end');
  // A double press does one step.
  await page.getByRole('button', { name: 'Done', exact: true }).dblclick();
  await expect(sentence(page)).toContainText('Free the cables');
  await page.reload();
  await expect(sentence(page)).toContainText('Free the cables');
  const other = await context.newPage();
  await open(other, `${HERON}/meridian?tab=flip`, undefined, now);
  await expect(other.locator('.sentence')).toContainText('Free the cables');
  await other.getByRole('checkbox', { name: /^Let the sub end/ }).click();
  await expect(sentence(page)).toContainText('Let the sub end');
  await page.bringToFront();
  await walkThrough(page, 9);
  await page.getByLabel('Too far east').fill('far');
  const done = page.getByRole('button', { name: 'Flip done' });
  await done.click();
  await page.getByRole('button', { name: 'Press once more, or hold' }).click({ delay: 1000 });
  await expect(page.getByRole('alert').first()).toContainText('number');
  await page.getByLabel('Too far east').fill('3');
  await page.getByLabel('Too far north').fill('4');
  await page.getByRole('button', { name: /^(Flip done|Press once more, or hold)$/ }).click({ delay: 1000 });
  await expect(page.locator('.toast')).toContainText('Flip recorded');
  await expect(sentence(page)).not.toContainText('Flip now');
  await page.getByRole('link', { name: /Logbook/ }).click();
  await expect(page.locator('.reading-list')).toContainText('Flip at 21:08, took 0 min, missed by 5.0′');
});

test('a clock that is set back in the middle of a flip: the walk goes on, and its minutes are asked for', async ({
  page,
}) => {
  await page.clock.install({ time: new Date('2026-11-24T21:08:40Z') });
  await page.goto(`${HERON}/watch`);
  await page.getByRole('button', { name: 'Start flip' }).press('Enter');
  await expect(sentence(page)).toContainText('Let the sub end');
  await page.clock.setSystemTime(new Date('2026-11-24T19:08:40Z'));
  await page.clock.runFor(2000);
  await walkThrough(page, 9);
  await expect(page.getByText('The clock moved 2 h 00 back since it began: type the minutes.')).toBeVisible();
  const done = page.getByRole('button', { name: /^(Flip done|Press once more, or hold)$/ });
  await done.click();
  await done.click();
  await expect(page.getByRole('alert').first()).toContainText('Type how many minutes the flip took');
  await page.getByLabel('Minutes it took').fill('11');
  await done.click();
  await done.click();
  await expect(page.locator('.toast')).toContainText('Flip recorded');
  await page.getByRole('link', { name: /Logbook/ }).click();
  await expect(page.locator('.reading-list')).toContainText('took 11 min');
});

test('subs started late are laid from then; a pause keeps what was taken', async ({ page }) => {
  await open(page, `${HERON}/watch`);
  await page.getByRole('button', { name: 'Subs start now' }).dblclick();
  await expect(sentence(page)).toHaveText('Sub 1 of 244 is running. Nothing to do until 21:09.');
  await page.getByRole('button', { name: 'Pause' }).press('Enter');
  await expect(sentence(page)).toContainText('NGC 281 is paused.');
  await page.reload();
  await page.getByRole('button', { name: 'Go on' }).press('Enter');
  await expect(sentence(page)).toContainText('is running');
  await expect(page.getByRole('button', { name: 'Go on' })).toHaveCount(0);
});

test('three targets in sequence: added, put in order, followed by the ribbon, one way about the meridian chosen', async ({
  page,
}) => {
  const problems = await open(page, `${HERON}/meridian?tab=plan`);
  await page.getByLabel('How many subs').fill('60');
  await page.getByRole('button', { name: 'Save the plan' }).press('Enter');
  const order = page.locator('.sequence > li');
  for (const name of ['M 33', 'NGC 1499']) {
    await page.getByLabel('Add a target').selectOption({ label: name });
    await page.getByRole('button', { name: 'Add', exact: true }).press('Enter');
    await expect(order.filter({ hasText: name })).toBeVisible();
  }
  await expect(order).toHaveText([/^NGC 281.*60 subs/, /^M 33/, /^NGC 1499/]);
  await page.getByRole('button', { name: 'Earlier: NGC 1499' }).press('Enter');
  await expect(order).toHaveText([/^NGC 281/, /^NGC 1499/, /^M 33.*no time left/]);
  await page.keyboard.press('u');
  await expect(order).toHaveText([/^NGC 281/, /^M 33/, /^NGC 1499/]);
  await page.getByRole('button', { name: 'M 33', exact: true }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Plan of M 33' })).toBeVisible();
  await expect(page.locator('.reason')).toContainText('M 33 crosses the meridian at 21:50');
  await expect(page.getByRole('row', { name: /M 33/ })).toHaveCount(2);
  await page.getByRole('tab', { name: 'Tonight' }).press('Enter');
  await page.getByRole('button', { name: 'Choose: No flip: start after the meridian' }).press('Enter');
  await expect(page.locator('.toast')).toContainText('chosen');
  await expect(sentence(page)).toContainText('after the meridian, with the tube on the east side');
  await page.reload();
  await expect(page.getByRole('row', { name: /start after the meridian/ })).toContainText('Chosen');
  expect(problems).toEqual([]);
});

/** A target of one's own, by its place. */
async function makeTarget(page: Page, name: string, raH: number, decDeg: number): Promise<void> {
  await page.goto(`/kit/targets/new?now=${NOW}`);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Right ascension, J2000').fill(String(raH));
  await page.getByLabel('Declination, J2000').fill(String(decDeg));
  await page.getByRole('button', { name: 'Save' }).press('Enter');
  await expect(page.locator('.toast')).toBeVisible();
}

test('a target close to the zenith flips like others, one that crosses below the pole flips down there', async ({
  page,
}) => {
  await makeTarget(page, 'Overhead', 0.9, 40.4);
  await makeTarget(page, 'Round the pole', 13, 80);
  await open(page, `${HERON}/meridian?tab=plan`);
  for (const name of ['Overhead', 'Round the pole']) {
    await page.getByLabel('Add a target').selectOption({ label: name });
    await page.getByRole('button', { name: 'Add', exact: true }).press('Enter');
    await expect(page.locator('.sequence')).toContainText(name);
  }
  await page.getByRole('button', { name: 'Take out: NGC 281' }).press('Enter');
  await expect(page.locator('.sequence > li')).toHaveText([/^Overhead/, /^Round the pole/]);
  await expect(page.locator('.reason')).toContainText(/^Overhead crosses the meridian at 21:\d\d, (89|90)° high/);
  await expect(sentence(page)).toHaveText(/^Flip at 21:\d\d, after sub \d+\.$/);
  await page.getByLabel('How many subs').fill('40');
  await page.getByRole('button', { name: 'Save the plan' }).press('Enter');
  await page.getByRole('button', { name: 'Round the pole', exact: true }).press('Enter');
  await expect(page.locator('.reason')).toContainText(/^Round the pole crosses the meridian below the pole at 21:\d\d/);
  await expect(sentence(page)).toHaveText(/^Flip at 21:\d\d, after sub \d+\.$/);
});

test('in the south, on the phone in red, a bracket is carried over by hand, over a reload', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  const problems = await open(page, `${WAGTAIL}/watch`, 'red', '2026-11-24T19:26:00.000Z');
  await expect(sentence(page)).toContainText('hold the tube, open both clutches and carry it over');
  await page.getByRole('button', { name: 'Start flip' }).tap();
  for (const words of [
    'Let the sub end',
    'Free the cables',
    'Hold what hangs on the bracket',
    'Turn right ascension half a turn',
  ]) {
    await expect(sentence(page)).toContainText(words);
    // Taps as fast as a program's are one double tap.
    await page.getByRole('button', { name: 'Done', exact: true }).press('Enter');
  }
  await expect(sentence(page)).toContainText('swing it through the pole’s side');
  await page.reload();
  await expect(sentence(page)).toContainText('swing it through the pole’s side');
  await expectOnlyRed(page, 'the flip on the phone');
  expect(problems).toEqual([]);
  await context.close();
});

test('a cloud over the flip: on every bench the tube is told, then it goes over and the rest is laid', async ({
  page,
}) => {
  const at = (path: string, utc: string) => open(page, `${HERON}/${path}`, undefined, `2026-11-24T${utc}:00.000Z`);
  await at('watch', '20:50');
  await page.getByRole('button', { name: 'Pause' }).press('Enter');
  await expect(sentence(page)).toContainText('NGC 281 is paused.');
  await expect(page.getByText('until the tube must go over or stop')).toBeVisible();
  await at('balance', '21:20');
  const told = 'Stop the tube or flip now: its limit on this side passed at 21:09.';
  await expect(page.locator('.ledger-line')).toContainText(told);
  await at('meridian', '21:20');
  await expect(sentence(page)).toContainText(told);
  await at('watch', '21:20');
  await expect(sentence(page)).toContainText(told);
  await page.getByRole('button', { name: 'Start flip' }).press('Enter');
  await walkThrough(page, 9);
  await page.getByRole('button', { name: /^(Flip done|Press once more, or hold)$/ }).click({ delay: 1000 });
  await expect(page.locator('.toast')).toContainText('Flip recorded');
  await expect(sentence(page)).toContainText('is paused');
  await page.getByRole('button', { name: 'Go on' }).press('Enter');
  await expect(sentence(page)).toContainText(/^Sub \d+ of \d+ is running|^Nothing to do until/);
  await expect(page.getByText('Stop the tube')).toHaveCount(0);
});
