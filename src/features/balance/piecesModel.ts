/** What changes when a piece comes on or goes off, as figures. */
import { tapeReadingM } from '../../core/mount/tape.ts';
import type { BalanceAxis } from '../../core/rig/axisLevers.ts';
import {
  pieceComesOn,
  pieceGoesOff,
  shiftByFocusTravelM,
  type ComingPiece,
  type Shift,
} from '../../core/rig/anotherPiece.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { tapeOfRig } from '../../core/rig/tapeOfRig.ts';
import { excessKgM, usualTip } from '../../core/night/learned/tipOfNight.ts';
import type { SettingValue } from '../../core/records/setting.ts';
import type { PiecesSaying } from '../../text/pieceWords.ts';

export type Choice = { type: 'on'; name: string; piece: ComingPiece } | { type: 'off'; name: string; placedId: string };
export type AxisShift = { axis: 'ra' | 'dec'; moveM: number; fromM: number; toM: number; onRange: boolean };
export type PiecesModel = { saying: PiecesSaying; shifts: AxisShift[] };

const AXES = ['ra', 'dec'] as const;
/** A bundle of cable that pulls at the camera, and a turn of the focuser, to see what they do. */
export const CABLE_KG = 0.1;
export const FOCUS_TRAVEL_M = 0.01;

function shiftOf(night: NightStatic, axis: BalanceAxis, choice: Choice): Shift | null {
  const tip = usualTip(night.records, axis);
  if (!tip) return null;
  const excess = excessKgM(tip);
  return choice.type === 'on'
    ? pieceComesOn(tip.levers, choice.piece, excess)
    : pieceGoesOff(tip.levers, choice.placedId, excess);
}

/** New places by the user's tapes. */
export function piecesModel(night: NightStatic, choice: Choice | null, settings: SettingValue<'balance'>): PiecesModel {
  if (!night.bar) return { saying: { code: 'incomplete' }, shifts: [] };
  if (!choice) return { saying: { code: 'choose' }, shifts: [] };
  const shifts = AXES.flatMap((axis): AxisShift[] => {
    const shift = shiftOf(night, axis, choice);
    if (!shift) return [];
    const tape = tapeOfRig(night.numbers, axis, settings);
    const [fromM, toM] = [tapeReadingM(tape, shift.fromM), tapeReadingM(tape, shift.toM)];
    return [{ axis, moveM: shift.toM - shift.fromM, fromM, toM, onRange: shift.onRange }];
  });
  return { saying: { code: choice.type, name: choice.name, shifts }, shifts };
}

/** What a cable's pull and the focuser's travel do; null where the rig has no camera or no tube that slides. */
export function smallThings({ records, numbers }: NightStatic): {
  cableRaM: number;
  cableDecM: number;
  focusM: number;
} | null {
  const [ra, dec] = [usualTip(records, 'ra'), usualTip(records, 'dec')];
  const camera = numbers.masses.tubeSide.find((p) => p.partId === numbers.camera?.id);
  if (!ra || !dec || !camera) return null;
  const cable = { ...camera, massKg: CABLE_KG, slides: false };
  const [onBar, onTube] = [pieceComesOn(ra.levers, cable, 0), pieceComesOn(dec.levers, cable, 0)];
  const behind = new Set([...records.rig.train, records.rig.cameraId]);
  return {
    cableRaM: Math.abs(onBar.toM - onBar.fromM),
    cableDecM: Math.abs(onTube.toM - onTube.fromM),
    focusM: shiftByFocusTravelM(dec.levers, behind, FOCUS_TRAVEL_M),
  };
}
