/** One device on its way from the battery: what it draws on the battery's side, and what voltage reaches it. */
import type { Chemistry } from './battery.ts';
import { batterySideA } from './battery.ts';
import { wireDrop } from './wire.ts';

/** A battery at the end of the night and under load, as a share of its nominal voltage. A power bank's electronics hold
 *  it; the others sag: rules of thumb until the battery was measured. */
export const END_VOLTAGE_SHARE: Record<Chemistry, number> = {
  lead: 0.95,
  lithiumIron: 0.95,
  powerBank: 1,
  other: 0.93,
};

/** Two nominal voltages this close are the same supply (12 V devices on 12.8 V cells). */
const SAME_SUPPLY_SHARE = 0.15;

export type Device = { currentA: number | null; powerW: number | null; peakA: number | null; supplyV: number };
export type Converter = { outputV: number; efficiency: number; maxA: number | null };
export type CableRun = { lengthM: number; areaMm2: number | null };

export type SupplyMatch = 'direct' | 'converted' | 'mismatch';

/** Does the device get the kind of voltage it wants. */
export function supplyMatch(supplyV: number, batteryV: number, converter: Converter | null): SupplyMatch {
  const givenV = converter?.outputV ?? batteryV;
  if (Math.abs(givenV - supplyV) > SAME_SUPPLY_SHARE * supplyV) return 'mismatch';
  return converter ? 'converted' : 'direct';
}

/** Current at the device's own voltage, A; 0 when neither current nor power is known. */
export function deviceCurrentA({ currentA, powerW, supplyV }: Device): number {
  return currentA ?? (powerW ?? 0) / supplyV;
}

/** The same current seen by the battery: through a converter the power counts. A 5 W device at 5 V behind a converter of
 *  90 % takes 0.46 A from 12 V. */
export function seenByBatteryA(deviceA: number, device: Device, batteryV: number, converter: Converter | null): number {
  return converter ? batterySideA(deviceA * device.supplyV, batteryV, converter.efficiency) : deviceA;
}

/** Voltage lost in all cables of known cross-section at the device's running current, V. */
export function cablesDropV(cables: readonly CableRun[], currentA: number, supplyV: number): number {
  return cables.reduce(
    (total, { lengthM, areaMm2 }) =>
      areaMm2 === null ? total : total + wireDrop(lengthM, currentA, areaMm2, supplyV).dropV,
    0,
  );
}
