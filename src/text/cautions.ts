/** The caution that belongs to each station. */
import type { Step } from '../core/records/reading.ts';

export const CAUTIONS: Record<Step, string> = {
  'light-path':
    'Never aim at the sun without a proper filter over the whole aperture. Start threads by hand, so that none is crossed.',
  payload:
    'Spread and lock the legs before loading. Lift anything over 20 kg with two people. Fuse every battery at the battery; mains outdoors only behind a residual-current device.',
  meridian: 'Cables free before the flip. Be at the mount for the first flip with a new rig.',
  level:
    'Never look at the sun. Keep the phone and the compass away from iron and magnets. Watch your feet and the dark ground.',
  balance:
    'Weights on before the tube, off after it. The end stop stays on. One hand on the tube whenever a clutch opens.',
  polar:
    'Never look for the sun through the polar finder. Loosen one azimuth knob as you follow with the other, and finish the altitude upward.',
  pointing:
    'Never look for the sun through finder or tube. A pointing laser is dangerous near aircraft: follow local law.',
  tracking: 'Never push an axis while its clutch is tight. Cables free before every slew.',
  watch: 'Cables free before the flip. Be at the mount for the first flip with a new rig. Tell someone where you are.',
  logbook: 'Unload with the weights straight down: camera and tube first, weights last.',
};
