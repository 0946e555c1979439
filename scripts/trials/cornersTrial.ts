/** Correctors of unknown best distance, looked at by eye: blurs of the two line images at each corner, sorted by an eye that is
 *  wrong one time in ten. The search is the shipped one; nothing of its shape is used here. */
import { bestSpacing, type SpacingLook } from '../../src/core/optics/corners/bestSpacing.ts';
import { judgeCorners, spacingLean } from '../../src/core/optics/corners/judgeCorners.ts';
import type { Corner, SeenFrame, SeenStar, Stick } from '../../src/core/optics/corners/seen.ts';
import { normal, seeded, within, type Random } from '../../src/core/math/random.ts';
import type { Trial } from './trial.ts';

const FOUND_MM = 0.3;
const MOST_TRIES = 4;
const WRONG_LOOKS = 0.1;
const SHARE_WANTED = 0.9;
/** Length over width that an eye notices, and calls strong. */
const NOTICED = 1.12;
const STRONG = 1.35;
const EYE_SIGMA = 0.04;

const ALONG: Record<Corner, Stick> = {
  topLeft: 'falling',
  topRight: 'rising',
  bottomLeft: 'rising',
  bottomRight: 'falling',
};
const OTHER: Partial<Record<Stick, Stick>> = { rising: 'falling', falling: 'rising' };

type Corrector = {
  bestMm: number;
  /** Blur per mm of wrong distance over the width that a round star has. */
  growth: number;
};

/** Most are specified well, some not; the eye begins to see something a quarter of a millimetre from the best, or so. */
function corrector(random: Random): Corrector {
  const seenAtMm = within(random, 0.15, 0.35);
  return { bestMm: Math.max(-2, Math.min(2, 0.8 * normal(random))), growth: Math.sqrt(NOTICED ** 2 - 1) / seenAtMm };
}

/** One corner: the tangential image lies three times as far off as the sagittal one. */
function starAt(corner: Corner, { bestMm, growth }: Corrector, offsetMm: number, random: Random): SeenStar {
  const off = Math.abs(bestMm - offsetMm) * growth;
  const ratio = Math.sqrt((1 + off ** 2) / (1 + (off / 3) ** 2)) * (1 + EYE_SIGMA * normal(random));
  if (ratio < NOTICED) return { stick: 'round', strong: false };
  const along = ALONG[corner];
  return { stick: offsetMm < bestMm ? along : (OTHER[along] ?? along), strong: ratio > STRONG };
}

/** A wrong look sees anything but what is there, at all four corners. */
function wrongStar(corner: Corner, kind: number): SeenStar {
  const along = ALONG[corner];
  if (kind < 1 / 3) return { stick: 'round', strong: false };
  return { stick: kind < 2 / 3 ? along : (OTHER[along] ?? along), strong: false };
}

function lookAt(one: Corrector, offsetMm: number, random: Random): SeenFrame {
  const wrong = random() < WRONG_LOOKS;
  const kind = random();
  const star = (corner: Corner): SeenStar => (wrong ? wrongStar(corner, kind) : starAt(corner, one, offsetMm, random));
  return {
    topLeft: star('topLeft'),
    topRight: star('topRight'),
    bottomLeft: star('bottomLeft'),
    bottomRight: star('bottomRight'),
    centre: { stick: 'round', strong: false },
  };
}

/** How far from the best the search ends, mm. */
function missMm(random: Random): number {
  const one = corrector(random);
  const looks: SpacingLook[] = [];
  let offsetMm = 0;
  for (let tried = 0; tried < MOST_TRIES; tried++) {
    const frame = lookAt(one, offsetMm, random);
    const verdict = judgeCorners({
      frame,
      centreFocused: true,
      pastFocus: 'notTried',
      hasCorrector: true,
      ruleInverted: false,
      fieldTurnShows: false,
    });
    const lean = spacingLean(verdict);
    if (lean !== null) looks.push({ offsetMm, lean });
    offsetMm = bestSpacing(looks).bestMm;
  }
  return Math.abs(bestSpacing(looks).bestMm - one.bestMm);
}

export const cornersTrial: Trial = {
  name: 'corners',
  what: 'the best spacing found within 0.3 mm in at most four looks, one in ten of them wrong, in 90 % of the correctors',
  cases: 2000,
  leastCases: 200,
  run: (seed, cases) => {
    const random = seeded(seed);
    const misses = Array.from({ length: cases }, () => missMm(random));
    const found = misses.filter((mm) => mm <= FOUND_MM).length;
    const figure = `found ${found} of ${cases}`;
    return Promise.resolve({ failure: found >= SHARE_WANTED * cases ? null : figure, figure });
  },
};
