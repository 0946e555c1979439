/** How long a battery lasts. Currents in A on the battery's own side, charges in Ah at its own voltage. */
import { sum } from '../mount/levers.ts';
import { requirePositive, requireRange } from '../result.ts';

export type Chemistry = 'lead' | 'lithiumIron' | 'powerBank' | 'other';

/** A cell inside a power bank; what is printed on it in mAh counts at this voltage. */
export const CELL_V = 3.7;
/** What a power bank's own converter passes on: 20,000 mAh = 74 Wh give about 5.2 Ah at 12 V. */
export const POWER_BANK_EFFICIENCY = 0.85;

const WARM_C = 20;
const COLD_C = -10;
/** Share of the charge left at -10 C. Lead as its makers' tables say; lithium iron loses half as much, stated here as a
 *  rule; an unknown kind counts as lead. */
const LEFT_WHEN_COLD: Record<Chemistry, number> = { lead: 0.7, other: 0.7, lithiumIron: 0.85, powerBank: 0.85 };
const LEAST_LEFT = 0.4;

/** Share of the charge that the cold leaves: 1 from 20 C up, then a straight line through -10 C. Lead at 5 C: 0.85. */
export function coldFactor(chemistry: Chemistry, temperatureC: number): number {
  const perDegree = (1 - LEFT_WHEN_COLD[chemistry]) / (WARM_C - COLD_C);
  return Math.max(LEAST_LEFT, 1 - perDegree * Math.max(0, WARM_C - temperatureC));
}

/** Charge at the voltage that the battery gives. A power bank's printed figure counts at its cells' voltage. */
export function chargeAh(printedAh: number, voltageV: number, chemistry: Chemistry): number {
  requirePositive('voltageV', voltageV);
  return chemistry === 'powerBank' ? ((printedAh * CELL_V) / voltageV) * POWER_BANK_EFFICIENCY : printedAh;
}

/** Current drawn from a battery by a device that takes a power, through a converter or not. */
export function batterySideA(powerW: number, batteryV: number, converterEfficiency = 1): number {
  requirePositive('batteryV', batteryV);
  requireRange('converterEfficiency', converterEfficiency, 0.01, 1);
  return powerW / batteryV / converterEfficiency;
}

/** One device on a battery. `hoursH` null = the whole night. */
export type Draw = { currentA: number; duty: number; peakA: number | null; hoursH: number | null };

export type Need = {
  drawnAh: number;
  /** What the battery must hold for that, with its usable share and the cold. */
  neededAh: number;
  /** All devices at their peaks at once. */
  peakA: number;
  /** Null when a device runs for part of the night only. */
  averageA: number | null;
};

/** drawn = sum of A x h x duty; needed = drawn / (usable share x cold). 32 Ah drawn, lead at half depth, 0.7 cold: 91 Ah. */
export function chargeNeeded(draws: readonly Draw[], nightH: number, usableDepth: number, cold: number): Need {
  requirePositive('usableDepth x cold', usableDepth * cold);
  const drawnAh = sum(draws, (d) => d.currentA * d.duty * (d.hoursH ?? nightH));
  return {
    drawnAh,
    neededAh: drawnAh / (usableDepth * cold),
    peakA: sum(draws, (d) => d.peakA ?? d.currentA),
    averageA: draws.some((d) => d.hoursH !== null) ? null : sum(draws, (d) => d.currentA * d.duty),
  };
}

/** How long a charge lasts at an average current; null when nothing is drawn. */
export function hoursUntilEmptyH(
  capacityAh: number,
  usableDepth: number,
  cold: number,
  averageA: number,
): number | null {
  return averageA > 0 ? (capacityAh * usableDepth * cold) / averageA : null;
}

export type FuelPoint = { atMs: number; leftAh: number; share: number };

/** Charge left through the night, hour by hour and at the end; `share` is of what may be used, and goes below 0 when it
 *  ends too early. */
export function fuelLine(usableAh: number, averageA: number, fromMs: number, toMs: number): FuelPoint[] {
  requirePositive('usableAh', usableAh);
  const hourMs = 3_600_000;
  const hours = Math.max(0, Math.floor((toMs - fromMs) / hourMs));
  const times = Array.from({ length: hours + 1 }, (_, i) => fromMs + i * hourMs);
  if ((times.at(-1) ?? fromMs) < toMs) times.push(toMs);
  return times.map((atMs) => {
    const leftAh = usableAh - (averageA * (atMs - fromMs)) / hourMs;
    return { atMs, leftAh, share: leftAh / usableAh };
  });
}
