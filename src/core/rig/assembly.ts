/** The order in which a rig is put together, by mount and by what it is made of. Words, reasons and cautions stand in
 *  the text layer. */
import type { RigNumbers } from './rigNumbers.ts';

export const ASSEMBLY_LIST = 'assembly';

export type AssemblyStep =
  | 'spreadLegs'
  | 'poleLeg'
  | 'headOn'
  | 'wedgeOn'
  | 'trackerOn'
  | 'roughPole'
  | 'barIn'
  | 'weightsOn'
  | 'endStop'
  | 'ballHeadOn'
  | 'bracketOn'
  | 'tubeOn'
  | 'ringScrews'
  | 'cameraOn'
  | 'guideOn'
  | 'balance'
  | 'home'
  | 'homeBare'
  | 'cablesLast'
  | 'cablesLastDriven'
  | 'powerOn';

type Traits = { pier: boolean; bar: boolean; guide: boolean; rings: boolean };

function traitsOf({ support, masses }: RigNumbers, kinds: ReadonlySet<string>): Traits {
  return {
    pier: support?.supportKind === 'pier',
    bar: masses.bar.massKg > 0 || masses.weights.length > 0,
    guide: kinds.has('guideScope'),
    rings: kinds.has('rings'),
  };
}

const when = (condition: boolean, ...steps: AssemblyStep[]): AssemblyStep[] => (condition ? steps : []);

function german({ pier, bar, guide, rings }: Traits, strainWave: boolean): AssemblyStep[] {
  return [
    ...when(!pier, 'spreadLegs', 'poleLeg'),
    'headOn',
    ...when(bar, 'barIn', 'weightsOn', 'endStop'),
    'tubeOn',
    ...when(rings, 'ringScrews'),
    'cameraOn',
    ...when(guide, 'guideOn'),
    ...when(!strainWave, 'balance'),
    bar ? 'home' : 'homeBare',
    // A strain-wave drive has no clutch to open: the sweep is tried by slewing.
    strainWave ? 'cablesLastDriven' : 'cablesLast',
    'powerOn',
  ];
}

/** A tracker's pole is looked for before the camera blocks its finder. */
function tracker({ bar, guide }: Traits, bracket: boolean): AssemblyStep[] {
  return [
    'spreadLegs',
    'wedgeOn',
    'trackerOn',
    'roughPole',
    ...when(bracket && bar, 'bracketOn', 'barIn', 'weightsOn', 'endStop'),
    ...when(!bracket, 'ballHeadOn'),
    'cameraOn',
    ...when(guide, 'guideOn'),
    ...when(bracket && bar, 'balance'),
    'cablesLast',
    'powerOn',
  ];
}

function fork({ pier, guide }: Traits, wedge: boolean): AssemblyStep[] {
  return [
    ...when(!pier, 'spreadLegs'),
    ...when(wedge, 'wedgeOn'),
    'headOn',
    'tubeOn',
    'cameraOn',
    ...when(guide, 'guideOn'),
    'cablesLast',
    'powerOn',
  ];
}

/** Steps in order; without a mount the list is empty. `kinds`: kinds of all parts of the rig. */
export function assemblyOf(numbers: RigNumbers, kinds: ReadonlySet<string>): AssemblyStep[] {
  const traits = traitsOf(numbers, kinds);
  switch (numbers.mount?.mountKind) {
    case 'germanEquatorial':
      return german(traits, numbers.mount.drive === 'strainWave');
    case 'trackerBracket':
      return tracker(traits, true);
    case 'trackerBallHead':
      return tracker(traits, false);
    case 'forkOnWedge':
      return fork(traits, true);
    case 'altAzimuth':
      return fork(traits, false);
    case undefined:
      return [];
  }
}
