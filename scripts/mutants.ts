/** npm run mutants -- FOLDER [N] [SEED]: changes the sources under src/FOLDER in one small way at a time and runs the unit
 *  tests that meet the change. What no test notices is printed. Exit 1 when fewer than 85 % are noticed. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { changesIn, withSwitches, type Numbered } from './mutants/mutate.ts';
import { makeWorkbench, writeSource, type Workbench } from './mutants/workbench.ts';
import { seeded } from '../src/core/math/random.ts';

const WANTED_SHARE = 0.85;
const root = join(import.meta.dirname, '..');
const [folder = '', count = '100', seed = '20261124'] = process.argv.slice(2);
if (folder === '' || !existsSync(join(root, 'src', folder))) {
  console.error('Name a folder under src, as in: npm run mutants -- core/night 100');
  process.exit(2);
}

/** Files of a folder of the project whose names end so, as paths from the project. */
const filesIn = (path: string, ending: string): string[] =>
  readdirSync(join(root, path), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith(ending))
    .map((name) => `${path}/${name}`)
    .sort();

type Chosen = Numbered & { path: string; line: number };

/** A seeded draw of the changes of all sources in the folder. */
function draw(): Chosen[] {
  const random = seeded(Number(seed));
  const all = filesIn(`src/${folder}`, '.ts')
    .flatMap((path) => {
      const text = readFileSync(join(root, path), 'utf8');
      return changesIn(text).map((c) => ({ ...c, path, line: text.slice(0, c.start).split('\n').length }));
    })
    .map((c) => ({ c, key: random() }))
    .sort((a, b) => a.key - b.key);
  console.log(`${folder}: ${all.length} changes known, ${count} drawn with seed ${seed}`);
  return all.slice(0, Number(count)).map(({ c }, id) => ({ ...c, id }));
}

/** Does work for every item, on all cores. */
async function forAll<T>(items: readonly T[], work: (item: T) => Promise<void>): Promise<void> {
  const waiting = [...items];
  const lane = async (): Promise<void> => {
    for (let item = waiting.shift(); item !== undefined; item = waiting.shift()) await work(item);
  };
  await Promise.all(Array.from({ length: availableParallelism() }, lane));
}

/** Threads of their own do not see the changes of this one: their tests are for their own folder. */
const canMeet = (file: string): boolean => folder === 'workers' || !file.startsWith('tests/unit/workers/');

type Met = { file: string; met: Set<number>; tookMs: number };

async function testsMeeting(bench: Workbench): Promise<Met[]> {
  const found: Met[] = [];
  await forAll(filesIn('tests/unit', '.test.ts').filter(canMeet), async (file) => {
    found.push({ file, ...(await bench.meet(file)) });
  });
  return found.sort((a, b) => a.tookMs - b.tookMs);
}

const START_MS = 20_000;

async function run(bench: Workbench): Promise<void> {
  const chosen = draw();
  for (const path of new Set(chosen.map((c) => c.path))) {
    const text = readFileSync(join(root, path), 'utf8');
    writeSource(
      bench,
      path,
      withSwitches(
        text,
        chosen.filter((c) => c.path === path),
      ),
    );
  }
  const tests = await testsMeeting(bench);
  let survivors = 0;
  await forAll(chosen, async (change) => {
    const meeting = tests.filter((t) => t.met.has(change.id));
    const limitMs = START_MS + 2 * meeting.reduce((total, t) => total + t.tookMs, 0);
    const files = meeting.map((t) => t.file);
    if (files.length === 0 || (await bench.pass(files, change.id, limitMs))) {
      survivors += 1;
      const why = files.length === 0 ? 'no test meets it' : `${files.length} test files pass`;
      console.log(`lives  ${change.path}:${change.line}  ${oneLine(change.from)}  ->  ${oneLine(change.to)}  (${why})`);
    }
  });
  const killed = chosen.length - survivors;
  const share = killed / Math.max(1, chosen.length);
  console.log(`${folder}: ${killed} of ${chosen.length} noticed, ${Math.round(100 * share)} %, wanted 85 %`);
  if (share < WANTED_SHARE) process.exitCode = 1;
}

const oneLine = (text: string): string => {
  const line = text.replaceAll(/\s+/g, ' ');
  return line.length > 90 ? `${line.slice(0, 87)}...` : line;
};

const bench = makeWorkbench(root);
try {
  await run(bench);
} finally {
  bench.remove();
}
