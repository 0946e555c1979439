/** Under this latitude the stars about the pole stay in the haze. */
const LOWEST_POLE_DEG = 2;

/** Do the stars stand high enough by which the pole is found? */
export const polarStarsStand = (latDeg: number): boolean => Math.abs(latDeg) >= LOWEST_POLE_DEG;
