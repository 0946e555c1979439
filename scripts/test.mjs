/** npm test: lint, layer rules, types, unit tests, build, interface tests; ends with `N passed, N failed`. */
import { existsSync, readFileSync, readdirSync, rmSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensureChromium, ensurePackages, root, runBeside, tool, toolBeside } from './lib/prepare.mjs';

ensurePackages();
ensureChromium();

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

/** ESLint, and a look at how much it read: a configuration that matches nothing must not pass. */
async function lint() {
  const report = join(results, 'lint.json');
  const code = await toolBeside('eslint', ['.', '--format', 'json', '--output-file', report]);
  const files = readJson(report) ?? [];
  const typed = files.filter((f) => /\.tsx?$/.test(f.filePath));
  const suppressed = files.reduce((n, f) => n + f.suppressedMessages.length, 0);
  for (const file of files) {
    for (const m of file.messages) console.log(`${file.filePath}:${m.line} ${m.ruleId ?? ''} ${m.message}`);
  }
  console.log(`     eslint read ${files.length} files (${typed.length} TypeScript), ${suppressed} suppressions`);
  return code !== 0 || typed.length < 100 ? 1 : 0;
}

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
  ]);
  const { summary } = readJson(report) ?? { summary: { totalCruised: 0, violations: [] } };
  for (const v of summary.violations) console.log(`${v.rule.name}: ${v.from} -> ${v.to}`);
  console.log(`     layer rules read ${summary.totalCruised} modules`);
  return code !== 0 || summary.violations.length > 0 || summary.totalCruised < 100 ? 1 : 0;
}

async function unit() {
  const report = join(results, 'unit.json');
  const code = await toolBeside('mocha', ['--reporter', 'json', '--reporter-option', `output=${report}`], {
    TZ: 'UTC',
  });
  const found = readJson(report);
  if (!found || found.stats.tests === 0) return 1;
  for (const test of found.failures) console.log(`FAIL ${test.fullTitle}\n${test.err.stack ?? test.err.message}`);
  passed += found.stats.passes;
  failed += found.stats.failures;
  console.log(`     unit: ${found.stats.passes} passed, ${found.stats.failures} failed`);
  return code === 0 ? 0 : 1;
}

function browser() {
  const code = tool('playwright', ['test'], { CI: '1' });
  const found = readJson(join(results, 'e2e.json'));
  if (!found || found.stats.expected + found.stats.unexpected === 0) return 1;
  passed += found.stats.expected;
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

/** Two rows beside each other, one per core: lint takes as long as reading the types and the unit tests. */
async function readings() {
  const rest = async () => {
    step('layer rules', await layers());
    step('types of the core', await toolBeside('tsc', ['-p', 'tsconfig.core.json']));
    step('types', await toolBeside('tsc', ['-p', 'tsconfig.json']));
    step('format', await toolBeside('prettier', ['--check', '--log-level', 'warn', '.']));
    step('unit tests', await unit());
  };
  await Promise.all([lint().then((code) => step('lint', code)), rest()]);
}

await readings();
ensureBuild();
step('build', existsSync(join(root, 'dist', 'index.html')) ? 0 : 1);
step('interface tests', browser());
testShare();
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
