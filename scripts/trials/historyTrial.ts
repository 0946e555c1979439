/** The walk of a user with a long history, in the browser. */
import { chromium } from '@playwright/test';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../../server/app.ts';
import { historyFile } from './history.ts';
import { walkHistory } from './historyWalk.ts';
import type { Trial } from './trial.ts';

async function run(_seed: number, nights: number) {
  const folder = mkdtempSync(join(tmpdir(), 'owl-history-'));
  const file = join(folder, 'history.json');
  writeFileSync(file, historyFile(nights));
  const server: Server = createApp({ dist: join(import.meta.dirname, '..', '..', 'dist'), demo: true }).listen(
    0,
    '127.0.0.1',
  );
  await new Promise((resolve) => server.once('listening', resolve));
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const problems = await walkHistory({ page, base, nights, file });
    return { failure: problems.length === 0 ? null : problems.join('\n'), figure: `${nights} nights walked` };
  } finally {
    await browser.close();
    server.close();
    rmSync(folder, { recursive: true });
  }
}

export const historyTrial: Trial = {
  name: 'history',
  what: 'a user with thousands of nights walks through everything; nights put away teach as whole ones',
  cases: 5000,
  leastCases: 0,
  run,
};
