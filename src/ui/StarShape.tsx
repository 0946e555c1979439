/** The middle one of tonight's possible stars, north up, over the ring of the width that air and optics allow. */
import type { MiddleStar } from '../core/verdict/budget.ts';

const EVEN_R = 8;
const LARGEST_R = 17;

export function StarShape({ star, evenFwhmArcsec }: { star: MiddleStar; evenFwhmArcsec: number }) {
  const radius = (fwhmArcsec: number): number => Math.min(LARGEST_R, (EVEN_R * fwhmArcsec) / evenFwhmArcsec);
  return (
    <svg width="38" height="34" viewBox="-19 -17 38 34" aria-hidden="true">
      <ellipse
        rx={radius(star.majorFwhmArcsec)}
        ry={radius(star.minorFwhmArcsec)}
        fill="var(--ink)"
        transform={`rotate(${star.angleDeg.toFixed(1)})`}
      />
      <circle r={EVEN_R} fill="none" stroke="var(--paper)" strokeWidth="4" />
      <circle r={EVEN_R} fill="none" stroke="var(--amber)" strokeWidth="1.5" />
    </svg>
  );
}
