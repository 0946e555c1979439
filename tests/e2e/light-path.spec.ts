/** The light path by hand: pieces dragged and moved by keys, two rigs compared, corners by eye and the step that follows. */
import { expect, test, type Page } from '@playwright/test';
import { HERON, open, sentence } from './support.ts';

const piece = (page: Page, name: string) => page.getByRole('slider', { name: `Move ${name}` });
const rows = (page: Page) => page.locator('.train-list li');

test('pieces dragged and moved by keyboard, turned round, each step taken back', async ({ page }) => {
  const problems = await open(page, `${HERON}/light-path`);
  await expect(rows(page).first()).toContainText('Adapter M48 to M42');
  const spacer = piece(page, 'Spacer M42, 10 mm');
  const [from, to] = [(await spacer.boundingBox())!, (await piece(page, 'Adapter M48 to M42, 7.5 mm').boundingBox())!];
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + 20, from.y + from.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(rows(page).first()).toContainText('Spacer M42, 10 mm');
  await expect(sentence(page)).toContainText('does not screw into Spacer M42, 10 mm');
  await page.keyboard.press('u');
  await expect(sentence(page)).toContainText('Leave it: the sensor stands at 55.5 mm');

  await piece(page, 'Spacer M42, 10 mm').press('ArrowLeft');
  await expect(rows(page).nth(3)).toContainText('Spacer M42, 10 mm');
  await expect(piece(page, 'Spacer M42, 10 mm')).toHaveAttribute('aria-valuetext', 'place 3 of 4');
  await expect(sentence(page)).toContainText('Leave it: the sensor stands at 55.5 mm');

  await page.getByRole('button', { name: 'Turn Filter wheel round' }).press('Enter');
  await expect(sentence(page)).toContainText('does not screw into');
  await page.reload();
  await expect(page.getByRole('button', { name: 'Turn Filter wheel round' }).first()).toBeVisible();
  await page.locator('.actions').getByRole('button', { name: 'Turn Filter wheel round' }).press('Enter');
  await expect(sentence(page)).toContainText('Leave it: the sensor stands at 55.5 mm');

  await page.getByRole('button', { name: 'Take Spacer M42, 10 mm out of the light path' }).click();
  await expect(sentence(page)).toHaveText('Add 10.2 mm between corrector and camera.');
  await page.getByLabel('Piece to put in').selectOption({ label: 'Spacer M42, 10 mm' });
  await page.getByRole('button', { name: 'Put in' }).click();
  await expect(sentence(page)).toContainText('Leave it: the sensor stands at 55.5 mm');
  expect(problems).toEqual([]);
});

test('two rigs side by side, kept in the address', async ({ page }) => {
  const problems = await open(page, `${HERON}/light-path?tab=compare`);
  // It does not open empty: another rig lies beside this one at once.
  await expect(sentence(page)).toHaveText('Take Plover for 0.5 times the width of sky, Heron for the other.');
  await page.getByLabel('The other rig').selectOption('Wagtail');
  await expect(sentence(page)).toHaveText('Take Wagtail for 3.2 times the width of sky, Heron for the other.');
  await page.reload();
  await expect(page.getByRole('row', { name: /Focal length/ })).toContainText('384 mm135 mm−249 mm');
  await expect(page.getByText(/are 30 s with Wagtail for as much signal in each pixel/)).toBeVisible();
  expect(problems).toEqual([]);
});

async function see(page: Page, stars: readonly string[]): Promise<void> {
  for (const star of stars) await page.getByRole('button', { name: star, exact: true }).click();
}
const TOWARD = [
  'clearly long, leaning left',
  'clearly long, leaning right',
  'clearly long, leaning right',
  'clearly long, leaning left',
  'round',
];

test('corners by eye: told what to change, changed, looked at again, learned; kept over a reload', async ({ page }) => {
  const problems = await open(page, `${HERON}/light-path?tab=corners`);
  await page.getByRole('button', { name: 'Record these corners' }).click();
  await expect(page.getByRole('alert').first()).toContainText('Not looked at yet: top left, top right');
  await see(page, TOWARD);
  await page.getByLabel('Exposure').fill('8');
  await page.getByRole('button', { name: 'Record these corners' }).click();
  await expect(sentence(page)).toHaveText('Focus on a star in the middle first, then look at the corners.');

  await see(page, TOWARD);
  await page.getByLabel('Exposure').fill('8');
  await page.getByLabel('Focused on a star in the middle').check();
  await page.getByRole('button', { name: 'Record these corners' }).click();
  await expect(sentence(page)).toHaveText(/^Add \d\.\d\d mm between corrector and camera, then look again\.$/);
  await expect(page.getByRole('region', { name: 'Distances tried' })).toContainText('too near');
  // The margin counts what the corners add.
  await expect(page.getByRole('complementary')).toContainText('Corners stretched');

  await page.getByRole('tab', { name: 'Spacing' }).click();
  await page.getByLabel('Piece to put in').selectOption({ label: 'Shim 0.5 mm' });
  await page.getByRole('button', { name: 'Put in' }).click();
  await page.getByRole('tab', { name: 'Corners' }).click();
  await expect(page.getByLabel('Flange to sensor')).toHaveValue('56');
  await see(page, ['round', 'round', 'round', 'round', 'round']);
  await page.getByLabel('Exposure').fill('8');
  await page.getByLabel('Focused on a star in the middle').check();
  await page.getByRole('button', { name: 'Record these corners' }).click();
  await expect(sentence(page)).toHaveText('Leave the distance: the corners are round.');
  await page.reload();
  await expect(sentence(page)).toHaveText('Leave the distance: the corners are round.');
  await expect(page.getByRole('region', { name: 'Distances tried' }).getByRole('row')).toHaveCount(4);
  expect(problems).toEqual([]);
});

test('a distance that nobody knows, and a guessed camera: asked for where they matter, told, taken back', async ({
  page,
}) => {
  const problems = await open(page, '/kit/parts/demo-heron-reducer');
  const save = async (): Promise<void> => {
    await page.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(page.getByText('Saved.')).toBeVisible();
  };
  await page.getByLabel('Back focus', { exact: true }).fill('');
  await save();
  await page.goto('/kit/parts/demo-heron-camera');
  await page.getByLabel('That distance is').selectOption('a guess');
  await page.getByLabel('Front: thread and side are').selectOption('a guess');
  await page.getByLabel('Front: thread', { exact: true }).selectOption('Another thread');
  const free = page.getByLabel('Front: thread: as it is written on the piece');
  await free.fill('m 48');
  await free.press('Tab');
  await expect(page.getByLabel('Front: thread', { exact: true })).toHaveValue('M48x0.75');
  await save();
  await page.goto(`${HERON}/light-path`);
  await expect(sentence(page)).toContainText('how far behind this corrector the sensor belongs is not known');
  const asked = page.getByRole('region', { name: 'Guessed so far' });
  const take = (name: RegExp) =>
    asked
      .locator('form')
      .filter({ has: page.getByLabel(name) })
      .getByRole('button');
  await take(/^Back focus of/).press('Enter');
  await expect(asked.getByRole('alert')).toContainText('Type a number');
  await asked.getByLabel(/^Back focus of/).fill('55');
  await asked.getByLabel(/^Back focus of/).press('Enter');
  await expect(sentence(page)).toHaveText(
    'Look up how deep the camera is: 17.5 mm from its thread to the sensor is only a guess.',
  );
  await asked.getByLabel(/from its thread to the sensor$/).fill('17.5');
  await asked.getByLabel(/from its thread to the sensor$/).press('Enter');
  await expect(sentence(page)).toContainText('Leave it: the sensor stands at 55.5 mm');
  // A guessed thread accuses nobody; once it is told it does.
  await take(/^Thread at the camera/).press('Enter');
  await expect(sentence(page)).toContainText('does not screw into');
  await expect(asked).toHaveCount(0);
  await page.keyboard.press('u');
  await expect(sentence(page)).toContainText('Leave it: the sensor stands at 55.5 mm');
  expect(problems).toEqual([]);
});
