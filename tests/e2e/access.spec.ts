import { expect, test, type Page } from '@playwright/test';
import { expectContrast, expectNoFaults } from './axe.ts';
import { HERON, NOW, open, storedText, visit, type Light } from './support.ts';
import { HALVES } from './views.ts';

const setLight = (page: Page, light: Light) =>
  page.evaluate((chosen) => (document.documentElement.dataset['light'] = chosen), light);

const DESK = { width: 1280, height: 800 };
/** The desk at 200 % zoom. */
const ZOOMED = { width: 640, height: 400 };

for (const [n, views] of HALVES.entries()) {
  test(`axe finds no fault on any view, nor in the contrast of the other lights; at 200 % nothing scrolls sideways, half ${n + 1}`, async ({
    page,
  }) => {
    test.setTimeout(180_000);
    const problems = await open(page, '/help');
    for (const [i, [path, heading]] of views.entries()) {
      await visit(page, path, heading);
      await setLight(page, 'day');
      // The frame around the view stays the same: it is looked at with the first one.
      await expectNoFaults(page, path, i === 0 ? 'page' : 'view');
      for (const light of ['dusk', 'red'] as Light[]) {
        await setLight(page, light);
        await expectContrast(page, `${path} in ${light}`);
      }
      await page.setViewportSize(ZOOMED);
      expect(await page.evaluate(() => document.documentElement.scrollWidth), `${path} at 200 %`).toBeLessThanOrEqual(
        ZOOMED.width,
      );
      await page.setViewportSize(DESK);
    }
    expect(problems, 'errors of page and console').toEqual([]);
  });
}

/** How much of the window's height the bench takes. */
const benchShare = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const { top, bottom } = document.querySelector('main.bench')!.getBoundingClientRect();
    const below = document.querySelector('.sheet-button')!.getBoundingClientRect().top;
    return (Math.min(bottom, below) - Math.max(0, top)) / innerHeight;
  });

test('at 200 % and on 320 pixels the bench keeps three fifths of the height; undo and find are in the night’s menu', async ({
  page,
}) => {
  for (const size of [ZOOMED, { width: 320, height: 640 }]) {
    await page.setViewportSize(size);
    await open(page, `${HERON}/balance`);
    expect(await benchShare(page), JSON.stringify(size)).toBeGreaterThanOrEqual(0.6);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
    await page.getByRole('button', { name: /Tue 24 Nov/ }).click();
    await expect(page.getByRole('button', { name: 'Undo the last change' })).toBeVisible();
    await page.getByRole('button', { name: 'Find anything…' }).click();
    await expect(page.getByRole('searchbox', { name: 'Find by name' })).toBeFocused();
  }
});

test('times of the clock are told twice to twelve to who wants them so, on every page and in the plan', async ({
  page,
}) => {
  await open(page, '/help');
  await page.getByLabel('Times of the clock').selectOption('12');
  await expect.poll(() => storedText(page)).toContain('"hours"');
  await page.goto(`${HERON}/meridian?tab=plan&now=${NOW}`);
  await expect(page.locator('.clocks .local')).toHaveText('7:21 pm');
  await expect(page.locator('.sentence')).toContainText('9:09 pm');
  await page.getByLabel('Start at').fill('9:30 pm');
  await page.getByRole('button', { name: 'Save the plan' }).click();
  await expect(page.locator('.toast')).toContainText('Plan saved');
  await expect(page.getByLabel('Start at')).toHaveValue('9:30 pm');
  await page.goto(`${HERON}/pointing?tab=sheet&now=${NOW}`);
  await expect(page.getByRole('row', { name: /^Time \d/ })).toContainText('7:21 pm');
});

test('axe finds no fault in the frame in any light', async ({ page }) => {
  await open(page, `${HERON}/balance`);
  for (const light of ['dusk', 'red'] as Light[]) {
    await setLight(page, light);
    await expectNoFaults(page, `frame in ${light}`);
  }
});

test('axe finds no fault in dialogs', async ({ page }) => {
  await open(page, `${HERON}/meridian`);
  await page.locator('body').press('?');
  await page.getByRole('dialog').waitFor();
  await expectNoFaults(page, 'keys');
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  await page.locator('#night-switch').click();
  await page.getByRole('button', { name: 'New night…' }).click();
  await page.getByRole('dialog').waitFor();
  await expectNoFaults(page, 'new night');
});

test('every control of a bench can be reached and seen by keyboard', async ({ page }) => {
  await open(page, `${HERON}/balance`);
  // The form comes once the bench is drawn.
  await page.getByRole('button', { name: 'Stays anywhere' }).waitFor();
  const names = new Set<string>();
  for (let i = 0; i < 40; i += 1) {
    await page.keyboard.press('Tab');
    const seen = await page.evaluate(() => {
      const element = document.activeElement;
      if (!element || element === document.body) return null;
      const { outlineStyle, outlineWidth } = getComputedStyle(element);
      return {
        name: element.getAttribute('aria-label') ?? element.textContent,
        outlined: outlineStyle !== 'none' && parseFloat(outlineWidth) >= 2,
      };
    });
    if (!seen) continue;
    names.add(seen.name);
    expect(seen.outlined, `focus is visible on ${seen.name}`).toBe(true);
  }
  for (const wanted of ['Red', 'Time of the night', 'Stays anywhere', 'Tube side dropped'])
    expect(
      [...names].some((n) => n.includes(wanted)),
      wanted,
    ).toBe(true);
});
