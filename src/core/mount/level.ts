/** A tripod's feet and its level. Azimuths from true north through east.
 *  Source: three feet on a plane; a tilt is the sum of its slopes along two lines at right angles. */
import { RAD_PER_DEG, wrap360 } from '../math/angles.ts';
import { requirePositive, requireRange } from '../result.ts';
import { tiltFromSlopes, type Tilt } from './tiltedBase.ts';

/** Level to this is good: an aligned axis tracks the same on a slant; only scale and adjusters gain from more. */
export const LEVEL_GOOD_DEG = 0.5;
/** What a phone's tilt is good for after it was turned round, one sigma. */
export const PHONE_SIGMA_DEG = 0.3;

/** Azimuths of the three feet. */
export function footAzimuthsDeg(firstFootAzimuthDeg: number): [number, number, number] {
  return [wrap360(firstFootAzimuthDeg), wrap360(firstFootAzimuthDeg + 120), wrap360(firstFootAzimuthDeg + 240)];
}

export type LegStretch = {
  azimuthDeg: number;
  /** How much the base rises there. */
  liftM: number;
  /** How much longer the leg becomes, along the leg. */
  stretchM: number;
};

/** How much each leg must be drawn out to bring the base level, spread and locked, the leg on the highest ground left as
 *  it is. Legs 0.5 m out under a hub 0.9 m high, 1 degree up toward a leg: the other two by 15.0 mm, which lifts the base
 *  there by 13.1 mm. Exact on even sloping ground.
 *  @param tilt slope of the base, 0 to 45 degrees, and true azimuth of its high side. */
export function legStretches(
  { tiltDeg, uphillAzimuthDeg }: Tilt,
  tripod: { footRadiusM: number; firstFootAzimuthDeg: number; hubHeightM: number },
): LegStretch[] {
  requireRange('tiltDeg', tiltDeg, 0, 45);
  requirePositive('footRadiusM', tripod.footRadiusM);
  requirePositive('hubHeightM', tripod.hubHeightM);
  const { footRadiusM, hubHeightM } = tripod;
  const legM = Math.hypot(footRadiusM, hubHeightM);
  const feet = footAzimuthsDeg(tripod.firstFootAzimuthDeg).map((azimuthDeg) => ({
    azimuthDeg,
    // Ground under the foot against the ground under the hub.
    heightM: footRadiusM * Math.tan(tiltDeg * RAD_PER_DEG) * Math.cos((azimuthDeg - uphillAzimuthDeg) * RAD_PER_DEG),
  }));
  const highestM = Math.max(...feet.map((f) => f.heightM));
  return feet.map(({ azimuthDeg, heightM }) => {
    const liftM = highestM - heightM;
    return { azimuthDeg, liftM, stretchM: (liftM * legM) / (hubHeightM + heightM) };
  });
}

/** A round level: the bubble stands toward the high side, `rings` widths of its ring from the middle.
 *  @param ringDeg what the level's ring stands for. */
export function tiltFromBubble(rings: number, ringDeg: number, towardAzimuthDeg: number): Tilt {
  return { tiltDeg: rings * ringDeg, uphillAzimuthDeg: wrap360(towardAzimuthDeg) };
}

/** A phone lying on the base: `frontBackDeg` + = its top edge high, `leftRightDeg` + = its right edge low, as devices
 *  report them. */
export type PhoneTilt = { frontBackDeg: number; leftRightDeg: number };

/** Tilt of the base from two readings of a phone, its top edge once toward the pole and once away from it: what stays
 *  with the phone is its own error and drops out. */
export function tiltFromTurnedPhone(toPole: PhoneTilt, away: PhoneTilt, latDeg: number): Tilt {
  const poleUp = (toPole.frontBackDeg - away.frontBackDeg) / 2;
  // The right edge lies east when the top looks north, west when it looks south.
  const rightUp = -(toPole.leftRightDeg - away.leftRightDeg) / 2;
  return latDeg < 0 ? tiltFromSlopes(-poleUp, -rightUp) : tiltFromSlopes(poleUp, rightUp);
}
