import { expect, test, type Page } from '@playwright/test';
import { createApp } from '../../server/app.ts';
import { dist, listen, plainHost, stop } from './hosts.ts';
import { NOW, readTape, sentence } from './support.ts';

test.use({ serviceWorkers: 'allow' });

/** Waits until the whole build is kept on the device. */
async function kept(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const registration = await navigator.serviceWorker.ready;
    return registration.active?.state;
  });
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const names = await caches.keys();
        const counts = await Promise.all(names.map(async (n) => (await (await caches.open(n)).keys()).length));
        return counts.reduce((a, b) => a + b, 0);
      }),
    )
    .toBeGreaterThan(20);
}

test('with the server stopped the app reloads, also at a deep address, and still records', async ({ page }) => {
  const { server, address } = await listen(createApp({ dist, demo: true }));
  await page.goto(`${address}/n/demo-tonight-heron/balance?now=${NOW}`);
  await expect(sentence(page)).toContainText('Slide the weight 27 mm outward');
  await kept(page);
  await page.reload();
  await stop(server);
  await page.reload();
  await expect(sentence(page)).toContainText('Slide the weight 27 mm outward');
  await readTape(page);
  await page.getByRole('button', { name: 'Stays anywhere' }).click();
  await expect(sentence(page)).toContainText('Balanced at 299 mm');
  for (const step of ['light-path', 'tracking', 'logbook', 'card']) {
    await page.goto(`${address}/n/demo-tonight-heron/${step}`);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  }
  await page.goto(`${address}/n/demo-tonight-wagtail/polar`);
  await expect(page.getByText(/Beside Tau Octantis/), 'the fainter stars are on the device').toBeVisible();
  await page.goto(`${address}/n/demo-tonight-heron/balance`);
  await expect(sentence(page)).toContainText('Balanced at 299 mm');
});

test('a browser that lost what was kept of the build asks the network, keeps it again, and is offline once more', async ({
  page,
}) => {
  const { server, address } = await listen(createApp({ dist, demo: true }));
  await page.goto(`${address}/data?now=${NOW}`);
  await kept(page);
  const names = () => page.evaluate(async () => (await (await caches.open((await caches.keys())[0]!)).keys()).length);
  const whole = await names();
  await page.reload();
  await page.evaluate(async () => {
    const cache = await caches.open((await caches.keys())[0]!);
    for (const request of await cache.keys()) await cache.delete(request);
  });
  await page.goto(`${address}/n/demo-tonight-heron/balance?now=${NOW}`);
  await expect(sentence(page)).toContainText('Slide the weight 27 mm outward');
  await expect.poll(names, { timeout: 20_000 }).toBe(whole);
  await stop(server);
  await page.reload();
  await expect(sentence(page)).toContainText('Slide the weight 27 mm outward');
});

test('on a plain host under a sub-path: first visit, deep address, and without the network', async ({ page }) => {
  const { server, address } = await listen(plainHost());
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  await page.goto(`${address}/fields/owl/`);
  await expect(page.getByRole('heading', { name: 'Your own night' })).toBeVisible();
  await page.goto(`${address}/fields/owl/help`);
  await expect(page.getByRole('heading', { name: 'Help' })).toBeVisible();
  expect(new URL(page.url()).pathname).toBe('/fields/owl/help');
  await kept(page);
  await page.reload();
  await stop(server);
  await page.goto(`${address}/fields/owl/sites/new`);
  await expect(page.getByRole('heading', { name: 'New site' })).toBeVisible();
  await page.getByRole('link', { name: 'Kit' }).click();
  expect(new URL(page.url()).pathname).toBe('/fields/owl/kit');
  expect(problems).toEqual([]);
});

test('the app can be installed: manifest, icons and scope', async ({ page, request }) => {
  await page.goto('/help');
  const href = await page.locator('link[rel="manifest"]').getAttribute('href');
  const response = await request.get(`/${(href ?? '').replace('./', '')}`);
  const manifest = (await response.json()) as {
    start_url: string;
    display: string;
    icons: { src: string; sizes: string }[];
  };
  expect([manifest.start_url, manifest.display]).toEqual(['./', 'standalone']);
  for (const icon of manifest.icons)
    expect((await request.get(`/${icon.src}`)).headers()['content-type']).toBe('image/png');
  expect(manifest.icons.map((i) => i.sizes)).toContain('512x512');
});
