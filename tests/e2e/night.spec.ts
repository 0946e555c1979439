import { expect, test, type Page } from '@playwright/test';
import { decode } from 'fast-png';
import { HERON, open, readTape, sentence, WAGTAIL } from './support.ts';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const run = (page: Page) => page.getByRole('navigation', { name: 'The run' });

/** A key on the page itself, as with no field focused. */
async function key(page: Page, name: string, title: string): Promise<void> {
  await page.locator('body').press(name);
  await expect(heading(page)).toHaveText(title);
}

/** Fills the focused field and the ones after it, then presses Enter: no mouse. */
async function type(page: Page, firstLabel: string, ...values: string[]): Promise<void> {
  await page.getByLabel(firstLabel, { exact: true }).focus();
  for (const [i, value] of values.entries()) {
    if (i > 0) await page.keyboard.press('Tab');
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type(value);
  }
  await page.keyboard.press('Enter');
}

async function leaveField(page: Page): Promise<void> {
  await page.evaluate(() => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  });
}

test('from pack to logbook through every station by keyboard alone', async ({ page }) => {
  const problems = await open(page, `${HERON}/light-path`);
  await expect(sentence(page)).toHaveText('Leave it: the sensor stands at 55.5 mm, within tolerance.');
  await key(page, '2', 'Payload');
  await expect(sentence(page)).toHaveText('Load it: the mount carries this rig, 7.0 kg of 12.0 kg.');
  await key(page, '3', 'Meridian');
  await expect(sentence(page)).toContainText('Flip at 21:09');

  await key(page, '4', 'Level and bearing');
  await expect(sentence(page)).toContainText('Set the feet on the marks of Sat 21 Nov');
  await type(page, 'Compass reading', '3.4');
  await expect(sentence(page)).toHaveText('Read once more from two or three metres away, along the same line.');
  await type(page, 'Compass reading', '3.2');
  await expect(page.getByText('No iron: near and far agree within 0.2°.')).toBeVisible();
  await expect(sentence(page)).toHaveText('Turn the head 2.8° to the left (west).');
  await type(page, 'Compass reading', '0.4');
  await expect(sentence(page)).toContainText('Leave it');
  await leaveField(page);
  await page.getByRole('tab', { name: 'Level' }).press('Enter');
  await type(page, 'Tilt', '1');
  await expect(sentence(page)).toHaveText('Draw out the south-east leg 16 mm and the south-west leg 16 mm.');
  await page.getByRole('tab', { name: 'Latitude' }).press('Enter');
  await expect(sentence(page)).toHaveText('Set the latitude scale to 39.9°.');
  await leaveField(page);

  await key(page, '5', 'Balance');
  await readTape(page);
  await page.getByRole('button', { name: 'Stays anywhere' }).press('Enter');
  await expect(sentence(page)).toContainText('Balanced at 299 mm');
  await leaveField(page);
  await key(page, '6', 'Polar alignment');
  await page.getByRole('button', { name: 'The star is there' }).press('Enter');
  await expect(run(page)).toContainText('by eye');
  await leaveField(page);

  await key(page, '7', 'Focus and pointing');
  await expect(sentence(page)).toHaveText('Start at 12488 µm, then fine-focus on a star and record it.');
  await type(page, 'Temperature now', '-3');
  await expect(sentence(page)).toContainText('Start at 12543 µm');
  await type(page, 'Focuser stands at', '12540', '-3', '2.6');
  await expect(sentence(page)).toContainText('Lock the focuser at 12540 µm');
  await type(page, 'Temperature now', '-9');
  await expect(sentence(page)).toContainText('Focus again: start at 126');
  await expect(page.getByRole('complementary')).toContainText(/Focus, gone by \d+ µm: about 3 min, .* Do it now\./);
  await type(page, 'Temperature now', '-3');
  await expect(sentence(page)).toHaveText('Leave the focus: it stands.');
  await leaveField(page);

  await key(page, '8', 'Tracking');
  await type(page, 'Peak to peak, at the axis', '9');
  await expect(page.locator('.reason')).toContainText('from your measured periodic error');
  await leaveField(page);
  await page.getByRole('tab', { name: 'Before the first sub' }).press('Enter');
  await expect(page.getByRole('checkbox')).toHaveCount(7);
  for (const box of await page.getByRole('checkbox').all()) await box.press(' ');
  await expect(sentence(page)).toHaveText('Ready: start the first sub.');
  await leaveField(page);

  await page.locator('body').press('9');
  await expect(sentence(page)).toContainText('Sub 18 of');
  await page.getByRole('button', { name: 'Log a reading' }).press('Enter');
  await page.getByRole('dialog').getByLabel('What').selectOption('Seeing');
  await type(page, 'Star width at half height', '2.2');
  await expect(page.getByText('Seeing recorded: 2.2″.')).toBeVisible();

  await key(page, '0', 'Logbook');
  const list = page.locator('.reading-list');
  for (const words of ['Compass', 'Level', 'Balance', 'Tick', 'Focus', 'Drive measured', 'Seeing'])
    await expect(list).toContainText(words);
  await type(page, 'What to remember', 'Calm and cold.');
  await page.getByRole('button', { name: 'Record this note' }).press('Enter');
  await expect(list).toContainText('Calm and cold.');
  await page.reload();
  await expect(list).toContainText('Calm and cold.');
  await page.getByRole('button', { name: 'Take back: Seeing' }).press('Enter');
  await expect(list).not.toContainText('Seeing');
  await page.getByRole('button', { name: 'Undo', exact: true }).press('Enter');
  await expect(list).toContainText('Seeing');
  expect(problems).toEqual([]);
});

test('a tracker’s run: rough pole first, a last check after balance and focus, both from the same station', async ({
  page,
}) => {
  await open(page, `${WAGTAIL}/level`);
  const names = run(page).getByRole('link');
  await expect(names).toHaveText([
    /Tonight/,
    /Light path/,
    /Payload/,
    /Meridian/,
    /Level/,
    /Rough pole/,
    /Balance/,
    /Focus/,
    /Pole, last check/,
    /Tracking/,
    /Watch/,
    /Logbook/,
  ]);
  await expect(run(page)).toContainText('Pole first, while nothing blocks the finder');
  await page.locator('body').press(']');
  await page.getByRole('button', { name: 'The star is there' }).click();
  await expect(run(page).getByRole('link', { name: /Rough pole\s*, done/ })).toBeVisible();
  await page.locator('body').press(']');
  await readTape(page);
  await page.getByRole('button', { name: 'Stays anywhere' }).click();
  await page.locator('body').press(']');
  await page.locator('body').press(']');
  await page.getByRole('button', { name: 'It still stands there, clutch tight' }).click();
  await expect(run(page).getByRole('link', { name: /Pole, last check\s*, done/ })).toBeVisible();
});

test('the tube before its own tripod: a gap measured by day moves limit and plan, and is taken back', async ({
  page,
}) => {
  await open(page, `${HERON}/meridian`);
  const reason = page.locator('.reason');
  await expect(page.getByRole('img', { name: /^From the pole’s side\. / })).toBeVisible();
  await expect(page.getByRole('img', { name: /^From the east\. .* to the column: \d+ mm ±\d+ mm/ })).toBeVisible();
  await expect(reason).toContainText(
    'About 14 min past it less than 50 mm may be left, camera to the leg in the south-west',
  );
  await page.getByRole('tab', { name: 'Tube and tripod' }).click();
  await expect(page.getByText(/^Power off, tube held: set the bar/)).toContainText('Measure the gap from');
  const gap = page.getByRole('textbox', { name: 'The gap there' });
  await gap.fill('wide');
  await page.getByRole('button', { name: /^Record this gap/ }).press('Enter');
  await expect(page.getByRole('alert')).toContainText('number');
  const expected = Number(await gap.getAttribute('placeholder'));
  await gap.fill(String(expected + 40));
  await page.getByRole('button', { name: /^Record this gap/ }).press('Enter');
  await expect(page.locator('.toast')).toContainText('Gap recorded');
  // What was measured reaches further than a guess.
  const measured = 'From 38 min past it on the margin of 50 mm is used up, camera to the column.';
  await expect(reason).toContainText(measured);
  await expect(page.getByText(/with what your measured gap says: \d+ mm more than the drawing/)).toBeVisible();
  await page.reload();
  await expect(reason).toContainText(measured);
  await page.keyboard.press('u');
  await expect(reason).toContainText('About 14 min past it');
});

test('the sub length is chosen by dragging and goes into the plan', async ({ page }) => {
  await open(page, `${WAGTAIL}/tracking`);
  await expect(sentence(page)).toHaveText(
    /^Look for the pole: it alone lifts the usable subs from \d+% to all; until then \d+ s\.$/,
  );
  const slider = page.getByRole('slider', { name: /Sub length/ });
  await slider.focus();
  for (let i = 0; i < 22; i += 1) await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: 'Plan subs of 8 s' }).click();
  await expect(sentence(page)).toContainText('Keep 8 s');
  await expect(page.locator('.margin').first()).toContainText('8 s at 135 mm');
});

test('charts are saved as drawings of their own', async ({ page }) => {
  const problems = await open(page, '/n/demo-night-3/logbook', 'red');
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as SVG' }).click(),
  ]);
  const text = await (await svg.createReadStream()).toArray();
  const drawing = Buffer.concat(text as Buffer[]).toString('utf8');
  expect(svg.suggestedFilename()).toBe('polar-error-by-night.svg');
  expect(drawing).toContain('#1d4a5a');
  expect(drawing).not.toContain('var(');
  const [png] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PNG' }).click(),
  ]);
  const bytes = Buffer.concat((await (await png.createReadStream()).toArray()) as Buffer[]);
  const { data, channels } = decode(bytes);
  const corner = [...data.subarray(0, channels)];
  expect(Math.min(...corner), 'a light sheet under it, from corner to corner').toBeGreaterThan(240);
  expect(problems, 'nothing that the page’s policy refuses').toEqual([]);
});
