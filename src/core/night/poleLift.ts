import { refractionArcmin } from '../sky/refraction.ts';

/** How much higher the pole stands that the air shows, arcmin: 1.2 at 40 degrees. */
export function poleLiftArcmin(latDeg: number): number {
  return refractionArcmin(Math.abs(latDeg));
}
