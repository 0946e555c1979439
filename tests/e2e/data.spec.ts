import { expect, test, type Page } from '@playwright/test';
import { mkdirSync, mkdtempSync, openSync, readFileSync, writeFileSync, writeSync, closeSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { open, storedText } from './support.ts';

let folder = '';
test.beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'owl-e2e-'));
});
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function saveEverything(page: Page, name: string): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save everything' }).click(),
  ]);
  const path = join(folder, name);
  await download.saveAs(path);
  return path;
}

/** As a hand does it: the button first, then the file, so that the same file can be chosen twice. */
async function choose(page: Page, path: string): Promise<void> {
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.getByLabel('Backup file').click()]);
  await chooser.setFiles(path);
}

test('export, wipe, import: the same state byte for byte', async ({ page }) => {
  await open(page, '/kit/parts/demo-heron-tube');
  await page.getByLabel('Mass', { exact: true }).fill('3.6');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await open(page, '/data');
  const before = await saveEverything(page, 'before.json');
  await page.getByRole('button', { name: 'Remove everything' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Remove everything' }).click();
  await expect(page.getByRole('button', { name: 'readings (0)' })).toBeVisible();
  await open(page, '/');
  await expect(page.getByRole('heading', { name: 'Your own night' })).toBeVisible();
  await page.getByRole('link', { name: 'Bring in a file' }).click();
  await choose(page, before);
  await expect(page.getByText(/New here: .*readings/)).toBeVisible();
  await page.getByRole('button', { name: 'Replace everything here' }).click();
  await expect(page.getByText('Replaced.')).toBeVisible();
  const after = await saveEverything(page, 'after.json');
  expect(readFileSync(after, 'utf8')).toBe(readFileSync(before, 'utf8'));
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(page.getByRole('button', { name: 'readings (0)' })).toBeVisible();
});

test('of two files of one name each is the one that was chosen, also when the page was left between them', async ({
  page,
}) => {
  await open(page, '/data');
  const text = readFileSync(await saveEverything(page, 'whole.json'), 'utf8');
  const file = JSON.parse(text) as { sites: { id: string; name: string }[] };
  file.sites.push({ ...file.sites[0]!, id: '01KZZZZZZZZZZZZZZZZZZZZZZZ', name: 'Moor' });
  const [same, more] = ['same', 'more'].map((name) => {
    mkdirSync(join(folder, name));
    return join(folder, name, 'backup.json');
  });
  writeFileSync(same!, text);
  writeFileSync(more!, JSON.stringify(file));
  await choose(page, same!);
  await expect(page.getByText(/New here:/)).toBeVisible();
  await expect(page.getByText(/New here: .*1 site/)).toHaveCount(0);
  await page.getByRole('link', { name: 'Sites' }).first().click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Sites');
  await page.goBack();
  await choose(page, more!);
  await expect(page.getByText(/New here: .*1 site/)).toBeVisible();
  await page.getByRole('button', { name: /^Merge/ }).click();
  await expect(page.getByText('Merged.')).toBeVisible();
  await open(page, '/sites');
  await expect(page.getByText('Moor')).toBeVisible();
});

test('what both sides changed is shown field by field, and merged as chosen', async ({ page }) => {
  const setMass = async (value: string, note: string) => {
    await open(page, '/kit/parts/demo-heron-camera');
    await page.getByLabel('Mass', { exact: true }).fill(value);
    await page.getByLabel('Note').fill(note);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
  };
  await setMass('0.8', 'weighed at home');
  await open(page, '/data');
  const theirs = await saveEverything(page, 'theirs.json');
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(page.getByText('is as before')).toBeVisible();
  await setMass('0.75', 'weighed outside');
  await open(page, '/data');
  // The file as another device would have made it: it never saw what this one has done since.
  const file = JSON.parse(readFileSync(theirs, 'utf8')) as { lineage: object };
  file.lineage = {};
  writeFileSync(theirs, JSON.stringify(file));
  await choose(page, theirs);
  await expect(page.getByText('Changed on both sides: 1 record')).toBeHidden();
  await expect(page.getByRole('button', { name: /Merge into what is here/ })).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();

  const changed = JSON.parse(readFileSync(theirs, 'utf8')) as { parts: { id: string; massKg: number; note: string }[] };
  const camera = changed.parts.find((p) => p.id === 'demo-heron-camera');
  if (camera) [camera.massKg, camera.note] = [0.91, 'weighed on the phone'];
  writeFileSync(theirs, JSON.stringify(changed));
  await choose(page, theirs);
  await expect(page.getByText('Changed on both sides: 1 record')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Merge: 2 fields to decide' })).toBeDisabled();
  await page.getByLabel('file: 0.91').check();
  await page.getByLabel('here: weighed outside').check();
  await page.getByRole('button', { name: 'Merge into what is here' }).click();
  await expect(page.getByText('Merged.')).toBeVisible();
  await open(page, '/kit/parts/demo-heron-camera');
  await expect(page.getByLabel('Mass', { exact: true })).toHaveValue('0.91');
  await expect(page.getByLabel('Note')).toHaveValue('weighed outside');
});

test('files that are not ours, cut off, newer or damaged are refused by name and change nothing', async ({ page }) => {
  await open(page, '/data');
  const good = readFileSync(await saveEverything(page, 'good.json'), 'utf8');
  const before = await storedText(page);
  const files: [string, string, RegExp][] = [
    ['cut.json', good.slice(0, good.length / 2), /ends in the middle/],
    ['newer.json', good.replace(/"version":\d+/, '"version":999'), /A newer Tidy Owl wrote this file/],
    ['other.json', '{"type": "FeatureCollection", "features": []}', /not a Tidy Owl backup/],
    ['broken.json', good.replace('"rigs":[', '"rigs":[,'), /not JSON: the fault is in line \d+, column 9/],
    [
      'damaged.json',
      good.replace('"massKg":0.72', '"massKg":"much"'),
      /parts, record \d+ \(demo-heron-camera\), at “massKg”/,
    ],
    ['empty.json', '', /file is empty/],
  ];
  for (const [name, text, words] of files) {
    const path = join(folder, name);
    writeFileSync(path, text);
    await choose(page, path);
    await expect(page.getByRole('alert').filter({ hasText: words }), name).toBeVisible();
    expect(await storedText(page), name).toBe(before);
  }
});

test('a file of 200 MB is read away from the page, which stays alive, and can be cancelled', async ({ page }) => {
  test.setTimeout(120_000);
  await open(page, '/data');
  const before = await storedText(page);
  const path = join(folder, 'large.json');
  const out = openSync(path, 'w');
  writeSync(out, '{"type":"FeatureCollection","features":[0');
  const piece = ',{"type":"Feature","properties":{"name":"a place somewhere"}}'.repeat(16_000);
  for (let written = 0; written < 200e6; written += piece.length) writeSync(out, piece);
  writeSync(out, ']}');
  closeSync(out);
  await choose(page, path);
  await expect(page.getByRole('button', { name: 'Cancel' })).toBeVisible();
  await page.getByRole('link', { name: 'Sites' }).hover();
  await expect(page.getByRole('alert').filter({ hasText: 'not a Tidy Owl backup' })).toBeVisible({ timeout: 60_000 });
  await choose(page, path);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Cancelled. Nothing was imported.')).toBeVisible();
  expect(await storedText(page)).toBe(before);
});

test('tables come out for a spreadsheet, and the demo goes in one action', async ({ page }) => {
  await open(page, '/data');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /^parts/ }).click(),
  ]);
  const csv = Buffer.concat((await (await download.createReadStream()).toArray()) as Buffer[]).toString('utf8');
  expect(csv.split('\r\n')[0]).toContain('massKg');
  expect(csv).toContain('Cooled 26-megapixel camera');
  await page.getByRole('button', { name: 'Remove the demo' }).click();
  await expect(page.getByText(/demo records removed/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'nights (0)' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'parts (0)' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(page.getByRole('button', { name: 'nights (14)' })).toBeVisible();
});
