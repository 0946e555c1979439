import { expect, test } from '@playwright/test';
import { pagesOf } from './pdf.ts';
import { HERON, open, WAGTAIL } from './support.ts';

test('the night card prints on one page, black on white, with all that the night needs', async ({ page }) => {
  await open(page, `${HERON}/card`, 'red');
  const pages = await pagesOf(await page.pdf({ format: 'A4', printBackground: true }));
  expect(pages).toHaveLength(1);
  for (const words of [
    'Tue 24 Nov 2026, Heron',
    'Serra da Estrela',
    'NGC 281',
    'Sunset 17:07',
    'Flip 21:09',
    'Dawn 05:51',
    'Polaris on the dial',
    '18:00 8:42',
    '06:30 2:26',
    'Weight 3.5 kg 299 mm',
    'Tube in its rings 357 mm',
    'Compass along the axis 0.4°',
    'Latitude scale 40.9°',
    'Flange to sensor 55.5 mm',
    'NGC 281 262 × 2 min, 8 h 44',
    '18:43 68 × 2 min, pause 5 s',
    'Longest sub',
    'The end stop stays on.',
  ])
    expect(pages[0]).toContain(words);
  expect(pages[0]).not.toContain('Log a reading');
  await page.emulateMedia({ media: 'print' });
  const colours = await page.evaluate(() => ({
    ink: getComputedStyle(document.querySelector('.night-card h1') ?? document.body).color,
    paper: getComputedStyle(document.body).backgroundColor,
    header: getComputedStyle(document.querySelector('.header') ?? document.body).display,
  }));
  expect(colours).toEqual({ ink: 'rgb(0, 0, 0)', paper: 'rgb(255, 255, 255)', header: 'none' });
});

test('a southern tracker’s card reads its own dial and faces south', async ({ page }) => {
  await open(page, `${WAGTAIL}/balance`);
  await page.locator('body').press('c');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tue 24 Nov 2026, Wagtail');
  const pages = await pagesOf(await page.pdf({ format: 'A4' }));
  expect(pages).toHaveLength(1);
  for (const words of ['Sigma Octantis on the dial', 'True bearing south, 180°', 'Compass along the axis 192.9°'])
    expect(pages[0]).toContain(words);
});

test('the calendar file holds dusk, start, flip and dawn with alarms', async ({ page }) => {
  await open(page, `${HERON}/card`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save for the calendar' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('night-2026-11-24.ics');
  const text = Buffer.concat((await (await download.createReadStream()).toArray()) as Buffer[]).toString('utf8');
  for (const words of [
    'SUMMARY:Dark: NGC 281',
    'SUMMARY:First sub: NGC 281',
    'SUMMARY:Flip: NGC 281',
    'SUMMARY:Last sub ends: NGC 281',
    'SUMMARY:Dawn: NGC 281',
  ])
    expect(text).toContain(words);
  expect(text).toContain('UID:flip-0-demo-tonight-heron@tidy-owl');
  expect(text).toMatch(/DTSTART:20261124T2109\d\dZ/);
  expect(text.match(/BEGIN:VALARM/g)).toHaveLength(7);
});
