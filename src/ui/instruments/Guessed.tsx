/** Hatching for what is only guessed: one pattern for every drawing, and the shape that carries it. */
import type { SVGProps } from 'react';

const ID = 'guessed';

/** Stands once in the page; drawings refer to it. */
export function GuessedPattern() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        <pattern id={ID} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" stroke="var(--ink)" strokeWidth="2.5" strokeOpacity="0.45" />
        </pattern>
      </defs>
    </svg>
  );
}

/** Laid over a shape of the same size. */
export function Guessed(shape: SVGProps<SVGRectElement>) {
  return <rect {...shape} fill={`url(#${ID})`} stroke="none" pointerEvents="none" />;
}
