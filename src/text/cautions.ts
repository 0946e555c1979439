/** The caution that belongs to each station. */
import type { Motors } from '../core/mount/motors.ts';
import type { Step } from '../core/records/reading.ts';

const CAUTIONS: Record<Step, string> = {
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

/** Where the hand turns, nothing slews. */
const BY_HAND: Partial<Record<Step, string>> = {
  meridian: 'Hold the tube whenever a clutch opens. Carry it over before it nears a leg.',
  tracking: 'Never push an axis while its clutch is tight.',
  watch: 'Hold the tube whenever a clutch opens. Tell someone where you are.',
};

export const cautionOf = (step: Step, motors: Motors): string =>
  (motors === 'none' ? BY_HAND[step] : undefined) ?? CAUTIONS[step];
