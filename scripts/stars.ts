/** Makes the shipped star tables from the catalogue files of the d3-celestial package (Hipparcos, J2000):
 *  `npm run stars -- DIR`, DIR holding `stars.14.json`, `starnames.json` and `LICENSE`. */
import { copyFileSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { encodeStars, type TableStar } from '../src/core/sky/starTable.ts';

const OUT = join(import.meta.dirname, '..', 'src', 'core', 'sky', 'data');
const CAP_DEG = 15;
const CAP_FAINTEST = 9.5;
const BRIGHT_FAINTEST = 4;

type Feature = { id: number; properties: { mag: number }; geometry: { coordinates: [number, number] } };
type Names = Record<string, { name: string; bayer: string; flam: string; c: string } | undefined>;

const dir = process.argv[2];
if (dir === undefined) throw new Error('name the folder with the catalogue files');
const read = (name: string): unknown => JSON.parse(readFileSync(join(dir, name), 'utf8'));
const { features } = read('stars.14.json') as { features: Feature[] };
const names = read('starnames.json') as Names;

/** Four decimals of a degree are the precision of the source. */
const round = (deg: number): number => Number(deg.toFixed(4));
const stars = features.map((f): TableStar & { hip: number } => ({
  hip: f.id,
  raJ2000Deg: round((f.geometry.coordinates[0] + 360) % 360),
  decJ2000Deg: round(f.geometry.coordinates[1]),
  magnitude: f.properties.mag,
}));

const caps = stars.filter((s) => Math.abs(s.decJ2000Deg) >= 90 - CAP_DEG && s.magnitude <= CAP_FAINTEST);
writeFileSync(join(OUT, 'polar-caps.bin'), encodeStars(caps.sort((a, b) => a.magnitude - b.magnitude)));

/** How many stars carry each proper name. */
const carriers = new Map<string, number>();
for (const one of Object.values(names)) if (one) carriers.set(one.name, (carriers.get(one.name) ?? 0) + 1);

/** The proper name where only one star carries it, else letter or number with the constellation's abbreviation. */
function nameOf(hip: number): string | null {
  const found = names[String(hip)];
  if (!found) return null;
  if (found.name !== '' && carriers.get(found.name) === 1) return found.name;
  // The source has letters that were lost on the way to it.
  const letter = found.bayer.startsWith('undefined') ? found.flam : found.bayer || found.flam;
  return letter === '' ? null : `${letter} ${found.c}`;
}

const bright = stars
  .filter((s) => s.magnitude <= BRIGHT_FAINTEST)
  .sort((a, b) => a.magnitude - b.magnitude)
  .flatMap((s) => {
    const name = nameOf(s.hip);
    return name === null ? [] : [[s.hip, name, s.raJ2000Deg, s.decJ2000Deg, s.magnitude]];
  });
writeFileSync(join(OUT, 'bright-stars.json'), `[\n${bright.map((row) => `  ${JSON.stringify(row)}`).join(',\n')}\n]\n`);
copyFileSync(join(dir, 'LICENSE'), join(OUT, 'LICENSE.txt'));
process.stdout.write(`${caps.length} stars in the polar caps, ${bright.length} bright stars\n`);
