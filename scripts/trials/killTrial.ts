/** The browser killed while the app writes: what it had confirmed must be there when it opens again, whole and once. */
import { chromium, type Browser, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../../server/app.ts';
import { writeBackup, type Backup } from '../../src/formats/backup.ts';
import { readBackup } from '../../src/formats/readBackup.ts';
import { seeded, within, type Random } from '../../src/core/math/random.ts';
import type { Trial } from './trial.ts';

const NOW = '2026-11-24T19:21:00Z';
const MERGED = 150;
/** Tilts of the trial are above it, those of the demo below. */
const OWN_TILT_DEG = 2;
const MOST_PRESSES = 4;
const MOST_STARTS = 4;
/** From the press on; a press is kept within about this. */
const LONGEST_WAIT_MS = 60;

type Running = { browser: Browser; page: Page; kill: () => Promise<void> };

const FLAGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--remote-debugging-port=0',
];

/** A browser of its own with its own process group, on a folder that outlives it. */
async function launch(folder: string): Promise<{ endpoint: string; kill: () => Promise<void> }> {
  const child: ChildProcess = spawn('/usr/bin/chromium', [...FLAGS, `--user-data-dir=${folder}`], {
    detached: true,
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  const gone = new Promise<void>((resolve) => child.on('exit', () => resolve()));
  const endpoint = await new Promise<string>((resolve, reject) => {
    let said = '';
    child.stderr?.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /DevTools listening on (\S+)/.exec(said)?.[1];
      if (found !== undefined) resolve(found);
    });
    child.on('exit', () => reject(new Error(`the browser did not start: ${said}`)));
  });
  const kill = async (): Promise<void> => {
    if (child.pid !== undefined && child.signalCode === null) process.kill(-child.pid, 'SIGKILL');
    await gone;
  };
  return { endpoint, kill };
}

/** After a kill a browser now and then starts without answering; it is started again. */
async function start(folder: string, address: string): Promise<Running> {
  for (let attempt = 1; ; attempt += 1) {
    const { endpoint, kill } = await launch(folder);
    try {
      const browser = await chromium.connectOverCDP(endpoint, { timeout: 15_000 });
      const [context] = browser.contexts();
      if (!context) throw new Error('the browser has no window');
      const page = await context.newPage();
      await page.goto(`${address}/data?now=${NOW}`);
      await page.getByRole('button', { name: 'Save everything' }).waitFor();
      return { browser, page, kill };
    } catch (error) {
      await kill();
      if (attempt === MOST_STARTS) throw error;
    }
  }
}

/** Everything stored, by the file that the app itself saves. @throws Error when that file is not in order. */
async function saved(page: Page, address: string): Promise<Backup> {
  await page.goto(`${address}/data?now=${NOW}`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save everything' }).click(),
  ]);
  const text = Buffer.concat((await (await download.createReadStream()).toArray()) as Buffer[]).toString('utf8');
  const read = readBackup(text);
  if (!read.ok) throw new Error(`the saved file is refused: ${read.code}`);
  return read.value;
}

/** What was confirmed, and what had been pressed when the browser died: that may be there or not. */
type Written = { tilts: number[]; note: number; merges: string[] };
type Ledger = { confirmed: Written; pressed: Written };
type Press = { press: () => Promise<void>; kept: () => Promise<void>; note: (written: Written) => void };
type Desk = { page: Page; address: string; folder: string; backup: Backup };

async function tilt({ page, address }: Desk, count: number): Promise<Press> {
  await page.goto(`${address}/n/demo-tonight-heron/level?tab=level&now=${NOW}`);
  const tiltDeg = OWN_TILT_DEG + count / 1000;
  await page.getByLabel('Tilt', { exact: true }).fill(String(tiltDeg));
  return {
    press: () => page.getByRole('button', { name: 'Record this tilt' }).click(),
    kept: () => page.locator('.toast').getByText('recorded').waitFor(),
    note: (written) => written.tilts.push(tiltDeg),
  };
}

async function cameraNote({ page, address }: Desk, count: number): Promise<Press> {
  await page.goto(`${address}/kit/parts/demo-heron-camera?now=${NOW}`);
  await page.getByLabel('Note').fill(`edit ${count}`);
  return {
    press: () => page.getByRole('button', { name: 'Save' }).click(),
    kept: () => page.getByText('Saved.').waitFor(),
    note: (written) => {
      written.note = count;
    },
  };
}

/** A file of another device with many readings more: all of them come in, or none. */
async function merge({ page, address, folder, backup }: Desk, count: number): Promise<Press> {
  const mark = `merge${count}`;
  const model = backup.lists.readings.find((r) => r.kind === 'level' && r.deviceId === 'demo');
  if (!model) throw new Error('the demo has no level');
  const more = Array.from({ length: MERGED }, (_, i) => ({ ...model, id: `${mark}-${i}`, deviceId: 'other' }));
  const file = join(folder, `${mark}.json`);
  const lists = { ...backup.lists, readings: [...backup.lists.readings, ...more] };
  writeFileSync(file, writeBackup({ ...backup, lists }).join(''));
  await page.goto(`${address}/data?now=${NOW}`);
  await page.getByLabel('Backup file').setInputFiles(file);
  const button = page.getByRole('button', { name: /Merge into what is here/ });
  await button.waitFor();
  return {
    press: () => button.click(),
    kept: () => page.getByText('Merged.').waitFor(),
    note: (written) => written.merges.push(mark),
  };
}

const noteOf = ({ lists }: Backup): number =>
  Number(/\d+/.exec(lists.parts.find((p) => p.id === 'demo-heron-camera')?.note ?? '')?.[0] ?? 0);

/** What is wrong with a store after a kill; empty = nothing. */
function problemsOf(backup: Backup, { confirmed, pressed }: Ledger): string[] {
  const { readings } = backup.lists;
  const own = readings.flatMap((r) =>
    r.kind === 'level' && r.values.tiltDeg > OWN_TILT_DEG ? [r.values.tiltDeg] : [],
  );
  const times = (value: number): number => own.filter((t) => t === value).length;
  const merged = (mark: string): number => readings.filter((r) => r.id.startsWith(`${mark}-`)).length;
  const note = noteOf(backup);
  return [
    ...confirmed.tilts.filter((t) => times(t) !== 1).map((t) => `tilt ${t}, confirmed, is there ${times(t)} times`),
    ...pressed.tilts.filter((t) => times(t) > 1).map((t) => `tilt ${t}, pressed once, is there ${times(t)} times`),
    ...own.filter((t) => ![...confirmed.tilts, ...pressed.tilts].includes(t)).map((t) => `nobody pressed tilt ${t}`),
    ...confirmed.merges
      .filter((m) => merged(m) !== MERGED)
      .map((m) => `${m}, confirmed, has ${merged(m)} of ${MERGED}`),
    ...pressed.merges.filter((m) => merged(m) % MERGED !== 0).map((m) => `${m} has ${merged(m)} of ${MERGED}`),
    ...(note < confirmed.note ? [`note ${note} after note ${confirmed.note} was confirmed`] : []),
  ];
}

const KINDS = [tilt, cameraNote, merge] as const;

/** Some writes that are confirmed, then one that the kill meets. */
async function writeAndDie(
  { browser, page, kill }: Running,
  desk: Desk,
  random: Random,
  ledger: Ledger,
  first: number,
) {
  const presses = 1 + Math.floor(within(random, 0, MOST_PRESSES));
  for (let i = 0; i <= presses; i += 1) {
    const kind = KINDS[Math.floor(within(random, 0, KINDS.length))] ?? tilt;
    const { press, kept, note } = await kind({ ...desk, page }, first + i);
    if (i < presses) {
      await press();
      await kept();
      note(ledger.confirmed);
      continue;
    }
    note(ledger.pressed);
    const dies = new Promise((resolve) => setTimeout(resolve, within(random, 0, LONGEST_WAIT_MS)));
    await press();
    await dies;
    await kill();
    await browser.close();
  }
}

const nothing = (): Written => ({ tilts: [], note: 0, merges: [] });

/** Of the writes that a kill met, those that were kept all the same: neither none nor all of them, or the kills come at a wrong time. */
const metAndKept = (backup: Backup, { pressed }: Ledger): number =>
  pressed.tilts.filter((t) => backup.lists.readings.some((r) => r.kind === 'level' && r.values.tiltDeg === t)).length +
  pressed.merges.filter((m) => backup.lists.readings.some((r) => r.id === `${m}-0`)).length;

type Outcome = { failure: string | null; kept: number; met: number };

async function kills(seed: number, count: number, address: string): Promise<Outcome> {
  const random = seeded(seed);
  const folder = mkdtempSync(join(tmpdir(), 'owl-kills-'));
  const ledger: Ledger = { confirmed: nothing(), pressed: nothing() };
  const met = (): number => ledger.pressed.tilts.length + ledger.pressed.merges.length;
  let running: Running | null = null;
  try {
    for (let k = 0; k <= count; k += 1) {
      running = await start(join(folder, 'profile'), address);
      const backup = await saved(running.page, address);
      const problems = problemsOf(backup, ledger);
      if (problems.length > 0 || k === count) {
        const failure = problems.length > 0 ? `after kill ${k}: ${problems.join('; ')}` : null;
        return { failure, kept: metAndKept(backup, ledger), met: met() };
      }
      const desk = { page: running.page, address, folder, backup };
      await writeAndDie(running, desk, random, ledger, 10 * (k + 1));
    }
    return { failure: 'no kill was tried', kept: 0, met: 0 };
  } finally {
    await running?.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}

export const killTrial: Trial = {
  name: 'kills',
  what: 'the browser killed while it writes loses nothing it had confirmed and keeps no half of a record or a merge',
  cases: 50,
  leastCases: 0,
  run: async (seed, cases) => {
    const app = createApp({ dist: join(import.meta.dirname, '..', '..', 'dist'), demo: true });
    const server = await new Promise<Server>((resolve) => {
      const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
    });
    try {
      const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
      const { failure, kept, met } = await kills(seed, cases, address);
      return { failure, figure: `${cases} kills; of ${met} new records that a kill met ${kept} were kept` };
    } finally {
      server.closeAllConnections();
      server.close();
    }
  },
};
