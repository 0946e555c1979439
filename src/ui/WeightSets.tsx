/** Sets of weights that balance the rig, each with where it stands and what it costs. */
import type { SetProposal } from '../core/mount/balanceProposals.ts';
import type { Format } from '../text/format.ts';

type Props = { sets: readonly SetProposal[]; nameOf: (partId: string) => string; format: Format };

/** Cells of a `two-ways` grid. */
export function WeightSets({ sets, nameOf, format }: Props) {
  return (
    <>
      {sets.map((set) => (
        <div key={set.ids.join()}>
          <p>
            <strong>{set.ids.map(nameOf).join(' and ')}</strong>
          </p>
          <p>
            at {format.quantity(set.positionM, 'barLength')}, load {format.quantity(set.totalOnAxisKg, 'mass', 1)},
            inertia {format.quantity(set.inertiaKgM2, 'inertia')}
          </p>
        </div>
      ))}
    </>
  );
}
