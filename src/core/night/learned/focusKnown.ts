/** Where tonight's focus has gone with the air since it was set, and how far that is known. */
import { focusToleranceTotalUm } from '../../optics/lightPath.ts';
import { usualSlopeUmPerDeg } from '../../optics/focusDrift.ts';
import { isLooked, type Known } from '../../known.ts';
import type { ReadingOf } from '../../records/reading.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import { focusOfNight } from './focusOfNight.ts';
import type { NightRecords } from '../../history/nightRecords.ts';

/** `gone`: beyond its doubt. `doubtful`: it may have gone. */
export type FocusState = 'stands' | 'doubtful' | 'gone';

/** How far it has moved, + = up the focuser's scale, um. */
export type FocusKnown = Known<number> & {
  focus: ReadingOf<'focus'>;
  /** Noted since; null = nobody did, and nothing says that it moved. */
  air: ReadingOf<'air'> | null;
  /** To either side. */
  allowedUm: number;
  state: FocusState;
};

function stateOf(known: Pick<FocusKnown, 'value' | 'doubt' | 'basis'>, allowedUm: number): FocusState {
  const movedUm = Math.abs(known.value);
  if (isLooked(known, allowedUm - movedUm)) return 'stands';
  return movedUm - known.doubt > allowedUm ? 'gone' : 'doubtful';
}

/** By the slope that was learned, else as much as a tube of this length usually does, either way. */
function movedBy(records: NightRecords, focalMm: number, degC: number): { value: number; doubt: number } {
  const { line } = focusOfNight(records);
  const { umPerDeg, sigmaUmPerDeg } = line ?? { umPerDeg: 0, sigmaUmPerDeg: usualSlopeUmPerDeg(focalMm) };
  return { value: umPerDeg * degC, doubt: Math.abs(sigmaUmPerDeg * degC) };
}

/** Null before tonight's focus, and while the light path is incomplete. */
export function focusKnown(records: NightRecords, { train }: Pick<RigNumbers, 'train'>): FocusKnown | null {
  const focus = records.tonight.last('focus', records.rig.id);
  if (!train || !focus) return null;
  const noted = records.tonight.last('air');
  const isSince = noted !== undefined && records.readings.indexOf(noted) > records.readings.indexOf(focus);
  const air = isSince ? noted : null;
  const degC = air ? air.values.temperatureC - focus.values.temperatureC : 0;
  const known = {
    ...movedBy(records, train.focalEffectiveMm, degC),
    basis: 'measured' as const,
    asOf: (air ?? focus).takenAtUtc,
  };
  const allowedUm = focusToleranceTotalUm(train.focalRatio) / 2;
  return { ...known, focus, air, allowedUm, state: stateOf(known, allowedUm) };
}
