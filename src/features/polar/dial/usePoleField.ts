/** The fainter stars of the finder's view, placed once per night; the sky's turning is a rotation of the drawing. */
import { useMemo } from 'react';
import { viewAngleDeg } from '../../../core/mount/dial.ts';
import { capOfDate, poleField, type FieldStar } from '../../../core/mount/poleField.ts';
import { useNight } from '../../../session/session.ts';
import { usePolarCaps } from '../../../session/usePolarCaps.ts';
import type { DialModel } from './dialModel.ts';

/** The plate's own stars are drawn by themselves. */
const BRIGHTER_IS_NAMED_ARCMIN = 1.5;

export type DrawnField = { field: FieldStar[]; turnDeg: number; missing: boolean };

export function usePoleField(model: DialModel, siderealH: number): DrawnField {
  const { records, sky } = useNight();
  const { stars, missing } = usePolarCaps();
  const { latDeg } = records.site;
  const { view, fieldDeg, faintestMag } = model;
  const cap = useMemo(() => capOfDate(stars, sky.events.startMs, latDeg), [stars, sky, latDeg]);
  const field = useMemo(() => {
    const named = sky.polePattern.map((p) => p.ofDate);
    const other = cap.filter(({ ofDate }) =>
      named.every(
        (n) =>
          Math.abs(n.decDeg - ofDate.decDeg) * 60 > BRIGHTER_IS_NAMED_ARCMIN ||
          Math.abs(n.raDeg - ofDate.raDeg) * Math.cos((n.decDeg * Math.PI) / 180) * 60 > BRIGHTER_IS_NAMED_ARCMIN,
      ),
    );
    return poleField(other, { siderealH: 0, latDeg, view }, { radiusArcmin: fieldDeg * 30, faintestMag });
  }, [cap, sky, latDeg, view, fieldDeg, faintestMag]);
  return { field, turnDeg: viewAngleDeg(siderealH, latDeg, view) - viewAngleDeg(0, latDeg, view), missing };
}
