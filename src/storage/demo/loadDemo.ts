/** Puts the demo scenario into an empty database, once. */
import type { Site } from '../../core/records/site.ts';
import { eveningDate } from '../../core/time/civil.ts';
import { toUtcText } from '../../core/time/utc.ts';
import type { OwlDatabase } from '../database.ts';
import { head, night, plan, wellPlaced, type Shipped } from './demoNights.ts';
import { DEMO_PARTS } from './demoParts.ts';
import { DEMO_RIGS, DEMO_SITES, DEMO_TARGETS, HERON_TARGETS, WAGTAIL_TARGETS } from './demoRigs.ts';
import { earlierNights } from './earlierNights.ts';

function shipped(nowMs: number): Shipped {
  const h = head(nowMs);
  return {
    parts: DEMO_PARTS.map((p) => ({ ...h, ...p })),
    rigs: DEMO_RIGS.map((r) => ({ ...h, ...r })),
    sites: DEMO_SITES.map((s) => ({ ...h, ...s })),
    targets: DEMO_TARGETS.map((t) => ({ ...h, ...t })),
  };
}

/** Loads the scenario: tonight for Heron and Wagtail, twelve earlier nights of Heron. Does nothing when the database was
 *  initialised before, so that wiped demo data never come back. */
export async function loadDemo(db: OwlDatabase, nowMs: number): Promise<void> {
  const ship = shipped(nowMs);
  const tables = ['parts', 'rigs', 'sites', 'targets', 'nights', 'snapshots', 'nightReadings', 'meta'];
  const tonightAt = (site: Site): string => eveningDate(nowMs, site.zoneIana);
  const [north, south] = ship.sites;
  if (!north || !south) return;
  const past = earlierNights(nowMs, tonightAt(north), ship);
  const tonight = [
    night(
      nowMs,
      'demo-tonight-heron',
      tonightAt(north),
      north.id,
      'demo-heron',
      plan(wellPlaced(HERON_TARGETS, north, ship.targets, tonightAt(north)), 120),
    ),
    night(
      nowMs,
      'demo-tonight-wagtail',
      tonightAt(south),
      south.id,
      'demo-wagtail',
      plan(wellPlaced(WAGTAIL_TARGETS, south, ship.targets, tonightAt(south)), 30),
    ),
  ];
  await db.transaction('rw', tables, async () => {
    if ((await db.meta.get('initialised')) !== undefined) return;
    await db.meta.put({ key: 'initialised', value: toUtcText(nowMs) });
    await db.heads('parts').bulkPut(ship.parts);
    await db.heads('rigs').bulkPut(ship.rigs);
    await db.heads('sites').bulkPut(ship.sites);
    await db.heads('targets').bulkPut(ship.targets);
    await db.heads('nights').bulkPut([...tonight, ...(past?.nights ?? [])]);
    if (!past) return;
    await db.snapshots.put(past.snapshot);
    await db.nightReadings.bulkPut([...past.readings].map(([nightId, readings]) => ({ nightId, readings })));
  });
}
