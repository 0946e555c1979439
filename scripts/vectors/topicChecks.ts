/** Which keys of each topic are compared, and how: the tolerance texts of the case files as code. */
import { asObject, Comparison } from './checks.ts';
import { budgetChecks } from './budgetChecks.ts';
import { logChecks } from './logChecks.ts';
import { clearanceChecks } from './clearanceChecks.ts';
import { isObject, type Json, type JsonObject } from '../compute/types.ts';

export type TopicCheck = (c: Comparison, input: JsonObject) => void;
const ARCSEC = 3600;
const HOUR_S = 3600;
const cosDeg = (deg: Json | undefined): number => Math.cos((Number(deg) * Math.PI) / 180);

function refractedAlt(c: Comparison): void {
  const alt = Number(c.expected['alt_deg']);
  c.near('refracted_alt_deg', alt > 15 ? 20 : alt >= 5 ? 60 : 240, { scale: ARCSEC });
}

function altAz(c: Comparison): void {
  c.near('alt_deg', c.tol('alt_arcsec'), { scale: ARCSEC });
  c.near('az_deg', c.tol('az_arcsec_times_cosalt'), { scale: ARCSEC * cosDeg(c.expected['alt_deg']), period: 360 });
}

function apparent(c: Comparison): void {
  c.near('ra_app_deg', c.tol('ra_app_arcsec_times_cosdec'), {
    scale: ARCSEC * cosDeg(c.expected['dec_app_deg']),
    period: 360,
  });
  c.near('dec_app_deg', c.tol('dec_app_arcsec'), { scale: ARCSEC });
}

const poleStars: TopicCheck = (c) => {
  apparent(c);
  altAz(c);
  refractedAlt(c);
  c.near('polar_distance_arcmin', c.tol('polar_distance_arcsec'), { scale: 60 });
  c.near('last_hours', c.tol('last_seconds_of_time'), { scale: HOUR_S, period: 24 });
  c.near('hour_angle_hours', c.tol('hour_angle_seconds_of_time'), { scale: HOUR_S, period: 24 });
  c.near('dial24', c.tol('dial24_seconds_of_time'), { scale: HOUR_S, period: 24 });
  c.near('cw_from_top_direct_deg', c.tol('cw_deg'), { period: 360 });
  c.near('cw_from_top_inverted_deg', c.tol('cw_deg'), { period: 360 });
  c.near('dial12_inverted', c.tol('dial12'), { period: 12 });
};

const altaz: TopicCheck = (c) => {
  apparent(c);
  altAz(c);
  refractedAlt(c);
  c.near('ha_hours', c.tol('ha_arcsec_times_cosdec'), {
    scale: 15 * ARCSEC * cosDeg(c.expected['dec_app_deg']),
    period: 24,
  });
};

const transits: TopicCheck = (c) => {
  c.time('transit_utc', c.tol('transit_s'));
  c.near('transit_alt_deg', c.tol('transit_alt_arcsec'), { scale: ARCSEC });
  apparent(c);
  for (const key of ['transit_side', 'never_rises', 'circumpolar']) c.exact(key);
  const [expected, actual] = [c.expected['at'], c.actual['at']];
  if (!Array.isArray(expected)) return;
  expected.forEach((one, i) => {
    const at = new Comparison(asObject(one), asObject(Array.isArray(actual) ? actual[i] : undefined), c.tolerance);
    altAz(at);
    at.near('ha_hours', c.tol('ha_seconds_of_time'), { scale: HOUR_S, period: 24 });
    c.checked += at.checked;
    c.misses.push(...at.misses.map((miss) => ({ ...miss, key: `at[${i}].${miss.key}` })));
  });
};

const nights: TopicCheck = (c) => {
  for (const name of ['sunset', 'sunrise', 'civil_dusk', 'civil_dawn', 'nautical_dusk', 'nautical_dawn'])
    c.time(name, c.tol(`${name}_s`));
  for (const name of ['astronomical_dusk', 'astronomical_dawn', 'moonrise', 'moonset'])
    c.time(name, c.tol(`${name}_s`));
  for (const key of ['moon_illumination', 'moon_target_sep_deg', 'moon_alt_deg', 'sun_alt_deg'])
    c.near(key, c.tol(key));
};

const magnetic: TopicCheck = (c) => {
  c.near('declination_deg', c.tol('declination_deg'), { period: 360 });
  for (const key of ['inclination_deg', 'h_nT', 'f_nT']) c.near(key, c.tol(key));
};

const fieldRotation: TopicCheck = (c) => {
  for (const key of ['parallactic_start_deg', 'parallactic_end_deg'])
    c.near(key, c.tol('parallactic_deg'), { period: 360 });
  c.near('rotation_deg', c.tol('rotation_deg'));
  for (const key of ['rate_start_arcsec_per_s', 'rate_mid_arcsec_per_s', 'rate_end_arcsec_per_s']) {
    c.near(key, Math.max(0.002, 0.001 * Math.abs(Number(c.expected[key]))));
  }
  c.eachNear('alt_deg', () => c.tol('alt_deg'));
  c.eachNear('az_deg', () => c.tol('az_deg'), 360);
};

const polarError: TopicCheck = (c, input) => {
  for (const key of ['drift_dec_arcsec', 'drift_ra_arcsec', 'field_rotation_arcsec']) c.near(key, c.tol(key));
  c.near('field_rotation_guided_arcsec', 0.05 / cosDeg(input['dec_deg']));
  const size =
    0.26252 * Math.hypot(Number(input['alt_err_arcmin']), Number(input['az_err_arcmin']) * cosDeg(input['lat']));
  c.near('dec_drift_rate_start_arcsec_per_min', Math.max(0.02, 0.02 * size));
};

const dial: TopicCheck = (c, input) => {
  const inDegrees = input['numbering'] === 'deg';
  c.near('uprightAngleDeg', 0.01, { period: 360 });
  c.near('viewAngleDeg', 0.01, { period: 360 });
  c.near('reading', inDegrees ? 0.01 : 0.001, { period: inDegrees ? 360 : input['numbering'] === '24h' ? 24 : 12 });
  c.near('ringFraction', c.tol('ringFraction'));
};

function balanceLimit(key: string, expected: number): number {
  if (key.endsWith('KgM2')) return 1e-4 * Math.abs(expected);
  return key.endsWith('Nm') ? 0.001 : 0.0001;
}

type Limit = (key: string, expected: number) => number;

/** One list of the known answer: objects one by one, numbers one by one, anything else exactly. */
function compareList(c: Comparison, value: Json[], found: Json, limit: Limit, [key, label]: [string, string]): void {
  const list = Array.isArray(found) ? found : [];
  if (list.length !== value.length) c.exactValues(label, value, found);
  if (value.some((v) => typeof v === 'object')) {
    value.forEach((one, i) => compareTree(c, asObject(one), asObject(list[i]), limit, `${label}[${i}].`));
  } else if (value.every((v) => typeof v === 'number')) {
    value.forEach((one, i) => c.nearValues(`${label}[${i}]`, one, list[i] ?? null, limit(key, one)));
  } else c.exactValues(label, value, found);
}

/** Every key of the known answer: numbers by their unit, words and flags exactly. */
function compareTree(c: Comparison, expected: JsonObject, actual: JsonObject, limit: Limit, path = ''): void {
  for (const [key, value] of Object.entries(expected)) {
    const found = actual[key] ?? null;
    const label = `${path}${key}`;
    if (Array.isArray(value)) compareList(c, value, found, limit, [key, label]);
    else if (isObject(value)) compareTree(c, value, asObject(found), limit, `${label}.`);
    else if (typeof value === 'number') c.nearValues(label, value, found, limit(key, value));
    else c.exactValues(label, value, found);
  }
}

const balance: TopicCheck = (c) => compareTree(c, c.expected, c.actual, balanceLimit);

/** First-order figures are for reading only. */
const level: TopicCheck = (c) => {
  const exact = Object.fromEntries(Object.entries(c.expected).filter(([key]) => !key.startsWith('smallAngle')));
  compareTree(c, exact, c.actual, (key) => (key.endsWith('Deg') ? 0.0001 : 0.01));
};

const PER_MILLE = 0.001;

function knobLimit(key: string, expected: number, learned: boolean): number {
  if (key === 'totalArcmin') return Math.max(0.02, 0.002 * Math.abs(expected));
  if (key === 'outliers') return 0;
  if (learned) return key === 'deadTurns' ? 0.06 : 0.08 * Math.abs(expected);
  return Math.max(1e-9, PER_MILLE * Math.abs(expected));
}

/** Figures of other estimators are for reading only. */
const INFORMATIVE = new Set(['theilSenGainArcminPerTurn', 'theilSenDeadTurns', 'plainLeastSquaresGain']);

const knobs: TopicCheck = (c, input) => {
  const held = Object.fromEntries(Object.entries(c.expected).filter(([key]) => !INFORMATIVE.has(key)));
  compareTree(c, held, c.actual, (key, value) => knobLimit(key, value, input['kind'] === 'learn'));
};

function tripodLimit(key: string, expected: number): number {
  if (key.endsWith('DegPerEdge') || key.endsWith('Deg')) return 0.01;
  if (key.endsWith('N') || key.endsWith('MPerS')) return PER_MILLE * Math.abs(expected);
  return key === 'weakestEdge' ? 0 : 0.0001;
}

const tripod: TopicCheck = (c) => compareTree(c, c.expected, c.actual, tripodLimit);

const power: TopicCheck = (c) =>
  compareTree(c, c.expected, c.actual, (key, value) => (key === 'fuseA' ? 0 : 0.0005 * Math.abs(value)));

const optics: TopicCheck = (c) =>
  compareTree(c, c.expected, c.actual, (key, value) => {
    if (key.startsWith('factor')) return 0.0001;
    if (key === 'polarErrorArcmin') return 0.001 * Math.abs(value);
    return Math.abs(value) < 0.1 ? 1e-4 : 2e-4 * Math.abs(value);
  });

/** Half a percent of the light; of its magnitudes as well, but a thousandth at least. */
const moonlight: TopicCheck = (c) => {
  const share = (key: string, least: number): number => Math.max(least, 0.005 * Math.abs(Number(c.expected[key])));
  c.near('moonNanoLamberts', share('moonNanoLamberts', 1e-9));
  c.near('skyMagArcsec2', 0.0054);
  c.near('brighteningMag', share('brighteningMag', 0.001));
};

/** Lengths to two thousandths of a millimetre, everything else exactly; what a case does not tell is not asked. */
const backfocus: TopicCheck = (c) => {
  for (const key of ['glassAllowanceMm', 'neededMechanicalMm', 'neededFromPiecesMm']) c.near(key, 0.002);
  if (c.has('stacksThatScrewTogether')) c.exact('stacksThatScrewTogether');
  c.exact('withinTolerance');
  if (c.has('best'))
    compareTree(c, { best: c.expected['best'] ?? null }, { best: c.actual['best'] ?? null }, () => 0.002);
  if (c.has('purchase'))
    compareTree(
      c,
      { purchase: c.expected['purchase'] ?? null },
      { purchase: c.actual['purchase'] ?? null },
      () => 0.002,
    );
};

export const topicChecks: Record<string, TopicCheck> = {
  clearance: clearanceChecks,
  moonlight,
  backfocus,
  'pole-stars': poleStars,
  altaz,
  transits,
  nights,
  magnetic,
  'field-rotation': fieldRotation,
  'polar-error': polarError,
  dial,
  balance,
  level,
  knobs,
  tripod,
  power,
  optics,
  budget: budgetChecks,
  logs: logChecks,
};
