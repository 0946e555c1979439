/** What the payload bench shows of the load, as codes and figures. */
import { payloadOf, type Payload } from '../../core/rig/payloadOfRig.ts';
import type { NightRecords } from '../../core/history/nightRecords.ts';
import { learnedOf } from '../../core/night/learned/learned.ts';
import type { Rig } from '../../core/records/rig.ts';
import type { FootingSaying } from '../../text/footingWords.ts';
import type { PayloadSaying } from '../../text/payloadWords.ts';
import { isGuess } from '../../core/rig/rigMasses.ts';
import type { RailPiece } from '../../ui/instruments/railLayout.ts';

export type LoadModel = { saying: PayloadSaying; payload: Payload; lever: RailPiece[]; tube: RailPiece[] };

/** Closer than this nobody slides a weight on purpose. */
const SAME_PLACE_M = 0.003;
/** A piece on the tube's side may hang this far out, and this far along. */
const FARTHEST_M = 0.8;

/** The rig of a night as it stands, or as it is being dragged. */
export function payloadOfNight(records: NightRecords, rig: Rig = records.rig): Payload {
  const { raMomentKgM: learnedRaKgM, goodInertiaKgM2 } = learnedOf(records);
  return payloadOf(rig, { ...records, learnedRaKgM, goodInertiaKgM2 });
}

type Carried = { massKg: number; allowedKg: number };

function strainSaying({ strain }: Payload): PayloadSaying | null {
  if (!strain) return null;
  const { torqueNm, verdict } = strain.withWeights ?? strain.bare;
  const weightsHelp = strain.withWeights !== null && strain.withWeights.torqueNm < strain.bare.torqueNm;
  return { code: 'strain', verdict, torqueNm, allowedNm: strain.allowedNm, weightsHelp };
}

/** Near the limit with the tube's side heavier: the same weight further out. */
function leverSaying({ load, prefer, heavy, balance }: Payload, carried: Carried): PayloadSaying | null {
  if (load?.verdict !== 'near' || prefer !== 'longerLever' || !heavy?.furtherOut || !balance) return null;
  const moveM = balance.positionM - balance.setM;
  if (moveM <= SAME_PLACE_M) return null;
  const { extensionM } = heavy.furtherOut;
  return { code: 'longerLever', moveM, toM: balance.positionM, extensionM, ...carried };
}

function sayingOf(payload: Payload): PayloadSaying {
  const { load, numbers } = payload;
  if (!load) return { code: 'noMount' };
  if (numbers.masses.tubeSide.length === 0) return { code: 'empty' };
  const carried: Carried = { massKg: load.massKg.is, allowedKg: load.massKg.allowed };
  const decides = load.massKg.share >= load.momentKgM.share ? 'mass' : 'moment';
  const { overByGuess: guess, hasSpare } = payload;
  const said = { code: 'load', verdict: load.verdict, decides, guess, hasSpare, ...carried } as const;
  if (load.verdict === 'over') return said;
  return strainSaying(payload) ?? leverSaying(payload, carried) ?? said;
}

/** Across the polar axis: tube's side plus, bar and weights minus. */
function leverPieces(rig: Rig, { numbers }: Payload): RailPiece[] {
  const { tubeSide, bar, barBasis, barPlaceBasis, barLengthM, weights } = numbers.masses;
  const barPart = rig.placed.find((p) => p.on === 'bar' && !weights.some((w) => w.placedId === p.placedId));
  const barPiece: RailPiece[] =
    bar.massKg > 0
      ? [
          {
            id: barPart?.placedId ?? 'bar',
            name: 'the bar',
            massKg: bar.massKg,
            guessed: isGuess({ massBasis: barBasis, placeBasis: barPlaceBasis }),
            atM: -bar.centreM,
            round: false,
            rangeM: null,
          },
        ]
      : [];
  const end = Math.max(barLengthM, numbers.mount?.barRangeM?.[1] ?? 0, 0.05);
  return [
    ...tubeSide.map((p): RailPiece => ({
      id: p.id,
      name: p.name,
      massKg: p.massKg,
      guessed: isGuess(p),
      atM: p.fromRaAxisM,
      round: true,
      rangeM: [0, FARTHEST_M],
    })),
    ...barPiece,
    ...weights.map((w): RailPiece => ({
      id: w.placedId,
      name: w.name,
      massKg: w.massKg,
      guessed: isGuess({ massBasis: w.massBasis }),
      atM: -w.setM,
      round: false,
      rangeM: w.movable ? [-end, 0] : null,
    })),
  ];
}

/** Along the tube, front plus. */
function tubePieces({ numbers }: Payload): RailPiece[] {
  return numbers.masses.tubeSide
    .filter((p) => p.on === 'tube')
    .map((p) => ({
      id: p.id,
      name: p.name,
      massKg: p.massKg,
      guessed: isGuess(p),
      atM: p.alongTubeM,
      round: true,
      rangeM: [-FARTHEST_M, FARTHEST_M] as const,
    }));
}

export function loadModel(records: NightRecords, rig: Rig = records.rig): LoadModel {
  const payload = payloadOfNight(records, rig);
  return { saying: sayingOf(payload), payload, lever: leverPieces(rig, payload), tube: tubePieces(payload) };
}

/** Under this lean or wind an outfit counts as weakly footed. */
const WEAK_TIPPING_DEG = 8;
const WEAK_WIND_M_PER_S = 12;

export function footingSaying({ numbers, footing }: Payload): FootingSaying {
  if (!numbers.mount || !numbers.support) return { code: 'noMount' };
  if (numbers.support.supportKind === 'pier') return { code: 'pier' };
  if (numbers.support.supportKind === 'board') return { code: 'board' };
  if (!footing) return { code: 'incomplete' };
  const { footing: found, tipWindMPerS: windMPerS } = footing.worst;
  const towardAzimuthDeg = found.tipTowardAzimuthDeg;
  const tippingDeg = Math.min(...footing.all.map((one) => one.footing.tippingDeg));
  if (!found.stable) return { code: 'falls', towardAzimuthDeg };
  const weak = tippingDeg < WEAK_TIPPING_DEG || windMPerS < WEAK_WIND_M_PER_S;
  return weak ? { code: 'weak', towardAzimuthDeg, tippingDeg, windMPerS } : { code: 'stands', tippingDeg, windMPerS };
}
