/** Setting down and balancing: bearing, shadow, level, latitude, the tip tests and their order. */
import { expect, test, type Page } from '@playwright/test';
import { HERON, open, readTape, sentence, WAGTAIL } from './support.ts';

const notice = (page: Page) => page.locator('.toast').last();
const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true });
const reason = (page: Page) => page.locator('.reason').first();

/** Presses a button by keyboard and waits until what it records is kept. */
async function answer(page: Page, name: string): Promise<void> {
  // An older notice must not pass for the new one.
  for (const close of await page.getByRole('button', { name: 'Close this notice' }).all()) await close.press('Enter');
  await expect(page.locator('.toast')).toHaveCount(0);
  const button = page.getByRole('button', { name, exact: true });
  // Pressed at once it would be the same press.
  await expect(button).not.toHaveAttribute('aria-disabled', 'true');
  await button.press('Enter');
  await expect(notice(page)).toContainText('recorded');
}

async function fill(page: Page, label: string, value: string): Promise<void> {
  await page.getByLabel(label, { exact: true }).fill(value);
}

test('a whole set-up by keyboard: every reading in the night’s record and on its card', async ({ page }) => {
  test.setTimeout(90_000);
  const problems = await open(page, `${HERON}/level`);
  await expect(sentence(page)).toHaveText('Set the feet on the marks of Sat 21 Nov; expect true north within 0.5°.');
  await fill(page, 'Compass reading', '1.4');
  await page.keyboard.press('Enter');
  await expect(sentence(page)).toContainText('Read once more from two or three metres away');
  await fill(page, 'Compass reading', '5.4');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Iron: near and far differ by 4.0°')).toBeVisible();
  await expect(sentence(page)).toHaveText('Turn the head 5.0° to the left (west).');
  await fill(page, 'Compass reading', '0.6');
  await page.keyboard.press('Enter');
  await expect(sentence(page)).toContainText('Leave it');
  await fill(page, 'The first foot lies at, true', '2');
  await answer(page, 'The feet are marked');

  await tab(page, 'Level').press('Enter');
  await page.getByLabel('What you read').selectOption({ label: 'Two readings, across each other' });
  await fill(page, 'Level laid north to south', '0.6');
  await fill(page, 'Level laid east to west', '0.8');
  await answer(page, 'Record this tilt');
  await expect(sentence(page)).toContainText('Draw out the south-east leg');
  await page.reload();
  await expect(sentence(page), 'kept over a reload').toContainText('Draw out the south-east leg');

  await tab(page, 'Latitude').press('Enter');
  await expect(sentence(page)).toHaveText('Set the latitude scale to 40.2°.');
  await expect(reason(page)).toContainText('the base leans 0.6° up toward the pole');
  await fill(page, 'The scale reads now', '38.8');
  await page.keyboard.press('Enter');
  await expect(sentence(page)).toContainText('Turn the altitude bolt 1 turn and');
  await expect(sentence(page)).toContainText('clockwise, to 40.2° on the scale.');
  await answer(page, 'The scale is set');
  await fill(page, 'Scale reading', '40.4');
  await answer(page, 'Record this reading');

  await page.goto(`${HERON}/balance?now=2026-11-24T19:21:00Z`);
  await readTape(page);
  await answer(page, 'Tube side dropped');
  await expect(reason(page)).toContainText('Tube side dropped. By your answers it balances between');
  await page.reload();
  await expect(reason(page), 'answers are kept over a reload').toContainText('Tube side dropped');
  await readTape(page);
  await answer(page, 'Stays anywhere');
  await expect(sentence(page)).toContainText('Balanced at');
  await tab(page, 'Declination').press('Enter');
  await expect(sentence(page)).toHaveText('Slide the tube 87 mm toward the front, to 357 mm. Hold the tube.');
  await readTape(page);
  await answer(page, 'Stays anywhere');
  await expect(sentence(page)).toContainText('Balanced at 357 mm');
  await tab(page, 'Sideways').press('Enter');
  await expect(sentence(page)).toContainText('Point the tube straight up');
  await readTape(page);
  await answer(page, 'Stays anywhere');
  await expect(sentence(page)).toContainText('It stays straight up');

  await tab(page, 'Order').press('Enter');
  await expect(sentence(page)).toContainText('Next: Final dress');
  await page.getByRole('checkbox', { name: /Final dress/ }).press(' ');
  await expect(sentence(page)).toContainText('Next: Swing both axes');
  await page.getByRole('checkbox', { name: /Swing both axes/ }).press(' ');
  await expect(sentence(page)).toContainText('Next: Right ascension once more');
  await page.getByRole('link', { name: /Right ascension once more/ }).press('Enter');
  await readTape(page);
  await answer(page, 'Stays anywhere');
  await tab(page, 'Order').press('Enter');
  await page.getByRole('checkbox', { name: /Bring it home/ }).press(' ');
  await expect(sentence(page)).toHaveText('All done: power may come on.');

  await page.goto(`${HERON}/logbook?now=2026-11-24T19:21:00Z`);
  const kinds = ['Compass', 'Feet', 'Level', 'Latitude scale', 'declination at', 'sideways at'];
  for (const words of kinds) await expect(page.locator('.reading-list')).toContainText(words);
  await page.goto(`${HERON}/card?now=2026-11-24T19:21:00Z`);
  const measured = page.locator('.card-part', { hasText: 'Measured tonight' });
  for (const words of [
    'Compass',
    'Feet',
    'Level',
    'Latitude scale',
    'right ascension at',
    'declination at',
    'sideways',
  ])
    await expect(measured).toContainText(words);
  expect(problems).toEqual([]);
});

test('answers that contradict the masses find another place, and teach the doubtful piece', async ({ page }) => {
  await open(page, '/kit/parts/demo-heron-tube');
  await page.getByLabel('The mass is').selectOption({ label: 'as stated by the maker' });
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, `${HERON}/balance`);
  for (const place of ['300', '330']) {
    await fill(page, 'The tape reads', place);
    await answer(page, 'Tube side dropped');
  }
  await fill(page, 'The tape reads', '360');
  await answer(page, 'Weight side dropped');
  for (let i = 0; i < 2; i += 1) {
    await fill(page, 'The tape reads', '345');
    await answer(page, 'Stays anywhere');
  }
  await expect(sentence(page)).toContainText('Balanced at 345 mm');
  await expect(
    page.getByText(/If only the 80 mm f\/6 triplet is off, it weighs 4\.\d\d kg instead of 3\.40 kg/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take the mass' }).click();
  await expect(notice(page)).toContainText('taken over from the balance');
  await expect(sentence(page), 'a better mass does not undo the answers').toContainText('Balanced at 345 mm');
  await expect(page.getByText('What this balance teaches')).toBeHidden();
});

test('the tape measures from the edge that the user chose, in inches too, and remembers it', async ({ page }) => {
  await open(page, `${HERON}/balance`);
  await page.getByLabel('Your tape measures from').selectOption({ label: 'Head to the weight’s near edge' });
  await expect(sentence(page)).toHaveText('Slide the weight 27 mm outward, to 179 mm. Hold the tube.');
  await expect(page.getByLabel('The tape reads')).toHaveAttribute('placeholder', '179');
  await page.reload();
  await expect(sentence(page)).toContainText('to 179 mm');
  await page.getByLabel('Your tape measures from').selectOption({ label: 'End stop to the weight’s far edge' });
  await expect(sentence(page)).toContainText('27 mm outward, to 129 mm');
  await readTape(page);
  await answer(page, 'Stays anywhere');
  await expect(sentence(page)).toContainText('Balanced at 129 mm');
  await open(page, '/help');
  await page.getByLabel('Units').selectOption('imperial');
  await expect(page.getByLabel('Units')).toHaveValue('imperial');
  await open(page, `${HERON}/balance`);
  await expect(sentence(page)).toContainText('Balanced at 5.08 in');
  await expect(page.getByLabel('The tape reads')).toHaveAttribute('placeholder', '5.08');
});

test('east a little heavy: the weight goes outward now and back by twice as much at the flip', async ({ page }) => {
  await open(page, `${HERON}/balance`);
  await page.getByLabel(/East a little heavy/).click();
  await expect(
    page.getByText('Tube west of the column: 307 mm. Tube east: 291 mm. At the flip that is 16 mm.'),
  ).toBeVisible();
  await fill(page, 'Weight from dead balance', '5');
  await page.getByRole('button', { name: 'Reckon again' }).click();
  await expect(page.getByText('At the flip that is 10 mm.')).toBeVisible();
  await readTape(page);
  await answer(page, 'Stays anywhere');
  await expect(sentence(page)).toHaveText('Slide the weight 5 mm outward, to 304 mm: east a little heavy.');
});

test('another piece: what comes off and what comes on, before it does', async ({ page }) => {
  await open(page, `${HERON}/balance?tab=pieces`);
  await page.getByLabel('The piece', { exact: true }).selectOption({ label: 'Guide camera' });
  await expect(sentence(page)).toContainText('Then move: weight 8 mm inward');
  await page.getByLabel('The piece', { exact: true }).selectOption({ label: 'A new piece comes on' });
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  await expect(page.getByText('Type a number.').first()).toBeVisible();
  await fill(page, 'Its mass', '0.35');
  await fill(page, 'Along the tube', '300');
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  await expect(sentence(page)).toContainText('weight 17 mm outward');
  await expect(sentence(page)).toContainText('toward the camera end');
  await fill(page, 'Its mass', '9');
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  await expect(sentence(page)).toHaveText('With it the weight runs off the bar: take another set first.');
});

test('a plumb line’s shadow by the minute, recorded while the sun is up', async ({ page }) => {
  await page.goto(`${HERON}/level?tab=shadow&now=2026-11-24T15:30:00Z`);
  await expect(sentence(page)).toContainText('At 15:30 a plumb line’s shadow points to');
  await expect(reason(page)).toContainText('never look at it');
  const degrees = /points to ([\d.]+)°/.exec((await sentence(page).textContent()) ?? '')?.[1] ?? '0';
  await fill(page, 'The axis lies, clockwise of the shadow', `-${Number(degrees) - 1}`);
  await answer(page, 'Record this bearing');
  await tab(page, 'Bearing').click();
  await expect(sentence(page)).toHaveText('Leave it: the axis points within 1.0° of the pole’s bearing.');
  await open(page, `${HERON}/level?tab=shadow`);
  await expect(sentence(page)).toContainText('The sun is down.');
  await expect(page.getByRole('button', { name: 'Record this bearing' })).toBeHidden();
});

test('south: the ring for true south, the leg under the overhang, the tracker’s own order', async ({ page }) => {
  await open(page, `${WAGTAIL}/level`);
  await expect(sentence(page)).toHaveText('Set the compass ring to 192.9°. Lay the south leg along it: true south.');
  await expect(page.getByText('a leg belongs under it')).toBeVisible();
  await tab(page, 'Latitude').click();
  await expect(sentence(page)).toHaveText('Set the latitude scale to 22.8°.');
  await open(page, `${WAGTAIL}/balance?tab=order`);
  await expect(sentence(page)).toContainText('Next: Point the axis at the pole through the finder');
  await page
    .getByRole('link', { name: /Point the axis at the pole/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Polar alignment');
});

test('which way the head wants its tripod: asked once, drawn and said, and taken back', async ({ page }) => {
  await open(page, `${HERON}/level`);
  await page.getByRole('button', { name: 'The gap between two legs' }).press('Enter');
  await expect(page.getByText('Kept with the mount')).toBeVisible();
  await expect(page.getByText('Which way does this head want its tripod?')).toHaveCount(0);
  await expect(page.getByText('your mount wants its lug between them')).toBeVisible();
  await page.reload();
  await expect(page.getByText('your mount wants its lug between them')).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last change' }).press('Enter');
  await expect(page.getByText('Which way does this head want its tripod?')).toBeVisible();
  await expect(page.getByText('your mount wants its lug between them')).toHaveCount(0);
});

test('a strain-wave drive is checked instead of tipped', async ({ page }) => {
  await open(page, '/kit/parts/demo-heron-mount');
  await page.getByLabel('Drive', { exact: true }).selectOption({ label: 'Strain wave' });
  await page.getByLabel('When the power fails, the axes').selectOption({ label: 'not known' });
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, `${HERON}/balance`);
  await expect(sentence(page)).toContainText('the drive holds');
  await expect(page.locator('.figure-list').last()).toContainText('Tips, tube west');
  await page.getByRole('button', { name: 'They let go' }).click();
  await expect(page.getByText('hold the tube before you pull the plug')).toBeVisible();
});

test.describe('on the phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true });

  /** What the device would report lying on the base. */
  const lies = (page: Page, beta: number, gamma: number) =>
    page.evaluate(
      ([b, g]) => {
        for (let i = 0; i < 80; i += 1)
          dispatchEvent(new DeviceOrientationEvent('deviceorientation', { beta: b!, gamma: g! }));
      },
      [beta, gamma],
    );

  test('level by the phone, turned round; latitude and balance by touch', async ({ page }) => {
    const problems = await open(page, `${HERON}/level?tab=level`);
    await page.getByLabel('What you read').selectOption({ label: 'This phone, coarse' });
    await page.getByRole('button', { name: 'Use this phone' }).tap();
    await expect(page.getByText('No tilt arrives from this device.')).toBeVisible();
    // The phone itself is off by 2 and -1 degrees; the base is 1 degree up toward the pole.
    await lies(page, 3, -1);
    await expect(page.getByText('its top edge toward the north')).toBeVisible();
    await page.getByRole('button', { name: 'Keep this reading' }).tap();
    await lies(page, 1, -1);
    await expect(page.locator('.figure-list')).toContainText('1.0°');
    await page.getByRole('button', { name: 'Record this tilt' }).tap();
    await expect(notice(page)).toContainText('Tilt recorded: 1.0°, by the phone.');
    await expect(sentence(page)).toHaveText('Draw out the south-east leg 16 mm and the south-west leg 16 mm.');
    await page.getByRole('button', { name: 'Close this notice' }).tap();
    await tab(page, 'Latitude').tap();
    await expect(sentence(page)).toHaveText('Set the latitude scale to 39.9°.');
    await page.getByRole('button', { name: 'The scale is set' }).tap();
    await expect(sentence(page)).toContainText('Latitude is set at 39.9°');
    await page.getByRole('button', { name: 'Close this notice' }).tap();
    await page
      .getByRole('navigation', { name: 'The run' })
      .getByRole('link', { name: /Balance/ })
      .tap();
    const weight = await page.getByRole('button', { name: 'Weight side dropped' }).boundingBox();
    expect((weight?.y ?? 0) + (weight?.height ?? 0), 'the answers stand above the sheet').toBeLessThan(735);
    await readTape(page);
    await page.getByRole('button', { name: 'Weight side dropped' }).tap();
    await expect(sentence(page)).toContainText('inward');
    await page.reload();
    await expect(reason(page)).toContainText('Weight side dropped');
    expect(problems).toEqual([]);
  });
});
