/** The spacing behind the corrector from the user's own box. */
import { expect, test } from '@playwright/test';
import { HERON, open, sentence } from './support.ts';

test('fitted from the box: five stacks at most, one taken over by keyboard, and taken back', async ({ page }) => {
  const problems = await open(page, `${HERON}/light-path`);
  await expect(sentence(page)).toContainText('Leave it: the sensor stands at 55.5 mm');
  await page.getByRole('button', { name: 'Fit from my box' }).press('Enter');
  const stacks = page.getByRole('list', { name: 'Stacks found, the nearest first' }).getByRole('listitem');
  await expect(stacks).toHaveCount(4);
  await expect(stacks.first()).toContainText('38.00 mm, 0.17 mm short');
  await stacks.nth(1).getByRole('button').press('Enter');
  await expect(page.locator('.toast')).toContainText('this rig’s train now');
  await expect(sentence(page)).toHaveText('Take out 9.3 mm between corrector and camera.');
  await page.reload();
  await expect(sentence(page)).toHaveText('Take out 9.3 mm between corrector and camera.');
  await page.keyboard.press('u');
  await expect(sentence(page)).toContainText('Leave it: the sensor stands at 55.5 mm');
  expect(problems).toEqual([]);
});
