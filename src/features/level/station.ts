/** Level and bearing in the run: done when both were read, the bearing by needle or by shadow. The scale is read after polar alignment and is not asked for. */
import { lastReading } from '../../core/night/nightRecords.ts';
import { stateOf, type Summary } from '../../session/stationState.ts';

export const levelSummary: Summary = (night, format) => {
  const { readings } = night.records;
  const level = lastReading(readings, 'level');
  const needed = [lastReading(readings, 'compass') ?? lastReading(readings, 'shadow'), level];
  return {
    state: stateOf(night, needed),
    reading: level ? format.quantity(level.values.tiltDeg, 'angleDeg') : '',
  };
};
