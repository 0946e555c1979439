/** Compact table of towns, the largest first. Layout, little-endian: count (uint32), all latitudes (int16, hundredths of a
 *  degree), all longitudes (the same), then the names as lines of UTF-8, each with its country's two letters before it. */
export type Town = {
  name: string;
  /** Two letters (ISO 3166). */
  country: string;
  latDeg: number;
  lonDeg: number;
};

const HEAD_BYTES = 4;
const BYTES_PER_TOWN = 4;
const UNITS_PER_DEG = 100;
const COUNTRY_LETTERS = 2;

export function encodeTowns(towns: readonly Town[]): Uint8Array {
  const names = new TextEncoder().encode(towns.map((t) => `${t.country}${t.name}`).join('\n'));
  const bytes = new Uint8Array(HEAD_BYTES + BYTES_PER_TOWN * towns.length + names.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, towns.length, true);
  towns.forEach((town, i) => {
    view.setInt16(HEAD_BYTES + 2 * i, Math.round(town.latDeg * UNITS_PER_DEG), true);
    view.setInt16(HEAD_BYTES + 2 * (towns.length + i), Math.round(town.lonDeg * UNITS_PER_DEG), true);
  });
  bytes.set(names, HEAD_BYTES + BYTES_PER_TOWN * towns.length);
  return bytes;
}

/** Inverse of `encodeTowns`, to a hundredth of a degree (a kilometre). @throws RangeError when the bytes end early. */
export function decodeTowns(bytes: Uint8Array): Town[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = bytes.byteLength >= HEAD_BYTES ? view.getUint32(0, true) : Infinity;
  const namesAt = HEAD_BYTES + BYTES_PER_TOWN * count;
  const lines = bytes.byteLength >= namesAt ? new TextDecoder().decode(bytes.subarray(namesAt)).split('\n') : [];
  if (lines.length !== count) throw new RangeError(`the table of towns must hold ${count} names, got ${lines.length}`);
  return lines.map((line, i) => ({
    name: line.slice(COUNTRY_LETTERS),
    country: line.slice(0, COUNTRY_LETTERS),
    latDeg: view.getInt16(HEAD_BYTES + 2 * i, true) / UNITS_PER_DEG,
    lonDeg: view.getInt16(HEAD_BYTES + 2 * (count + i), true) / UNITS_PER_DEG,
  }));
}

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
