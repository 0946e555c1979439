/** What a new night begins with, and what it may look at: one's own before the demo's, and bright objects that stand well. */
import { standingTargets } from '../core/night/plan/easyTargets.ts';
import type { Night } from '../core/records/night.ts';
import type { Target } from '../core/records/site.ts';
import { BRIGHT_TARGETS } from '../core/sky/brightTargets.ts';
import { rigNumbers } from '../core/rig/rigNumbers.ts';
import { isKnownZone } from '../core/time/civil.ts';
import type { Stored } from '../storage/useStored.ts';
import { standingWords, targetName } from '../text/startWords.ts';
import type { Format } from '../text/format.ts';
import type { Option } from '../ui/form/Fields.tsx';

export type Listed = { id: string; origin: string; archived: boolean; deletedAtUtc: string | null };
const isListed = (r: Listed): boolean => r.deletedAtUtc === null && !r.archived;

/** What a user brought in or made; of the demo only what there is nothing else of. */
export function ownFirst<R extends Listed>(records: readonly R[]): R[] {
  const listed = records.filter(isListed);
  return [...listed.filter((r) => r.origin !== 'demo'), ...listed.filter((r) => r.origin === 'demo')];
}

/** The last night of one's own, whose site and rig a new one takes. */
export function lastOwnNight(nights: readonly Night[]): Night | undefined {
  return nights
    .filter((n) => isListed(n) && n.origin !== 'demo')
    .sort((a, b) => (a.eveningDate < b.eveningDate ? 1 : -1))[0];
}

/** Choices of bright objects are told from stored targets by this. */
const BRIGHT = 'bright:';
const MOST = 12;

/** Targets that stand well on an evening, best first, without those that are stored already. */
export function standingOptions(
  { sites, rigs, parts, targets }: Pick<Stored, 'sites' | 'rigs' | 'parts' | 'targets'>,
  asked: Pick<Night, 'siteId' | 'rigId' | 'eveningDate' | 'darkness'>,
  f: Format,
): Option[] {
  const site = sites.find((s) => s.id === asked.siteId);
  if (!site || !isKnownZone(site.zoneIana) || !/^\d{4}-\d{2}-\d{2}$/.test(asked.eveningDate)) return [];
  const rig = rigs.find((r) => r.id === asked.rigId);
  const train = rig ? rigNumbers(rig, parts).train : null;
  const known = new Set(targets.filter(isListed).map((t) => t.catalogueId));
  return standingTargets(site, asked, train ? train.fieldHeightDeg * 60 : null)
    .filter((t) => !known.has(t.catalogueId))
    .slice(0, MOST)
    .map((t) => ({ value: `${BRIGHT}${t.catalogueId}`, label: standingWords(t, f) }));
}

/** The record of a chosen bright object; null for a stored target. */
export function brightTarget(
  choice: string,
): Pick<Target, 'name' | 'catalogueId' | 'raJ2000Deg' | 'decJ2000Deg' | 'sizeArcmin'> | null {
  const found = BRIGHT_TARGETS.find((t) => choice === `${BRIGHT}${t.catalogueId}`);
  if (!found) return null;
  const { catalogueId, plainName, raJ2000Deg, decJ2000Deg, sizeArcmin } = found;
  return { name: targetName(catalogueId, plainName), catalogueId, raJ2000Deg, decJ2000Deg, sizeArcmin };
}
