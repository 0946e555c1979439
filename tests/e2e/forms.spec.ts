import { expect, test, type Page } from '@playwright/test';
import { HERON, open, storedText, visitAny } from './support.ts';

type Attempt = { name: string; path: string; spoil: (page: Page) => Promise<void>; message: string | RegExp };

const save = (page: Page) => page.getByRole('button', { name: 'Save', exact: true }).click();
const inDialog = (page: Page) => page.getByRole('dialog');

const attempts: Attempt[] = [
  {
    name: 'a part with a negative mass',
    path: '/kit/parts/demo-heron-camera',
    spoil: async (page) => {
      await page.getByLabel('Mass', { exact: true }).fill('-1');
      await save(page);
    },
    message: 'Must be at least 0.00 kg.',
  },
  {
    name: 'a part without a name and with words for a number',
    path: '/kit/parts/demo-weight-35',
    spoil: async (page) => {
      await page.getByLabel('Name').fill('  ');
      await page.getByLabel('Thickness along the bar').fill('thick');
      await save(page);
    },
    message: 'Type a number.',
  },
  {
    name: 'a mount without a rating',
    path: '/kit/parts/demo-plover-mount',
    spoil: async (page) => {
      await page.getByLabel('Rated load').fill('');
      await save(page);
    },
    message: 'Type a number.',
  },
  {
    name: 'a bar that ends before it begins',
    path: '/kit/parts/demo-heron-mount',
    spoil: async (page) => {
      await page.getByLabel('Nearest place of a weight').fill('500');
      await save(page);
    },
    message: 'The farthest place must not lie before the nearest.',
  },
  {
    name: 'a supply without a battery',
    path: '/kit/rigs/demo-plover',
    spoil: async (page) => {
      await page.getByRole('button', { name: 'Add a device' }).click();
      await page.getByLabel('Device').selectOption({ label: 'Mount' });
      await save(page);
    },
    message: 'Choose or type something here.',
  },
  {
    name: 'a new rig without a mount',
    path: '/kit/rigs/new',
    spoil: async (page) => {
      await page.getByLabel('Name').fill('Wren');
      await save(page);
    },
    message: 'Choose or type something here.',
  },
  {
    name: 'a target beyond the pole',
    path: '/kit/targets/demo-m33',
    spoil: async (page) => {
      await page.getByLabel('Declination, J2000').fill('95 00 00');
      await save(page);
    },
    message: 'Must lie between -90 and 90.',
  },
  {
    name: 'a site with minutes over sixty',
    path: '/sites/demo-estrela',
    spoil: async (page) => {
      await page.getByLabel('Latitude').fill('40 75 N');
      await save(page);
    },
    message: 'Minutes and seconds must be below 60.',
  },
  {
    name: 'a site in an unknown zone with a broken horizon',
    path: '/sites/demo-estrela',
    spoil: async (page) => {
      await page.getByLabel('Time zone').fill('Here/There');
      await save(page);
    },
    message: /Not a zone this device knows/,
  },
  {
    name: 'a horizon line that is no pair of numbers',
    path: '/sites/demo-estrela',
    spoil: async (page) => {
      await page.getByLabel('Horizon line').fill('0 10\nnorth high');
      await save(page);
    },
    message: /Line 2/,
  },
  {
    name: 'a night without a date and with no sub length',
    path: `${HERON}/meridian`,
    spoil: async (page) => {
      await page.locator('#night-switch').click();
      await page.getByRole('button', { name: 'Settings of this night…' }).click();
      await inDialog(page).getByLabel('Evening of').fill('');
      await inDialog(page).getByLabel('Sub length').fill('0');
      await inDialog(page).getByRole('button', { name: 'Save' }).click();
    },
    message: 'Must be at least 0 s.',
  },
  {
    name: 'a plan with an impossible limit',
    path: `${HERON}/meridian?tab=plan`,
    spoil: async (page) => {
      await page.getByLabel('Limit past the meridian').fill('40');
      await page.getByRole('button', { name: 'Save the plan' }).click();
    },
    message: 'Must be at most 12.00 h.',
  },
  {
    name: 'a balance trial without a position',
    path: `${HERON}/balance`,
    spoil: async (page) => {
      await page.getByLabel('The tape reads').fill('');
      await page.getByRole('button', { name: 'Stays anywhere' }).click();
    },
    message: 'Type a number.',
  },
  {
    name: 'a weight where there is no bar',
    path: `${HERON}/balance`,
    spoil: async (page) => {
      await page.getByLabel('The tape reads').fill('900');
      await page.getByRole('button', { name: 'Tube side dropped' }).click();
    },
    message: 'Must be at most 430 mm.',
  },
  {
    name: 'a level steeper than any tripod',
    path: `${HERON}/level?tab=level`,
    spoil: async (page) => {
      await page.getByLabel('Tilt', { exact: true }).fill('60');
      await page.getByRole('button', { name: 'Record this tilt' }).click();
    },
    message: 'Must be at most 45.0°.',
  },
  {
    name: 'a polar error without sizes',
    path: `${HERON}/polar?tab=error`,
    spoil: async (page) => {
      await page.getByLabel('Azimuth is off by').fill('far');
      await page.getByRole('button', { name: 'Record this error' }).click();
    },
    message: 'Type a number.',
  },
];

test('bad input in every form is refused in words and changes nothing stored', async ({ page }) => {
  test.setTimeout(120_000);
  await open(page, '/');
  const before = await storedText(page);
  expect(before.length).toBeGreaterThan(10_000);
  for (const { name, path, spoil, message } of attempts) {
    await test.step(name, async () => {
      await visitAny(page, path);
      await spoil(page);
      await expect(page.getByRole('alert').filter({ hasText: message }).first(), name).toBeVisible();
      expect(await storedText(page), name).toBe(before);
    });
  }
});

test('coordinates are taken as decimals, sexagesimal and from the device', async ({ page, context }) => {
  await context.grantPermissions(['geolocation']);
  await context.setGeolocation({ latitude: -22.75, longitude: 17.2 });
  await open(page, '/sites/new');
  await page.getByRole('button', { name: 'Use this device’s place' }).click();
  await expect(page.getByLabel('Latitude')).toHaveValue('22° 45′ 00″ S');
  await expect(page.getByLabel('Longitude')).toHaveValue('17° 12′ 00″');
  await expect(page.getByText('Magnetic declination today')).toContainText('west');
  await page.getByLabel('Latitude').fill('40.33');
  await page.getByLabel('Longitude').fill('7 36 W');
  await page.getByLabel('Name').fill('Plateau');
  await page.getByLabel('Time zone').fill('Europe/Lisbon');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Plateau');
  await expect(page.getByLabel('Longitude')).toHaveValue('7° 36′ 00″ W');
});

test('the device refusing its place is said, and nothing is changed', async ({ page, context, baseURL }) => {
  // What is not granted is refused.
  await context.grantPermissions([], { origin: baseURL ?? '' });
  await open(page, '/sites/demo-auas');
  await page.getByRole('button', { name: 'Use this device’s place' }).click();
  await expect(page.getByText('The device did not tell its place. Nothing was changed.')).toBeVisible();
  await expect(page.getByLabel('Latitude')).toHaveValue('22° 45′ 00″ S');
});

/** A device that answers when the test says so. */
async function slowPlace(page: Page): Promise<(coords: object) => Promise<void>> {
  await page.addInitScript(() => {
    const here = globalThis as unknown as { answerPlace?: (coords: object) => void };
    navigator.geolocation.getCurrentPosition = (found) => {
      here.answerPlace = (coords) => found({ coords } as GeolocationPosition);
    };
  });
  return (coords) =>
    page.evaluate(
      (given) => (globalThis as unknown as { answerPlace: (c: object) => void }).answerPlace(given),
      coords,
    );
}

test('a place that comes after something was typed is offered, not taken', async ({ page }) => {
  const answer = await slowPlace(page);
  await open(page, '/sites/new');
  await page.getByRole('button', { name: 'Use this device’s place' }).click();
  await page.getByLabel('Latitude').fill('40.33');
  await answer({ latitude: -22.75, longitude: 17.2, altitude: null });
  await expect(page.getByText(/The device’s place came after you typed/)).toBeVisible();
  await expect(page.getByLabel('Latitude')).toHaveValue('40.33');
  await page.getByRole('button', { name: 'Take it all the same' }).click();
  await expect(page.getByLabel('Latitude')).toHaveValue('22° 45′ 00″ S');
  await page.getByRole('button', { name: 'Use this device’s place' }).click();
  await answer({ latitude: NaN, longitude: 17.2 });
  await expect(page.getByText('The device answered without a place.')).toBeVisible();
  await expect(page.getByLabel('Latitude')).toHaveValue('22° 45′ 00″ S');
});
