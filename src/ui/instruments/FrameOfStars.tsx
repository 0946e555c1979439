/** A frame with its five places: a star at each as it was seen, a question mark where nobody looked yet. */
import type { Place, SeenStar, Stick } from '../../core/optics/corners/seen.ts';

const ANGLE_DEG: Record<Exclude<Stick, 'round'>, number> = { level: 0, upright: 90, rising: -45, falling: 45 };
const ROUND_R = 6;

/** One star, in a box of 40 by 40 about its middle. */
export function SeenStarGlyph({ star }: { star: SeenStar }) {
  if (star.stick === 'round') return <circle r={ROUND_R} fill="var(--ink)" />;
  const half = star.strong ? 17 : 11;
  return (
    <rect
      x={-half}
      y={-5}
      width={2 * half}
      height={10}
      rx={5}
      fill="var(--ink)"
      transform={`rotate(${ANGLE_DEG[star.stick]})`}
    />
  );
}

type Props = {
  label: string;
  stars: Record<Place, SeenStar | null>;
  chosen: Place;
  names: Record<Place, string>;
  choose: (place: Place) => void;
};

const ORDER: readonly (Place | null)[] = [
  'topLeft',
  null,
  'topRight',
  null,
  'centre',
  null,
  'bottomLeft',
  null,
  'bottomRight',
];

export function FrameOfStars({ label, stars, chosen, names, choose }: Props) {
  return (
    <div className="star-frame" role="group" aria-label={label}>
      {ORDER.map((place, i) =>
        place === null ? (
          <span key={i} aria-hidden="true" />
        ) : (
          <button
            key={place}
            type="button"
            className={place === chosen ? 'chosen' : undefined}
            aria-pressed={place === chosen}
            aria-label={names[place]}
            onClick={() => choose(place)}
          >
            <Shown star={stars[place]} />
          </button>
        ),
      )}
    </div>
  );
}

function Shown({ star }: { star: SeenStar | null }) {
  return (
    <svg viewBox="-20 -20 40 40" width="56" height="56" aria-hidden="true">
      {star ? (
        <SeenStarGlyph star={star} />
      ) : (
        <text textAnchor="middle" y="7" fontSize="20" fill="var(--soft)">
          ?
        </text>
      )}
    </svg>
  );
}
