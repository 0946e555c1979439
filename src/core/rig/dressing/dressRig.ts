/** From the few answers of somebody who has weighed nothing to a whole rig: parts, places and weights on the bar. */
import { mountTraits } from '../../mount/mountKinds.ts';
import { raBalance, type RaBalanceInput } from '../../mount/balance.ts';
import { weightSets, type BoxWeight, type SetProposal } from '../../mount/balanceProposals.ts';
import { offBarOf } from '../../mount/offBar.ts';
import type { Placed, Rig } from '../../records/rig.ts';
import { lookerPlace } from '../lookerPlace.ts';
import { usualCarrier, type Carrier, type Size, type UsualCarrier } from './carriers.ts';
import { usualTube, type Body, type Looker, type Optics } from './looks.ts';
import {
  BACK_SHARE,
  CAMERA_LENGTH_M,
  usualBallHead,
  usualBar,
  usualCamera,
  usualEyepiece,
  usualGuideScope,
  usualMount,
  usualPlate,
  usualRings,
  usualSupport,
  usualTubePart,
  usualWeight,
  type FinderAnswer,
  type PartBody,
} from './usualParts.ts';

export type RigAnswers = {
  carrier: Carrier;
  size: Size;
  /** Of a mount that is turned by hand: does a motor follow in right ascension? */
  raMotor?: boolean;
  finder: FinderAnswer;
  optics: Optics;
  sensor: Looker;
  guided: boolean;
};

/** What a rig is dressed with. */
export type Piece =
  | 'mount'
  | 'tripod'
  | 'board'
  | 'tube'
  | 'rings'
  | 'plate'
  | 'camera'
  | 'eyepiece'
  | 'guideScope'
  | 'ballHead'
  | 'bar'
  | 'weight';

/** Identifiers and names come from outside: the core makes neither. `massKg` only for a weight. */
export type Naming = { newId: () => string; nameOf: (piece: Piece, massKg: number) => string };
export type DressedPart = { id: string; body: PartBody };
export type Dressed = {
  parts: DressedPart[];
  rig: Pick<
    Rig,
    | 'mountId'
    | 'supportId'
    | 'imagingTubeId'
    | 'cameraId'
    | 'placed'
    | 'train'
    | 'supplies'
    | 'cameraAngleDeg'
    | 'guiding'
    | 'schools'
  >;
};

/** What weights are sold as, several of each. */
const WEIGHTS_KG = [0.5, 1, 1, 2, 2, 3.5, 3.5, 5, 5, 7.5] as const;
const PLATE_THICK_M = 0.02;
const GUIDE_ABOVE_M = 0.05;
/** A camera or a lens on a ball head or a bracket has no rings: its foot is under its middle. */
const hasRings = ({ kind }: Optics): boolean => kind !== 'lens';

type Hung = { piece: Piece; massKg: number; body: PartBody; place: Omit<Placed, 'placedId' | 'partId'> };

function place(on: Placed['on'], fromRaAxisM: number, rest: Partial<Placed> = {}): Hung['place'] {
  const round = (m: number): number => Math.round(m * 1000) / 1000;
  return {
    on,
    fromRaAxisM: round(fromRaAxisM),
    alongTubeM: round(rest.alongTubeM ?? 0),
    sidewaysM: 0,
    slides: rest.slides ?? on === 'tube',
    movable: rest.movable ?? false,
    placeBasis: 'assumed',
  };
}

/** A fork, or a box on the ground, bears its tube at either side: no rings, no plate. */
const isBetweenArms = (usual: UsualCarrier): boolean => ['arms', 'rocker'].includes(mountTraits(usual).holds);

/** Where the tube's middle line lies: on the plate, by its radius; between two bearings, on its axis. */
function tubeLineM(usual: UsualCarrier, optics: Optics): number {
  if (isBetweenArms(usual)) return 0;
  return usual.saddleM + (hasRings(optics) ? PLATE_THICK_M : 0) + usualTube(optics).radiusM;
}

/** Where one looks into the tube, or hangs a camera. @param lengthM of what looks. */
function lookerOn(lineM: number, optics: Optics, lengthM: number): Hung['place'] {
  const { lengthM: tubeM, radiusM } = usualTube(optics);
  const ends = { frontM: (1 - BACK_SHARE) * tubeM, backM: BACK_SHARE * tubeM, radiusM };
  const { alongTubeM, outM } = lookerPlace(optics.kind, ends, lengthM);
  return place('tube', lineM + outM, { alongTubeM });
}

/** Lenses are made for bodies that take them; behind a tube stands what is made for it, as long as nobody says otherwise. */
function bodyOf({ kind }: Optics, sensor: Looker): Body {
  const told = typeof sensor === 'string' ? undefined : sensor.body;
  return told ?? (kind === 'lens' ? 'lensMount' : 'telescope');
}

/** A phone brings its lens: nothing is hung behind it. */
const isOnePiece = ({ kind }: Optics, sensor: Looker): boolean => kind === 'lens' && sensor === 'phone';

type Looking = Pick<RigAnswers, 'optics' | 'sensor'>;

function lookerBody({ optics, sensor }: Looking, name: (piece: Piece) => string): PartBody {
  if (sensor === 'eye') return usualEyepiece(name('eyepiece'));
  const camera = usualCamera(name('camera'), sensor, bodyOf(optics, sensor));
  return isOnePiece(optics, sensor) ? { ...camera, massKg: 0 } : camera;
}

function hungLooker(looking: Looking, lineM: number, name: (piece: Piece) => string): Hung {
  const body = lookerBody(looking, name);
  const piece = looking.sensor === 'eye' ? 'eyepiece' : 'camera';
  const where = lookerOn(lineM, looking.optics, piece === 'eyepiece' ? 0 : CAMERA_LENGTH_M);
  return { piece, massKg: body.massKg ?? 0, body, place: where };
}

/** Everything on the tube's side. */
function tubeSide({ carrier, optics, sensor, guided }: RigAnswers, usual: UsualCarrier, naming: Naming): Hung[] {
  const lineM = tubeLineM(usual, optics);
  const { radiusM } = usualTube(optics);
  const hung = (piece: Piece, body: PartBody, where: Hung['place']): Hung => ({
    piece,
    massKg: body.massKg ?? 0,
    body,
    place: where,
  });
  const name = (piece: Piece): string => naming.nameOf(piece, 0);
  return [
    hung('tube', usualTubePart(name('tube'), optics, sensor), place('tube', lineM)),
    ...(hasRings(optics) && !isBetweenArms(usual)
      ? [
          hung(
            'rings',
            usualRings(name('rings'), optics),
            place('tube', usual.saddleM + PLATE_THICK_M, { slides: false }),
          ),
          hung('plate', usualPlate(name('plate'), optics), place('tube', usual.saddleM, { slides: false })),
        ]
      : []),
    ...(isOnePiece(optics, sensor) ? [] : [hungLooker({ optics, sensor }, lineM, name)]),
    ...(guided
      ? [hung('guideScope', usualGuideScope(name('guideScope')), place('tube', lineM + radiusM + GUIDE_ABOVE_M))]
      : []),
    // A bracket holds its camera by itself.
    ...(carrier === 'trackerBallHead'
      ? [hung('ballHead', usualBallHead(name('ballHead')), place('head', usual.saddleM * 0.7, { slides: false }))]
      : []),
  ];
}

type OnBar = { masses: readonly number[]; atM: number };

/** What stands on the bar where no usual set holds the tube: all that is heavy at its end under a heavy tube, nothing
 *  where the bar alone is enough for a light lens, else the smallest close in. The benches then say what is missing. */
function asNearAsGoes(input: RaBalanceInput, box: readonly BoxWeight[]): OnBar {
  const [nearestM, farthestM] = input.barRangeM;
  if (offBarOf(input, box)?.code === 'noWeight') return { masses: [], atM: nearestM };
  return raBalance(input).momentNeededFromWeightsKgM > WEIGHTS_KG[0] * nearestM
    ? { masses: [5, 5, 7.5], atM: farthestM }
    : { masses: [WEIGHTS_KG[0]], atM: nearestM };
}

/** The fewest weights, close in; where the rating counts them the lightest that still balances: enough, and no more. */
function chosenSet(sets: readonly SetProposal[], ratingIncludesWeights: boolean): SetProposal | undefined {
  if (!ratingIncludesWeights) return sets[0];
  return [...sets].sort((a, b) => a.massKg - b.massKg || a.ids.length - b.ids.length)[0];
}

/** Bar and weights: the fewest usual weights that hold the tube's side. */
function barSide(hung: readonly Hung[], { bar, ratingIncludesWeights }: UsualCarrier, naming: Naming): Hung[] {
  if (!bar) return [];
  const input = {
    parts: hung.map((h) => ({ id: h.piece, massKg: h.massKg, fromRaAxisM: h.place.fromRaAxisM })),
    bar: { massKg: bar.massKg, centreM: bar.centreM },
    movableWeights: [],
    fixedWeights: [],
    barRangeM: bar.rangeM,
  };
  const box = WEIGHTS_KG.map((massKg, i) => ({ id: String(i), massKg }));
  const best = chosenSet(weightSets(input, box), ratingIncludesWeights);
  const { masses, atM } = best
    ? { masses: best.ids.map((id) => WEIGHTS_KG[Number(id)] ?? 0), atM: best.positionM }
    : asNearAsGoes(input, box);
  const weights = masses.map((massKg): Hung => ({
    piece: 'weight',
    massKg,
    body: usualWeight(naming.nameOf('weight', massKg), massKg),
    place: place('bar', -atM, { movable: true }),
  }));
  const barPiece: Hung = {
    piece: 'bar',
    massKg: bar.massKg,
    body: usualBar(naming.nameOf('bar', 0), bar),
    place: place('bar', -bar.centreM),
  };
  return [barPiece, ...weights];
}

/** The carrier as answered: what is turned by hand may have a motor on right ascension. */
function carrierOf({ carrier, size, raMotor }: RigAnswers): UsualCarrier {
  const usual = usualCarrier(carrier, size);
  return carrier === 'byHand' && raMotor === true ? { ...usual, drive: 'raMotor' } : usual;
}

/** Of a rating, where nobody takes subs: a little shaking is waited out. */
const LOOKING_SHARE = 0.95;

/** A whole rig of the class. Pure: the same answers and naming give the same rig. */
export function dressRig(answers: RigAnswers, naming: Naming): Dressed {
  const usual = carrierOf(answers);
  const mount = { id: naming.newId(), body: usualMount(naming.nameOf('mount', 0), usual, answers.finder) };
  const support = {
    id: naming.newId(),
    body: usualSupport(naming.nameOf(mountTraits(usual).standsOn === 'ground' ? 'board' : 'tripod', 0), usual),
  };
  const tubeHung = tubeSide(answers, usual, naming);
  const hung = [...tubeHung, ...barSide(tubeHung, usual, naming)].map((h) => ({ ...h, id: naming.newId() }));
  const idOf = (piece: Piece): string => hung.find((h) => h.piece === piece)?.id ?? '';
  const builtIn: DressedPart[] = isOnePiece(answers.optics, answers.sensor)
    ? [{ id: naming.newId(), body: lookerBody(answers, (piece) => naming.nameOf(piece, 0)) }]
    : [];
  const looker = builtIn[0]?.id ?? idOf(answers.sensor === 'eye' ? 'eyepiece' : 'camera');
  return {
    parts: [mount, support, ...hung.map(({ id, body }) => ({ id, body })), ...builtIn],
    rig: {
      mountId: mount.id,
      supportId: support.id,
      imagingTubeId: idOf('tube'),
      cameraId: looker,
      placed: hung.map(({ id, place: where }) => ({ placedId: naming.newId(), partId: id, ...where })),
      train: builtIn.length > 0 ? [] : [looker],
      supplies: [],
      cameraAngleDeg: 0,
      guiding: answers.guided ? 'guideScope' : 'none',
      schools: answers.sensor === 'eye' ? { loadShare: LOOKING_SHARE } : {},
    },
  };
}
