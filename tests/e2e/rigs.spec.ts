/** Rare and usual rigs as the first screens make them: every station opens, nothing falls off, and the card is one page. */
import { expect, test, type Page } from '@playwright/test';
import { pagesOf } from './pdf.ts';
import { NOW, visitAny } from './support.ts';

type Rig = {
  carrier: string;
  opticsKind: 'lens' | 'refractor' | 'newtonian' | 'mirrorLens';
  format: 'reduced' | 'eye' | 'phone';
  latDeg: number;
  zoneIana: string;
  now: string;
};
const NORTH = { latDeg: 52, zoneIana: 'Europe/Berlin', now: NOW };
const SOUTH = { latDeg: -33, zoneIana: 'Africa/Johannesburg', now: NOW };
const HIGH = { latDeg: 70, zoneIana: 'Europe/Oslo', now: '2026-06-20T19:00:00Z' };

const RIGS: readonly Rig[] = [
  { carrier: 'forkOnWedge', opticsKind: 'mirrorLens', format: 'reduced', ...NORTH },
  { carrier: 'altAzimuth', opticsKind: 'mirrorLens', format: 'reduced', ...SOUTH },
  { carrier: 'altAzimuth', opticsKind: 'refractor', format: 'eye', ...HIGH },
  { carrier: 'pushedAltAzimuth', opticsKind: 'refractor', format: 'phone', ...NORTH },
  { carrier: 'floorReflector', opticsKind: 'newtonian', format: 'eye', ...SOUTH },
  { carrier: 'tiltingPlatform', opticsKind: 'newtonian', format: 'eye', ...NORTH },
  { carrier: 'tiltingPlatform', opticsKind: 'newtonian', format: 'reduced', ...SOUTH },
  { carrier: 'trackerBallHead', opticsKind: 'lens', format: 'phone', ...SOUTH },
  { carrier: 'trackerBracket', opticsKind: 'lens', format: 'reduced', ...HIGH },
  { carrier: 'strainWave', opticsKind: 'refractor', format: 'reduced', ...NORTH },
  { carrier: 'byHand', opticsKind: 'newtonian', format: 'eye', ...NORTH },
  { carrier: 'germanEquatorial', opticsKind: 'newtonian', format: 'reduced', ...HIGH },
];

/** From answers that were given before to the first page of the night. */
async function startedAs(page: Page, { now, ...rig }: Rig): Promise<void> {
  const tube = rig.opticsKind === 'lens' ? { focalMm: 135, apertureMm: null } : { focalMm: 1000, apertureMm: 150 };
  const rest = { placeName: 'Here', lonDeg: 12, size: 'middle', raMotor: false, finder: 'none', fNumber: null };
  const draft = { ...rest, body: 'lensMount', megapixels: 24, guided: false, ...rig, ...tube };
  await page.goto('/help');
  await page.evaluate((text) => localStorage.setItem('tidy-owl-start', text), JSON.stringify(draft));
  await page.goto(`/start?screen=looks&now=${now}`);
  await page.getByRole('button', { name: 'Show my night' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tonight');
}

for (const [n, half] of [RIGS.slice(0, 6), RIGS.slice(6)].entries()) {
  test(`every station of rare rigs opens whole, and the card is one page, half ${n + 1}`, async ({ page }) => {
    test.setTimeout(180_000);
    const problems: string[] = [];
    page.on('pageerror', (error) => problems.push(error.message));
    for (const rig of half) {
      const name = `${rig.carrier} ${rig.format} ${rig.latDeg}`;
      await startedAs(page, rig);
      const stops = await page
        .locator('.run a')
        .evaluateAll((links) => links.map((a) => (a as HTMLAnchorElement).href));
      expect(stops.length, name).toBeGreaterThan(5);
      for (const stop of stops) {
        await visitAny(page, new URL(stop).pathname);
        await expect(page.getByText('could not be drawn'), `${name} ${stop}`).toHaveCount(0);
      }
      const night = stops[0]!.split('/').slice(0, -1).join('/');
      await visitAny(page, `${new URL(night).pathname}/card`);
      for (const format of ['A4', 'Letter'] as const)
        expect(await pagesOf(await page.pdf({ format, printBackground: true })), `${name} ${format}`).toHaveLength(1);
    }
    expect(problems).toEqual([]);
  });
}
