/** How high the eye is at the polar finder, and what that says about the length of the legs. */
import { RAD_PER_DEG } from '../math/angles.ts';

/** From where the axes cross down to the finder's eyepiece, along the polar axis; a rule of thumb. */
const CROSSING_TO_EYE_M = 0.2;
/** Lower than this nobody looks up through it on their knees. */
const LOWEST_EYE_M = 0.75;
/** Differences under this are not worth a leg's clamp. */
const WORTH_M = 0.05;

export type HeightAdvice = { code: 'lower' | 'raise' | 'right'; byM: number; eyeM: number };

/** Height of the finder's eyepiece over the ground: the eye looks up along the axis from its lower end.
 *  Pivot 1.25 m high at latitude 40.33: 1.12 m. */
export function finderEyeM(pivotHeightM: number, latDeg: number): number {
  return pivotHeightM - CROSSING_TO_EYE_M * Math.sin(Math.abs(latDeg) * RAD_PER_DEG);
}

/** As low as stillness wants, as high as the eye needs. */
export function heightAdvice(pivotHeightM: number, latDeg: number): HeightAdvice {
  const eyeM = finderEyeM(pivotHeightM, latDeg);
  const byM = Math.abs(eyeM - LOWEST_EYE_M);
  if (byM < WORTH_M) return { code: 'right', byM: 0, eyeM };
  return { code: eyeM > LOWEST_EYE_M ? 'lower' : 'raise', byM, eyeM };
}
