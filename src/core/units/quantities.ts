/** Quantities as people read them, in the metric or the imperial system. Records stay metric (kg, m, mm); conversion
 *  happens here and nowhere else. Factors are the international pound and inch (1959), exact. */
export type UnitSystem = 'metric' | 'imperial';

export type QuantityKind =
  | 'mass'
  | 'barLength'
  | 'length'
  | 'smallLength'
  | 'moment'
  | 'inertia'
  | 'elevation'
  | 'angleDeg'
  | 'arcmin'
  | 'arcsec'
  | 'hours'
  | 'seconds'
  | 'minutes'
  | 'percent'
  | 'ratio'
  | 'pixelUm'
  | 'opticsMm'
  | 'imageScale'
  | 'count'
  | 'temperature'
  | 'temperatureStep'
  | 'volts'
  | 'amps'
  | 'ampHours'
  | 'watts'
  | 'areaMm2'
  | 'torque'
  | 'speed'
  | 'focusUm'
  | 'pixels'
  | 'driftRate'
  | 'guideRate'
  | 'skyMag'
  | 'magnitude'
  | 'gigabytes';

/** Shown = base x perBase + offset; only temperatures have an offset. */
export type UnitOf = { symbol: string; perBase: number; decimals: number; offset?: number };

const KG_PER_LB = 0.45359237;
const M_PER_IN = 0.0254;
const STANDARD_GRAVITY = 9.80665;
const same = (symbol: string, decimals: number, perBase = 1): Record<UnitSystem, UnitOf> => {
  const unit = { symbol, perBase, decimals };
  return { metric: unit, imperial: unit };
};

/** The base unit of each kind is the stored one: kg, m, kg m, kg m^2, N m, m/s, deg, arcmin, arcsec, h, s, um, mm, C, V,
 *  A, Ah, W. */
const UNITS: Record<QuantityKind, Record<UnitSystem, UnitOf>> = {
  mass: {
    metric: { symbol: 'kg', perBase: 1, decimals: 2 },
    imperial: { symbol: 'lb', perBase: 1 / KG_PER_LB, decimals: 2 },
  },
  barLength: {
    metric: { symbol: 'mm', perBase: 1000, decimals: 0 },
    imperial: { symbol: 'in', perBase: 1 / M_PER_IN, decimals: 2 },
  },
  length: {
    metric: { symbol: 'm', perBase: 1, decimals: 3 },
    imperial: { symbol: 'in', perBase: 1 / M_PER_IN, decimals: 2 },
  },
  smallLength: {
    metric: { symbol: 'mm', perBase: 1000, decimals: 1 },
    imperial: { symbol: 'in', perBase: 1 / M_PER_IN, decimals: 3 },
  },
  moment: {
    metric: { symbol: 'kg m', perBase: 1, decimals: 3 },
    imperial: { symbol: 'lb in', perBase: 1 / (KG_PER_LB * M_PER_IN), decimals: 1 },
  },
  inertia: {
    metric: { symbol: 'kg m²', perBase: 1, decimals: 3 },
    imperial: { symbol: 'lb in²', perBase: 1 / (KG_PER_LB * M_PER_IN ** 2), decimals: 0 },
  },
  elevation: {
    metric: { symbol: 'm', perBase: 1, decimals: 0 },
    imperial: { symbol: 'ft', perBase: 1 / 0.3048, decimals: 0 },
  },
  angleDeg: same('°', 1),
  arcmin: same('′', 1),
  arcsec: same('″', 2),
  hours: same('h', 2),
  seconds: same('s', 0),
  minutes: same('min', 0),
  percent: same('%', 0, 100),
  ratio: same('', 2),
  pixelUm: same('µm', 2),
  opticsMm: same('mm', 1),
  imageScale: same('″/px', 2),
  count: same('', 0),
  skyMag: same('mag/″²', 2),
  magnitude: same('mag', 1),
  gigabytes: same('GB', 1),
  temperature: {
    metric: { symbol: '°C', perBase: 1, decimals: 0 },
    imperial: { symbol: '°F', perBase: 1.8, decimals: 0, offset: 32 },
  },
  /** A difference of two temperatures. */
  temperatureStep: {
    metric: { symbol: '°C', perBase: 1, decimals: 1 },
    imperial: { symbol: '°F', perBase: 1.8, decimals: 1 },
  },
  volts: same('V', 1),
  amps: same('A', 2),
  ampHours: same('Ah', 1),
  watts: same('W', 1),
  areaMm2: same('mm²', 2),
  torque: {
    metric: { symbol: 'N m', perBase: 1, decimals: 1 },
    imperial: { symbol: 'lbf ft', perBase: 1 / (KG_PER_LB * STANDARD_GRAVITY * M_PER_IN * 12), decimals: 1 },
  },
  speed: {
    metric: { symbol: 'km/h', perBase: 3.6, decimals: 0 },
    imperial: { symbol: 'mph', perBase: 3600 / (M_PER_IN * 12 * 5280), decimals: 0 },
  },
  focusUm: same('µm', 0),
  pixels: same('px', 1),
  driftRate: same('″/min', 2),
  guideRate: same('″/s', 2),
};

export function unitOf(kind: QuantityKind, system: UnitSystem): UnitOf {
  return UNITS[kind][system];
}

/** From the stored base unit to the number the user reads. */
export function toDisplay(base: number, kind: QuantityKind, system: UnitSystem): number {
  const { perBase, offset = 0 } = UNITS[kind][system];
  return base * perBase + offset;
}

/** From the number the user typed to the stored base unit; inverse of `toDisplay`. */
export function fromDisplay(shown: number, kind: QuantityKind, system: UnitSystem): number {
  const { perBase, offset = 0 } = UNITS[kind][system];
  return (shown - offset) / perBase;
}

/** A stored value as finely as its unit is shown, so that a field holds what a sentence says. */
export function asShown(base: number, kind: QuantityKind, system: UnitSystem): number {
  return fromDisplay(Number(toDisplay(base, kind, system).toFixed(unitOf(kind, system).decimals)), kind, system);
}

/** A number with fixed decimals, a true minus sign and no "-0". */
export function formatNumber(value: number, decimals: number): string {
  const text = value.toFixed(decimals);
  const isZero = Number(text) === 0;
  return isZero ? text.replace('-', '') : text.replace('-', '−');
}

const withUnit = (number: string, symbol: string): string => {
  if (symbol === '') return number;
  return /^([°′″%]$|″)/.test(symbol) ? `${number}${symbol}` : `${number} ${symbol}`;
};

/** Number and unit, `3.50 kg` or `7.72 lb`; degree, arcminute and arcsecond signs stand without a space. */
export function formatQuantity(base: number, kind: QuantityKind, system: UnitSystem, decimals?: number): string {
  const unit = unitOf(kind, system);
  return withUnit(formatNumber(toDisplay(base, kind, system), decimals ?? unit.decimals), unit.symbol);
}

/** One sigma of a quantity without an offset, `±0.2′`. Never told as none: what rounds to nothing stands as one step. */
export function formatDoubt(sigma: number, kind: QuantityKind, system: UnitSystem, decimals?: number): string {
  const unit = unitOf(kind, system);
  const places = decimals ?? unit.decimals;
  return `±${withUnit(formatNumber(Math.max(toDisplay(sigma, kind, system), 10 ** -places), places), unit.symbol)}`;
}
