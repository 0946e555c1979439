/** Lengths and masses inside fixed sentences: written `{20 kg}`, told in the user's units. */
import type { QuantityKind } from '../core/units/quantities.ts';
import type { Format } from './format.ts';

const KINDS: Record<string, { kind: QuantityKind; perUnit: number }> = {
  kg: { kind: 'mass', perUnit: 1 },
  m: { kind: 'elevation', perUnit: 1 },
  mm: { kind: 'barLength', perUnit: 0.001 },
};

/** `two people above {20 kg}` as `two people above 44 lb`. */
export const inUnits = (words: string, f: Format): string =>
  words.replaceAll(/\{([\d.]+) (kg|mm|m)\}/g, (whole, amount: string, unit: string) => {
    const found = KINDS[unit];
    return found ? f.quantity(Number(amount) * found.perUnit, found.kind, 0) : whole;
  });
