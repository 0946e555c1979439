import { expect, test, type Page } from '@playwright/test';
import { expectOnlyRed, HERON, notRedPixels, open, readTape, visit, visitAny, WAGTAIL } from './support.ts';
import { HALVES } from './views.ts';

/** Views that something was done to. */
type View = { name: string; path: string; prepare?: (page: Page) => Promise<void> };

const views: View[] = [
  {
    name: 'balance with focus in a field and a notice',
    path: `${HERON}/balance`,
    prepare: async (page) => {
      await readTape(page);
      await page.getByRole('button', { name: 'Tube side dropped' }).click();
      await page.getByText('recorded.').waitFor();
      await page.getByLabel('The tape reads').focus();
      await page.getByLabel('The tape reads').selectText();
    },
  },
  { name: 'marks of a half turn', path: `${HERON}/polar?tab=halfturn&before=30,20&after=-20,30` },
  {
    name: 'a star timed',
    path: `${HERON}/polar?tab=drift`,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'It is centred: start the clock' }).click();
      await page.getByText('Where is it now?').waitFor();
    },
  },
  {
    name: 'two dials',
    path: `${HERON}/polar?tab=error`,
    prepare: async (page) => {
      await page.getByLabel('Altitude is off by').fill('5');
      await page.getByLabel('Azimuth is off by').fill('0.4');
      await page.getByRole('button', { name: 'Record this error' }).click();
      await page.getByText('tighten everything').waitFor();
    },
  },
  {
    name: 'a piece held on the rail',
    path: `${HERON}/payload`,
    prepare: (page) => page.getByRole('slider', { name: 'Move Weight 3.5 kg' }).focus(),
  },
  {
    name: 'a tube on its saddle, with the answers so far',
    path: `${HERON}/balance?tab=dec`,
    prepare: async (page) => {
      await readTape(page);
      await page.getByRole('button', { name: 'Front dropped' }).click();
      await page.getByText('recorded.').waitFor();
    },
  },
  { name: 'the sun’s shadow', path: `${HERON}/level?tab=shadow&at=2026-11-24T16:35:00.000Z` },
  {
    name: 'legs to draw out',
    path: `${WAGTAIL}/level?tab=level`,
    prepare: async (page) => {
      await page.getByLabel('Tilt', { exact: true }).fill('2');
      await page.getByRole('button', { name: 'Record this tilt' }).click();
      await page.getByText('Draw out').waitFor();
    },
  },
  {
    name: 'usable subs with the slider focused',
    path: `${WAGTAIL}/tracking`,
    prepare: (page) => page.getByRole('slider', { name: /Sub length/ }).focus(),
  },
  {
    name: 'checks',
    path: `${WAGTAIL}/tracking?tab=checks`,
    prepare: async (page) => {
      await page.getByRole('checkbox').first().click();
      await page.getByText('Go through these').waitFor();
    },
  },
  {
    name: 'watch with the sheet for a reading',
    path: `${HERON}/watch`,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Log a reading' }).click();
      await page.getByRole('dialog').waitFor();
    },
  },
  {
    name: 'data with a refused file',
    path: '/data',
    prepare: async (page) => {
      const file = { name: 'other.json', mimeType: 'application/json', buffer: Buffer.from('{}') };
      await page.getByLabel('Backup file').setInputFiles(file);
      await page.getByText('not a Tidy Owl backup').waitFor();
    },
  },
  {
    name: 'night dialog',
    path: `${HERON}/meridian`,
    prepare: async (page) => {
      await page.locator('#night-switch').click();
      await page.getByRole('button', { name: 'New night…' }).click();
      await page.getByRole('dialog').getByLabel('Sub length').fill('x');
      await page.getByRole('dialog').getByRole('button', { name: 'Create' }).click();
      await page.getByText('Type a number.').waitFor();
    },
  },
  {
    name: 'open menu',
    path: `${HERON}/balance`,
    prepare: async (page) => {
      await page.locator('#night-switch').click();
      await page.getByText('New night…').waitFor();
    },
  },
  {
    name: 'keys',
    path: `${HERON}/balance`,
    prepare: async (page) => {
      await page.locator('body').press('?');
      await page.getByRole('dialog').waitFor();
    },
  },
  {
    name: 'part form with checks, selects and errors',
    path: '/kit/parts/demo-heron-mount',
    prepare: async (page) => {
      await page.getByLabel('Rated load').fill('-3');
      await page.getByRole('button', { name: 'Save' }).click();
      await page.getByText('Must be at least').waitFor();
    },
  },
];

test.describe('in Red every pixel has green = blue = 0', () => {
  for (const [n, plain] of HALVES.entries()) {
    test(`on every view, half ${n + 1}`, async ({ page }) => {
      test.setTimeout(180_000);
      await open(page, '/help', 'red');
      for (const [path, heading] of plain) {
        await visit(page, path, heading);
        await expectOnlyRed(page, path);
      }
    });
  }

  test('with focus, errors, menus and dialogs', async ({ page }) => {
    test.setTimeout(180_000);
    await open(page, '/help', 'red');
    for (const { name, path, prepare } of views) {
      await test.step(name, async () => {
        await visitAny(page, path);
        await prepare?.(page);
        await expectOnlyRed(page, name);
        await page.keyboard.press('Escape');
        await expect(page.getByRole('dialog')).toBeHidden();
      });
    }
  });

  test('first paint, before any script of the app has run', async ({ page }) => {
    await page.route(/\/assets\/.*\.js$/, (route) => route.abort());
    await page.addInitScript(() => localStorage.setItem('tidy-owl-light', 'red'));
    await page.goto(`${HERON}/balance`);
    await expect(page.getByText('Opening your nights…')).toBeVisible();
    await expectOnlyRed(page, 'first paint');
  });

  test('the page that says that everything failed', async ({ page }) => {
    await page.addInitScript(() => {
      IDBFactory.prototype.open = () => {
        throw new Error('This browser keeps its storage closed.');
      };
    });
    await open(page, `${HERON}/balance`, 'red');
    await expect(page.getByRole('heading', { name: 'This page could not be shown' })).toBeVisible();
    await expectOnlyRed(page, 'error page');
  });

  test('dimmed', async ({ page }) => {
    await open(page, `${HERON}/balance`, 'red');
    await page.getByRole('button', { name: 'Red' }).click();
    await expect(page.locator('html')).toHaveAttribute('data-dim', '1');
    expect((await notRedPixels(page)).bad).toBe(0);
  });
});

test('the check itself sees other colours', async ({ page }) => {
  await open(page, `${HERON}/balance`, 'day');
  expect((await notRedPixels(page)).bad).toBeGreaterThan(100_000);
});
