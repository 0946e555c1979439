/** How the answer for a tracking log is compared: the tolerance texts of the case file as code. */
import { asObject, type Comparison } from './checks.ts';
import type { Json, JsonObject } from '../compute/types.ts';

const of = (object: JsonObject, key: string): number => Number(object[key]);
const listOf = (value: Json | undefined): JsonObject[] => (Array.isArray(value) ? value.map(asObject) : []);

/** Every harmonic that was put in, by its number; none besides. */
function harmonics(c: Comparison): void {
  const found = new Map(listOf(c.actual['harmonics']).map((h) => [of(h, 'k'), h]));
  const expected = listOf(c.expected['harmonics']);
  c.exactValues(
    'harmonics.k',
    expected.map((h) => of(h, 'k')),
    [...found.keys()],
  );
  for (const h of expected) {
    const one = asObject(found.get(of(h, 'k')));
    const amplitude = of(h, 'amplitude_arcsec');
    c.nearValues(
      `h${of(h, 'k')}.amplitude`,
      amplitude,
      one['amplitude_arcsec'] ?? null,
      Math.max(0.3, 0.1 * amplitude),
    );
    c.nearValues(`h${of(h, 'k')}.phase`, of(h, 'phase_deg'), one['phase_deg'] ?? null, 12, 1, 360);
  }
}

function gaps(c: Comparison): void {
  const [expected, found] = [listOf(c.expected['gaps']), listOf(c.actual['gaps'])];
  c.exactValues('gaps', expected.length, found.length);
  expected.forEach((gap, i) => {
    for (const key of ['after_t_s', 'length_s'])
      c.nearValues(`gaps[${i}].${key}`, gap[key] ?? null, found[i]?.[key] ?? null, of(c.expected, 'cadence_s'));
  });
}

/** Drift of an unfinished swing is no drift: it is compared where a period can be told, and where there is none. */
function drifts(c: Comparison): void {
  const unfinished = c.expected['period_determinable'] === false && of(c.expected, 'peak_to_peak_arcsec') > 0;
  for (const axis of unfinished ? ['dec'] : ['ra', 'dec']) {
    const key = `${axis}_drift_arcsec_per_min`;
    c.near(key, Math.max(0.1, 0.05 * Math.abs(of(c.expected, key))));
  }
}

function periods(c: Comparison): void {
  if (c.expected['period_determinable'] === false) {
    for (const key of ['fundamental_period_s', 'peak_to_peak_arcsec']) c.exactValues(key, null, c.actual[key] ?? null);
    return;
  }
  const periodS = of(c.expected, 'fundamental_period_s');
  c.near('fundamental_period_s', (of(c.expected, 'cycles_covered') >= 3 ? 0.02 : 0.05) * periodS);
  c.near('peak_to_peak_arcsec', Math.max(0.5, 0.1 * of(c.expected, 'peak_to_peak_arcsec')));
  harmonics(c);
  for (const axis of ['ra', 'dec']) {
    const key = `rms_residual_${axis}_arcsec`;
    c.near(key, 0.15 * of(c.expected, key));
  }
}

export function logChecks(c: Comparison): void {
  periods(c);
  drifts(c);
  c.exact('sample_count');
  gaps(c);
  for (const axis of ['ra', 'dec']) {
    const key = `guided_rms_${axis}_arcsec`;
    if (c.has(key)) c.near(key, 0.03 * of(c.expected, key));
  }
}
