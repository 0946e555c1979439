/** npm run bench [-- core | page | scale | folder]: every figure with its target, within or over. Measured on the built app and on the core. */
import { chromium, type Page, type Response } from '@playwright/test';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { nightAt } from '../src/core/night/nightAt.ts';
import { nightStatic, type NightStatic } from '../src/core/night/nightStatic.ts';
import type { NightRecords } from '../src/core/history/nightRecords.ts';
import { PLAIN_PLAN } from '../src/core/night/plan/plainPlan.ts';
import { fitStack } from '../src/core/optics/stack/fitStack.ts';
import { endsOf, type BoxPiece } from '../src/core/optics/stack/joints.ts';
import { clearanceMap } from '../src/core/mount/clearanceMap.ts';
import { shiftDate } from '../src/core/time/civil.ts';
import { createApp } from '../server/app.ts';
import { nightRecords, NOW } from '../tests/support/records.ts';
import { median, print, timed, type Figure } from './figure.ts';
import { drag, scrub } from './frames.ts';
import { folderFigures } from './folder.ts';
import { drawnLogFigures, readLogFigures } from './log.ts';
import { scaleFigures } from './scale.ts';

/** The same night with five targets in sequence, each with its limits and subs. */
function withFive(records: NightRecords): NightRecords {
  const ids = ['demo-ngc281', 'demo-ic1396', 'demo-m33', 'demo-ngc1499', 'demo-ngc253'];
  const plan = ids.map((targetId) => ({ ...PLAIN_PLAN, targetId, subS: 120, count: 40, refocusEveryMin: 60 }));
  return { ...records, night: { ...records.night, plan } };
}

const joint = (thread: string, gender: 'male' | 'female') => ({ thread, gender });

/** Sixty different pieces: as somebody may own them, and of two threads that turn into each other at every piece. */
function fitTimes(): { usual: number; worst: number } {
  const threads = ['42', '48', '54'];
  const piece = (i: number, from: string, to: string, lengthMm: number): BoxPiece => ({
    id: `p${i}`,
    lengthMm,
    count: 1,
    front: joint(from, 'female'),
    rear: joint(to, 'male'),
  });
  const usual = Array.from({ length: 60 }, (_, i) => {
    const from = threads[(i * 7) % 3] ?? '42';
    const to = i % 3 === 0 ? (threads[(i + Math.floor(i / 7)) % 3] ?? '42') : from;
    return piece(i, i % 6 === 0 ? '48' : from, to, 1 + ((i * 37) % 240) / 10);
  });
  const worst = Array.from({ length: 60 }, (_, i) =>
    i % 2 === 0 ? piece(i, '42', '48', 1.03 + i * 0.37) : piece(i, '48', '42', 1.03 + i * 0.37),
  );
  const run = (box: BoxPiece[], neededMm: number): number =>
    timed(() => {
      const ends = endsOf(joint('48', 'male'), joint('42', 'female'));
      fitStack({ neededMm, ends, box, shims: [], mostShimsMm: 1, mostPieces: 12, mostSteps: 8_000_000 });
    });
  run(usual, 38.1667);
  return { usual: run(usual, 38.1667), worst: run(worst, 200.123) };
}

/** The core alone, warmed up: 40 different nights, 2000 moments. */
function coreFigures(): Figure[] {
  const nights = Array.from({ length: 60 }, (_, i) => nightRecords({ date: shiftDate('2026-11-01', i) }));
  const times = nights.map((records) => timed(() => void nightStatic(records))).slice(20);
  const fives = nights.map(withFive);
  const timesOfFive = fives.map((records) => timed(() => void nightStatic(records))).slice(20);
  const night = nightStatic(nightRecords());
  const moments = Array.from({ length: 2500 }, (_, i) => timed(() => void nightAt(night, NOW + i * 7919))).slice(500);
  const fit = fitTimes();
  return [
    { name: 'stack from a box of 60 pieces', value: fit.usual, unit: 'ms', target: 500 },
    { name: 'best found of the worst box of 60', value: fit.worst, unit: 'ms', target: 2000 },
    { name: 'nightStatic, median of 40 nights', value: median(times), unit: 'ms', target: 30 },
    { name: 'nightStatic with five targets, median of 40 nights', value: median(timesOfFive), unit: 'ms', target: 30 },
    { name: 'nightAt, median of 2000 moments', value: median(moments), unit: 'ms', target: 1 },
    { name: 'map of the clearance, 181 x 121, median of 8', value: median(mapTimes(night)), unit: 'ms', target: 60 },
  ];
}

/** As its worker reckons it. */
function mapTimes({ limit, records }: NightStatic): number[] {
  const { tube } = limit;
  if (!tube) throw new Error('the demo’s first rig has a clearance');
  const { latDeg } = records.site;
  return Array.from({ length: 12 }, (_, i) =>
    timed(() => void clearanceMap(tube.geometry, latDeg, i % 2 === 0 ? 'beforeFlip' : 'afterFlip')),
  ).slice(4);
}

/** When the first bench's sentence came into the page. */
async function noteFirstBench(page: Page): Promise<void> {
  await page.addInitScript(() => {
    new MutationObserver((_, observer) => {
      if (!document.querySelector('.sentence')) return;
      performance.mark('first-bench');
      observer.disconnect();
    }).observe(document, { childList: true, subtree: true });
  });
}

/** Addresses of everything that was asked for before that. */
const requestedUntilFirstBench = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const at = performance.getEntriesByName('first-bench')[0]?.startTime ?? Infinity;
    return performance.getEntriesByType('resource').flatMap((e) => (e.startTime < at ? [e.name] : []));
  });

async function pageFigures(address: string): Promise<Figure[]> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await noteFirstBench(page);
  const sizes = new Map<string, Promise<{ type: string; kb: number }>>();
  const measure = (response: Response): void => {
    const type = response.request().resourceType();
    const kb = response.body().then((body) => ({ type, kb: gzipSync(body).length / 1024 }));
    // What has no body is nothing that was loaded.
    sizes.set(
      response.url(),
      kb.catch(() => ({ type, kb: 0 })),
    );
  };
  page.on('response', measure);
  const start = performance.now();
  await page.goto(`${address}/?now=2026-11-24T19:21:00Z`);
  await page.locator('.sentence').waitFor();
  const firstMs = performance.now() - start;
  page.off('response', measure);
  const until = await requestedUntilFirstBench(page);
  const found = (await Promise.all([...sizes].filter(([url]) => until.includes(url)).map(([, size]) => size))).flat();
  const sizeKb = (type: string): number => found.reduce((total, size) => total + (size.type === type ? size.kb : 0), 0);
  const [scriptKb, styleKb] = [sizeKb('script'), sizeKb('stylesheet')];
  const again = performance.now();
  await page.reload();
  await page.locator('.sentence').waitFor();
  const againMs = performance.now() - again;
  await page.goto(`${address}/n/demo-tonight-heron/polar`);
  await page.locator('.pole-dial').waitFor();
  const durations = await scrub(page);
  await page.goto(`${address}/n/demo-tonight-heron/meridian`);
  await page.locator('.rig-views').waitFor();
  const views = await scrub(page);
  await page.goto(`${address}/n/demo-tonight-heron/payload`);
  const dragged = await drag(page, 'Move Weight 3.5 kg');
  await browser.close();
  const shortPercent = (all: readonly number[]): number => (100 * all.filter((ms) => ms < 16).length) / all.length;
  return [
    { name: 'script until the first bench, gzip', value: scriptKb, unit: 'KB', target: 290 },
    { name: 'style until the first bench, gzip', value: styleKb, unit: 'KB', target: 45 },
    { name: 'first bench, empty browser, demo loaded', value: firstMs, unit: 'ms', target: 3000 },
    { name: 'first bench, second visit', value: againMs, unit: 'ms', target: 1500 },
    {
      name: 'frames under 16 ms in 600 scrub steps',
      value: shortPercent(durations),
      unit: '%',
      target: 95,
      atLeast: true,
    },
    {
      name: 'frames under 16 ms in 600 scrub steps with both views of the mount',
      value: shortPercent(views),
      unit: '%',
      target: 95,
      atLeast: true,
    },
    { name: 'long frames in 600 scrub steps', value: durations.filter((ms) => ms >= 16).length, unit: '', target: 30 },
    { name: 'scrub step, median', value: median(durations), unit: 'ms', target: 16 },
    {
      name: 'frames under 16 ms in 400 steps of a dragged part',
      value: shortPercent(dragged),
      unit: '%',
      target: 95,
      atLeast: true,
    },
    { name: 'step of a dragged part, median', value: median(dragged), unit: 'ms', target: 16 },
  ];
}

const server: Server = createApp({ dist: join(import.meta.dirname, '..', 'dist'), demo: true }).listen(0, '127.0.0.1');
await new Promise((resolve) => server.once('listening', resolve));
const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
const asked = process.argv[2];
const groups: Record<string, () => Promise<Figure[]> | Figure[]> = {
  core: async () => [...coreFigures(), ...(await readLogFigures())],
  page: async () => [...(await pageFigures(address)), ...(await drawnLogFigures(address))],
  scale: () => scaleFigures(address),
  folder: folderFigures,
};
for (const [name, figures] of Object.entries(groups))
  if (asked === undefined || asked === name) for (const figure of await figures()) print(figure);
server.close();
