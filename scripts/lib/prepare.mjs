/** Installs what a fresh clone lacks. Only `node:` modules, because nothing else is there yet. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, openSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
const at = (...parts) => join(root, ...parts);

/** Runs a command in the project's folder with its output shown; returns the exit code. */
export function run(command, args, env = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  return done.status ?? 1;
}

/** The same beside other work: its exit code, later. With `output` what it prints goes into that file. */
export function runBeside(command, args, env = {}, output) {
  return new Promise((resolve) => {
    const stdio = ['inherit', output ? openSync(output, 'w') : 'inherit', 'inherit'];
    const child = spawn(command, args, { cwd: root, stdio, env: { ...process.env, ...env } });
    child.on('error', () => resolve(1));
    child.on('close', (code) => resolve(code ?? 1));
  });
}

function runOrExit(command, args) {
  const code = run(command, args);
  if (code !== 0) {
    console.error(`Failed: ${command} ${args.join(' ')} (exit code ${code}).`);
    process.exit(code);
  }
}

function installStamp() {
  const hash = createHash('sha256').update(process.version + process.platform + process.arch);
  for (const file of ['package.json', 'package-lock.json']) hash.update(readFileSync(at(file)));
  return hash.digest('hex');
}

/** Installs the packages of the lock file unless node_modules already holds exactly them. */
export function ensurePackages() {
  const stampFile = at('node_modules', '.tidy-owl-stamp');
  const stamp = installStamp();
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  console.error('Installing packages…');
  runOrExit('npm', ['ci', '--include=dev', '--ignore-scripts', '--no-fund', '--no-audit']);
  writeFileSync(stampFile, stamp);
}

/** Installs Debian's Chromium when it is missing (needs root). */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  console.error('Installing Chromium…');
  runOrExit('apt-get', ['update']);
  runOrExit('apt-get', ['install', '-y', '--no-install-recommends', 'chromium']);
}

/** @param {string} folder @returns {string[]} */
export function filesUnder(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesUnder(path) : [path];
  });
}

function sourceStamp() {
  const hash = createHash('sha256');
  const files = [...filesUnder(at('src')), ...filesUnder(at('public'))];
  for (const file of [...files.sort(), at('index.html'), at('vite.config.ts'), at('package-lock.json')]) {
    hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** Builds the app unless the sources are those of the last build. */
export function ensureBuild() {
  const stampFile = at('node_modules', '.tidy-owl-build');
  const stamp = sourceStamp();
  const built = existsSync(at('dist', 'index.html')) && statSync(at('dist')).isDirectory();
  if (built && existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  console.error('Building…');
  runOrExit('node', [at('node_modules', 'vite', 'bin', 'vite.js'), 'build', '--logLevel', 'warn']);
  mkdirSync(dirname(stampFile), { recursive: true });
  writeFileSync(stampFile, stamp);
}

const tools = {
  tsx: ['--import', 'tsx'],
  vite: [at('node_modules', 'vite', 'bin', 'vite.js')],
  oxfmt: [at('node_modules', 'oxfmt', 'bin', 'oxfmt')],
  oxlint: [at('node_modules', 'oxlint', 'bin', 'oxlint')],
  tsc: [at('node_modules', 'typescript', 'bin', 'tsc')],
  mocha: [at('node_modules', 'mocha', 'bin', 'mocha.js')],
  playwright: [at('node_modules', '@playwright', 'test', 'cli.js')],
};

/** Runs one of the project's tools with the Node that runs this script; returns the exit code. */
export function tool(name, args, env = {}) {
  return run(process.execPath, [...tools[name], ...args], env);
}

export function toolBeside(name, args, env = {}, output) {
  return runBeside(process.execPath, [...tools[name], ...args], env, output);
}
