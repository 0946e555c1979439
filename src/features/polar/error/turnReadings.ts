/** What is recorded of turns and of tightening. */
import { losesDeadBand } from '../../../core/pole/knobsOfMount.ts';
import { ADJUSTERS } from '../../../core/pole/poleWalk.ts';
import type { NightRecords } from '../../../core/history/nightRecords.ts';
import type { NewReadingHere } from '../../../session/session.ts';
import type { TurnsModel } from './turnsModel.ts';

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
        beforeArcmin: null,
        afterArcmin: null,
      },
    });
    const first = turned(advice.turns, advice.clockwise, losesDeadBand(records, adjuster, advice.clockwise));
    return advice.thenUpTurns === null ? [first] : [first, turned(advice.thenUpTurns, !advice.clockwise, true)];
  });
}
