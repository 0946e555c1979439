import { expect } from 'chai';
import { runInNewContext } from 'node:vm';
import ts from 'typescript';
import { changesIn, withSwitches } from '../../../scripts/mutants/mutate.ts';

/** What a source gives with one change awake. */
function evaluated(source: string, awake: number): unknown {
  const text = withSwitches(
    source,
    changesIn(source).map((c, id) => ({ ...c, id })),
  );
  const js = ts.transpile(text.replace('export const', 'const'), { target: ts.ScriptTarget.ES2023 });
  const value: unknown = runInNewContext(`${js}; JSON.stringify(value);`, { __changed: (id: number) => id === awake });
  return JSON.parse(String(value)) as unknown;
}

describe('small changes of a source', () => {
  it('are one sign, comparison, constant, term or choice each', () => {
    const written = (source: string) => changesIn(source).map((c) => `${c.from} => ${c.to}`);
    expect(written('const a = b * Math.cos(c);')).to.deep.equal([
      'b * Math.cos(c) => b / Math.cos(c)',
      'b * Math.cos(c) => b',
      'Math.cos(c) => Math.sin(c)',
    ]);
    expect(written('if (-x <= 36) y = list.findLast(f) ?? 0;')).to.deep.equal([
      '-x <= 36 => -x < 36',
      '-x <= 36 => -x > 36',
      '-x => x',
      '36 => 45',
      'list.findLast(f) ?? 0 => list.findLast(f)',
      'list.findLast(f) => list.find(f)',
      '0 => 1',
    ]);
    expect(written('const ok = a && !b ? true : c;')).to.deep.equal([
      'a && !b ? true : c => a && !b ? c : true',
      'a && !b => a || !b',
      '!b => b',
      'true => false',
    ]);
  });

  it('leave types and imports alone', () => {
    expect(
      changesIn("import { a } from './1.ts';\ntype T = 1 | -1;\nconst f = (x: 0 | 1): x is 1 => g(x);"),
    ).to.deep.equal([]);
  });

  it('sleep in the source until one is awake, also within each other', () => {
    const source = 'export const value = [1 + 2 * 3, Math.max(4, -5), true ? 6 : 7] as const;';
    const changes = changesIn(source);
    expect(evaluated(source, -1)).to.deep.equal([7, 4, 6]);
    const awake = (from: string, to: string) =>
      evaluated(
        source,
        changes.findIndex((c) => c.from === from && c.to === to),
      );
    expect(awake('1 + 2 * 3', '1 - 2 * 3')).to.deep.equal([-5, 4, 6]);
    expect(awake('2 * 3', '2')).to.deep.equal([3, 4, 6]);
    expect(awake('3', '4')).to.deep.equal([9, 4, 6]);
    expect(awake('Math.max(4, -5)', 'Math.min(4, -5)')).to.deep.equal([7, -5, 6]);
    expect(awake('true ? 6 : 7', 'true ? 7 : 6')).to.deep.equal([7, 4, 7]);
  });
});
