/** What really hangs on an axis, for simulations: masses times arms, added up plainly. */
import type { RaBalanceInput } from '../../src/core/mount/balance.ts';

/** + = the tube's side drops. */
export function tubeSideMomentKgM(rig: RaBalanceInput, weightsAtM: number): number {
  let momentKgM = -rig.bar.massKg * rig.bar.centreM;
  for (const part of rig.parts) momentKgM += part.massKg * part.fromRaAxisM;
  for (const fixed of rig.fixedWeights) momentKgM -= fixed.massKg * fixed.positionM;
  for (const weight of rig.movableWeights) momentKgM -= weight.massKg * weightsAtM;
  return momentKgM;
}
