/** What a rig has that words, checks and controls may speak of: the table of mount kinds joined with drive, optics and power. */
import { motorsOf } from '../mount/motors.ts';
import { mountTraits } from '../mount/mountKinds.ts';
import { mountHasBar, type RigNumbers } from './rigNumbers.ts';

export const RIG_THINGS = [
  'mount',
  'motor',
  'slew',
  'clutches',
  'bar',
  'flip',
  'polarAxis',
  'polarFinder',
  'knobs',
  'scale',
  'circles',
  'cables',
  'legs',
  'camera',
  'eye',
] as const;
/** `cables`: to motors or a camera. `scale`: of latitude. `circles`: what the hand points by. `motor`: something follows the stars. `slew`: it finds them by itself, on both axes. `eye`: somebody looks through it. */
export type RigThing = (typeof RIG_THINGS)[number];
export type RigHas = ReadonlySet<RigThing>;

/** What of a rig's numbers is asked. */
export type RigParts = Pick<RigNumbers, 'mount' | 'support' | 'eyepiece'> & Partial<Pick<RigNumbers, 'masses'>>;

/** A drive that needs no weights may carry some all the same. */
const hangsOnBar = (masses: RigParts['masses']): boolean =>
  masses !== undefined && (masses.bar.massKg > 0 || masses.weights.length > 0);

const NOT_SAID = { drive: undefined, adjusters: undefined, finder: undefined };

/** Of the mount and what carries it. Without a mount nothing is left out: nobody said yet what is missing. */
function ofMount({
  mount,
  support,
  masses,
}: RigParts): Record<Exclude<RigThing, 'camera' | 'eye' | 'cables'>, boolean> {
  const traits = mountTraits(mount);
  const motors = motorsOf(mount);
  const onLegs = traits.standsOn === 'legs';
  const unknown = mount === null;
  const { drive, adjusters, finder } = mount ?? NOT_SAID;
  return {
    mount: !unknown,
    motor: motors !== 'none',
    slew: motors === 'both',
    clutches: traits.clutches && drive !== 'strainWave',
    bar: unknown || mountHasBar(mount) || hangsOnBar(masses),
    flip: unknown || traits.flips,
    polarAxis: traits.hasPolarAxis,
    scale: traits.hasPolarAxis && onLegs,
    circles: motors !== 'both' && traits.hasPolarAxis && onLegs && !traits.isTracker,
    knobs: adjusters !== null,
    polarFinder: finder !== null,
    legs: onLegs && support?.supportKind !== 'pier',
  };
}

export function rigHas(numbers: RigParts): RigHas {
  const eye = numbers.eyepiece !== null;
  const mount = ofMount(numbers);
  const has: Record<RigThing, boolean> = { ...mount, camera: !eye, eye, cables: mount.motor || !eye };
  return new Set(RIG_THINGS.filter((thing) => has[thing]));
}
