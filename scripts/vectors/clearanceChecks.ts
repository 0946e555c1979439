/** The clearance's comparison: lists by hour angle, and closest pairs of which any of the listed is right. */
import { asObject, type Comparison } from './checks.ts';
import type { Json } from '../compute/types.ts';

const rows = (value: Json | undefined): Json[] => (Array.isArray(value) ? value : []);

function oneOfListed(c: Comparison, key: string, listed: Json | undefined, found: Json | undefined): void {
  const names = rows(listed);
  c.exactValues(
    key,
    true,
    names.some((name) => name === found),
  );
}

function compareSide(c: Comparison, side: 'west' | 'east'): void {
  const found = rows(c.actual[side]).map(asObject);
  rows(c.expected[side]).forEach((one, i) => {
    const wanted = asObject(one);
    const got = found[i] ?? {};
    const key = `${side}[${i}]`;
    c.nearValues(`${key}.hourAngleH`, wanted['hourAngleH'] ?? null, got['hourAngleH'] ?? null, 1e-9);
    for (const figure of ['clearanceM', 'barClearanceM'])
      c.nearValues(`${key}.${figure}`, wanted[figure] ?? null, got[figure] ?? null, c.tol(figure));
    oneOfListed(c, `${key}.closest`, wanted['closest'], got['closest']);
  });
}

/** The file tells this limit in words. */
const LIMIT_H = 0.01;

export function clearanceChecks(c: Comparison): void {
  compareSide(c, 'west');
  compareSide(c, 'east');
  c.near('limitH', LIMIT_H);
  c.near('shiftM', c.tol('shiftM'));
  if (c.has('closestAtLimit'))
    oneOfListed(c, 'closestAtLimit', c.expected['closestAtLimit'], c.actual['closestAtLimit']);
}
