/** A log of a million rows: to numbers, and what turns in it; in the browser from the file chosen to its result. */
import { chromium } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { normal, seeded } from '../src/core/math/random.ts';
import { analyseTrack } from '../src/core/tracking/analyseTrack.ts';
import { openLog } from '../src/formats/logs/openLog.ts';
import { timed, type Figure } from './figure.ts';
import { longest, watchLongTasks } from './scale.ts';

function longLog(): string {
  const random = seeded(1);
  const rows = Array.from({ length: 1_000_000 }, (_, i) => {
    const timeS = i * 0.05;
    const [ra, dec] = [8 * Math.sin(timeS / 76) + 0.7 * normal(random), i * 1e-5 + 0.7 * normal(random)];
    return `${timeS.toFixed(2)},${ra.toFixed(3)},${dec.toFixed(3)}`;
  });
  return ['t,ra,dec', ...rows].join('\n');
}

/** What a compiled reader of tables needs for the same rows to the same numbers, ms; null where none is installed. */
function compiledReaderMs(text: string): number | null {
  const program = [
    'import csv, io, sys, time',
    'text = sys.stdin.read()',
    'began = time.perf_counter()',
    'rows = csv.reader(io.StringIO(text))',
    'next(rows)',
    'numbers = [(float(a), float(b), float(c)) for a, b, c in rows]',
    'print((time.perf_counter() - began) * 1000)',
  ].join('\n');
  const run = spawnSync('python3', ['-c', program], { input: text, encoding: 'utf8', maxBuffer: 2 ** 20 });
  return run.status === 0 ? Number(run.stdout) : null;
}

/** In Node, without a worker. */
export async function readLogFigures(): Promise<Figure[]> {
  const text = longLog();
  const bytes = new TextEncoder().encode(text);
  const piece = 256 * 1024;
  async function* pieces(): AsyncGenerator<Uint8Array> {
    for (let i = 0; i < bytes.length; i += piece) yield await Promise.resolve(bytes.subarray(i, i + piece));
  }
  const began = performance.now();
  const opened = await openLog(pieces(), { told: {}, mapping: null, between: () => Promise.resolve() });
  const readMs = performance.now() - began;
  const read = opened.ok && opened.value.read.ok ? opened.value.read.value : null;
  const analyseMs = timed(() => {
    if (read) analyseTrack(read.series, { ownTurnS: null });
  });
  const compiledMs = compiledReaderMs(text);
  if (compiledMs === null) console.log('no compiled reader of tables is installed here: not compared');
  return [
    ...(compiledMs === null
      ? []
      : [
          {
            name: 'log of a million rows: read, beside a compiled reader',
            value: readMs / compiledMs,
            unit: 'x',
            target: 3,
          },
        ]),
    { name: 'log of a million rows: read and analysed', value: readMs + analyseMs, unit: 'ms', target: 4500 },
    { name: 'log of a million rows: analysed', value: analyseMs, unit: 'ms', target: 1500 },
  ];
}

/** From the file chosen to what is recorded of it, and how long the page did not answer meanwhile. */
export async function drawnLogFigures(address: string): Promise<Figure[]> {
  const file = join(mkdtempSync(join(tmpdir(), 'owl-log-')), 'log.csv');
  writeFileSync(file, longLog());
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await watchLongTasks(page);
  await page.goto(`${address}/n/demo-tonight-heron/tracking?tab=log`);
  const door = page.locator('#log-file');
  await door.waitFor({ state: 'attached' });
  await longest(page);
  const start = performance.now();
  await door.setInputFiles(file);
  await page.getByRole('button', { name: 'Record this drive' }).waitFor({ timeout: 120_000 });
  const resultS = (performance.now() - start) / 1000;
  await page.locator('.awaited').waitFor({ state: 'detached' });
  const blockMs = await longest(page);
  await browser.close();
  rmSync(dirname(file), { recursive: true });
  return [
    { name: 'log of a million rows: from its file to its result', value: resultS, unit: 's', target: 5 },
    { name: 'longest block of the page meanwhile', value: blockMs, unit: 'ms', target: 50 },
  ];
}
