/** What is recorded of turns and of tightening. */
import { losesDeadBand, type Adjuster } from '../../core/night/knobsOfMount.ts';
import type { NightRecords } from '../../core/night/nightRecords.ts';
import { poleLiftArcmin } from '../../core/night/poleLift.ts';
import type { Reference } from '../../core/night/poleOfNight.ts';
import type { NewReadingHere } from '../../session/session.ts';
import { trueErrorArcmin, type TurnsModel } from './turnsModel.ts';

export const ADJUSTERS: readonly Adjuster[] = ['altitude', 'azimuth'];

/** The readings of turns made as the dials show them: two for an altitude that is finished upward. */
export function turnsAsShown(model: TurnsModel, records: NightRecords): NewReadingHere[] {
  return ADJUSTERS.flatMap((adjuster): NewReadingHere[] => {
    const { advice, measured, within } = model.turns[adjuster];
    if (!advice || !measured || within) return [];
    const turned = (turns: number, clockwise: boolean, afterLockOrReversal: boolean): NewReadingHere => ({
      step: 'polar',
      subject: { type: 'mount', id: records.rig.mountId },
      kind: 'knobTurn',
      values: {
        adjuster,
        turns: clockwise ? turns : -turns,
        afterLockOrReversal,
        beforeArcmin: trueErrorArcmin(model, adjuster),
        afterArcmin: null,
      },
    });
    const first = turned(advice.turns, advice.clockwise, losesDeadBand(records, adjuster, advice.clockwise));
    return advice.thenUpTurns === null ? [first] : [first, turned(advice.thenUpTurns, !advice.clockwise, true)];
  });
}

/** What tightening did: an error measured after it against the one before, both told against the true pole. */
export function lockShiftTo(
  after: { altErrorArcmin: number; azErrorArcmin: number; reference: Reference },
  { turns }: TurnsModel,
  latDeg: number,
): { altArcmin: number; azArcmin: number } {
  const lift = after.reference === 'refracted' ? poleLiftArcmin(latDeg) : 0;
  const { altArcmin, azArcmin } = turns.pole.estimate;
  return { altArcmin: after.altErrorArcmin + lift - altArcmin, azArcmin: after.azErrorArcmin - azArcmin };
}
