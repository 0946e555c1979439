import { chromium } from '@playwright/test';
import { existsSync, writeFileSync } from 'node:fs';
import { createApp } from '../server/app.ts';
import { writeBackup } from '../src/formats/backup.ts';
import { historyOf } from './history.ts';
import { opened } from './scale.ts';
if (!existsSync('/tmp/history.json')) {
  const h = historyOf(5000);
  const none: any[] = [];
  writeFileSync('/tmp/history.json', writeBackup({ exportedAtUtc: '2026-11-24T12:00:00.000Z', deviceId: 'bench', lineage: {}, lists: { parts: none, rigs: none, sites: none, targets: none, settings: none, blobs: none, nights: h.nights, snapshots: h.snapshots, readings: h.nightReadings.flatMap((r) => r.readings) } }).join(''));
}
const server = createApp({ dist: '/work/main/dist', demo: true }).listen(4556, '127.0.0.1'); await new Promise(r=>server.once('listening', r));
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await b.newPage();
await page.addInitScript('globalThis.__name = (named) => named');
await opened(page, 'http://127.0.0.1:4556');
await page.goto('http://127.0.0.1:4556/data?now=2026-11-24T19:21:00Z');
const t = Date.now(); const log = (x: string) => console.log(((Date.now() - t) / 1000).toFixed(1), x);
const watch = async (until: string) => { let last = ''; for (;;) { const now = (await page.locator('[role=status]').allTextContents()).join('|') + ' ' + (await page.locator('.progress-bar').first().getAttribute('style').catch(() => '')); if (now !== last) log(last = now); if (await page.getByText(until).count()) { log(until); return; } await new Promise((r) => setTimeout(r, 250)); } };
await page.locator('#backup-file').setInputFiles('/tmp/history.json');
page.setDefaultTimeout(300);
await watch('Merge into what is here');
await page.getByRole('button', { name: 'Merge into what is here' }).click({ timeout: 5000 });
await watch('Merged.');
const [d] = await Promise.all([page.waitForEvent('download', { timeout: 100000 }), page.getByRole('button', { name: 'Save everything' }).click({ timeout: 20000 }), watch('saved to your').catch(() => 0)]);
log('saved ' + d.suggestedFilename());
await b.close(); server.close();
