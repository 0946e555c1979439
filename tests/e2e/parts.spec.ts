/** Parts of the program that are fetched when they are first shown, and do not come. */
import { expect, test, type Page } from '@playwright/test';
import { HERON, NOW, sentence } from './support.ts';

const DRAFT = { latDeg: 40.3, lonDeg: -7.6, zoneIana: '', carrier: 'trackerBracket', size: 'middle', focalMm: 200 };

/** The network gives one part back no more; returns how to have it back. */
async function without(page: Page, part: string): Promise<() => Promise<void>> {
  await page.route(part, (route) => route.fulfill({ status: 404, body: 'gone' }));
  return () => page.unroute(part);
}
const missing = (page: Page) => page.getByRole('alert').filter({ hasText: 'A part of Tidy Owl could not be loaded' });

test('on Start the last button says that the zones are not here, keeps what was answered, and goes on after a reload', async ({
  page,
}) => {
  await page.addInitScript((draft) => {
    if (localStorage.getItem('tidy-owl-start') === null && sessionStorage.getItem('seen') === null) {
      localStorage.setItem('tidy-owl-start', JSON.stringify(draft));
      sessionStorage.setItem('seen', 'yes');
    }
  }, DRAFT);
  const back = await without(page, '**/assets/tz-*.js');
  await page.goto(`/start?screen=looks&now=${NOW}`);
  await page.getByRole('button', { name: 'Show my night' }).click();
  await expect(missing(page)).toContainText('The map of time zones is not here');
  await expect(page.getByLabel('Focal length').first()).toHaveValue('200');
  await back();
  await missing(page).getByRole('button', { name: 'Reload' }).click();
  await expect(page.getByLabel('Focal length').first()).toHaveValue('200');
  await page.getByRole('button', { name: 'Show my night' }).click();
  await expect(page).toHaveURL(/\/n\/.*\/tonight/);
});

test('a bench that is not here says so and offers to reload; the rest of the page works', async ({ page }) => {
  const back = await without(page, '**/assets/BalanceBench-*.js');
  await page.goto(`${HERON}/level?now=${NOW}`);
  await page.getByRole('link', { name: /Balance/ }).click();
  await expect(missing(page)).toBeVisible();
  await page.getByRole('link', { name: /Payload/ }).click();
  await expect(sentence(page)).toContainText('Load it');
  await page.getByRole('link', { name: /Balance/ }).click();
  await expect(missing(page)).toBeVisible();
  await back();
  await missing(page).getByRole('button', { name: 'Reload' }).click();
  await expect(sentence(page)).toContainText('Slide the weight');
});

test('where undo is not here the press is said, and nothing is taken back', async ({ page }) => {
  const back = await without(page, '**/assets/undo-*.js');
  await page.goto(`${HERON}/balance?now=${NOW}`);
  await page.getByRole('button', { name: 'Stays anywhere' }).waitFor();
  const field = page.locator('input[name="tapeM"]');
  await field.fill((await field.getAttribute('placeholder')) ?? '');
  await page.getByRole('button', { name: 'Stays anywhere' }).click();
  await expect(sentence(page)).toContainText('Balanced');
  await page.getByRole('button', { name: /^Undo/ }).first().click();
  await expect(page.getByText('A part of Tidy Owl could not be loaded').first()).toBeVisible();
  await expect(sentence(page)).toContainText('Balanced');
  await back();
});
