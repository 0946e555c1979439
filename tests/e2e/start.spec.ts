/** Somebody who has nothing yet: their own night from three screens, on a plain host, without any server of ours. */
import { expect, test, type Page } from '@playwright/test';
import type { Server } from 'node:http';
import { listen, plainHost, stop } from './hosts.ts';
import { HERON, NOW, open } from './support.ts';

let server: Server;
let base = '';
test.beforeAll(async () => {
  const host = await listen(plainHost());
  [server, base] = [host.server, `${host.address}/fields/owl`];
});
test.afterAll(() => stop(server));

const begin = async (page: Page): Promise<void> => {
  await page.goto(`${base}/?now=${NOW}`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Your own night');
};
const line = (page: Page, name: RegExp) => page.locator('.tonight a').filter({ hasText: name });

test.describe('on the phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true });

  test('turned by hand and looked through by eye: the knob, the seat, the circles, and no word of motors', async ({
    page,
  }) => {
    await begin(page);
    await page.getByLabel('The nearest town', { exact: true }).fill('windhoek');
    await page.getByRole('button', { name: /^Windhoek/ }).click();
    await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
    await page.locator('.pick').filter({ hasText: 'Turned by hand' }).click();
    await expect(page.getByLabel('A motor follows in right ascension')).not.toBeChecked();
    await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
    await page.getByLabel('Sensor', { exact: true }).selectOption({ label: 'Only my eye' });
    await page.getByRole('button', { name: 'Show my night' }).press('Enter');
    await expect(page.getByRole('alert'), 'an eye needs a tube').toContainText('choose one above');
    await page.locator('.pick').filter({ hasText: 'Reflector' }).click();
    await page.getByLabel('Focal length', { exact: true }).fill('750');
    await page.getByLabel('Aperture', { exact: true }).fill('150');
    await expect(page.getByLabel('A guide camera steers it')).toHaveCount(0);
    await page.getByRole('button', { name: 'Show my night' }).press('Enter');
    await expect(line(page, /one turn of the knob in/)).toContainText('9 min 58 s');
    await expect(line(page, /Longest sub/)).toHaveCount(0);
    const run = page.getByRole('navigation', { name: 'The run' });
    await expect(run.getByRole('link', { name: /Watch/ })).toHaveCount(0);
    await line(page, /one turn of the knob in/).press('Enter');
    await expect(page.locator('.sentence')).toContainText('once in 9 min 58 s, westward: 36° of the knob each minute');
    const station = (name: RegExp) => run.getByRole('link', { name });
    await station(/Light path/).press('Enter');
    await expect(page.locator('.sentence')).toHaveText('Begin with the 25 mm eyepiece: 30 times, and 1.7° of sky.');
    await station(/Payload/).press('Enter');
    await expect(page.getByRole('tab', { name: 'Power' })).toHaveCount(0);
    await page.getByRole('tab', { name: 'Footing' }).press('Enter');
    await expect(page.getByText('Seat over the sky')).toBeVisible();
    await station(/Focus, pointing/).press('Enter');
    await expect(page.getByRole('tab', { name: 'Hand controller' })).toHaveCount(0);
    await page.getByRole('tab', { name: 'By circles' }).press('Enter');
    await expect(page.locator('.sentence')).toHaveText(
      /^Centre .+, then turn right ascension .+ and declination .+\.$/,
    );
    await station(/Meridian/).press('Enter');
    await expect(page.locator('.sentence')).toHaveText(/^Look at .+ about \d\d:\d\d: then it stands highest\.$/);
    await page.goto(page.url().replace('/meridian', '/watch'));
    await expect(page.locator('.sentence')).toHaveText('Nothing to do here with this rig.');
  });

  test('an answer about one’s own night in three screens and six inputs, and a way to each bench', async ({ page }) => {
    const problems: string[] = [];
    page.on('pageerror', (error) => problems.push(error.message));
    let [screens, inputs] = [1, 0];
    const enter = async (label: string, value: string): Promise<void> => {
      inputs += 1;
      await page.getByLabel(label, { exact: true }).fill(value);
    };
    const pick = async (name: RegExp): Promise<void> => {
      inputs += 1;
      await page.locator('.pick').filter({ hasText: name }).tap();
    };
    const next = async (): Promise<void> => {
      screens += 1;
      await page.getByRole('button', { name: 'Next', exact: true }).tap();
    };
    await begin(page);
    await enter('The nearest town', 'covilha');
    inputs += 1;
    await page.getByRole('button', { name: /^Covilhã, PT/ }).tap();
    await expect(page.getByLabel('Latitude', { exact: true })).toHaveValue(/^40/);
    await next();
    await pick(/German mount/);
    await expect(page.locator('.pick').filter({ hasText: 'Middle' })).toContainText('rated 18 kg');
    await next();
    // In the middle of it the page is loaded anew.
    await page.reload();
    await expect(page.getByLabel('What is known so far')).toContainText('German mount, middle');
    await pick(/Refractor/);
    await enter('Focal length', '480');
    await enter('Aperture', '80');
    await page.getByRole('button', { name: 'Show my night' }).tap();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tonight');
    expect(screens).toBeLessThanOrEqual(3);
    expect(inputs).toBeLessThanOrEqual(6);
    await expect(line(page, /Point the axis true north/)).toContainText('compass');
    await expect(line(page, /latitude scale/)).toContainText('40.3°');
    await expect(line(page, /Put Polaris/)).toContainText('at 8:02');
    await expect(line(page, /Longest sub/)).toContainText(/\d+ s/);
    await expect(line(page, /weight’s middle/)).toContainText(/\d+ mm/);
    await expect(line(page, /: flip|crosses|stands highest/)).toContainText(/\d\d:\d\d/);
    await line(page, /weight’s middle/).tap();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Balance');
    await page.reload();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Balance');
    // What it hangs on is asked right here.
    const guesses = page.getByRole('region', { name: 'Guessed so far' });
    await expect(guesses).toContainText(/guess.* the place most/);
    const label = (await guesses.locator('label').first().textContent()) ?? '';
    const before = (await guesses.locator('p').first().textContent()) ?? '';
    const field = guesses.getByLabel(label);
    await field.fill((await field.getAttribute('placeholder')) ?? '');
    await guesses.getByRole('button', { name: 'Take this number' }).first().tap();
    await expect(page.locator('.toast')).toContainText(/weighed|measured now/);
    await expect(guesses.locator('p').first()).not.toHaveText(before);
    await expect(guesses.getByLabel(label)).toHaveCount(0);
    await guesses.getByRole('button', { name: /Good enough as it is/ }).tap();
    await expect(guesses).toHaveCount(0);
    expect(problems).toEqual([]);
  });
});

test('by keyboard alone, in the south, with a tracker; wrong input is refused; one undo takes all back', async ({
  page,
}) => {
  await begin(page);
  await page.getByLabel('Latitude', { exact: true }).fill('122');
  await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
  await expect(page.getByRole('alert').first()).toBeVisible();
  await expect(page.getByLabel('Latitude', { exact: true })).toBeVisible();
  await page.getByLabel('Latitude', { exact: true }).fill('22.75 S');
  await page.getByLabel('Longitude', { exact: true }).fill('17.2');
  await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
  await expect(page.getByRole('alert')).toHaveText('Choose one.');
  await page.getByRole('radio', { name: /German mount/ }).focus();
  await page.keyboard.press('ArrowUp');
  await page.getByRole('radio', { name: /Small tracker/ }).press(' ');
  await page.getByRole('radio', { name: /None, or not sure/ }).press(' ');
  await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Show my night' }).press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tonight');
  await expect(line(page, /true south/)).toBeVisible();
  await expect(line(page, /beside the pole/)).toContainText('Align by drift');
  await expect(line(page, /weight/)).toHaveCount(0);
  await expect(line(page, /stands highest/)).toContainText('least air');
  // The zone is that of the place: in Namibia the clock shows two hours more than in Greenwich.
  await expect(page.locator('.clocks')).toContainText('21:21');
  await page.getByRole('button', { name: 'Undo the last change' }).press('Enter');
  await page.goto(`${base}/kit?now=${NOW}`);
  await expect(page.getByText('135 mm lens')).toHaveCount(0);
});

test('a new night offers what stands well, begins when told, and goes to its first answers', async ({ page }) => {
  const problems = await open(page, `${HERON}/meridian`);
  await page.locator('#night-switch').click();
  await page.getByRole('button', { name: 'New night…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog
    .getByLabel('Target')
    .selectOption({ label: (await dialog.getByRole('option', { name: /^M 45/ }).textContent()) ?? '' });
  await dialog.getByRole('button', { name: 'Create' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tonight');
  await expect(line(page, /M 45, Pleiades/)).toContainText(/\d\d:\d\d/);
  await line(page, /M 45, Pleiades/).click();
  await page.getByRole('tab', { name: 'Plan' }).click();
  await page.getByLabel('Start at').fill('25:10');
  await page.getByRole('button', { name: 'Save the plan' }).click();
  await expect(page.getByText('Type a time of the clock')).toBeVisible();
  await page.getByLabel('Start at').fill('22:10');
  await page.getByLabel('How many subs').fill('20');
  await page.getByRole('button', { name: 'Save the plan' }).click();
  await expect(page.getByText('Plan saved.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Start at')).toHaveValue('22:10');
  await expect(page.getByLabel('How many subs')).toHaveValue('20');
  expect(problems).toEqual([]);
});

test('who only chooses gets an answer without rig, site or night', async ({ page }) => {
  await begin(page);
  await page.goto(`${base}/choose?now=${NOW}`);
  await expect(page.locator('.sentence')).toContainText(/A .* is enough|smaller or shorter tube|expose shorter/i);
  await expect(page.getByText('Taken: a sensor of 23.5 mm × 15.6 mm')).toBeVisible();
  const before = (await page.locator('.sentence').textContent()) ?? '';
  await page.getByLabel('The sensor').selectOption('fourThirds');
  await page.getByLabel('Size of the target').fill('15');
  await expect(page.locator('.sentence')).not.toHaveText(before);
  await expect(page.getByText('Taken: a sensor of 17.3 mm × 13.0 mm')).toBeVisible();
  await page.getByLabel('Your latitude, north or south').selectOption('60');
  await expect(page.getByText('latitude 60°')).toBeVisible();
});

test('a bright object for a night that is there already is one step, taken back in one', async ({ page }) => {
  await open(page, `${HERON}/tonight`);
  await expect(line(page, /NGC 281: flip/)).toBeVisible();
  await page.locator('#night-switch').click();
  await page.getByRole('button', { name: 'Settings of this night…' }).click();
  const dialog = page.getByRole('dialog');
  const pleiades = await dialog.getByRole('option', { name: /^M 45/ }).textContent();
  await dialog.getByLabel('Target').selectOption({ label: pleiades ?? '' });
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(line(page, /M 45, Pleiades: flip/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last change' }).press('Enter');
  await expect(line(page, /NGC 281: flip/)).toBeVisible();
});

test('a rig from nothing but usual pieces, in an empty box', async ({ page }) => {
  await begin(page);
  await page.getByRole('link', { name: 'Kit', exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Add a rig' }).press('Enter');
  await page.getByLabel('Name', { exact: true }).fill('Wren');
  const choose = (label: string, option: string): Promise<string[]> => page.getByLabel(label).selectOption(option);
  await choose('Mount', 'Mid-size belt-driven German mount');
  await choose('Tripod or pier', 'Steel tripod');
  await choose('Imaging tube or lens', '80 mm refractor, f/6');
  await choose('Camera, or the eyepiece', 'Cooled camera, 24 megapixels');
  await page.getByRole('button', { name: 'Save' }).press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wren');
  await page.getByLabel('Piece to hang on').selectOption('Weight 5 kg');
  await page.getByRole('button', { name: 'Hang it on' }).press('Enter');
  await expect(page.getByRole('group', { name: /^From behind/ }).getByRole('button')).toHaveCount(1);
  await page.getByRole('button', { name: 'Parts', exact: true }).press('Enter');
  await expect(page.getByRole('region', { name: 'Parts' }).getByRole('row')).toHaveCount(6);
});

test('beside one’s own night the demo steps aside in lists, and comes back by one switch', async ({ page }) => {
  await open(page, '/start');
  await page.getByLabel('Latitude', { exact: true }).fill('48');
  await page.getByLabel('Longitude', { exact: true }).fill('11 E');
  await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
  await page.locator('.pick').filter({ hasText: 'Turned by hand' }).click();
  await page.getByLabel('A motor follows in right ascension').check();
  await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Show my night' }).press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tonight');
  await expect(line(page, /one turn of the knob/), 'a motor follows').toHaveCount(0);
  await page.getByRole('link', { name: 'Kit', exact: true }).press('Enter');
  const rigs = page.getByRole('list', { name: 'Rigs' }).getByRole('link');
  await expect(rigs).toHaveCount(1);
  await page.getByLabel('Show the demo too').check();
  await expect(rigs).toHaveCount(4);
  await page.reload();
  await expect(rigs).toHaveCount(4);
  await page.getByLabel('Show the demo too').uncheck();
  await expect(rigs).toHaveCount(1);
});

test('a fork is balanced front to back, by what the hand saw, and has no bore to look through', async ({ page }) => {
  await begin(page);
  await page.getByLabel('Latitude', { exact: true }).fill('40.3');
  await page.getByLabel('Longitude', { exact: true }).fill('-7.6');
  await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
  await page.getByRole('radio', { name: /Fork on a wedge/ }).press(' ');
  await page.getByRole('button', { name: 'Next', exact: true }).press('Enter');
  await page.getByRole('radio', { name: 'Mirror-lens tube' }).press(' ');
  await page.getByLabel('Focal length', { exact: true }).fill('2000');
  await page.getByLabel('Aperture', { exact: true }).fill('200');
  await expect(page.getByRole('group', { name: 'What the sensor sits in' })).toBeVisible();
  await page.getByRole('radio', { name: /made for the telescope/ }).press(' ');
  await page.getByRole('button', { name: 'Show my night' }).press('Enter');
  const station = (name: RegExp) => page.getByRole('navigation', { name: 'The run' }).getByRole('link', { name });
  await station(/Balance/).press('Enter');
  const sentence = page.locator('.sentence');
  await expect(sentence).toHaveText('Tube level: hold it, open the declination clutch and see which end drops.');
  await page.getByRole('button', { name: 'Camera end dropped' }).press('Enter');
  await expect(sentence).toContainText('from the axis toward the front, then try again. Hold the tube.');
  await page.getByRole('button', { name: 'Stays anywhere' }).press('Enter');
  await expect(sentence).toContainText('It stays level: leave it');
  await page.reload();
  await expect(sentence).toContainText('It stays level: leave it');
  await page.keyboard.press('u');
  await expect(sentence).toContainText('toward the front, then try again');
  await station(/Polar alignment/).press('Enter');
  await expect(page.getByRole('tab', { name: 'Half-turn test' })).toHaveCount(0);
});
