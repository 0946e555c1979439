/** Nights that were not deleted, the newest first. */
import { oncePer } from '../once.ts';
import type { Night } from '../records/night.ts';

const compare = (a: Night, b: Night): number =>
  a.eveningDate < b.eveningDate ? 1 : a.eveningDate > b.eveningDate ? -1 : a.id < b.id ? -1 : 1;

/** How many nights a menu lists. */
const IN_A_MENU = 40;

/** Of many nights those around the shown one, or the newest. @param nights newest first. */
export function nightsAround(nights: readonly Night[], shownId: string | undefined): readonly Night[] {
  const at = Math.max(
    0,
    nights.findIndex((n) => n.id === shownId),
  );
  const from = Math.max(0, Math.min(at - IN_A_MENU / 2, nights.length - IN_A_MENU));
  return nights.slice(from, from + IN_A_MENU);
}

/** The year that dates in a list need not name. */
export const yearOf = (nights: readonly Night[]): string => nights[0]?.eveningDate.slice(0, 4) ?? '';

export const livingNights = oncePer((nights: readonly Night[]): readonly Night[] =>
  nights.filter((n) => n.deletedAtUtc === null).sort(compare),
);
