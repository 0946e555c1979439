import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..', '..', '..');

describe('compute from the shell', () => {
  const folder = mkdtempSync(join(tmpdir(), 'compute-'));
  after(() => rmSync(folder, { recursive: true }));
  const run = (topic: string, content: string) => {
    const file = join(folder, 'input.json');
    writeFileSync(file, content);
    const args = ['--import', 'tsx', join(root, 'scripts', 'compute.ts'), topic, file];
    const { status, stdout, stderr } = spawnSync(process.execPath, args, { cwd: root, encoding: 'utf8' });
    return { status, stdout, stderr };
  };

  it('prints one JSON object and nothing else, and answers good cases beside bad ones', () => {
    const cases = [
      { id: 'w', in: { kind: 'wire', lengthM: 3, currentA: 5, areaMm2: 1.5, supplyV: 12 } },
      { in: { kind: 'wire', lengthM: -3, currentA: 5, areaMm2: 1.5, supplyV: 12 } },
    ];
    const { status, stdout } = run('power', JSON.stringify({ cases }));
    expect(status).to.equal(0);
    const printed = JSON.parse(stdout) as { cases: Record<string, unknown>[] };
    expect(printed.cases[0]).to.deep.include({ id: 'w' });
    expect((printed.cases[0]!['out'] as { dropV: number }).dropV).to.be.closeTo(0.344, 1e-9);
    expect(printed.cases[1]).to.have.property('error').that.includes('lengthM');
  });

  it('exits with 2 for what it cannot read, saying which file', () => {
    const broken = run('power', '{"cases": [');
    expect([broken.status, broken.stdout]).to.deep.equal([2, '']);
    expect(broken.stderr).to.include('input.json');
    expect(run('nonsense', '{"cases": []}').status).to.equal(2);
  });
});
