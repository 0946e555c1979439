/** What befalls a log before somebody drops it into a page. */
import { within, type Random } from '../../src/core/math/random.ts';
import type { Written } from './logForms.ts';

/** `told`: the drive is still in it, and must be found; `either`: found, or not told; `never`: nothing may be told of a period. */
export type Expected = 'told' | 'either' | 'never';
export type Disorder = {
  expected: (isDated: boolean) => Expected;
  rows?: (rows: Written[], random: Random) => Written[];
  lines?: (lines: string[], random: Random) => string[];
  /** Times of a clock are cut to its minutes. */
  times?: 'minutes';
};

const told = (): Expected => 'told';
const either = (): Expected => 'either';
const datedOnly = (isDated: boolean): Expected => (isDated ? 'told' : 'either');

const pick = (random: Random, count: number): number => Math.floor(random() * count);
const withCell = (rows: Written[], is: (i: number) => boolean, put: (row: Written) => Written): Written[] =>
  rows.map((row, i) => (is(i) ? put(row) : row));
const both = (word: string) => (row: Written) => ({ ...row, ra: word, dec: word });
const NO_VALUE = ['n/a', 'k.A.', '---', '', 'NaN', 'sin dato', '?', 'null', 'perdu'];

function shuffled<T>(items: T[], random: Random): T[] {
  const mixed = [...items];
  for (let i = mixed.length - 1; i > 0; i -= 1) {
    const k = pick(random, i + 1);
    [mixed[i], mixed[k]] = [mixed[k] as T, mixed[i] as T];
  }
  return mixed;
}

/** A heading stays first. */
const afterHead = (change: (lines: string[], random: Random) => string[]) => (lines: string[], random: Random) => [
  ...lines.slice(0, 1),
  ...change(lines.slice(1), random),
];

export const DISORDERS = {
  none: { expected: told },
  shuffled: { expected: datedOnly, lines: afterHead(shuffled) },
  newestFirst: { expected: told, lines: afterHead((lines) => lines.reverse()) },
  partsSwapped: {
    expected: datedOnly,
    lines: afterHead((lines, random) => {
      const at = Math.floor(lines.length * within(random, 0.3, 0.7));
      return [...lines.slice(at), ...lines.slice(0, at)];
    }),
  },
  linesDoubled: { expected: told, lines: afterHead((lines) => lines.flatMap((line) => [line, line])) },
  appendedToItself: { expected: told, lines: (lines) => [...lines, ...lines] },
  oneStrayTime: {
    expected: told,
    rows: (rows, random) => {
      const at = Math.min(rows.length - 1, 20 + pick(random, Math.max(1, rows.length - 40)));
      const off = random() < 0.5 ? -(rows[at]?.timeS ?? 0) : 3600;
      return withCell(
        rows,
        (i) => i === at,
        (row) => ({ ...row, timeS: row.timeS + off }),
      );
    },
  },
  clockSetBack: {
    expected: told,
    rows: (rows, random) => {
      const [at, by] = [Math.floor(rows.length * within(random, 0.3, 0.7)), within(random, 120, 400)];
      return withCell(
        rows,
        (i) => i >= at,
        (row) => ({ ...row, timeS: row.timeS - by }),
      );
    },
  },
  rowsLostACell: {
    expected: told,
    lines: afterHead((lines, random) =>
      lines.map((line) => (random() < 0.01 ? line.replace(/^[^,;\t]*[,;\t]/, '') : line)),
    ),
  },
  wordsForNoValue: {
    expected: told,
    rows: (rows, random) => {
      const word = NO_VALUE[pick(random, NO_VALUE.length)] ?? '';
      return withCell(rows, (i) => i < 3 || random() < 0.06, both(word));
    },
  },
  lostStarCode: { expected: told, rows: (rows) => withCell(rows, (i) => i % 10 === 3, both('999')) },
  leaps: {
    expected: told,
    rows: (rows, random) =>
      withCell(
        rows,
        () => random() < 0.004,
        (row) => ({ ...row, ra: String(within(random, 60, 300)), dec: String(within(random, -300, -60)) }),
      ),
  },
  stuck: {
    expected: told,
    rows: (rows, random) => {
      const at = pick(random, Math.max(1, rows.length - 120));
      const held = rows[at] as Written;
      return withCell(
        rows,
        (i) => i > at && i < at + 100,
        (row) => ({ ...row, ra: held.ra, dec: held.dec }),
      );
    },
  },
  hole: {
    expected: told,
    rows: (rows, random) => {
      const at = Math.floor(rows.length * within(random, 0.3, 0.6));
      return rows.filter((_, i) => i < at || i > at + 60);
    },
  },
  farApart: { expected: either, rows: (rows) => rows.filter((_, i) => i % 101 === 0) },
  minutesOnly: { expected: told, times: 'minutes' },
  constant: { expected: () => 'never', rows: (rows) => rows.map((row) => ({ ...row, ra: '1.5', dec: '-0.5' })) },
  airOnly: {
    expected: () => 'never',
    rows: (rows, random) => rows.map((row) => ({ ...row, ra: (random() + random() - 1).toFixed(3) })),
  },
  wandering: {
    expected: () => 'never',
    rows: (rows, random) => {
      let at = 0;
      return rows.map((row) => ({ ...row, ra: (at += random() - 0.5).toFixed(3) }));
    },
  },
  tooShort: { expected: either, rows: (rows) => rows.slice(0, 150) },
} satisfies Record<string, Disorder>;
export type DisorderName = keyof typeof DISORDERS;
