/** npm test: lint and types, layer rules, unit tests, build, interface tests; ends with `N passed, N failed`. */
import { existsSync, readFileSync, readdirSync, rmSync, mkdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { ensureChromium, ensurePackages, filesUnder, root, runBeside, tool, toolBeside } from './lib/prepare.mjs';

ensurePackages();
ensureChromium();

const beganMs = Date.now();
const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

let [passed, failed] = [0, 0];
const step = (name, code) => {
  if (code === 0) passed += 1;
  else failed += 1;
  console.log(`${code === 0 ? 'ok  ' : 'FAIL'} ${name}`);
};
const readJson = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

/** Lint rules and types in one reading, and a look at how much was read: a configuration that matches nothing must not pass. */
async function lint() {
  const report = join(results, 'lint.json');
  const code = await toolBeside('oxlint', ['--format', 'json'], {}, report);
  const found = lintReport(report);
  if (!found) return 1;
  const { diagnostics, number_of_files: files, number_of_rules: rules } = found;
  for (const { filename, labels, code: rule, message } of diagnostics) {
    console.log(`${filename}:${labels[0]?.span.line ?? ''} ${rule} ${message}`);
  }
  console.log(`     lint and types read ${files} files by ${rules} rules, ${suppressions()} suppressions`);
  return code !== 0 || diagnostics.length > 0 || !(files > 100 && rules > 150) ? 1 : 0;
}

/** What the linter found; where it could not begin, its own words are shown. */
function lintReport(file) {
  const text = readFileSync(file, 'utf8');
  try {
    return JSON.parse(text);
  } catch {
    console.log(text);
    return null;
  }
}

/** How often the app's code says of a finding that it is no fault. */
const suppressions = () =>
  [...filesUnder(join(root, 'src')), ...filesUnder(join(root, 'server'))]
    .filter((file) => /\.tsx?$/.test(file))
    .reduce((count, file) => count + readFileSync(file, 'utf8').split('oxlint-disable').length - 1, 0);

/** Layer rules; checking no module at all is a failure. */
async function layers() {
  const report = join(results, 'layers.json');
  const bin = join(root, 'node_modules', 'dependency-cruiser', 'bin', 'dependency-cruise.mjs');
  const code = await runBeside(process.execPath, [
    bin,
    '--config',
    '.dependency-cruiser.cjs',
    '--output-type',
    'json',
    '--output-to',
    report,
    'src',
    'server',
    'scripts',
  ]);
  const { summary } = readJson(report) ?? { summary: { totalCruised: 0, violations: [] } };
  for (const v of summary.violations) console.log(`${v.rule.name}: ${v.from} -> ${v.to}`);
  console.log(`     layer rules read ${summary.totalCruised} modules`);
  return code !== 0 || summary.violations.length > 0 || summary.totalCruised < 100 ? 1 : 0;
}

async function build() {
  const prepare = "import { ensureBuild } from './scripts/lib/prepare.mjs'; ensureBuild();";
  const code = await runBeside(process.execPath, ['--input-type=module', '--eval', prepare]);
  return code === 0 && existsSync(join(root, 'dist', 'index.html')) ? 0 : 1;
}

/** Those that start threads and programs of their own; beside the others both take about the same time. */
const APART = '(scripts|workers)';

async function unit(name, leaveOut) {
  const report = join(results, `${name}.json`);
  const options = [
    '--ignore',
    `tests/unit/${leaveOut}/**`,
    '--reporter',
    'json',
    '--reporter-option',
    `output=${report}`,
  ];
  const code = await toolBeside('mocha', options, { TZ: 'UTC' });
  const found = readJson(report);
  if (!found || found.stats.tests === 0) return 1;
  for (const test of found.failures) console.log(`FAIL ${test.fullTitle}\n${test.err.stack ?? test.err.message}`);
  passed += found.stats.passes;
  failed += found.stats.failures;
  for (const { fullTitle, duration } of found.tests) parts.push({ name: `unit: ${fullTitle}`, ms: duration ?? 0 });
  console.log(`     ${name}: ${found.stats.passes} passed, ${found.stats.failures} failed`);
  return code === 0 ? 0 : 1;
}

/** The tests of a report with their times, however deep they stand. */
function testsIn(suites) {
  return suites.flatMap(({ specs = [], suites: inner = [] }) => [
    ...specs.map(({ title, tests }) => ({
      title,
      ms: tests.flatMap((t) => t.results).reduce((total, r) => total + r.duration, 0),
    })),
    ...testsIn(inner),
  ]);
}

function browser() {
  const code = tool('playwright', ['test'], { CI: '1' });
  const found = readJson(join(results, 'e2e.json'));
  if (!found || found.stats.expected + found.stats.unexpected === 0) return 1;
  passed += found.stats.expected;
  for (const { title, ms } of testsIn(found.suites)) parts.push({ name: `interface: ${title}`, ms });
  failed += found.stats.unexpected + found.stats.flaky;
  return code === 0 ? 0 : 1;
}

function countLines(folder, keep) {
  const path = join(root, folder);
  if (!existsSync(path)) return 0;
  return readdirSync(path, { withFileTypes: true, recursive: true })
    .filter((e) => e.isFile() && keep(join(e.parentPath ?? e.path, e.name)))
    .reduce(
      (n, e) =>
        n +
        readFileSync(join(e.parentPath ?? e.path, e.name), 'utf8')
          .split('\n')
          .filter((l) => l.trim() !== '').length,
      0,
    );
}

function testShare() {
  const isCode = (file) => /\.(ts|tsx|mjs|css)$/.test(file);
  const code = ['src', 'server', 'scripts', 'bench'].reduce((n, folder) => n + countLines(folder, isCode), 0);
  const tests = countLines('tests', (file) => file.endsWith('.ts') && !file.includes('/fixtures/'));
  console.log(
    `Lines: ${code} of code, ${tests} of tests; tests are ${Math.round((100 * tests) / (code + tests))} % of all.`,
  );
}

/** What took how long: steps, files of unit tests, interface tests. */
const parts = [];
async function timed(name, work) {
  const start = Date.now();
  const code = await work();
  parts.push({ name, ms: Date.now() - start });
  step(name, code);
}

/** Works through a list, longest first, in as many rows as there are cores. */
async function inRows(jobs) {
  const waiting = [...jobs];
  const row = async () => {
    for (let job = waiting.shift(); job; job = waiting.shift()) await timed(...job);
  };
  await Promise.all(Array.from({ length: availableParallelism() }, row));
}

function printSlowest() {
  const slowest = parts.sort((x, y) => y.ms - x.ms).slice(0, 10);
  console.log('Slowest parts:');
  for (const { name, ms } of slowest) console.log(`${(ms / 1000).toFixed(1).padStart(7)} s  ${name}`);
  console.log(`Whole: ${((Date.now() - beganMs) / 60_000).toFixed(1)} min after installation.`);
}

await inRows([
  ['unit tests', () => unit('unit', `@${APART}`)],
  ['unit tests with threads and programs', () => unit('unit-apart', `!${APART}`)],
  ['lint and types', lint],
  ['format', () => toolBeside('oxfmt', ['--list-different'])],
  ['layer rules', layers],
  ['build', build],
]);
await timed('interface tests', browser);
printSlowest();
testShare();
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
