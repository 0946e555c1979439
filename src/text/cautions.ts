/** Every caution once: where it stands, and what a rig must have, or lack, for it to be said. */
import type { Step } from '../core/records/reading.ts';
import type { Format } from './format.ts';
import { inUnits } from './inUnits.ts';
import type { RigHas, RigThing } from '../core/rig/rigHas.ts';

type Caution = {
  words: string;
  at: readonly Step[];
  /** On which line of the night card. */
  card?: number;
  needs?: readonly RigThing[];
  lacks?: readonly RigThing[];
};

const CAUTIONS: readonly Caution[] = [
  { words: 'Never aim at the sun without a proper filter over the whole aperture.', at: ['light-path'] },
  { words: 'Start threads by hand, so that none is crossed.', at: ['light-path'], needs: ['camera'] },
  { words: 'Spread and lock the legs before loading.', at: ['payload'], needs: ['legs'] },
  { words: 'Lift anything over {20 kg} with two people.', at: ['payload'] },
  {
    words: 'Fuse every battery at the battery; mains outdoors only behind a residual-current device.',
    at: ['payload'],
    needs: ['motor'],
  },
  {
    words: 'Weights on before the tube, off after it. The end stop stays on.',
    at: ['balance'],
    card: 0,
    needs: ['bar'],
  },
  { words: 'One hand on the tube whenever a clutch opens.', at: ['balance'], needs: ['clutches'] },
  { words: 'One hand on the tube until it stays by itself.', at: ['balance'], lacks: ['clutches', 'slew'] },
  { words: 'Hold the tube whenever a clutch opens.', at: [], card: 1, needs: ['clutches'] },
  {
    words: 'Hold the tube whenever a clutch opens.',
    at: ['meridian', 'watch'],
    needs: ['clutches'],
    lacks: ['motor'],
  },
  {
    words: 'Carry it over before it nears a leg.',
    at: ['meridian'],
    card: 2,
    needs: ['flip', 'legs'],
    lacks: ['motor'],
  },
  { words: 'Never push an axis while its clutch is tight.', at: ['tracking'], card: 1, needs: ['clutches'] },
  { words: 'Never push an axis of this drive.', at: ['tracking'], card: 1, needs: ['slew'], lacks: ['clutches'] },
  { words: 'Cables free before every slew and the flip.', at: [], card: 2, needs: ['flip', 'slew'] },
  { words: 'Cables free before the flip.', at: ['meridian', 'watch'], needs: ['flip', 'motor'] },
  { words: 'Cables free before the flip.', at: [], card: 2, needs: ['flip', 'motor'], lacks: ['slew'] },
  { words: 'Cables free before every slew.', at: ['tracking'], needs: ['slew'] },
  { words: 'Cables free before every slew.', at: ['meridian'], card: 2, needs: ['slew'], lacks: ['flip'] },
  {
    words: 'Be at the mount for the first flip with a new rig.',
    at: ['meridian', 'watch'],
    card: 2,
    needs: ['flip', 'motor'],
  },
  { words: 'Never look at the sun.', at: ['level'] },
  { words: 'Keep the phone and the compass away from iron and magnets.', at: ['level'], needs: ['polarAxis'] },
  { words: 'Watch your feet and the dark ground.', at: ['level'] },
  { words: 'Never look for the sun through the polar finder.', at: ['polar'], needs: ['polarFinder'] },
  {
    words: 'Loosen one azimuth knob as you follow with the other, and finish the altitude upward.',
    at: ['polar'],
    needs: ['knobs'],
  },
  { words: 'Never look for the sun through finder or tube.', at: ['pointing'] },
  { words: 'A pointing laser is dangerous near aircraft: follow local law.', at: ['pointing'] },
  { words: 'Tell someone where you are.', at: ['watch'] },
  {
    words: 'Unload with the weights straight down: camera and tube first, weights last.',
    at: ['logbook'],
    needs: ['bar', 'camera'],
  },
  {
    words: 'Unload with the weights straight down: the tube first, weights last.',
    at: ['logbook'],
    needs: ['bar', 'eye'],
  },
  { words: 'Take the tube off before you move what carries it.', at: ['logbook'], lacks: ['bar'] },
  {
    words: 'Never look for the sun through tube, finder or polar finder.',
    at: [],
    card: 3,
    needs: ['polarFinder'],
  },
  { words: 'Never look for the sun through tube or finder.', at: [], card: 3, lacks: ['polarFinder'] },
];

const isOf = (has: RigHas, { needs = [], lacks = [] }: Caution): boolean =>
  needs.every((thing) => has.has(thing)) && !lacks.some((thing) => has.has(thing));

/** The cautions of a station for what this rig has; null where there is none. */
export function cautionOf(step: Step, has: RigHas, f: Format): string | null {
  const said = CAUTIONS.filter((one) => one.at.includes(step) && isOf(has, one)).map((one) => one.words);
  return said.length === 0 ? null : inUnits(said.join(' '), f);
}

/** What no card goes without, by lines. */
export function cardCautions(has: RigHas): readonly string[] {
  const lines = [0, 1, 2, 3].map((line) =>
    CAUTIONS.filter((one) => one.card === line && isOf(has, one))
      .map((one) => one.words)
      .join(' '),
  );
  return lines.filter((line) => line !== '');
}
