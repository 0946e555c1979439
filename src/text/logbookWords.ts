/** Sentences of the logbook. */
import type { Judgement } from '../core/night/ledger/judgement.ts';
import { judgementName } from './budgetWords.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export function logbookSentence(s: { date: string; readings: number }): Said {
  if (s.readings === 0) return `Nothing is recorded on **${s.date}** yet.`;
  return `**${s.readings} ${s.readings === 1 ? 'reading' : 'readings'}** on ${s.date}. Add a note while you remember.`;
}

/** How the pole has come along. */
export function logbookReason(shownArcmin: number | null, trendArcmin: readonly number[], f: Format): string {
  const best = trendArcmin.length === 0 ? null : Math.min(...trendArcmin);
  if (best === null) return 'What the benches record gathers here, night by night.';
  const shown = shownArcmin === null ? '' : ` This night ended at ${f.quantity(shownArcmin, 'arcmin')}.`;
  return `Polar error over ${trendArcmin.length} ${trendArcmin.length === 1 ? 'night' : 'nights'}, best ${f.quantity(best, 'arcmin')}.${shown}`;
}

/** How much of the long lists was ticked, by list. */
export function tickedWords(listId: string, count: number): string {
  const names: Record<string, (n: number) => string> = {
    packing: (n) => `${n} ${n === 1 ? 'piece' : 'pieces'} packed`,
    inventory: (n) => `${n} ${n === 1 ? 'piece' : 'pieces'} found at the first unpacking`,
    assembly: (n) => `${n} ${n === 1 ? 'step' : 'steps'} put together`,
  };
  if (listId.startsWith('flip ')) return `${count} ${count === 1 ? 'step' : 'steps'} of a flip`;
  return names[listId]?.(count) ?? `${count} ticked`;
}

/** What the account says of a night, beside what was counted. */
export function expectedWords(judgement: Judgement, share: number, f: Format): string {
  return `By the account ${f.quantity(share, 'percent')} of its subs usable: ${judgementName(judgement).toLowerCase()}.`;
}
