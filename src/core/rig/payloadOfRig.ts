/** Everything the payload bench judges, from a rig's numbers alone: quick enough to follow a part that is dragged. */
import { raBalance } from '../mount/balance.ts';
import { sum } from '../mount/levers.ts';
import { weightSets, type SetProposal } from '../mount/balanceProposals.ts';
import { offBarOf, type OffBar } from '../mount/offBar.ts';
import { overByGuess } from './overByGuess.ts';
import { barPlace, heavySide, type BarPlace, type HeavySide } from '../mount/heavySide.ts';
import { judgeLoad, loadVerdict, type Load, type LoadVerdict } from '../mount/load.ts';
import { unbalancedTorque, type Unbalanced } from '../mount/strainWave.ts';
import type { Part } from '../records/part.ts';
import type { Rig, Schools } from '../records/rig.ts';
import type { Site } from '../records/site.ts';
import { footingOfRig, type RigFooting } from './footingOfRig.ts';
import { rigNumbers, type RigNumbers } from './rigNumbers.ts';

/** More than this in one piece is for two people. */
export const ONE_PERSON_KG = 20;

/** A dovetail that the mount's saddle does not grip. */
export type SaddleMisfit = { plateName: string; dovetail: 'narrow' | 'wide'; saddle: 'narrow' | 'wide' };

export type Payload = {
  numbers: RigNumbers;
  load: Load | null;
  /** The guessed piece to weigh before the load is called too heavy; null where no guess decides. */
  overByGuess: string | null;
  /** Hangs anything there that is not needed to look or to take subs? */
  hasSpare: boolean;
  /** Only for strain-wave drives. */
  strain: Unbalanced | null;
  /** Where the weights balance the rig, and where that is on the bar; null without a bar or a movable weight. */
  balance: { positionM: number; setM: number; place: BarPlace } | null;
  /** What the bar wants where its weights would balance off it. */
  off: OffBar | null;
  heavy: HeavySide | null;
  /** Which of the two schools is preferred: near the load limit the longer lever, else the weight close in. */
  prefer: 'weightCloseIn' | 'longerLever';
  /** The mass as the rating counts it with one more kilogram of weight, judged. */
  withOneKgMore: LoadVerdict | null;
  /** From the user's box, best first. */
  sets: SetProposal[];
  footing: RigFooting | null;
  heavyPieces: { name: string; massKg: number }[];
  saddleMisfit: SaddleMisfit | null;
};

type Circumstances = {
  parts: readonly Part[];
  site: Pick<Site, 'latDeg' | 'elevationM'>;
  schools: Schools;
  goodInertiaKgM2: number | null;
  /** Moment about the polar axis that an earlier balance showed beyond the stated masses. */
  learnedRaKgM: number;
};

const SETS_SHOWN = 3;
/** What a night can do without. */
const SPARE: ReadonlySet<Part['kind']> = new Set(['guideScope', 'small', 'battery', 'load', 'weight']);

/** What hangs on the mount against its rating; null without a mount. */
export function loadOfRig(
  { mount, masses }: RigNumbers,
  shareUsed: number,
  goodInertiaKgM2: number | null,
): Load | null {
  if (!mount) return null;
  const counterKg = masses.bar.massKg + sum(masses.weights, (w) => w.massKg);
  return judgeLoad({ ...mount, parts: masses.tubeSide, counterKg, shareUsed, goodInertiaKgM2 });
}

export function strainOfRig({ mount, masses }: RigNumbers, shareUsed: number): Unbalanced | null {
  if (mount?.drive !== 'strainWave') return null;
  const counter = [
    ...(masses.bar.massKg > 0 ? [{ massKg: masses.bar.massKg, atM: masses.bar.centreM }] : []),
    ...masses.weights.map((w) => ({ massKg: w.massKg, atM: w.setM })),
  ];
  return unbalancedTorque({ ...mount, parts: masses.tubeSide, counter, shareUsed });
}

/** The joint middle of the movable weights, as they are set. */
function setPositionM({ weights }: RigNumbers['masses']): number | null {
  const movable = weights.filter((w) => w.movable);
  const movableKg = sum(movable, (w) => w.massKg);
  return movableKg > 0 ? sum(movable, (w) => w.massKg * w.setM) / movableKg : null;
}

function onBar({ balance, masses }: RigNumbers): Payload['balance'] {
  const setM = setPositionM(masses);
  if (!balance || setM === null) return null;
  const { positionM } = raBalance(balance.input);
  return positionM === null ? null : { positionM, setM, place: barPlace(positionM, balance.input.barRangeM) };
}

/** Head and tripod, the tube as it is lifted in its final dress, and every weight. */
function heavyPiecesOf({ mount, support, masses }: RigNumbers): Payload['heavyPieces'] {
  const dressed = masses.tubeSide.filter((p) => p.on === 'tube');
  const pieces = [
    ...[mount, support].flatMap((p) => (p?.massKg ? [{ name: p.name, massKg: p.massKg }] : [])),
    { name: 'the tube in final dress', massKg: sum(dressed, (p) => p.massKg) },
    ...masses.weights.map(({ name, massKg }) => ({ name, massKg })),
  ];
  return pieces.filter((p) => p.massKg > ONE_PERSON_KG);
}

function saddleMisfitOf(rig: Rig, { mount }: RigNumbers, parts: readonly Part[]): SaddleMisfit | null {
  const saddle = mount?.saddle;
  if (!saddle || saddle === 'both') return null;
  const plate = rig.placed
    .map((p) => parts.find((one) => one.id === p.partId))
    .find((p) => p?.kind === 'plate' && p.dovetail !== null && p.dovetail !== saddle);
  return plate?.kind === 'plate' && plate.dovetail ? { plateName: plate.name, dovetail: plate.dovetail, saddle } : null;
}

function oneKgMore({ mount }: RigNumbers, load: Load | null): LoadVerdict | null {
  if (!mount || !load) return null;
  const countedKg = load.massKg.is + (mount.ratingIncludesWeights ? 1 : 0);
  return loadVerdict(countedKg / load.massKg.allowed);
}

/** Judges a rig as it stands or as it is being dragged. */
export function payloadOf(rig: Rig, { parts, site, schools, goodInertiaKgM2, learnedRaKgM }: Circumstances): Payload {
  const numbers = rigNumbers(rig, parts, { momentKgM: learnedRaKgM });
  const load = loadOfRig(numbers, schools.loadShare, goodInertiaKgM2);
  const balance = onBar(numbers);
  const box = numbers.balance;
  const withOneKgMore = oneKgMore(numbers, load);
  return {
    numbers,
    load,
    overByGuess: load && overByGuess(numbers, load),
    hasSpare: numbers.masses.tubeSide.some(({ partId }) =>
      SPARE.has(parts.find((p) => p.id === partId)?.kind ?? 'mount'),
    ),
    strain: strainOfRig(numbers, schools.loadShare),
    balance,
    off: box && offBarOf(box.input, box.box),
    heavy: box && balance ? heavySide({ ...box, setM: balance.setM }) : null,
    prefer: withOneKgMore === 'fine' ? 'weightCloseIn' : 'longerLever',
    withOneKgMore,
    sets: box ? weightSets(box.input, box.box).slice(0, SETS_SHOWN) : [],
    footing: footingOfRig(numbers, site.latDeg, site.elevationM),
    heavyPieces: heavyPiecesOf(numbers),
    saddleMisfit: saddleMisfitOf(rig, numbers, parts),
  };
}
