/** How the demo's nights are made: head, plan and the first target that is well placed. */
import type { Night, PlanEntry } from '../../core/records/night.ts';
import type { Part } from '../../core/records/part.ts';
import type { Rig } from '../../core/records/rig.ts';
import type { Site, Target } from '../../core/records/site.ts';
import { darkSpan, intersect, longest, upSpans } from '../../core/night/plan/darkness.ts';
import { siteNight, targetNight } from '../../core/night/plan/skyOfNight.ts';
import { MS_PER_HOUR, toUtcText } from '../../core/time/utc.ts';

export type Shipped = { parts: Part[]; rigs: Rig[]; sites: Site[]; targets: Target[] };

export function head(nowMs: number) {
  const at = toUtcText(nowMs);
  return {
    rev: 1,
    deviceId: 'demo',
    createdAtUtc: at,
    updatedAtUtc: at,
    deletedAtUtc: null,
    origin: 'demo' as const,
    archived: false,
    note: '',
  };
}

/** The first listed target with at least three dark hours above the horizon on that date, else the first listed. */
export function wellPlaced(ids: readonly string[], site: Site, targets: readonly Target[], date: string): string {
  const sky = siteNight(site, date);
  const dark = darkSpan(sky.events, 'astronomical');
  const found = ids.find((id) => {
    const target = targets.find((t) => t.id === id);
    if (!target || !dark) return false;
    const span = longest(
      intersect(upSpans(site, targetNight(site, target, sky).ofDate, sky.events.startMs, sky.events.endMs), dark),
    );
    return span !== null && span.toMs - span.fromMs >= 3 * MS_PER_HOUR;
  });
  return found ?? ids[0] ?? '';
}

/** A plan with the demo's habits. */
export const plan = (targetId: string, subS: number): PlanEntry => ({
  targetId,
  subS,
  gapS: 5,
  count: null,
  startUtc: null,
  ditherEvery: 3,
  refocusEveryMin: null,
  strategy: 'endOfCrossingSub',
  limitH: null,
});

export function night(nowMs: number, id: string, date: string, siteId: string, rigId: string, entry: PlanEntry): Night {
  return { ...head(nowMs), id, eveningDate: date, siteId, rigId, darkness: 'astronomical', plan: [entry] };
}
