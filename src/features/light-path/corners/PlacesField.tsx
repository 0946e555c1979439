import { useState } from 'react';
import { useController, useFormContext } from 'react-hook-form';
import { PLACES } from '../../../core/records/corners.ts';
import type { Place, SeenStar } from '../../../core/optics/corners/seen.ts';
import { CORNERS, PLACE_NAMES, seenStarWords } from '../../../text/cornersWords.ts';
import { FrameOfStars, SeenStarGlyph } from '../../../ui/instruments/FrameOfStars.tsx';

export type SeenSoFar = Record<Place, SeenStar | null>;
export const NOTHING_SEEN: SeenSoFar = {
  topLeft: null,
  topRight: null,
  bottomLeft: null,
  bottomRight: null,
  centre: null,
};

const CHOICES: readonly SeenStar[] = [
  { stick: 'round', strong: false },
  ...[false, true].flatMap((strong) =>
    (['rising', 'falling', 'level', 'upright'] as const).map((stick) => ({ stick, strong })),
  ),
];
const isSame = (a: SeenStar | null, b: SeenStar): boolean => a?.stick === b.stick && a.strong === b.strong;

const missingOf = (seen: SeenSoFar): Place[] => PLACES.filter((place) => seen[place] === null);

/** Five places tapped one after the other: after each the next one that nobody looked at is chosen. */
export function PlacesField() {
  const { control } = useFormContext();
  const { field, fieldState } = useController({ name: 'places', control });
  const seen = field.value as SeenSoFar;
  const [chosen, setChosen] = useState<Place>('topLeft');
  const put = (star: SeenStar): void => {
    const now = { ...seen, [chosen]: star };
    field.onChange(now);
    setChosen(missingOf(now)[0] ?? chosen);
  };
  const missing = missingOf(seen);
  const names = Object.fromEntries(
    PLACES.map((place) => [place, `${PLACE_NAMES[place]}: ${seen[place] ? seenStarWords(seen[place]) : '?'}`]),
  ) as Record<Place, string>;
  return (
    <div className="wide">
      <p className="soft mb-1">{CORNERS.hint}</p>
      <div className="seen-corners">
        <FrameOfStars label="The frame" stars={seen} chosen={chosen} names={names} choose={setChosen} />
        <div className="star-choices" role="group" aria-label={PLACE_NAMES[chosen]}>
          <strong>{PLACE_NAMES[chosen]}</strong>
          {CHOICES.map((star) => (
            <button
              key={seenStarWords(star)}
              type="button"
              aria-label={seenStarWords(star)}
              aria-pressed={isSame(seen[chosen], star)}
              onClick={() => put(star)}
            >
              <svg viewBox="-20 -20 40 40" width="36" height="36" aria-hidden="true">
                <SeenStarGlyph star={star} />
              </svg>
            </button>
          ))}
        </div>
      </div>
      {fieldState.error && missing.length > 0 && (
        <div className="invalid-feedback d-block" role="alert">
          {CORNERS.missing} {missing.map((place) => PLACE_NAMES[place]).join(', ')}.
        </div>
      )}
    </div>
  );
}
