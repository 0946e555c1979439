import { chromium } from '@playwright/test';
import { existsSync, writeFileSync } from 'node:fs';
import { createApp } from '../server/app.ts';
import { fill, opened, putAway } from './scale.ts';
import { historyOf } from './history.ts';
const server = createApp({ dist: '/work/main/dist', demo: true }).listen(4555, '127.0.0.1'); await new Promise(r=>server.once('listening', r));
const address = 'http://127.0.0.1:4555';
const dir = '/tmp/owlprof';
const fresh = !existsSync(dir);
const ctx = await chromium.launchPersistentContext(dir, { executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'], viewport: { width: 1280, height: 800 } });
const page = await ctx.newPage();
await page.addInitScript('globalThis.__name = (named) => named');
page.on('worker', w => console.log('worker', Date.now() % 100000, w.url()));
const t0 = Date.now();
console.log('open', await opened(page, address));
if (!fresh) console.log('away', await putAway(page, 5000));
if (fresh) { await fill(page, historyOf(5000)); console.log('filled', Date.now() - t0); console.log('open', await opened(page, address)); console.log('away', await putAway(page, 5000)); }
const dev = await ctx.newCDPSession(page);
await dev.send('Profiler.enable'); await dev.send('Profiler.start');
console.log('reload', await opened(page, address));
const { profile } = await dev.send('Profiler.stop');
writeFileSync('/tmp/prof.json', JSON.stringify(profile));
console.log('reload', await opened(page, address));
const idb = await page.evaluate(async () => {
  const db: IDBDatabase = await new Promise((r) => { const o = indexedDB.open('tidy-owl'); o.onsuccess = () => r(o.result); });
  const out: any = {};
  for (const t of ['nightDigests', 'snapshotDigests', 'nights', 'snapshots']) { const s = performance.now(); const rows: any[] = await new Promise((r) => { const q = db.transaction(t).objectStore(t).getAll(); q.onsuccess = () => r(q.result); }); out[t] = [Math.round(performance.now() - s), rows.length, JSON.stringify(rows.slice(0, 5)).length / 5]; }
  const s = performance.now(); const keys: any = await new Promise((r) => { const q = db.transaction('nightReadings').objectStore('nightReadings').getAllKeys(); q.onsuccess = () => r(q.result); }); out.keys = [Math.round(performance.now() - s), keys.length];
  db.close(); return out;
});
console.log(JSON.stringify(idb));
await ctx.close(); server.close();
