/** The eight points of the compass by name. */

const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const;
export type CompassPoint = (typeof COMPASS)[number];
export const COMPASS_POINTS: readonly { name: CompassPoint; azimuthDeg: number }[] = COMPASS.map((name, i) => ({
  name,
  azimuthDeg: i * 45,
}));

/** The nearest of the eight points. */
export function compassPoint(azimuthDeg: number): CompassPoint {
  return COMPASS[Math.round(azimuthDeg / 45) % 8] ?? 'north';
}
