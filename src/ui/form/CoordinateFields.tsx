import { formatDegMinSec } from '../../core/units/sexagesimal.ts';
import { LATITUDE_LETTERS, LONGITUDE_LETTERS } from '../../text/format.ts';
import { AngleField } from './Fields.tsx';

/** Latitude and longitude, decimal or in degrees and minutes, with a letter or a sign. */
export function CoordinateFields() {
  return (
    <>
      <AngleField
        name="latDeg"
        label="Latitude"
        unit="°"
        limits={{ min: -90, max: 90, letters: LATITUDE_LETTERS }}
        show={(v) => (v < 0 ? `${formatDegMinSec(-v)} S` : formatDegMinSec(v))}
        hint="40.33, or 40 19 48 N"
      />
      <AngleField
        name="lonDeg"
        label="Longitude"
        unit="°"
        limits={{ min: -180, max: 180, letters: LONGITUDE_LETTERS }}
        show={(v) => (v < 0 ? `${formatDegMinSec(-v)} W` : formatDegMinSec(v))}
        hint="−7.60, or 7 36 W"
      />
    </>
  );
}
