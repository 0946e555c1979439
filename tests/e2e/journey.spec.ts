import { expect, test, type Page } from '@playwright/test';
import { HERON, open, sentence, storedText, WAGTAIL } from './support.ts';

const slider = (page: Page) => page.getByRole('slider', { name: 'Time of the night' });

test('from the first start to a recorded reading, undone and reloaded', async ({ page }) => {
  const problems = await open(page, '/');
  await expect(sentence(page)).toHaveText('Slide the weight 27 mm outward, to 299 mm. Hold the tube.');
  await open(page, '/n/demo-night-3/balance');
  const oldNight = (await sentence(page).textContent()) ?? '';
  expect(oldNight).toContain('Balanced at 272 mm');
  await page.getByRole('button', { name: 'Show the figures' }).click();
  const oldFigures = (await page.locator('.figure-list').textContent()) ?? '';

  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('button', { name: 'Parts' }).click();
  await page.getByRole('link', { name: 'Filter wheel' }).click();
  await page.getByLabel('Mass', { exact: true }).fill('1');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();

  await open(page, `${HERON}/balance`);
  await expect(sentence(page)).toHaveText('Slide the weight 49 mm outward, to 321 mm. Hold the tube.');
  await open(page, '/n/demo-night-3/balance');
  await expect(sentence(page)).toHaveText(oldNight);
  await page.getByRole('button', { name: 'Show the figures' }).click();
  await expect(page.locator('.figure-list')).toHaveText(oldFigures);

  await open(page, `${HERON}/polar`);
  await expect(sentence(page)).toContainText('Polaris at 8:02');
  await slider(page).focus();
  for (let i = 0; i < 7; i += 1) await page.keyboard.press('Shift+ArrowRight');
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowLeft');
  await expect(page.locator('.clocks .local')).toHaveText('02:01');
  await expect(sentence(page)).toContainText('Polaris at 4:41');
  await expect(page).toHaveURL(/at=2026-11-25T02/);

  await expect(page.getByRole('button', { name: 'The star is there at 19:21 (now)' })).toBeVisible();
  await page.getByRole('button', { name: 'The star is there at 19:21 (now)' }).click();
  await expect(page.getByRole('navigation', { name: 'The run' })).toContainText('by eye');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('navigation', { name: 'The run' })).not.toContainText('by eye');
  await page.reload();
  await expect(sentence(page)).toContainText('Polaris at 4:41');
  await expect(page.getByRole('navigation', { name: 'The run' })).not.toContainText('by eye');
  expect(problems).toEqual([]);
});

test('a weight too light for its bar gets another set, a longer bar or a moved tube', async ({ page }) => {
  await open(page, '/kit/rigs/demo-heron');
  const last = page.locator('.placed-table tr').last();
  await last.getByLabel('Part', { exact: true }).selectOption('Weight 2 kg');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, `${HERON}/balance`);
  await expect(sentence(page)).toHaveText('Hang Weight 5 kg instead, at 205 mm from the polar axis.');
  await expect(page.getByText('at 205 mm').last()).toBeVisible();
  await expect(page.getByText('Lengthen the bar')).toBeVisible();
  await expect(page.getByText('Move the tube closer to the axis')).toBeVisible();
});

test('a rig on its drawing: a piece is weighed, moved by keys, swapped and taken off, another hung on, each taken back', async ({
  page,
}) => {
  await open(page, '/kit/rigs/demo-heron');
  const behind = page.getByRole('group', { name: /^From behind/ });
  const panel = page.getByRole('form', { name: 'This piece' });
  await expect(sentence(page)).toContainText('Everything on it is weighed and placed');
  const camera = behind.getByRole('button', { name: /^Cooled 26-megapixel camera/ });
  await camera.press('Enter');
  await panel.getByLabel('It weighs').fill('0.7 nearly');
  await panel.getByRole('button', { name: 'Save this piece' }).press('Enter');
  await expect(panel.getByText(/number/)).toBeVisible();
  await panel.getByLabel('It weighs').fill('0.91');
  await panel.getByRole('button', { name: 'Save this piece' }).press('Enter');
  await expect(page.locator('.toast')).toContainText('Cooled 26-megapixel camera saved.');
  await expect(behind.getByRole('button', { name: 'Cooled 26-megapixel camera, 0.91 kg' })).toBeVisible();
  // Keys carry it, letting go keeps it.
  const weight = behind.getByRole('button', { name: /^Weight 3.5 kg/ });
  await weight.press('Enter');
  const from = Number(await panel.getByLabel('From the polar axis').inputValue());
  await weight.press('ArrowRight');
  await expect(panel.getByLabel('From the polar axis')).toHaveValue(String(from - 5));
  await panel.getByLabel('Which part it is').selectOption('Weight 2 kg');
  await expect(panel.getByLabel('It weighs'), 'the other part’s own mass').toHaveValue('2');
  await expect(panel.getByLabel('From the polar axis')).toHaveValue(String(from - 5));
  await page.getByRole('button', { name: 'Take it off' }).press('Enter');
  await expect(sentence(page)).toContainText('Hang a counterweight on the bar');
  await page.getByLabel('Piece to hang on').selectOption('Weight 1 kg');
  await page.getByRole('button', { name: 'Hang it on' }).press('Enter');
  await expect(panel.getByRole('heading')).toHaveText('Weight 1 kg');
  await expect(sentence(page)).toContainText('Tap the hatched piece');
  await page.keyboard.press('u');
  await expect(sentence(page)).toContainText('Hang a counterweight on the bar');
  await page.keyboard.press('u');
  await expect(behind.getByRole('button', { name: /^Weight 2 kg/ })).toBeVisible();
  await page.keyboard.press('u');
  await expect(behind.getByRole('button', { name: /^Weight 3.5 kg/ })).toBeVisible();
  await page.reload();
  await expect(behind.getByRole('button', { name: 'Cooled 26-megapixel camera, 0.91 kg' })).toBeVisible();
});

test('a piece put into the light path changes the distance, and is moved and taken out by buttons', async ({
  page,
}) => {
  await open(page, '/kit/rigs/demo-heron');
  await page.getByLabel('Piece to put in').selectOption('Spacer M42, 20 mm');
  await page.getByRole('button', { name: 'Put in', exact: true }).click();
  await page.getByRole('button', { name: 'Take Spacer M42, 10 mm out of the light path' }).click();
  await page.getByRole('button', { name: 'Move Spacer M42, 20 mm toward the tube' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, `${HERON}/light-path`);
  await expect(sentence(page)).toHaveText('Take out 9.8 mm between corrector and camera.');
  await expect(page.locator('.train-list li', { hasText: 'Spacer M42, 20 mm' })).toContainText(/^3/);
});

test('the polar journey: an error by hand turns the two dials and feeds the budget', async ({ page }) => {
  await open(page, `${WAGTAIL}/polar?tab=error`);
  await page.getByLabel('Altitude is off by').fill('12');
  await page.getByLabel('The axis is').selectOption({ label: 'too low' });
  await page.getByLabel('Azimuth is off by').fill('8');
  await page.getByLabel('The axis points too far').selectOption({ label: 'left (east)' });
  await page.getByRole('button', { name: 'Record this error' }).click();
  await expect(sentence(page)).toHaveText(
    'Turn the altitude bolt 36° clockwise, then the left azimuth knob 34° clockwise.',
  );
  await expect(page.locator('.margin').first()).toContainText('items measured');
  await expect(page.getByRole('navigation', { name: 'The run' })).toContainText('14.1′');
});

test('the meridian journey: a hand-given limit moves the flip, no sub straddles it', async ({ page }) => {
  await open(page, `${HERON}/meridian?tab=plan`);
  await expect(sentence(page)).toHaveText('Flip at 21:09, after sub 68.');
  await page.getByLabel('Limit past the meridian').fill('-0.5');
  await page.getByRole('button', { name: 'Save the plan' }).click();
  await expect(sentence(page)).toContainText('after sub 54');
  await page.getByLabel('Flip', { exact: true }).selectOption({ label: 'No flip: stop at the limit' });
  await page.getByRole('button', { name: 'Save the plan' }).click();
  await expect(sentence(page)).toHaveText('Stop at 20:39: the tube may not run further.');
});

test('imperial units, keys, finding and the help sheet', async ({ page }) => {
  await open(page, `${HERON}/balance`);
  await page.locator('body').press('6');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Polar alignment');
  await page.locator('body').press(']');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Focus and pointing');
  await page.locator('body').press('l');
  await expect(page.locator('html')).toHaveAttribute('data-light', 'dusk');
  await page.locator('body').press('?');
  await expect(page.getByRole('dialog')).toContainText('Ribbon back to now');
  await page.getByRole('link', { name: 'Terms, units and own keys' }).click();
  await page.getByLabel('Units').selectOption('imperial');
  await page.locator('h1').click();
  await page.locator('body').press('/');
  await page.getByLabel('Find by name').fill('tue 24 nov heron');
  await page.keyboard.press('Enter');
  await expect(sentence(page)).toHaveText('Slide the weight 1.05 in outward, to 11.76 in. Hold the tube.');
});

test('keys can be switched off and given to other commands', async ({ page }) => {
  await open(page, '/help');
  const before = await storedText(page);
  await page.getByLabel('Next light').fill('k');
  await page.locator('h1').click();
  await expect.poll(() => storedText(page), 'the key is kept').not.toBe(before);
  await page.locator('body').press('k');
  await expect(page.locator('html')).toHaveAttribute('data-light', 'dusk');
  await page.getByLabel('Single keys work').click();
  await expect(page.getByLabel('Single keys work')).not.toBeChecked();
  await page.locator('h1').click();
  await page.locator('body').press('k');
  await expect(page.locator('html')).toHaveAttribute('data-light', 'dusk');
});

test('a second tab sees a change, and does not overwrite it', async ({ page, context }) => {
  await open(page, '/kit/parts/demo-heron-tube');
  const other = await context.newPage();
  await open(other, '/kit/parts/demo-heron-tube');
  await other.getByLabel('Mass', { exact: true }).fill('4');
  await other.getByRole('button', { name: 'Save' }).click();
  await expect(other.getByText('Saved.')).toBeVisible();
  await expect(page.getByLabel('Mass', { exact: true })).toHaveValue('4');
  await page.bringToFront();
  await page.getByLabel('Name').fill('My tube');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await expect(other.getByLabel('Name')).toHaveValue('My tube');
  await other.reload();
  await expect(other.getByLabel('Name')).toHaveValue('My tube');
  await expect(other.getByLabel('Mass', { exact: true })).toHaveValue('4');
});

test('a new night for a place where the target never rises, and a summer night without darkness', async ({ page }) => {
  await open(page, `${HERON}/meridian`);
  const settings = async () => {
    await page.locator('#night-switch').click();
    await page.getByRole('button', { name: 'Settings of this night…' }).click();
  };
  await settings();
  await page.getByRole('dialog').getByLabel('Target').selectOption({ label: 'NGC 104' });
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(sentence(page)).toHaveText('NGC 104 never rises here. Choose another target.');
  await page.getByRole('button', { name: 'Close this notice' }).click();
  await page.getByRole('link', { name: 'Sites' }).click();
  await page.getByRole('link', { name: /Serra da Estrela/ }).click();
  await page.getByLabel('Latitude').fill('62 30 N');
  await page.getByLabel('Time zone').fill('Europe/Helsinki');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, `${HERON}/meridian`);
  await settings();
  await page.getByRole('dialog').getByLabel('Evening of').fill('2027-06-21');
  await page.getByRole('dialog').getByLabel('Target').selectOption({ label: 'NGC 281' });
  await expect(page.getByRole('dialog').getByLabel('Evening of')).toHaveValue('2027-06-21');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(sentence(page)).toContainText('It does not get dark enough tonight.');
});

test('an unknown night and an unknown page say so', async ({ page }) => {
  await open(page, '/n/nowhere/balance');
  await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
  await open(page, '/no/such/page');
  await page.getByRole('link', { name: 'Go to the last night' }).click();
  await expect(sentence(page)).toBeVisible();
  expect(await storedText(page)).toContain('demo-heron');
});
