/** What changes when a piece comes on or goes off: the new places of weight and tube. */
import { type AxisLevers, type Lever } from './axisLevers.ts';
import { balancePositionM, movingKgOf } from '../mount/levers.ts';

export type Shift = { fromM: number; toM: number; onRange: boolean };
/** A piece on the tube: from the polar axis, along the tube, aside. */
export type ComingPiece = { massKg: number; fromRaAxisM: number; alongTubeM: number; slides: boolean };

const shift = (fromM: number, toM: number, [low, high]: readonly [number, number]): Shift => ({
  fromM,
  toM,
  onRange: toM >= low && toM <= high,
});

function withLever(levers: AxisLevers, lever: Lever, moves: boolean): AxisLevers {
  return moves ? { ...levers, moving: [...levers.moving, lever] } : { ...levers, fixed: [...levers.fixed, lever] };
}

const without = (levers: AxisLevers, id: string): AxisLevers => ({
  ...levers,
  fixed: levers.fixed.filter((l) => l.id !== id),
  moving: levers.moving.filter((l) => l.id !== id),
});

/** With a piece more. `excessKgM`: moment of the axis beyond the stated masses, as learned. */
export function pieceComesOn(levers: AxisLevers, piece: ComingPiece, excessKgM: number): Shift {
  const dec = levers.axis === 'dec';
  const lever: Lever = {
    id: 'coming',
    partId: 'coming',
    name: '',
    massKg: piece.massKg,
    massBasis: 'stated',
    placeDoubtM: 0,
    armM: dec ? piece.alongTubeM : piece.fromRaAxisM,
  };
  const after = withLever(levers, lever, dec && piece.slides);
  return shift(balancePositionM(levers, excessKgM), balancePositionM(after, excessKgM), levers.rangeM);
}

/** With a placed piece taken off; null when it is the last that moves. */
export function pieceGoesOff(levers: AxisLevers, placedId: string, excessKgM: number): Shift | null {
  const after = without(levers, placedId);
  if (after.moving.length === 0) return null;
  return shift(balancePositionM(levers, excessKgM), balancePositionM(after, excessKgM), levers.rangeM);
}

/** How far the tube's place of balance moves when the focuser carries its pieces along by some travel, m. The pieces
 *  behind the focuser move with the travel, so the tube goes the other way. */
export function shiftByFocusTravelM(levers: AxisLevers, behindFocuser: ReadonlySet<string>, travelM: number): number {
  const all = [...levers.fixed, ...levers.moving];
  const carriedKg = all.filter((l) => behindFocuser.has(l.partId)).reduce((sum, l) => sum + l.massKg, 0);
  return (carriedKg * travelM) / movingKgOf(levers);
}
