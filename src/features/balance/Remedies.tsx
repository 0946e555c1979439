import { useShared } from '../../session/session.ts';
import { usePartName } from '../../session/usePartName.ts';
import { WeightSets } from '../../ui/WeightSets.tsx';
import type { Remedies as RemediesModel } from './model.ts';

type Props = { remedies: RemediesModel };

/** Ways out when the weight would stand off the bar, each with its load and inertia. */
export function Remedies({ remedies }: Props) {
  const { format } = useShared();
  const nameOf = usePartName();
  const { sets, setsThatFit, extensionM, clamp } = remedies;
  return (
    <div className="section">
      <h2>{setsThatFit > 0 ? 'Sets from your box that fit, best first' : 'No set from your box fits'}</h2>
      <div className="two-ways">
        <WeightSets sets={sets} nameOf={nameOf} format={format} />
        {extensionM !== null && (
          <div>
            <p>
              <strong>Lengthen the bar</strong>
            </p>
            <p>by {format.quantity(extensionM, 'barLength')}, with the same weight</p>
          </div>
        )}
        {clamp !== null && (
          <div>
            <p>
              <strong>Move the tube {clamp.clampShiftM < 0 ? 'closer to' : 'away from'} the axis</strong>
            </p>
            <p>
              by {format.quantity(Math.abs(clamp.clampShiftM), 'barLength')}, weight at{' '}
              {format.quantity(clamp.weightsAtM, 'barLength')}, inertia {format.quantity(clamp.inertiaKgM2, 'inertia')}
            </p>
          </div>
        )}
      </div>
    </div>
  );
}
