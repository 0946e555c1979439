/** The roundness budget's comparison: tolerances are wider where a case integrates a curve or refraction. */
import { asObject, type Comparison } from './checks.ts';
import type { Json, JsonObject } from '../compute/types.ts';

type Item = { item: string; fall: number; sigmaArcsec: number };

function itemsOf(value: Json | undefined): Item[] {
  return (Array.isArray(value) ? value : []).map((one) => {
    const o = asObject(one);
    return { item: JSON.stringify(o['item']), fall: Number(o['fall']), sigmaArcsec: Number(o['sigmaArcsec']) };
  });
}

function compareCovariances(c: Comparison, share: number): void {
  const [expected, actual] = [asObject(c.expected['covariances']), asObject(c.actual['covariances'])];
  for (const [point, values] of Object.entries(expected)) {
    const known = Array.isArray(values) ? values.map(Number) : [];
    const found = actual[point];
    const limit = share * Math.max(...known.map(Math.abs));
    known.forEach((value, i) =>
      c.nearValues(`${point}[${i}]`, value, Array.isArray(found) ? (found[i] ?? null) : null, limit),
    );
  }
}

function compareItems(c: Comparison, fallLimit: number, sigmaShare: number): void {
  const known = itemsOf(c.expected['items']);
  const found = itemsOf(c.actual['items']);
  for (const item of known) {
    const match = found.find((f) => f.item === item.item);
    c.nearValues(`${item.item}.fall`, item.fall, match?.fall ?? null, fallLimit);
    c.nearValues(
      `${item.item}.sigma`,
      item.sigmaArcsec,
      match?.sigmaArcsec ?? null,
      Math.max(1e-6, sigmaShare * item.sigmaArcsec),
    );
  }
  known.forEach((first, i) => {
    for (const second of known.slice(i + 1)) {
      if (first.fall - second.fall <= Math.max(fallLimit, 0.0005)) continue;
      const order = found.findIndex((f) => f.item === first.item) - found.findIndex((f) => f.item === second.item);
      c.nearValues(`order ${first.item} before ${second.item}`, -1, Math.sign(order), 0);
    }
  });
}

export function budgetChecks(c: Comparison, input: JsonObject): void {
  const wide = input['curve'] !== undefined || input['refraction'] !== undefined;
  const ratioShare = wide ? 0.02 : 0.003;
  compareCovariances(c, wide ? 0.04 : 0.005);
  c.eachNear('ratios', (value) => ratioShare * value);
  const worst = Number(c.expected['worstRatio']);
  c.near('worstRatio', ratioShare * worst);
  for (const key of ['fwhmMajorArcsec', 'fwhmMinorArcsec']) c.near(key, ratioShare * Number(c.expected[key]));
  const nearLimit = [1.1, 1.25].some((limit) => Math.abs(worst - limit) <= ratioShare * limit);
  if (!nearLimit) c.exact('verdict');
  compareItems(c, wide ? 0.02 : 0.003, wide ? 0.03 : 0.005);
  c.near('fallPolarTogether', wide ? 0.02 : 0.003);
  c.near('fieldRotationArcmin', 1e-6 + 0.005 * Number(c.expected['fieldRotationArcmin']));
  compareExtras(c);
}

/** Figures that only some cases state. */
function compareExtras(c: Comparison): void {
  if (c.has('decDriftArcsecPerMin'))
    c.near('decDriftArcsecPerMin', 1e-6 + 0.01 * Math.abs(Number(c.expected['decDriftArcsecPerMin'])));
  if (c.has('polarErrorArcmin')) c.near('polarErrorArcmin', 0.005 * Number(c.expected['polarErrorArcmin']));
  if (c.has('zenithDistanceDeg')) c.near('zenithDistanceDeg', 0.01);
  if (c.has('refractionDriftArcsec'))
    c.near('refractionDriftArcsec', 0.02 * Number(c.expected['refractionDriftArcsec']));
}
