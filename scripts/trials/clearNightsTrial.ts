/** Random nights, sites, tubes, tripods, limits and up to three targets: no sub anywhere where the tube is not clear, where a
 *  limit is passed, in the light, or over another target's. */
import fc from 'fast-check';
import { recordsOfNight, type AllRecords } from '../../src/core/history/nightRecords.ts';
import { aimedAt, nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import { clearanceOf } from '../../src/core/mount/clearance.ts';
import type { Sub } from '../../src/core/night/plan/plan.ts';
import type { Part } from '../../src/core/records/part.ts';
import { localSiderealHours } from '../../src/core/sky/ephemeris.ts';
import { demoWorld, TRIAL_NOW } from './demoWorld.ts';
import { STRATEGIES } from '../../src/core/night/advice/strategies.ts';
import { evenly as finite } from './evenly.ts';

const TARGETS = ['demo-ngc281', 'demo-m33', 'demo-ngc1499'] as const;
const LEAST_M = 0.0499;

export const clearNights = fc.record({
  latDeg: fc.constantFrom(40.33, 55, -22.75, 66),
  date: fc.constantFrom('2026-11-24', '2026-02-10', '2026-09-05'),
  targets: fc.array(
    fc.record({
      raJ2000Deg: finite(0, 359),
      decJ2000Deg: finite(-60, 85),
      strategy: fc.constantFrom(...STRATEGIES),
      subS: fc.constantFrom(60, 300, 900),
      count: fc.option(fc.integer({ min: 1, max: 60 })),
      refocusEveryMin: fc.option(fc.constantFrom(30, 60)),
      limitH: fc.option(finite(-0.5, 4)),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  columnTopDropM: finite(0.15, 0.4),
  tubeBackM: finite(0.1, 0.6),
  axisForwardM: finite(0, 0.2),
  mountLimitH: fc.option(finite(-0.5, 2)),
  cableLimitH: fc.option(finite(-0.5, 2)),
});
export type ClearNight = typeof clearNights extends fc.Arbitrary<infer T> ? T : never;

function worldOf(w: ClearNight): AllRecords {
  const all = demoWorld();
  const parts = all.parts.map((p): Part => {
    if (p.kind === 'tube') return { ...p, backM: w.tubeBackM };
    if (p.kind !== 'mount' || p.geometry === null) return p;
    const { columnTopDropM, axisForwardM } = w;
    return { ...p, pastMeridianLimitH: w.mountLimitH, geometry: { ...p.geometry, columnTopDropM, axisForwardM } };
  });
  const plan = w.targets.map(({ strategy, subS, count, refocusEveryMin, limitH }, i) => ({
    strategy,
    subS,
    count,
    refocusEveryMin,
    limitH,
    targetId: TARGETS[i] ?? TARGETS[0],
    gapS: 5,
    startUtc: null,
    ditherEvery: 0,
  }));
  return {
    ...all,
    parts,
    rigs: all.rigs.map((r) => (r.id === 'demo-heron' ? { ...r, cableLimitH: w.cableLimitH } : r)),
    sites: all.sites.map((s) => ({ ...s, latDeg: w.latDeg })),
    nights: all.nights.map((n) => ({ ...n, eveningDate: w.date, plan })),
    targets: all.targets.map((t) => {
      const at = w.targets[TARGETS.indexOf(t.id as (typeof TARGETS)[number])];
      return at ? { ...t, raJ2000Deg: at.raJ2000Deg, decJ2000Deg: at.decJ2000Deg } : t;
    }),
  };
}

/** `second`: nights with a flip below the pole; `later`: targets that follow another. */
export type Seen = { before: number; after: number; second: number; later: number };

function check(condition: boolean, what: string): void {
  if (!condition) throw new Error(what);
}

/** Hour angle in [-12, 12), by sidereal time alone. */
function hourAngle(timeMs: number, lonDeg: number, raDeg: number): number {
  const haH = localSiderealHours(timeMs, lonDeg) - raDeg / 15;
  return ((((haH + 12) % 24) + 24) % 24) - 12;
}

type Aim = NonNullable<NightStatic['targetSky']>['ofDate'];

/** Of a sub at a moment: the gap, and on this side of the pole the hour angle. */
function momentHolds(night: NightStatic, { raDeg, decDeg }: Aim, side: Sub['side'], timeMs: number, latestH: number) {
  const { tube } = night.limit;
  if (!tube) return;
  const { latDeg, lonDeg } = night.records.site;
  const haH = hourAngle(timeMs, lonDeg, raDeg);
  const state = side === 'before' ? 'beforeFlip' : 'afterFlip';
  const { clearanceM } = clearanceOf(tube.geometry, latDeg)({ haH, decDeg, state });
  check(clearanceM > LEAST_M, `${side} at ${haH.toFixed(3)} h only ${clearanceM.toFixed(4)} m are left`);
  // Half a turn from the pole's upper side the hour angle says nothing of what lies past the meridian.
  if (side === 'before' && Math.abs(haH) < 6) check(haH <= latestH, `${haH.toFixed(3)} h is past what is allowed`);
}

function legHolds(whole: NightStatic, w: ClearNight, index: number, seen: Seen): void {
  const night = aimedAt(whole, index);
  const { plan, targetSky, dark } = night;
  if (!plan || !targetSky || !dark) return;
  const asked = [w.targets[index]?.limitH, w.mountLimitH, w.cableLimitH].flatMap((h) => h ?? []);
  const latestH = Math.min(6, ...asked) + 1e-3;
  if (plan.subs.some((s, i) => s.side === 'before' && plan.subs[i - 1]?.side === 'after')) seen.second += 1;
  if (index > 0 && plan.subs.length > 0) seen.later += 1;
  for (const { startMs, endMs, side } of plan.subs) {
    check(startMs >= dark.fromMs - 1 && endMs <= dark.toMs + 1, 'a sub runs in the light');
    seen[side] += 1;
    for (const timeMs of [startMs, (startMs + endMs) / 2, endMs])
      momentHolds(night, targetSky.ofDate, side, timeMs, latestH);
  }
}

/** @param seen counts what was looked at: a property of nights without subs says nothing. */
export function clearNightHolds(w: ClearNight, seen: Seen): void {
  const records = recordsOfNight(worldOf(w), 'n1', TRIAL_NOW);
  if (!records) throw new Error('the night is missing');
  const night = nightStatic(records);
  night.legs.forEach((_, index) => legHolds(night, w, index, seen));
  const subs = night.legs.flatMap(({ plan }) => plan?.subs ?? []);
  subs.forEach((sub, i) => {
    const previous = subs[i - 1];
    check(previous === undefined || sub.startMs >= previous.endMs - 1e-3, 'two targets overlap');
  });
}
