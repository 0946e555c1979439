/** Balance about the declination axis and across it. Positions in m from the saddle's centre: along the tube + = front,
 *  sideways at right angles to tube and declination axis. Moments in kg m (without g), torques in N m. */
import { sum } from './levers.ts';
import { STANDARD_GRAVITY } from './tripod.ts';

export type MassAlong = { id: string; massKg: number; alongTubeM: number; slides: boolean };

export type DecBalance = {
  /** + = the front end drops with the tube level. */
  momentKgM: number;
  centreOfMassM: number | null;
  /** How far the sliding parts must move, + = toward the front; null when nothing slides. */
  slideM: number | null;
  heavyEnd: 'front' | 'rear' | 'none';
};

const BALANCED_KG_M = 1e-9;

/** By how far to slide the tube in its rings: minus the moment over the mass that slides. */
export function decBalance(parts: readonly MassAlong[]): DecBalance {
  const momentKgM = sum(parts, (p) => p.massKg * p.alongTubeM);
  const totalKg = sum(parts, (p) => p.massKg);
  const slidingKg = sum(
    parts.filter((p) => p.slides),
    (p) => p.massKg,
  );
  const end = momentKgM > 0 ? 'front' : 'rear';
  return {
    momentKgM,
    centreOfMassM: totalKg > 0 ? momentKgM / totalKg : null,
    slideM: slidingKg > 0 ? -momentKgM / slidingKg : null,
    heavyEnd: Math.abs(momentKgM) < BALANCED_KG_M ? 'none' : end,
  };
}

export type MassAside = { id: string; massKg: number; alongTubeM: number; sidewaysM: number };

export type SidewaysBalance = {
  sidewaysMomentKgM: number;
  centreSidewaysM: number | null;
  torqueTubeLevelNm: number;
  torqueTubeUpNm: number;
  /** With the tube at 45 degrees; positive sideways is the upper side of a level tube. */
  torqueTubeAt45Nm: number;
};

/** Magnitudes of the torque about a level declination axis in three positions of the tube. */
export function sidewaysBalance(parts: readonly MassAside[]): SidewaysBalance {
  const along = sum(parts, (p) => p.massKg * p.alongTubeM);
  const aside = sum(parts, (p) => p.massKg * p.sidewaysM);
  const totalKg = sum(parts, (p) => p.massKg);
  return {
    sidewaysMomentKgM: aside,
    centreSidewaysM: totalKg > 0 ? aside / totalKg : null,
    torqueTubeLevelNm: Math.abs(along) * STANDARD_GRAVITY,
    torqueTubeUpNm: Math.abs(aside) * STANDARD_GRAVITY,
    torqueTubeAt45Nm: Math.abs(along - aside) * Math.SQRT1_2 * STANDARD_GRAVITY,
  };
}

/** How far to shift one piece sideways so that the tube stands straight up by itself; null when it is not there. */
export function sidewaysShiftM(parts: readonly MassAside[], partId: string): number | null {
  const moved = parts.find((p) => p.id === partId);
  return moved && moved.massKg > 0 ? -sidewaysBalance(parts).sidewaysMomentKgM / moved.massKg : null;
}

/** The mass that cancels the sideways moment at a place; null when none can. */
export function counterMassKg(parts: readonly MassAside[], atSidewaysM: number): number | null {
  const massKg = -sidewaysBalance(parts).sidewaysMomentKgM / atSidewaysM;
  return Number.isFinite(massKg) && massKg > 0 ? massKg : null;
}
