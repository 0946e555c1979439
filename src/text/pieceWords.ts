/** What another piece does to the balance, in words. */
import type { Format } from './format.ts';
import type { RearEnd } from '../core/rig/lookerPlace.ts';
import type { Said } from './said.ts';
import type { TubeEnds } from './tubeEnds.ts';

type Shifted = { axis: 'ra' | 'dec'; moveM: number; toM: number; onRange: boolean };
export type PiecesSaying =
  | { code: 'incomplete' }
  | { code: 'choose' }
  | { code: 'on' | 'off'; name: string; shifts: readonly Shifted[] };

/** Less than this no hand notices. */
const NOTICED_M = 0.001;

const movesOf = (
  axis: Shifted['axis'],
  { front, rear }: TubeEnds,
): readonly [piece: string, more: string, less: string] =>
  axis === 'ra' ? ['weight', 'outward', 'inward'] : ['tube', `toward the ${front}`, `toward the ${rear}`];

function shiftWords({ axis, moveM, toM }: Shifted, f: Format, ends: TubeEnds): string {
  const [piece, more, less] = movesOf(axis, ends);
  if (Math.abs(moveM) < NOTICED_M) return `the ${piece} stays`;
  return `**${piece} ${f.quantity(Math.abs(moveM), 'barLength')} ${moveM > 0 ? more : less}**, to ${f.quantity(toM, 'barLength')}`;
}

export function piecesSentence(s: PiecesSaying, f: Format, ends: TubeEnds): Said {
  switch (s.code) {
    case 'incomplete':
      return 'Complete the rig in **Kit** first.';
    case 'choose':
      return 'Choose a piece: see where weight and tube must go **before it comes on**.';
    default: {
      const off = s.shifts.find((shift) => !shift.onRange);
      if (off) {
        return off.axis === 'ra'
          ? `${s.code === 'on' ? 'With' : 'Without'} it the weight runs **off the bar**: take another set first.`
          : `${s.code === 'on' ? 'With' : 'Without'} it the **saddle does not reach**: move another piece along.`;
      }
      const words = s.shifts.map((shift) => shiftWords(shift, f, ends)).join('; ');
      return words === '' ? 'Nothing changes.' : `Then move: ${words}.`;
    }
  }
}

export function piecesReason(s: PiecesSaying): string {
  switch (s.code) {
    case 'incomplete':
      return 'Without masses and distances there is no position to compute.';
    case 'choose':
      return 'A dew shield, a heater, a finder: each moves both axes.';
    case 'on':
      return `${s.name} comes on. Hold the tube; weight first, then the piece.`;
    case 'off':
      return `${s.name} comes off. Hold the tube: without it one end drops.`;
  }
}

/** Cable and focuser, so that nobody hunts a balance that a cable moves. */
export function smallThingsWords(
  t: { cableRaM: number; cableDecM: number; focusM: number },
  cableKg: number,
  travelM: number,
  f: Format,
  rear: RearEnd,
): string[] {
  const at = (m: number): string => f.quantity(m, 'barLength');
  return [
    `${f.quantity(cableKg, 'mass', 1)} of cable pulling at the camera counts for ${at(t.cableRaM)} of weight and ${at(t.cableDecM)} of tube: tie cables before you balance, with slack for the whole swing.`,
    // A focuser at the tube's side moves nothing along it.
    ...(rear === 'mirror'
      ? []
      : [
          `Racking the focuser out by ${at(travelM)} asks for ${at(t.focusM)} of tube toward the front: balance at rough focus.`,
        ]),
  ];
}
