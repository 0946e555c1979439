/** What the account knows, and what of the night's work stands: both said where they matter. */
import { expect, test, type Page } from '@playwright/test';
import { HERON, open, sentence } from './support.ts';

const margin = (page: Page) => page.locator('.margin').first();
const line = (page: Page) => page.locator('.ledger-line');

/** Under how many times their natural width nine in ten stars stay. */
async function stretch(page: Page): Promise<number> {
  return Number(/under ([\d.]+) times/.exec((await margin(page).textContent()) ?? '')?.[1]);
}

async function typeError(page: Page, alt: string, az: string): Promise<void> {
  await page.getByLabel('Altitude is off by').fill(alt);
  await page.getByLabel('Azimuth is off by').fill(az);
  await page.getByRole('button', { name: 'Record this error' }).press('Enter');
}

test('from an untouched pole to a measured one the stars only become rounder', async ({ page }) => {
  const problems = await open(page, `${HERON}/polar`);
  await expect(margin(page)).toContainText('Cannot tell: pole, focus');
  await expect(margin(page)).toContainText('Look for the pole');
  const stretches = [await stretch(page)];
  await page.getByRole('button', { name: 'The star is there' }).press('Enter');
  await expect(margin(page)).toContainText('Cannot tell: focus');
  stretches.push(await stretch(page));
  await page.getByRole('tab', { name: 'Error and knobs' }).press('Enter');
  const row = margin(page).getByRole('row', { name: /^Polar error/ });
  const told = async (does: () => Promise<void>): Promise<void> => {
    const before = (await row.textContent()) ?? '';
    await does();
    await expect(row).not.toHaveText(before);
    stretches.push(await stretch(page));
  };
  await told(() => typeError(page, '6', '3'));
  await expect(sentence(page)).toContainText('Turn the altitude bolt');
  await told(() => page.getByRole('button', { name: 'Turned as shown' }).press('Enter'));
  await expect(sentence(page)).toHaveText('Turned. Measure once more.');
  await told(() => typeError(page, '0.5', '0.5'));
  expect(stretches).toEqual([...stretches].sort((a, b) => b - a));
  expect(stretches[0]! - stretches.at(-1)!).toBeGreaterThan(0.05);
  await page.keyboard.press('7');
  await page.getByLabel('Focuser stands at').fill('12390');
  await page.getByLabel('Temperature', { exact: true }).fill('6');
  await page.getByRole('button', { name: 'Record this focus' }).press('Enter');
  await expect(margin(page)).not.toContainText('Cannot tell');
  await expect(margin(page).locator('.verdict')).toHaveText(/Round|Acceptable/);

  await page.getByRole('link', { name: /Payload/ }).click();
  await page.getByRole('tab', { name: 'Packing' }).click();
  await page.getByRole('button', { name: 'Put together' }).click();
  await page.getByRole('checkbox', { name: /^Put the camera on/ }).click();
  await expect(margin(page).locator('.verdict')).toHaveText('Cannot tell: pole, focus');
  await expect(margin(page)).toContainText(/The pole went when the camera came on at 19:\d\d: check it once more\./);
  expect(problems).toEqual([]);
});

test('axes opened for the finder: home is said lost, on every bench, until both marks meet; then power', async ({
  page,
}) => {
  const problems = await open(page, `${HERON}/payload?tab=packing`);
  await page.getByRole('button', { name: 'Put together' }).click();
  const step = (name: RegExp) => page.getByRole('checkbox', { name });
  await expect(step(/^Power on/)).toContainText('First: home, back to both marks before power; then');
  await step(/^Swing both axes/).click();
  await step(/^Bring it home/).click();
  await expect(step(/^Bring it home/)).toBeChecked();
  await expect(step(/^Power on/)).not.toContainText('First:');
  await expect(line(page)).toHaveCount(0);

  await page.getByRole('link', { name: /Polar alignment/ }).click();
  await page.getByRole('button', { name: 'I turned the axes' }).click();
  const words = 'Home went when the axes were opened at 19:21: back to both marks before power.';
  await expect(line(page)).toContainText(words);
  await page.reload();
  await expect(line(page)).toContainText(words);
  await page.getByRole('link', { name: /Watch/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Watch');
  await expect(line(page)).toContainText(words);
  await page.getByRole('link', { name: /Balance/ }).click();
  await page.getByRole('tab', { name: 'Order' }).click();
  await expect(step(/^Bring it home/)).not.toBeChecked();
  await page.getByRole('button', { name: 'Back at both marks' }).click();
  await expect(line(page)).toHaveCount(0);
  await expect(step(/^Bring it home/)).toBeChecked();
  await page.getByRole('link', { name: /Payload/ }).click();
  await page.getByRole('tab', { name: 'Packing' }).click();
  await page.getByRole('button', { name: 'Put together' }).click();
  await step(/^Power on/).click();
  await expect(step(/^Power on/)).toBeChecked();
  expect(problems).toEqual([]);
});
