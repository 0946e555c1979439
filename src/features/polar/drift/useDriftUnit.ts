/** How this user reads a drift: kept in the address, so that a reload keeps it. */
import { useSearchParams } from 'react-router';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import type { PartOf } from '../../../core/records/part.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { driftScale, type DriftScale, type DriftUnit } from './driftModel.ts';

export type DriftUnitState = {
  unit: DriftUnit;
  /** What there is to read by. */
  units: DriftUnit[];
  eyepieces: PartOf<'eyepiece'>[];
  eyepieceId: string | null;
  scale: DriftScale | null;
  choose: (change: { unit?: DriftUnit; eyepieceId?: string }) => void;
};

const UNITS: readonly DriftUnit[] = ['field', 'pixel', 'arcsec'];
const isThere = (unit: DriftUnit, { numbers }: NightStatic, eyepieces: number): boolean =>
  unit === 'arcsec' || (unit === 'pixel' ? numbers.train !== null : eyepieces > 0);

export function useDriftUnit(): DriftUnitState {
  const night = useNight();
  const { stored } = useShared();
  const [params, setParams] = useSearchParams();
  const asked = params.get('read');
  const unit: DriftUnit =
    asked === 'field' || asked === 'pixel' || asked === 'arcsec' ? asked : night.numbers.train ? 'pixel' : 'arcsec';
  const eyepieces = stored.parts.filter(
    (p): p is PartOf<'eyepiece'> => p.kind === 'eyepiece' && p.deletedAtUtc === null && !p.archived,
  );
  const eyepiece = eyepieces.find((e) => e.id === params.get('eyepiece')) ?? eyepieces[0];
  const units = UNITS.filter((one) => one === unit || isThere(one, night, eyepieces.length));
  return {
    unit,
    units,
    eyepieces,
    eyepieceId: eyepiece?.id ?? null,
    scale: driftScale(night, unit, eyepiece?.focalMm ?? null),
    choose: (change) =>
      setParams(
        (before) => {
          if (change.unit) before.set('read', change.unit);
          if (change.eyepieceId) before.set('eyepiece', change.eyepieceId);
          return before;
        },
        { replace: true },
      ),
  };
}
