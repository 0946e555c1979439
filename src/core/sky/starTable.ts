/** Compact table of catalogue stars: 9 bytes each. Layout, little-endian: count (uint32), then all right ascensions
 *  (uint32, 1e-4 degrees), all declinations (int32, 1e-4 degrees), all magnitudes (uint8, twentieths from -2 on). */
import type { CatalogueStar } from './ephemeris.ts';

export type TableStar = CatalogueStar & { magnitude: number };

const HEAD_BYTES = 4;
const STAR_BYTES = 9;
const UNITS_PER_DEG = 10_000;
const STEPS_PER_MAG = 20;
const BRIGHTEST = -2;

export function encodeStars(stars: readonly TableStar[]): Uint8Array {
  const bytes = new Uint8Array(HEAD_BYTES + STAR_BYTES * stars.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, stars.length, true);
  stars.forEach((star, i) => {
    view.setUint32(HEAD_BYTES + 4 * i, Math.round(star.raJ2000Deg * UNITS_PER_DEG), true);
    view.setInt32(HEAD_BYTES + 4 * (stars.length + i), Math.round(star.decJ2000Deg * UNITS_PER_DEG), true);
    view.setUint8(HEAD_BYTES + 8 * stars.length + i, Math.round((star.magnitude - BRIGHTEST) * STEPS_PER_MAG));
  });
  return bytes;
}

/** Inverse of `encodeStars`, to 0.36 arcsec / 2 and 0.025 mag. @throws RangeError when the bytes end early. */
export function decodeStars(bytes: Uint8Array): TableStar[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = bytes.byteLength >= HEAD_BYTES ? view.getUint32(0, true) : Infinity;
  if (bytes.byteLength !== HEAD_BYTES + STAR_BYTES * count)
    throw new RangeError(`the star table must hold ${STAR_BYTES} bytes a star, got ${bytes.byteLength} bytes`);
  return Array.from({ length: count }, (_, i) => ({
    raJ2000Deg: view.getUint32(HEAD_BYTES + 4 * i, true) / UNITS_PER_DEG,
    decJ2000Deg: view.getInt32(HEAD_BYTES + 4 * (count + i), true) / UNITS_PER_DEG,
    magnitude: BRIGHTEST + view.getUint8(HEAD_BYTES + 8 * count + i) / STEPS_PER_MAG,
  }));
}
