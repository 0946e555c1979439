/** Level and bearing in the run: done when both were read, the bearing by needle or by shadow. The scale is read after polar alignment and is not asked for. */
import { bearingRead } from '../../core/pole/bearing.ts';
import { rigHas } from '../../core/rig/rigHas.ts';
import { stateOf, type Summary } from '../../session/stationState.ts';

export const levelSummary: Summary = (night, format) => {
  const { readings, tonight } = night.records;
  const level = tonight.last('level');
  const bearing = bearingRead(readings).counts ?? undefined;
  const needed = rigHas(night.numbers).has('polarAxis') ? [bearing, level] : [level];
  return {
    state: stateOf(night, needed),
    reading: level ? format.quantity(level.values.tiltDeg, 'angleDeg') : '',
  };
};
