import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

const root = join(import.meta.dirname, '..', '..', '..');
const RULES = ['.oxlintrc.json', 'scripts/lint/owl.mjs', 'tsconfig.json', 'src/core/tsconfig.json'];

/** What is wrong in which file, and the name under which it must be told. */
const PLANTED: readonly (readonly [file: string, code: string, rule: string])[] = [
  ['src/core/clock.ts', 'export const t = (): number => Date.now();', 'eslint(no-restricted-properties)'],
  ['src/core/date.ts', 'export const t = (): number => new Date().getTime();', 'owl(no-clock)'],
  [
    'src/core/kind.ts',
    "export const isFork = (m: { mountKind: string } | null): boolean => m?.mountKind === 'forkOnWedge';",
    'owl(mount-kinds-in-table)',
  ],
  [
    'src/ui/kind.ts',
    'export function f({ mountKind }: { mountKind: string }): number {\n  switch (mountKind) {\n    default:\n      return 1;\n  }\n}',
    'owl(mount-kinds-in-table)',
  ],
  ['src/text/heavy.ts', "export const W = 'Two people above 20 kg.';", 'owl(no-units-in-words)'],
  ['src/text/long.ts', 'export const w = (n: string): string => `${n}, 200 m away`;', 'owl(no-units-in-words)'],
  [
    'tests/e2e/keyboard.spec.ts',
    'export const f = async (p: { focus: () => Promise<void> }): Promise<void> => p.focus();',
    'owl(keyboard-only)',
  ],
  ['src/core/chance.ts', 'export const r = (): number => Math.random();', 'eslint(no-restricted-properties)'],
  ['src/core/page.ts', 'export const w = (e: HTMLElement): number => e.offsetTop;', 'typescript(TS2304)'],
  ['src/storage/wrong.ts', "export const n: number = 'a';", 'typescript(TS2322)'],
  ['src/storage/index.ts', 'export const n = (a: number[]): number => a[0];', 'typescript(TS2322)'],
  [
    'src/storage/lost.ts',
    'const f = async (): Promise<void> => await 0 as never;\nf();',
    'typescript(no-floating-promises)',
  ],
  [
    'src/storage/any.ts',
    'export const f = (a: string): unknown => JSON.parse(a).b;',
    'typescript(no-unsafe-member-access)',
  ],
  [
    'src/storage/never.ts',
    'export const f = (a: string): number => (a === null ? 1 : 2);',
    'typescript(no-unnecessary-condition)',
  ],
  ['src/storage/kind.ts', 'export enum Kind {\n  A,\n}', 'typescript(TS1294)'],
  [
    'src/storage/long.ts',
    `export const f = (): void => {\n${'  Math.abs(1);\n'.repeat(41)}};`,
    'eslint(max-lines-per-function)',
  ],
  ['src/storage/whole.ts', 'export {};\n'.repeat(301), 'eslint(max-lines)'],
  ['src/storage/loud.ts', "console.log('a');", 'eslint(no-console)'],
  ['src/storage/only.ts', 'export default 1;', 'eslint(no-restricted-exports)'],
  [
    'src/ui/hook.tsx',
    "import { useState } from 'react';\nexport const useIt = (a: boolean): unknown => a && useState(0);",
    'react-hooks(rules-of-hooks)',
  ],
  [
    'src/ui/write.tsx',
    'export function A({ a }: { a: { b: number } }) {\n  a.b = 1;\n  return <p>{a.b}</p>;\n}',
    'react(immutability)',
  ],
  ['src/ui/needless.ts', '// oxlint-disable-next-line no-console\nexport const a = 1;', 'Unused oxlint-disable'],
  ['tests/unit/hook.test.ts', 'beforeEach(() => undefined);', 'owl(no-hook-of-file)'],
  ['scripts/plain.mjs', 'window2.close();', 'eslint(no-undef)'],
];

type Found = { filename: string; code?: string; message: string };

describe('lint', () => {
  it('tells each of the faults that it is there for, by its name, and nothing of a clean file', function () {
    this.timeout(60_000);
    const house = mkdtempSync(join(tmpdir(), 'owl-lint-'));
    try {
      for (const file of RULES) cpSync(join(root, file), join(house, file));
      symlinkSync(join(root, 'node_modules'), join(house, 'node_modules'));
      for (const [file, code] of [...PLANTED, ['src/core/good.ts', 'export const one = 1;\n']] as const) {
        mkdirSync(dirname(join(house, file)), { recursive: true });
        writeFileSync(join(house, file), code);
      }
      const bin = join(root, 'node_modules', 'oxlint', 'bin', 'oxlint');
      const { stdout } = spawnSync(process.execPath, [bin, '--format', 'json', 'src', 'tests', 'scripts/plain.mjs'], {
        cwd: house,
        encoding: 'utf8',
      });
      const { diagnostics } = JSON.parse(stdout) as { diagnostics: Found[] };
      for (const [file, , rule] of PLANTED) {
        const told = diagnostics.filter((d) => d.filename === file).map((d) => `${d.code ?? ''} ${d.message}`);
        expect(told.join('\n'), file).to.include(rule);
      }
      expect(diagnostics.filter((d) => d.filename === 'src/core/good.ts')).to.deep.equal([]);
    } finally {
      rmSync(house, { recursive: true, force: true });
    }
  });
});
