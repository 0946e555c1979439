/** Towns, and how one is found by its first letters. */
export type Town = {
  name: string;
  /** Two letters (ISO 3166). */
  country: string;
  latDeg: number;
  lonDeg: number;
};

/** Letters without their marks, small: what somebody types without looking for the right key. */
const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .toLowerCase()
    .trim();

/** Plain names of a table, in its order: made once, searched at every letter. */
export const searchable = (towns: readonly Town[]): string[] => towns.map((t) => plain(t.name));

/** Towns whose name begins so, then towns where a later word does; the largest first.
 *  @param names what `searchable` made of the same towns. */
export function findTowns(towns: readonly Town[], names: readonly string[], asked: string, most = 8): Town[] {
  const wanted = plain(asked);
  if (wanted === '') return [];
  const [begins, inside]: [Town[], Town[]] = [[], []];
  for (const [i, town] of towns.entries()) {
    const name = names[i] ?? '';
    if (name.startsWith(wanted)) begins.push(town);
    else if (inside.length < most && name.includes(` ${wanted}`)) inside.push(town);
    if (begins.length === most) break;
  }
  return [...begins, ...inside].slice(0, most);
}
