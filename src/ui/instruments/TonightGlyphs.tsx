/** The instruments of the first answers, small: a compass ring, a latitude quadrant, a dial, a star, a bar, a knob, a meridian. */
import type { MiddleStar } from '../../core/verdict/budget.ts';
import { StarShape } from '../StarShape.tsx';

const SIZE = 72;
const MIDDLE = SIZE / 2;
const RING = 28;

const at = (angleDeg: number, radius: number): [number, number] => {
  const a = (angleDeg * Math.PI) / 180;
  return [MIDDLE + radius * Math.sin(a), MIDDLE - radius * Math.cos(a)];
};
const Frame = ({ children }: { children: React.ReactNode }) => (
  <svg
    className="tonight-glyph"
    viewBox={`0 0 ${SIZE} ${SIZE}`}
    width={SIZE}
    height={SIZE}
    aria-hidden="true"
    fill="none"
  >
    {children}
  </svg>
);
const Ring = ({ marks }: { marks: number }) => (
  <>
    <circle cx={MIDDLE} cy={MIDDLE} r={RING} stroke="var(--line)" strokeWidth="2" fill="var(--sheet)" />
    {Array.from({ length: marks }, (_, i) => {
      const [[x1, y1], [x2, y2]] = [at((360 / marks) * i, RING), at((360 / marks) * i, RING - 5)];
      return <path key={i} d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--soft)" strokeWidth="1.5" />;
    })}
  </>
);

/** The needle, and how far from it the pole lies. */
export function CompassGlyph({ compassDeg }: { compassDeg: number | null }) {
  const [x, y] = at(compassDeg ?? 0, RING - 4);
  const [nx, ny] = at(0, RING - 8);
  return (
    <Frame>
      <Ring marks={12} />
      <path d={`M${MIDDLE} ${MIDDLE}L${nx} ${ny}`} stroke="var(--soft)" strokeWidth="2" strokeDasharray="3 3" />
      {compassDeg !== null && (
        <>
          <path d={`M${MIDDLE} ${MIDDLE}L${x} ${y}`} stroke="var(--action)" strokeWidth="4" strokeLinecap="round" />
          <circle cx={x} cy={y} r="4" fill="var(--amber)" />
        </>
      )}
    </Frame>
  );
}

/** The sun above the horizon, or below it. */
export const SunGlyph = ({ isUp }: { isUp: boolean }) => (
  <Frame>
    <circle
      cx={MIDDLE}
      cy={isUp ? 26 : 52}
      r="10"
      stroke="var(--amber)"
      strokeWidth="3"
      strokeDasharray={isUp ? undefined : '4 4'}
    />
    <path d="M8 40h56" stroke="var(--soft)" strokeWidth="3" strokeLinecap="round" />
  </Frame>
);

/** A star above the horizon, as high as it stands. */
export function FindGlyph({ altDeg }: { altDeg: number }) {
  const a = (Math.max(0, Math.min(90, altDeg)) * Math.PI) / 180;
  const [x, y] = [12 + 46 * Math.cos(a), 58 - 46 * Math.sin(a)];
  return (
    <Frame>
      <path d="M12 58h52M58 58A46 46 0 0 0 12 12" stroke="var(--soft)" strokeWidth="2" />
      <path d={`M12 58L${x} ${y}`} stroke="var(--action)" strokeWidth="3" strokeLinecap="round" />
      <circle cx={x} cy={y} r="5" fill="var(--amber)" />
    </Frame>
  );
}

/** The moon with its lit part to the right: half its edge, and the shadow's as an ellipse. */
export function MoonGlyph({ litShare }: { litShare: number }) {
  const across = RING * Math.abs(1 - 2 * litShare);
  const lit = `M${MIDDLE} ${MIDDLE - RING}A${RING} ${RING} 0 0 1 ${MIDDLE} ${MIDDLE + RING}A${across} ${RING} 0 0 ${litShare < 0.5 ? 0 : 1} ${MIDDLE} ${MIDDLE - RING}Z`;
  return (
    <Frame>
      <circle cx={MIDDLE} cy={MIDDLE} r={RING} stroke="var(--line)" strokeWidth="2" fill="var(--sheet)" />
      <path d={lit} fill="var(--amber)" />
    </Frame>
  );
}

/** A low box on a board that tilts. */
export const PlatformGlyph = () => (
  <Frame>
    <path d="M12 58h48" stroke="var(--soft)" strokeWidth="3" strokeLinecap="round" />
    <g transform={`rotate(-9 ${MIDDLE} 50)`} stroke="var(--action)" strokeLinecap="round">
      <path d="M14 50h44" strokeWidth="4" />
      <path d="M26 48V28h20v20" strokeWidth="3" fill="var(--sheet)" />
    </g>
    <path d="M60 42a26 26 0 0 0-6-16m0 0 1 7m-1-7 7 1" stroke="var(--amber)" strokeWidth="2.5" />
  </Frame>
);

/** How far the knob goes in a minute; without a knob an empty view. */
export function KnobGlyph({ turnMin }: { turnMin: number | null }) {
  const angleDeg = turnMin === null ? 0 : 360 / turnMin;
  const [[x0, y0], [x1, y1]] = [at(0, RING - 10), at(angleDeg, RING - 10)];
  return (
    <Frame>
      <Ring marks={turnMin === null ? 0 : 12} />
      {turnMin !== null && (
        <path
          d={`M${x0} ${y0}A${RING - 10} ${RING - 10} 0 ${angleDeg > 180 ? 1 : 0} 1 ${x1} ${y1}`}
          stroke="var(--action)"
          strokeWidth="6"
        />
      )}
      <circle cx={MIDDLE} cy={MIDDLE} r="4" fill="var(--amber)" />
    </Frame>
  );
}

export function LatitudeGlyph({ scaleDeg }: { scaleDeg: number }) {
  const [x0, y0, radius] = [12, SIZE - 14, 50];
  const a = (scaleDeg * Math.PI) / 180;
  return (
    <Frame>
      <path
        d={`M${x0 + radius} ${y0}A${radius} ${radius} 0 0 0 ${x0} ${y0 - radius}`}
        stroke="var(--line)"
        strokeWidth="3"
      />
      <path d={`M${x0 + radius} ${y0}H${x0}V${y0 - radius}`} stroke="var(--line)" strokeWidth="1.5" />
      <path
        d={`M${x0} ${y0}L${x0 + radius * Math.cos(a)} ${y0 - radius * Math.sin(a)}`}
        stroke="var(--action)"
        strokeWidth="4"
        strokeLinecap="round"
      />
    </Frame>
  );
}

/** Clockwise from the top, as the view shows it. */
export function DialGlyph({ viewAngleDeg }: { viewAngleDeg: number }) {
  const [x, y] = at(viewAngleDeg, RING - 8);
  return (
    <Frame>
      <Ring marks={12} />
      <path d={`M${MIDDLE - 4} ${MIDDLE}h8M${MIDDLE} ${MIDDLE - 4}v8`} stroke="var(--soft)" strokeWidth="1.5" />
      <circle cx={x} cy={y} r="4.5" fill="var(--amber)" stroke="var(--ink)" strokeWidth="1" />
    </Frame>
  );
}

/** The middle one of tonight's stars on squares of sky. */
export function SubGlyph({ star, evenFwhmArcsec }: { star: MiddleStar; evenFwhmArcsec: number }) {
  return (
    <Frame>
      {Array.from({ length: 4 }, (_, i) => (
        <path key={i} d={`M${12 + 16 * i} 12V60M12 ${12 + 16 * i}H60`} stroke="var(--line)" strokeWidth="1.5" />
      ))}
      <svg x={MIDDLE - 19} y={MIDDLE - 17} width="38" height="34">
        <StarShape star={star} evenFwhmArcsec={evenFwhmArcsec} />
      </svg>
    </Frame>
  );
}

/** The bar seen level, its weight at a share of what it allows. */
export function BarGlyph({ share }: { share: number }) {
  const x = 16 + 44 * share;
  return (
    <Frame>
      <path d={`M8 ${MIDDLE}H66`} stroke="var(--soft)" strokeWidth="4" strokeLinecap="round" />
      <path d={`M8 ${MIDDLE - 14}V${MIDDLE + 14}`} stroke="var(--ink)" strokeWidth="3" />
      <rect
        x={x - 7}
        y={MIDDLE - 13}
        width="14"
        height="26"
        rx="2"
        fill="var(--tint)"
        stroke="var(--action)"
        strokeWidth="3"
      />
    </Frame>
  );
}

/** The arc over the meridian; a mark where the tube goes over. */
export function MeridianGlyph({ flips }: { flips: boolean }) {
  return (
    <Frame>
      <path d={`M6 58Q${MIDDLE} -12 66 58`} stroke="var(--action)" strokeWidth="3" />
      <path d={`M${MIDDLE} 10V62`} stroke="var(--soft)" strokeWidth="2" strokeDasharray="4 4" />
      {flips && <path d={`M${MIDDLE - 6} 62h12l-6 -10z`} fill="var(--amber)" />}
    </Frame>
  );
}
