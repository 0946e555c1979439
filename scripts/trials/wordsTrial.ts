/** Whole nights of rare and usual rigs, every page of them as the app draws it: no word about what the rig does not have, no
 *  sentence gone wrong, no plan of nothing, and the same quantity told alike on every page. */
import fc from 'fast-check';
import type { NightStatic } from '../../src/core/night/nightStatic.ts';
import { isLookedAt } from '../../src/core/night/plan/plainPlan.ts';
import { subAnswer } from '../../src/core/night/advice/stars/subAnswer.ts';
import { nightAt } from '../../src/core/night/nightAt.ts';
import { MS_PER_MINUTE } from '../../src/core/time/utc.ts';
import { mayGuide } from '../../src/features/start/answers.ts';
import { ownAnswers } from './dressedTrial.ts';
import { hasTonight } from '../../src/core/night/hasTonight.ts';
import { drawnReadings, readingsOf, type DrawnReadings } from './nightReadings.ts';
import { nightOf, ownStored } from './ownWorld.ts';
import type { Page } from './pages.ts';
import { everyCase } from './trial.ts';
import { unfitWords } from './unfitWords.ts';

const PLACES = [
  { name: 'Garden', latDeg: 52, lonDeg: 10, zoneIana: 'Europe/Berlin' },
  { name: 'Farm', latDeg: -33, lonDeg: 19, zoneIana: 'Africa/Johannesburg' },
  { name: 'Hut', latDeg: 0.5, lonDeg: 36, zoneIana: 'Africa/Nairobi' },
  { name: 'Fell', latDeg: 70, lonDeg: 25, zoneIana: 'Europe/Oslo' },
] as const;
const EVENINGS = ['2026-06-20T17:00:00Z', '2026-12-12T17:00:00Z'] as const;

/** Often none: a first plan is judged by itself. */
const recordedReadings: fc.Arbitrary<DrawnReadings> = fc.oneof(fc.constant([]), drawnReadings);

export const wordsNights = fc.record({
  answers: ownAnswers,
  where: fc.constantFrom(...PLACES),
  now: fc.constantFrom(...EVENINGS),
  units: fc.constantFrom('metric' as const, 'imperial' as const),
  recorded: recordedReadings,
});
type Drawn = typeof wordsNights extends fc.Arbitrary<infer T> ? T : never;

/** Names under which different things are told on purpose: of pole and target; of this tube and of one that is looked for. */
const TWO_THINGS = new Set([
  'Hour angle',
  'Focal length',
  'Aperture',
  'Length of a sub',
  'Mass',
  'Load',
  'kg',
  'lb',
  'mm',
  'in',
]);
const isName = (line: string): boolean => /^[A-Z][^\d]{3,48}$/.test(line);
const isFigure = (line: string): boolean => /^[−-]?\d[^a-z]*[a-z°′″%:/ ]*$/i.test(line) && line.length < 30;

/** The figure that a line begins with: words after it may differ. */
const figureOf = (line: string): string => /^[−-]?[\d.,:]+\s?(?:[%°′″]|[a-zµ]+\b)?/.exec(line)?.[0] ?? line;

/** Figures that stand under one name on several pages, with different values.
 *  @param later the night runs already: what follows the clock tells of now, other pages of the whole night. */
export function contradictions(pages: readonly Page[], later = false): string[] {
  const told = new Map<string, Map<string, string>>();
  for (const { name: page, lines } of pages) {
    // What is looked for is not what is there; and another moment tells otherwise.
    if (/choice$|^watch, /.test(page) || (later && /^watch$|^margin of /.test(page))) continue;
    lines.forEach((line, i) => {
      const after = lines[i + 1];
      if (!isName(line) || TWO_THINGS.has(line) || after === undefined || !isFigure(after)) return;
      const figure = figureOf(after);
      const values = told.get(line) ?? new Map<string, string>();
      told.set(line, values.set(figure, values.get(figure) ?? page));
    });
  }
  return [...told].flatMap(([name, values]) => {
    const onPages = new Set(values.values());
    return values.size > 1 && onPages.size > 1 ? [`${name}: ${JSON.stringify([...values])}`] : [];
  });
}

/** Light that is planned is light that can be had. */
export function emptyPlan(night: NightStatic): string | null {
  const { entry, plan, numbers, usable } = night;
  // What is only looked at says so where others have subs.
  if (numbers.eyepiece || !entry || !usable || isLookedAt(night)) return null;
  if (!plan || plan.subs.length === 0) return `no sub of ${entry.subS} s fits`;
  // Once the pole was looked for, at some part of its hours: an alt-azimuth mount loses the minutes about the zenith.
  const keeps = [0, 0.25, 0.5, 0.75, 1].some((part) => {
    const sub = plan.subs[Math.round(part * (plan.subs.length - 1))];
    const stars = sub ? nightAt(night, sub.startMs).stars : null;
    const longestS = stars && subAnswer(night, stars.sub).onceLooked.longestS;
    return longestS !== null && longestS >= entry.subS;
  });
  if (!keeps) return `${plan.subs.length} subs of ${entry.subS} s, none of them usable`;
  if (plan.integrationS < LEAST_LIGHT_S) return `${plan.integrationS} s of light in all`;
  return null;
}
const LEAST_LIGHT_S = 60;

export async function checkWords({ answers, where, now, units, recorded }: Drawn): Promise<void> {
  const { rig } = answers;
  const guided =
    rig.guided &&
    mayGuide({
      ...rig,
      format: typeof rig.sensor === 'string' ? rig.sensor : 'reduced',
      raMotor: rig.raMotor ?? false,
    });
  const [own, fromMs] = [{ ...answers, where, rig: { ...rig, guided } }, Date.parse(now)];
  // What is recorded has happened.
  const nowMs = Math.max(fromMs, ...recorded.map(({ afterMin }) => fromMs + (afterMin + 1) * MS_PER_MINUTE));
  const has = hasTonight(nightOf(ownStored(own, { nowMs })));
  const stored = ownStored(own, {
    nowMs,
    readings: ({ rig: dressed, nightId }) => readingsOf(recorded, { has, rig: dressed, nightId, fromMs }),
  });
  const night = nightOf(stored);
  // The pages fetch some of their parts when they are shown; both must come from one and the same set of modules.
  const { pagesOf } = await import('./pages.ts');
  const pages = await pagesOf(stored, night, units);
  const unfit = unfitWords(night, pages).map(({ page, what, line }) => `${page}: ${what}: ${line}`);
  // What was measured may be worse than what a first plan is made for, and who stopped has no more subs.
  const nothing = recorded.length === 0 ? emptyPlan(night) : null;
  const wrong = [...unfit, ...contradictions(pages, nowMs > fromMs), ...(nothing === null ? [] : [`plan: ${nothing}`])];
  if (wrong.length > 0) throw new Error(wrong.slice(0, 5).join('\n'));
}

export const wordsTrial = everyCase(
  'words',
  'whole nights of every carrier, tube, looker and place: no word about what is not there, no plan of nothing, no two figures for one thing',
  400,
  () => fc.asyncProperty(wordsNights, checkWords),
  // The journeys open a dozen more.
  0.02,
);
