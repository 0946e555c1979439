/** npm run vectors -- DIR [TOPIC]: compares every case with its known answer; exit 1 when one is out or none was run. */
import { runVectors, type CaseResult } from './vectors/runVectors.ts';

function describe(result: CaseResult): string {
  const misses = result.misses
    .slice(0, 4)
    .map((m) => `${m.key}: ${JSON.stringify(m.actual)} for ${JSON.stringify(m.expected)} (limit ${String(m.limit)})`);
  return `  case ${result.index}: ${result.error ?? (misses.join('; ') || 'nothing to compare')}`;
}

function main([folder, topic]: string[]): number {
  if (!folder) {
    console.error('usage: npm run vectors -- DIR [TOPIC]');
    return 2;
  }
  let [same, out] = [0, 0];
  const row = (cells: (string | number)[]) =>
    console.log(cells.map((cell, i) => String(cell).padEnd(i === 0 ? 16 : 10)).join(''));
  row(['topic', 'cases', 'same', 'out', 'not computed', '  figures']);
  for (const result of runVectors(folder, topic)) {
    const count = (status: CaseResult['status']) => result.cases.filter((c) => c.status === status).length;
    if (!result.known) {
      row([result.topic, '-', '-', '-', 'topic not computed']);
      continue;
    }
    same += count('same');
    out += count('out');
    row([
      result.topic,
      result.cases.length,
      count('same'),
      count('out'),
      count('not computed'),
      `  ${result.cases.reduce((n, c) => n + c.checked, 0)}`,
    ]);
    for (const one of result.cases.filter((c) => c.status === 'out').slice(0, 5)) console.log(describe(one));
  }
  console.log(`${same} same, ${out} out`);
  return out > 0 || same === 0 ? 1 : 0;
}

process.exitCode = main(process.argv.slice(2));
