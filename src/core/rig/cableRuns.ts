/** How long a cable must be so that it never pulls: from the ground up to the device, with slack for the whole sweep. */
import type { Part, PartOf } from '../records/part.ts';
import type { Placed, Rig } from '../records/rig.ts';
import { pivotHeightM } from './pivot.ts';

/** Tied off at the saddle with a loop this long. */
const TIE_LOOP_M = 0.3;
/** From a battery beside the leg to a device that stands on the ground. */
const ON_GROUND_M = 1;
type Place = Pick<Placed, 'on' | 'fromRaAxisM' | 'alongTubeM'>;
const ON_HEAD: Place = { on: 'head', fromRaAxisM: 0, alongTubeM: 0 };

/** A device that is not placed by itself belongs to the camera's end of the tube when it serves camera or optics, else
 *  to the head. */
function placeOf(rig: Rig, load: PartOf<'load'>): Place {
  const own = rig.placed.find((p) => p.partId === load.id);
  if (own) return own;
  const atCamera = load.use === 'camera' || load.use === 'cooler' || load.use === 'heater';
  return (atCamera ? rig.placed.find((p) => p.partId === rig.cameraId) : undefined) ?? ON_HEAD;
}

/** Up to the axes, out to the device, and a loop; a device on the tube swings from one side of the column to the other,
 *  so its distance from the polar axis counts twice. */
export function cableNeededM(rig: Rig, parts: ReadonlyMap<string, Part>, load: PartOf<'load'>): number {
  const { on, fromRaAxisM, alongTubeM } = placeOf(rig, load);
  if (on === 'ground') return ON_GROUND_M;
  const [mount, support] = [parts.get(rig.mountId), parts.get(rig.supportId)];
  const upM = pivotHeightM(mount?.kind === 'mount' ? mount : null, support?.kind === 'support' ? support : null);
  return on === 'head' ? upM + TIE_LOOP_M : upM + 2 * Math.abs(fromRaAxisM) + Math.abs(alongTubeM) + TIE_LOOP_M;
}
