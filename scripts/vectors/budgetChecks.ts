/** The roundness budget's comparison. */
import { asObject, type Comparison } from './checks.ts';
import type { Json, JsonObject } from '../compute/types.ts';

type Item = { item: string; fall: number };

function itemsOf(value: Json | undefined): Item[] {
  return (Array.isArray(value) ? value : []).map((one) => {
    const o = asObject(one);
    return { item: JSON.stringify(o['item']), fall: Number(o['fall']) };
  });
}

/** What does nothing need not be listed. */
function compareItems(c: Comparison, stretch90: number): void {
  const limit = 0.02 + 0.015 * stretch90;
  const found = itemsOf(c.actual['items']);
  for (const { item, fall } of itemsOf(c.expected['items'])) {
    c.nearValues(`${item}.fall`, fall, found.find((f) => f.item === item)?.fall ?? 0, limit);
  }
  found.slice(1).forEach(({ item, fall }, i) => {
    const before = found[i]?.fall ?? 0;
    c.nearValues(`${item} after a larger fall`, 0, Math.max(0, fall - before), 0);
  });
}

export function budgetChecks(c: Comparison, input: JsonObject): void {
  const share = 0.015;
  c.near('evenFwhmArcsec', 0.003 * Number(c.expected['evenFwhmArcsec']));
  for (const key of ['stretch50', 'stretch90', 'centreStretch90']) c.near(key, share * Number(c.expected[key]));
  const shareLimit = input['curve'] === undefined ? 0.03 : 0.05;
  for (const key of ['shareRound', 'shareAcceptable']) c.near(key, shareLimit);
  const stretch90 = Number(c.expected['stretch90']);
  const nearLimit = [1.1, 1.25].some((limit) => Math.abs(stretch90 - limit) <= share * limit);
  if (!nearLimit) c.exact('verdict');
  compareItems(c, stretch90);
}
