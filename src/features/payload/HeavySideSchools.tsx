import type { HeavySide } from '../../core/mount/heavySide.ts';
import type { Payload } from '../../core/night/payloadOfRig.ts';
import { useShared } from '../../session/session.ts';
import { preferWords, SCHOOL_NAMES, SCHOOLS_TITLE } from '../../text/payloadWords.ts';

type Props = { heavy: HeavySide; prefer: Payload['prefer']; nameOf: (partId: string) => string };

/** Both schools side by side, each with total load and inertia. */
export function HeavySideSchools({ heavy, prefer, nameOf }: Props) {
  const { format } = useShared();
  const { moreWeight, furtherOut, clamp } = heavy;
  const at = (m: number): string => format.quantity(m, 'barLength');
  const cost = (one: { totalOnAxisKg: number; inertiaKgM2: number }): string =>
    `load ${format.quantity(one.totalOnAxisKg, 'mass', 1)}, inertia ${format.quantity(one.inertiaKgM2, 'inertia')}`;
  return (
    <div className="section">
      <h2>{SCHOOLS_TITLE}</h2>
      <div className="two-ways">
        <div>
          <p>
            <strong>{SCHOOL_NAMES.weightCloseIn}</strong>
          </p>
          <p>
            {moreWeight
              ? `${moreWeight.ids.map(nameOf).join(' and ')} at ${at(moreWeight.positionM)}, ${cost(moreWeight)}`
              : 'Nothing heavier in your box fits on this bar.'}
          </p>
        </div>
        <div>
          <p>
            <strong>{SCHOOL_NAMES.longerLever}</strong>
          </p>
          <p>
            {furtherOut
              ? `at ${at(furtherOut.positionM)}${furtherOut.extensionM === null ? '' : `, the bar longer by ${at(furtherOut.extensionM)}`}, ${cost(furtherOut)}`
              : 'No weight hangs on the bar yet.'}
          </p>
        </div>
        {clamp && (
          <div>
            <p>
              <strong>{SCHOOL_NAMES.clamp}</strong>
            </p>
            <p>
              the heaviest piece {at(Math.abs(clamp.clampShiftM))} {clamp.clampShiftM < 0 ? 'closer in' : 'further out'}
              , weights left at {at(clamp.weightsAtM)}, inertia {format.quantity(clamp.inertiaKgM2, 'inertia')}
            </p>
          </div>
        )}
      </div>
      <p className="soft">{preferWords(prefer)}</p>
    </div>
  );
}
