/** Compact table of towns, the largest first. Layout, little-endian: count (uint32), all latitudes (int16, hundredths of a
 *  degree), all longitudes (the same), then the names as lines of UTF-8, each with its country's two letters before it. */
import type { Town } from '../core/places/findTowns.ts';

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
