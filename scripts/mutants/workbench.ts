/** A copy of the project whose sources hold sleeping changes, and its unit tests run there. */
import { spawn } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';

const LEFT_OUT = new Set(['node_modules', '.git', 'dist', 'test-results']);

export type Workbench = {
  folder: string;
  /** @returns false when a test failed, or none ended within `limitMs`. */
  pass: (testFiles: readonly string[], change: number, limitMs: number) => Promise<boolean>;
  /** Which changes a test file meets, and how long it takes. @throws Error when it fails by itself. */
  meet: (testFile: string) => Promise<{ met: Set<number>; tookMs: number }>;
  remove: () => void;
};

const MOCHA = ['--import=tsx', join('node_modules', 'mocha', 'bin', 'mocha.js')];
const OPTIONS = [
  '--no-config',
  '--require',
  'tests/unit/setup.ts',
  '--timeout',
  '60000',
  '--reporter',
  'dot',
  '--exit',
];

export function makeWorkbench(root: string): Workbench {
  const folder = mkdtempSync(join(tmpdir(), 'owl-changed-'));
  cpSync(root, folder, { recursive: true, filter: (path) => path === root || !LEFT_OUT.has(basename(path)) });
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
  const preload = join(folder, 'scripts', 'mutants', 'switch.mjs');

  const run = (args: readonly string[], env: NodeJS.ProcessEnv, limitMs: number): Promise<boolean> =>
    new Promise((done) => {
      const child = spawn(process.execPath, [...MOCHA, ...OPTIONS, ...args], {
        cwd: folder,
        env: { ...process.env, TZ: 'UTC', NODE_OPTIONS: `--import=${preload}`, ...env },
        stdio: 'ignore',
        timeout: Math.ceil(limitMs),
        killSignal: 'SIGKILL',
      });
      child.on('exit', (code) => done(code === 0));
    });

  return {
    folder,
    pass: (testFiles, change, limitMs) => run(['--bail', ...testFiles], { OWL_CHANGE: String(change) }, limitMs),
    meet: async (testFile) => {
      const list = join(folder, `met-${basename(testFile)}.txt`);
      const began = performance.now();
      if (!(await run([testFile], { OWL_MET: list }, 300_000))) throw new Error(`${testFile} fails without any change`);
      const tookMs = performance.now() - began;
      const lines = existsSync(list) ? readFileSync(list, 'utf8').split('\n') : [];
      rmSync(list, { force: true });
      return { met: new Set(lines.filter((line) => line !== '').map(Number)), tookMs };
    },
    remove: () => rmSync(folder, { recursive: true, force: true }),
  };
}

/** Sources of a folder under src, each as a path and its text. */
export function writeSource(bench: Workbench, path: string, text: string): void {
  writeFileSync(join(bench.folder, path), text);
}
