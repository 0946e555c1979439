/** One turn of a worm: its waves, and what they do together. */
import { RAD_PER_DEG } from '../math/angles.ts';

export type Harmonic = { k: number; amplitudeArcsec: number; phaseDeg: number };

/** What worm and harmonics do at a part of the turn, 0 to 1. */
export const turnAt = (harmonics: readonly Harmonic[], part: number): number =>
  harmonics.reduce(
    (sum, h) => sum + h.amplitudeArcsec * Math.sin(2 * Math.PI * h.k * part + h.phaseDeg * RAD_PER_DEG),
    0,
  );

const TURN_STEPS = 720;

export function peakToPeak(harmonics: readonly Harmonic[]): number {
  const course = Array.from({ length: TURN_STEPS }, (_, i) => turnAt(harmonics, i / TURN_STEPS));
  return Math.max(...course) - Math.min(...course);
}

/** The same waves begun so that the worm's own stands where another's does: the beginning of a turn is nobody's. */
export function alignedTo(harmonics: readonly Harmonic[], other: readonly Harmonic[]): Harmonic[] {
  const phaseOf = (waves: readonly Harmonic[]): number => waves.find((h) => h.k === 1)?.phaseDeg ?? 0;
  const byDeg = phaseOf(other) - phaseOf(harmonics);
  return harmonics.map((h) => ({ ...h, phaseDeg: h.phaseDeg + h.k * byDeg }));
}
