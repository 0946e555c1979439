/** Polar alignment by eye and by drift, the half-turn test, any engraving, and the knobs that are learned. */
import { expect, test, type Page } from '@playwright/test';
import { HERON, open, sentence, storedText, WAGTAIL } from './support.ts';

const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true });
const run = (page: Page) => page.getByRole('navigation', { name: 'The run' });

/** Presses a button by keyboard and waits for the notice that follows; older ones are closed first. */
async function press(page: Page, name: string | RegExp, said: string): Promise<void> {
  for (const close of await page.getByRole('button', { name: 'Close this notice' }).all()) await close.press('Enter');
  await expect(page.locator('.toast')).toHaveCount(0);
  const exact = typeof name === 'string' ? { name, exact: true } : { name };
  await page.getByRole('button', exact).press('Enter');
  await expect(page.locator('.toast').last()).toContainText(said);
}

async function typeError(page: Page, alt: string, az: string, said = 'Polar error recorded'): Promise<void> {
  await page.getByLabel('Altitude is off by').fill(alt);
  await page.getByLabel('Azimuth is off by').fill(az);
  await press(page, 'Record this error', said);
}

test('by eye, by keyboard: found, set, read off the dial, turned, measured, tightened, taught', async ({ page }) => {
  test.setTimeout(90_000);
  const problems = await open(page, `${HERON}/polar?tab=find`);
  await expect(sentence(page)).toHaveText('Look true north, 40° up: the lone bright star there is Polaris.');
  await expect(page.getByText('in Cassiopeia: 3 fists toward 7 o’clock')).toBeVisible();
  await tab(page, 'Finder dial').press('Enter');
  await expect(sentence(page)).toHaveText('Set the dial upright, then put Polaris at 8:02 on it.');
  await expect(page.getByText('Ring of 40′ (2020): put the star 2.7′ inside it.')).toBeVisible();
  await press(page, 'The star is there', 'enough for tonight');

  // It stands elsewhere: 40' out at 10 on the dial, typed in the dial's own numbers.
  await page.getByLabel('It stands at, on your dial').fill('10');
  await page.getByLabel('How far out').fill('40');
  await page.getByRole('button', { name: 'Mark it there' }).press('Enter');
  await expect(page.getByText('The axis points')).toContainText('38.2′ too high and 2.7′ too far left (west)');
  await page.reload();
  await expect(page.getByText('The axis points'), 'the mark survives a reload').toContainText('too high');
  await press(page, 'Record it and show the knobs', 'Error by eye recorded');
  await expect(sentence(page)).toContainText('Turn the altitude bolt');
  await expect(sentence(page)).toContainText('counter-clockwise');
  await expect(page.getByText('Altitude is finished upward')).toBeVisible();
  await expect(page.getByText('Aimed 1.3′ low')).toBeVisible();
  await press(page, 'Turned as shown', 'Turns recorded');
  await expect(sentence(page)).toHaveText('Turned. Measure once more.');
  await page.reload();
  await expect(sentence(page)).toHaveText('Turned. Measure once more.');
  await typeError(page, '4', '2');
  await expect(sentence(page)).toContainText('tighten everything');
  await page.getByLabel('Measured after everything was tightened').check();
  await typeError(page, '5.3', '2');
  await expect(sentence(page)).toContainText('Done: the axis is 5.5′ from the pole, tightened.');
  await expect(page.getByText(/Tightening moves it 1\.\d′ up .* \(8 records\): aimed off for/)).toBeVisible();
  await page.getByLabel('Scale reading').fill('40.9');
  await press(page, 'Record this reading', 'Scale recorded');

  await page.goto(`${HERON}/logbook?now=2026-11-24T19:21:00Z`);
  for (const words of ['Knob turned', 'Lock shift', 'Latitude scale', 'star set at its mark by eye'])
    await expect(page.locator('.reading-list')).toContainText(words);
  expect(problems).toEqual([]);
});

test('by drift: two stars timed over reloads, turned, azimuth once more, the whole error on record', async ({
  page,
}) => {
  test.setTimeout(120_000);
  let clockMs = Date.parse('2026-11-24T19:21:00Z');
  await page.clock.install({ time: clockMs });
  /** Time passes, for every clock of the device. */
  const clockTo = async (time: string): Promise<void> => {
    const toMs = Date.parse(`2026-11-24T${time}Z`);
    await page.clock.fastForward(toMs - clockMs);
    clockMs = toMs;
  };
  /** Marks the star that runs at a later moment of the night. */
  const mark = async (time: string, pixels: string, way: string): Promise<void> => {
    await clockTo(time);
    await page.getByLabel('Gone so far, pixels').fill(pixels);
    await page.getByLabel('Toward', { exact: true }).selectOption(way);
    await press(page, 'Mark it', 'Marked.');
  };
  await page.goto(`${HERON}/polar?tab=drift`);
  await expect(sentence(page)).toHaveText('For the azimuth, centre Gamma in Pisces: 53° up, bearing 175°.');
  await expect(page.getByText('the star moves to the south side')).toBeVisible();
  await press(page, 'It is centred: start the clock', 'the clock runs');
  await mark('19:22:00', '2', 'north');
  await expect(page.locator('.figure-list')).toContainText('too far left (west)');
  await mark('19:24:00', '6', 'north');
  await mark('19:26:00', '10', 'north');
  await expect(sentence(page)).toContainText('Good enough: the axis is');
  await expect(page.getByText('The air alone moves it')).toBeVisible();
  await press(page, 'Finish this star', 'drift recorded');
  await expect(sentence(page)).toContainText('turn the azimuth as drawn');
  await expect(page.getByText('Loosen the left azimuth knob as you turn')).toBeVisible();
  await press(page, 'Turned as shown', 'Turns recorded');
  await expect(sentence(page)).toContainText('For the azimuth again, centre');

  await clockTo('19:30:00');
  await press(page, 'It is centred: start the clock', 'the clock runs');
  await mark('19:33:00', '0.5', 'north');
  await mark('19:36:00', '1', 'north');
  await press(page, 'Finish this star', 'drift recorded');
  await expect(sentence(page)).toContainText('For the altitude, centre');
  await press(page, 'It is centred: start the clock', 'the clock runs');
  await page.reload();
  await expect(sentence(page), 'the clock runs on over a reload').toContainText('and mark how far it has gone');
  await clockTo('19:37:00');
  await press(page, 'Give it up', 'Given up');
  await expect(sentence(page)).toContainText('For the altitude, centre');
  await press(page, 'It is centred: start the clock', 'the clock runs');
  await mark('19:39:00', '0', 'north');
  await mark('19:42:00', '0.5', 'south');
  await press(page, 'Finish this star', 'drift recorded');
  await expect(run(page)).toContainText(/Polar alignment.*′/);
  await expect(sentence(page)).toContainText('For the azimuth again, centre');
  await press(page, 'It is centred: start the clock', 'the clock runs');
  await mark('19:46:00', '0', 'north');
  await mark('19:50:00', '0.5', 'north');
  await press(page, 'Finish this star', 'drift recorded');
  await expect(sentence(page)).toContainText('Within the goal');
  await tab(page, 'Error and knobs').press('Enter');
  await expect(sentence(page)).toContainText('tighten everything');
  await expect(page.locator('svg.instrument').nth(1)).toHaveAttribute('aria-label', /Tonight: .*, /);
});

test('the half-turn test: marks, screws, a second round, and the leftover off the reading', async ({ page }) => {
  const place = async (mark: string, out: string): Promise<void> => {
    await page.getByLabel('It stands at, on your dial').fill(mark);
    await page.getByLabel('How far out').fill(out);
    await page.getByRole('button', { name: 'Mark it there' }).press('Enter');
  };
  await open(page, `${HERON}/polar?tab=halfturn`);
  await expect(page.getByText('Turn declination until the bore through the axis is open')).toBeVisible();
  await place('3', '20');
  await expect(sentence(page)).toContainText('half a turn');
  // The plate hangs upside down now: what is 3 on it lies to the left.
  await place('3', '20');
  await page.reload();
  await expect(sentence(page), 'marks survive a reload').toHaveText(
    'The cross stands 20.0′ beside the axis. Record the test.',
  );
  await press(page, 'Record this test', 'Half-turn test recorded');
  await expect(sentence(page)).toContainText('turn the screws as drawn');
  await expect(page.getByText(/Tighten the screw at/).first()).toBeVisible();
  await expect(page.getByText(/Loosen the screw at/).first()).toBeVisible();
  await press(page, 'The screws are turned', 'Test again');
  await expect(page.getByRole('button', { name: 'The screws are turned' })).toHaveCount(0);
  await place('0', '10');
  await expect(sentence(page)).toContainText('half a turn');
  await place('6', '14');
  await press(page, 'Record this test', 'Half-turn test recorded');
  await expect(sentence(page)).toHaveText('The cross is true to 2.0′: leave the screws alone.');
  await tab(page, 'Finder dial').press('Enter');
  await expect(page.getByText('Your cross stands 2.0′ beside the axis')).toBeVisible();
  await expect(sentence(page)).not.toContainText('8:02');
});

test('any engraving: composed in Kit, drawn, read in its own numbers; bad screws are named and nothing is stored', async ({
  page,
}) => {
  await open(page, '/kit/parts/demo-heron-mount');
  const before = await storedText(page);
  await page.getByLabel('Screws around the plate, degrees').fill('90, north');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('number');
  expect(await storedText(page)).toBe(before);
  await page.getByLabel('Screws around the plate, degrees').fill('0, 90, 180, 270');
  await page.getByLabel('Numbers on the dial').selectOption({ label: 'Degrees' });
  await page.getByLabel('The numbers grow').selectOption({ label: 'counter-clockwise in the view' });
  await page.getByLabel('Smallest marks every').fill('10');
  await page.getByLabel('Numbers every').fill('30');
  await page.getByRole('button', { name: 'Add a ring' }).click();
  await page.getByLabel('Ring 2: radius').fill('36');
  await page.getByLabel('For the year').nth(1).fill('2030');
  await expect(page.getByRole('img', { name: 'The plate as composed' })).toContainText('330');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, `${HERON}/polar`);
  // 8:02 on a clock's face is 241 degrees clockwise: 119 where the numbers grow the other way.
  await expect(sentence(page)).toHaveText('Set the dial upright, then put Polaris at 119° on it.');
  await expect(page.getByText('Ring of 36′ (2030): put the star 1.3′ outside it.')).toBeVisible();
  await open(page, '/kit/parts/demo-heron-mount');
  await page.getByLabel('Numbers on the dial').selectOption({ label: 'Only a star pattern' });
  for (const star of ['Polaris', 'Delta Ursae Minoris']) await page.getByLabel(star, { exact: true }).check();
  await page.getByLabel('Year the star marks are for').fill('2000');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, `${HERON}/polar`);
  await expect(sentence(page)).toContainText('Turn the plate until its marks lie as drawn');
  await expect(page.getByText(/Polaris: \d\.\d′ nearer to the pole than its mark/)).toBeVisible();
});

test('south: sweep, the four stars and their neighbours, which way they go, a knob asked once', async ({ page }) => {
  await open(page, `${WAGTAIL}/polar?tab=find`);
  await expect(sentence(page)).toHaveText('Point the axis true south, 23° up, then sweep for the four stars.');
  await expect(page.getByText('Set the hemisphere switch to south')).toBeVisible();
  await expect(page.getByText('one leg toward the pole')).toBeVisible();
  await tab(page, 'Finder dial').click();
  await expect(sentence(page)).toHaveText('Set the dial upright, then put Sigma Octantis at 3:14 on it.');
  await expect(page.getByText(/Sigma Octantis to Chi Octantis: 1\.\d°/)).toBeVisible();
  await expect(page.getByText(/Beside Tau Octantis, toward/)).toBeVisible();
  await expect(page.getByText('Altitude bolt clockwise: the stars move up in this view.')).toBeVisible();

  await open(page, '/kit/parts/demo-wagtail-mount');
  await page.getByLabel(/Altitude bolt.*clockwise moves/).selectOption({ label: 'not known' });
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, `${WAGTAIL}/polar?tab=error`);
  await expect(page.getByText('Turn the altitude bolt clockwise a little, facing its head: which way')).toBeVisible();
  await typeError(page, '30', '30');
  await expect(sentence(page)).toContainText('altitude 30.0′, until it lowers the axis');
  await page.getByRole('button', { name: 'Down', exact: true }).click();
  await expect(sentence(page)).toContainText('the altitude bolt 91° clockwise');
  await page.reload();
  await expect(page.getByText('Turn the altitude bolt clockwise a little, facing its head: which way')).toBeHidden();
});

test.describe('on the phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true });

  test('the star is tapped where it stands, on the dial and in the half-turn test', async ({ page }) => {
    const problems = await open(page, `${HERON}/polar`);
    const dial = page.locator('svg.pole-dial');
    const box = (await dial.boundingBox())!;
    await dial.tap({ position: { x: box.width * 0.3, y: box.height * 0.4 } });
    await expect(page.getByText('The axis points')).toContainText('too');
    await page.getByRole('button', { name: 'Take the mark away' }).tap();
    await expect(page.getByText('Tap the dial where the star stands now')).toBeVisible();
    await tab(page, 'Half-turn test').tap();
    await expect(sentence(page)).toContainText('mark where it stands');
    const plate = page.locator('svg.pole-dial');
    await plate.tap({ position: { x: box.width * 0.6, y: box.height * 0.5 } });
    await expect(sentence(page)).toContainText('half a turn');
    await plate.tap({ position: { x: box.width * 0.4, y: box.height * 0.5 } });
    await expect(sentence(page)).toContainText('Record the test.');
    await page.getByRole('button', { name: 'Record this test' }).tap();
    await expect(page.getByText('Half-turn test recorded')).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    expect(problems).toEqual([]);
  });
});
