import { expect, test, type Page } from '@playwright/test';
import { expectNoFaults } from './axe.ts';
import { expectOnlyRed, HERON, open, readTape, sentence, visit } from './support.ts';
import { BENCHES, HALVES } from './views.ts';

test.use({ viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true });

/** Words in drawings that are smaller than 12 px. */
const smallWords = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<SVGTextElement>('svg text')]
      .map((t) => ({
        text: t.textContent,
        px: parseFloat(getComputedStyle(t).fontSize) * (t.getScreenCTM()?.a ?? 1),
      }))
      .filter(({ px }) => px > 0 && px < 11.9)
      .map(({ text, px }) => `${text} ${px.toFixed(1)}`),
  );

for (const [n, views] of HALVES.entries()) {
  test(`nothing scrolls sideways, targets and words are big, axe finds no fault, half ${n + 1}`, async ({ page }) => {
    test.setTimeout(180_000);
    await open(page, '/help');
    for (const [i, [path, heading]] of views.entries()) {
      await visit(page, path, heading);
      expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(390);
      const small = await page.evaluate(() =>
        [
          ...document.querySelectorAll(
            // A hidden file field is touched by its label.
            'button, label.btn, .run a, .night-table a, select, input:not([type=checkbox], [type=radio], .visually-hidden)',
          ),
        ]
          .map((e) => ({ name: e.getAttribute('aria-label') ?? e.textContent, box: e.getBoundingClientRect() }))
          .filter(({ box }) => box.width > 0 && (box.height < 44 || box.width < 44))
          .map(({ name, box }) => `${name} ${Math.round(box.width)}x${Math.round(box.height)}`),
      );
      expect(small, path).toEqual([]);
      if (BENCHES.some(([bench]) => bench === path)) expect(await smallWords(page), path).toEqual([]);
      // Colours are those of the desk, where their contrast is looked at in every light.
      if (i === 0) await expectNoFaults(page, path);
      else await expectNoFaults(page, path, 'view', ['color-contrast']);
    }
  });
}

test('by touch: the trial, the verdict sheet, the ribbon and Red', async ({ page }) => {
  await open(page, `${HERON}/balance`);
  await readTape(page);
  await page.getByRole('button', { name: 'Stays anywhere' }).tap();
  await expect(sentence(page)).toContainText('Balanced at 299 mm');
  await page.getByRole('button', { name: 'Close this notice' }).tap();
  await page.getByRole('button', { name: /Cannot tell: pole, focus/ }).tap();
  await expect(page.getByRole('dialog')).toContainText('Stretches the star');
  await page.getByRole('button', { name: 'Close' }).tap();
  await page.getByRole('link', { name: /Polar alignment/ }).tap();
  await expect(sentence(page)).toContainText('Polaris');
  const before = await sentence(page).textContent();
  const ribbon = page.getByRole('slider', { name: 'Time of the night' });
  const box = await ribbon.boundingBox();
  await page.touchscreen.tap((box?.x ?? 0) + 300, (box?.y ?? 0) + 30);
  await expect(sentence(page)).not.toHaveText(before ?? '');
  await page.getByRole('button', { name: 'Now', exact: true }).tap();
  await expect(sentence(page)).toHaveText(before ?? '');
  await page.getByRole('button', { name: /^Light: Day/ }).tap();
  await page.getByRole('button', { name: /^Light: Dusk/ }).tap();
  await expectOnlyRed(page, 'phone');
});

test('from pack to logbook along the strip, by touch', async ({ page }) => {
  const problems = await open(page, `${HERON}/light-path`);
  const strip = page.getByRole('navigation', { name: 'The run' });
  const go = async (name: RegExp, title: string) => {
    await strip.getByRole('link', { name }).tap();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(title);
  };
  const record = (name: string) => page.getByRole('button', { name }).tap();
  await go(/Payload/, 'Payload');
  await go(/Meridian/, 'Meridian');
  await go(/Level, bearing/, 'Level and bearing');
  await page.getByLabel('Compass reading').fill('0.4');
  await record('Record this bearing');
  await page.getByRole('tab', { name: 'Level' }).tap();
  await page.getByLabel('Tilt', { exact: true }).fill('0.2');
  await record('Record this tilt');
  await expect(strip.getByRole('link', { name: /Level, bearing\s*, done/ })).toBeVisible();
  await go(/Balance/, 'Balance');
  await readTape(page);
  await record('Stays anywhere');
  await go(/Polar alignment/, 'Polar alignment');
  await record('The star is there');
  await go(/Focus, pointing/, 'Focus and pointing');
  await page.getByLabel('Focuser stands at').fill('12480');
  await page.getByLabel('Temperature', { exact: true }).fill('3');
  await record('Record this focus');
  await expect(sentence(page)).toContainText('Lock the focuser');
  await go(/Tracking/, 'Tracking');
  await page.getByRole('tab', { name: 'Before the first sub' }).tap();
  await page.getByRole('checkbox').first().tap();
  await expect(sentence(page)).toContainText('Go through these 6');
  await go(/Watch/, 'Watch');
  const action = await page.getByRole('button', { name: 'Log a reading' }).boundingBox();
  expect(action?.y ?? 0, 'the main action lies in reach of a thumb').toBeGreaterThan(500);
  await record('Log a reading');
  await page.getByLabel('Star width at half height').fill('2.4');
  await page.getByRole('dialog').getByRole('button', { name: 'Record' }).tap();
  await go(/Logbook/, 'Logbook');
  for (const words of ['Compass', 'Level', 'Balance', 'Focus', 'Tick', 'Seeing'])
    await expect(page.locator('.reading-list')).toContainText(words);
  expect(problems).toEqual([]);
});

test('words in the two dials and the fall of the error are at least 12 pixels high', async ({ page }) => {
  await open(page, `${HERON}/polar?tab=error`);
  for (const size of ['40', '8']) {
    await page.getByLabel('Altitude is off by').fill(size);
    await page.getByLabel('Azimuth is off by').fill('30');
    await page.getByRole('button', { name: 'Record this error' }).tap();
    await expect(page.locator('.reason').first()).toContainText(`${size}.0′ too high`);
    expect(await smallWords(page), `the two dials and the fall, ${size}`).toEqual([]);
  }
});

test('a weight is dragged along the bar with the finger', async ({ page }) => {
  await open(page, `${HERON}/payload`);
  const weight = page.getByRole('slider', { name: 'Move Weight 3.5 kg' });
  const box = await weight.boundingBox();
  const [x, y] = [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2];
  const finger = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', toX: number) =>
    finger.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x: toX, y }] });
  await touch('touchStart', x);
  for (let i = 1; i <= 8; i += 1) await touch('touchMove', x + 2 * i);
  await touch('touchEnd', x + 16);
  await expect(page.locator('.toast')).toContainText('Weight 3.5 kg moved to');
  await expect(weight).not.toHaveAttribute('aria-valuetext', '−272 mm');
});
