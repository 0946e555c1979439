/** Level and bearing in the run: done when both were read, the bearing by needle or by shadow. The scale is read after polar alignment and is not asked for. */
import { bearingRead } from '../../core/pole/bearing.ts';
import { stateOf, type Summary } from '../../session/stationState.ts';

export const levelSummary: Summary = (night, format) => {
  const { readings, tonight } = night.records;
  const level = tonight.last('level');
  const needed = [bearingRead(readings).counts ?? undefined, level];
  return {
    state: stateOf(night, needed),
    reading: level ? format.quantity(level.values.tiltDeg, 'angleDeg') : '',
  };
};
