/** The order in which a rig is put together, by mount and by what it is made of. Words, reasons and cautions stand in
 *  the text layer. */
import { mountTraits } from '../mount/mountKinds.ts';
import { motorsOf, type Motors } from '../mount/motors.ts';
import { rigHas, type RigHas } from './rigHas.ts';
import { rearEndOf, type RearEnd } from './lookerPlace.ts';
import { balancesTubeAlone, type RigNumbers } from './rigNumbers.ts';

export const ASSEMBLY_LIST = 'assembly';

/** Steps that are done by hand and ticked. */
export const HAND_STEPS = [
  'spreadLegs',
  'boardDown',
  'platformDown',
  'boxOn',
  'tubeInBox',
  'finderOn',
  'poleLeg',
  'headOn',
  'wedgeOn',
  'trackerOn',
  'barIn',
  'weightsOn',
  'endStop',
  'ballHeadOn',
  'bracketOn',
  'tubeOn',
  'ringScrews',
  'tug',
  'cameraOn',
  'guideOn',
  'dress',
  'roughBalance',
  'cablesLast',
  'cablesLastDriven',
  'home',
  'homeBare',
  'clutchTight',
  'powerOn',
  'handsOff',
] as const;
/** Steps that have a bench of their own, where they are recorded. */
export const BENCH_STEPS = [
  'level',
  'bearing',
  'latitude',
  'roughPole',
  'balance',
  'focus',
  'pole',
  'poleCheck',
] as const;

export type HandStep = (typeof HAND_STEPS)[number];
export type BenchStep = (typeof BENCH_STEPS)[number];
export type AssemblyStep = HandStep | BenchStep;

/** What of a rig changes how a step is said: what stands at the tube's rear end, whether two opposed knobs of the head hold a
 *  peg of its tripod between them, where a tube is balanced alone, and what there is at all. */
export type Hands = {
  rear: RearEnd;
  hasPeg: boolean;
  tubeAlone: TubeAlone | null;
  phone: boolean;
  hasHome: boolean;
  has: RigHas;
};
/** Between a fork's arms, or on round bearings in a box. */
export type TubeAlone = 'fork' | 'box';

export const tubeAloneOn = (mount: RigNumbers['mount']): TubeAlone | null =>
  !balancesTubeAlone(mount) ? null : mountTraits(mount).holds === 'rocker' ? 'box' : 'fork';

export const handsOf = (numbers: RigNumbers): Hands => ({
  rear: rearEndOf(numbers),
  tubeAlone: tubeAloneOn(numbers.mount),
  phone: numbers.camera?.bodyKind === 'phone',
  hasHome: motorsOf(numbers.mount) === 'both',
  has: rigHas(numbers),
  hasPeg: mountTraits(numbers.mount).knobsOnHead && numbers.mount?.adjusters?.azimuth.paired === true,
});

type Traits = {
  pier: boolean;
  bar: boolean;
  guide: boolean;
  rings: boolean;
  camera: boolean;
  motors: Motors;
  tubeAlone: boolean;
  clutches: boolean;
};

function traitsOf({ support, masses, mount, eyepiece }: RigNumbers, kinds: ReadonlySet<string>): Traits {
  return {
    pier: support?.supportKind === 'pier',
    bar: masses.bar.massKg > 0 || masses.weights.length > 0,
    guide: kinds.has('guideScope'),
    rings: kinds.has('rings'),
    camera: eyepiece === null,
    motors: motorsOf(mount),
    tubeAlone: balancesTubeAlone(mount),
    clutches: mountTraits(mount).clutches,
  };
}

const when = (condition: boolean, ...steps: AssemblyStep[]): AssemblyStep[] => (condition ? steps : []);

/** Bearing before the head's iron comes near, latitude before the load bends the bolt, a rough balance before both clutches
 *  stand open for the cables, these swept before home is set, power when all of it stands. A strain-wave drive has no clutch to open: its sweep is tried by slewing. Home is what a
 *  controller counts from: a mount without one has none. */
function german({ pier, bar, guide, rings, camera, motors }: Traits, strainWave: boolean): AssemblyStep[] {
  return [
    ...when(!pier, 'spreadLegs', 'poleLeg', 'level', 'bearing'),
    'headOn',
    ...when(!pier, 'latitude'),
    ...when(bar, 'barIn', 'weightsOn', 'endStop'),
    'tubeOn',
    ...when(rings, 'ringScrews'),
    'tug',
    ...when(camera, 'cameraOn'),
    ...when(guide, 'guideOn'),
    'dress',
    ...when(!strainWave && motors !== 'none' && bar, 'roughBalance'),
    ...when(!strainWave && motors !== 'none', 'cablesLast'),
    ...when(!strainWave && bar, 'balance'),
    motors !== 'both' ? 'clutchTight' : bar ? 'home' : 'homeBare',
    ...when(motors !== 'none', 'powerOn'),
    ...when(strainWave, 'cablesLastDriven'),
    'pole',
    'focus',
  ];
}

/** A tracker's pole is looked for before the camera blocks its finder, and once more when all is on; then nothing above the
 *  clutch is touched. */
function tracker({ bar, guide, motors }: Traits, bracket: boolean): AssemblyStep[] {
  return [
    'spreadLegs',
    'level',
    'wedgeOn',
    'trackerOn',
    'roughPole',
    ...when(bracket && bar, 'bracketOn', 'barIn', 'weightsOn', 'endStop'),
    ...when(!bracket, 'ballHeadOn'),
    'cameraOn',
    ...when(guide, 'guideOn'),
    'dress',
    ...when(bracket && bar, 'roughBalance'),
    'cablesLast',
    ...when(bracket && bar, 'balance'),
    'clutchTight',
    ...when(motors !== 'none', 'powerOn'),
    'focus',
    'poleCheck',
    'handsOff',
  ];
}

/** A box on the ground: nothing is aligned but what one looks with. */
function floor({ camera, motors }: Traits): AssemblyStep[] {
  return [
    ...(motors === 'none' ? when(true, 'boardDown') : when(true, 'platformDown', 'level', 'bearing', 'roughPole')),
    'boxOn',
    'tubeInBox',
    ...when(camera, 'cameraOn'),
    'finderOn',
    'dress',
    'balance',
    ...when(motors !== 'none', 'powerOn'),
    'focus',
  ];
}

function fork({ pier, guide, camera, motors, tubeAlone, clutches }: Traits, wedge: boolean): AssemblyStep[] {
  return [
    ...when(!pier, 'spreadLegs', 'level'),
    ...when(wedge && !pier, 'bearing'),
    ...when(wedge, 'wedgeOn'),
    'headOn',
    'tubeOn',
    'tug',
    ...when(camera, 'cameraOn'),
    ...when(guide, 'guideOn'),
    'dress',
    ...when(tubeAlone, 'balance'),
    ...when(motors !== 'none', 'cablesLast', 'clutchTight', 'powerOn'),
    ...when(motors === 'none' && clutches, 'clutchTight'),
    ...when(wedge, 'pole'),
    'focus',
  ];
}

/** Steps in order; without a mount the list is empty. `kinds`: kinds of all parts of the rig. */
export function assemblyOf(numbers: RigNumbers, kinds: ReadonlySet<string>): AssemblyStep[] {
  const traits = traitsOf(numbers, kinds);
  const { mount } = numbers;
  if (!mount) return [];
  const { order, holds, hasPolarAxis } = mountTraits(mount);
  switch (order) {
    case 'german':
      return german(traits, mount.drive === 'strainWave');
    case 'tracker':
      return tracker(traits, holds === 'bracket');
    case 'fork':
      return fork(traits, hasPolarAxis);
    case 'floor':
    case 'platform':
      return floor(traits);
  }
}
