/** npm run screenshots: one current picture per main view, from demo data at a fixed evening. */
import { chromium, type Page } from '@playwright/test';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { createApp } from '../server/app.ts';

const root = join(import.meta.dirname, '..');
const NOW = '2026-11-24T19:21:00Z';
const [HERON, WAGTAIL] = ['/n/demo-tonight-heron', '/n/demo-tonight-wagtail'];

type Shot = { name: string; path: string; light?: string; phone?: boolean; prepare?: (page: Page) => Promise<void> };

/** The answers come after the drawing. */
const tipAsked = (page: Page): Promise<void> => page.getByRole('button', { name: 'Stays anywhere' }).waitFor();

async function recordError(page: Page): Promise<void> {
  await page.getByLabel('Altitude is off by').fill('22');
  await page.getByLabel('The axis is').selectOption('low');
  await page.getByLabel('Azimuth is off by').fill('17');
  await page.getByRole('button', { name: 'Record this error' }).click();
  await page.getByText('recorded:').waitFor();
  await page.locator('.toast').waitFor({ state: 'visible' });
  // The notice comes before the bench is drawn anew.
  await page.getByRole('button', { name: 'Turned as shown' }).waitFor();
}

async function recordHalfTurn(page: Page): Promise<void> {
  await page.getByLabel('It stands at, on your dial').fill('4');
  await page.getByLabel('How far out').fill('24');
  await page.getByRole('button', { name: 'Mark it there' }).click();
  await page.getByRole('button', { name: 'Record this test' }).click();
  await page.getByText('turn the screws').waitFor();
}

const SHOTS: readonly Shot[] = [
  { name: 'start-day', path: '/start?screen=carries', prepare: (page) => page.locator('.pick').first().click() },
  { name: 'tonight-phone-red', path: `${HERON}/tonight`, light: 'red', phone: true },
  { name: 'light-path-day', path: `${HERON}/light-path` },
  { name: 'payload-day', path: `${HERON}/payload` },
  { name: 'power-dusk', path: `${HERON}/payload?tab=power`, light: 'dusk' },
  { name: 'meridian-day', path: `${HERON}/meridian` },
  { name: 'bearing-dusk', path: `${WAGTAIL}/level`, light: 'dusk' },
  { name: 'balance-day', path: `${HERON}/balance`, prepare: tipAsked },
  { name: 'finder-dial-day', path: `${HERON}/polar` },
  { name: 'finder-dial-south-red', path: `${WAGTAIL}/polar`, light: 'red' },
  { name: 'two-dials-dusk', path: `${HERON}/polar?tab=error`, light: 'dusk', prepare: recordError },
  { name: 'half-turn-day', path: `${HERON}/polar?tab=halfturn&before=20,10`, prepare: recordHalfTurn },
  { name: 'tracking-day', path: `${WAGTAIL}/tracking` },
  { name: 'logbook-day', path: '/n/demo-night-3/logbook' },
  { name: 'card-day', path: `${HERON}/card` },
  { name: 'data-day', path: '/data' },
  { name: 'kit-day', path: '/kit/rigs/demo-heron' },
  { name: 'watch-phone-red', path: `${HERON}/watch`, light: 'red', phone: true },
  { name: 'drift-phone-day', path: `${HERON}/polar?tab=drift`, phone: true },
];

async function take(shot: Shot, address: string, browser: Awaited<ReturnType<typeof chromium.launch>>): Promise<void> {
  const phone = shot.phone === true;
  const viewport = phone ? { width: 390, height: 844 } : { width: 1280, height: 800 };
  const context = await browser.newContext({
    viewport,
    isMobile: phone,
    hasTouch: phone,
    timezoneId: 'UTC',
    locale: 'en-GB',
  });
  const page = await context.newPage();
  await page.addInitScript((light) => localStorage.setItem('tidy-owl-light', light), shot.light ?? 'day');
  await page.goto(`${address}${shot.path}${shot.path.includes('?') ? '&' : '?'}now=${NOW}`);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  await page.getByText('Opening…').waitFor({ state: 'hidden' });
  await page.evaluate(() => document.fonts.ready);
  await shot.prepare?.(page);
  await page.screenshot({ path: join(root, 'docs', 'screenshots', `${shot.name}.png`) });
  await context.close();
  console.log(`docs/screenshots/${shot.name}.png`);
}

const server: Server = createApp({ dist: join(root, 'dist'), demo: true }).listen(0, '127.0.0.1');
await new Promise((resolve) => server.once('listening', resolve));
const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
for (const shot of SHOTS) await take(shot, address, browser);
await browser.close();
server.close();
