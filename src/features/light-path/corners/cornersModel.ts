/** What the corners tab shows, as codes and figures. */
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import { presentLook } from '../../../core/night/account/seenSpread.ts';
import type { TriedSpacing } from '../../../core/night/learned/spacingTried.ts';
import { spacingLean } from '../../../core/optics/corners/judgeCorners.ts';
import type { Spacing } from '../../../core/optics/spacing.ts';
import type { Stick } from '../../../core/optics/corners/seen.ts';
import type { CornersSaying, DrawnAlong } from '../../../text/cornersWords.ts';

const NEAR_AN_AXIS_DEG = 22.5;
const turnOf = (deg: number): number => ((deg % 180) + 180) % 180;

/** Which of the mount's axes a stick lies along: only sticks that lie or stand can be told whatever way the frame is mirrored. */
export function drawnAlong(stick: Exclude<Stick, 'round'>, cameraAngleDeg: number): DrawnAlong {
  if (stick === 'rising' || stick === 'falling') return null;
  const turned = turnOf(cameraAngleDeg);
  const isLevel = turned < NEAR_AN_AXIS_DEG || turned > 180 - NEAR_AN_AXIS_DEG;
  const isQuarter = Math.abs(turned - 90) < NEAR_AN_AXIS_DEG;
  if (!isLevel && !isQuarter) return null;
  return (stick === 'level') === isLevel ? 'ra' : 'dec';
}

/** Where the looks put the best distance with the glass of now. */
export function bestOf({
  numbers,
  learned,
}: NightStatic): { distanceMm: number; sigmaMm: number; looks: number } | null {
  const { spacing } = numbers.lightPath;
  const { best, tried } = learned.spacing;
  if (!spacing || !best) return null;
  const looks = tried.filter((t) => t.offsetMm !== null && spacingLean(t.verdict) !== null).length;
  return { distanceMm: spacing.specifiedMm + spacing.glassMm + best.bestMm, sigmaMm: best.sigmaMm, looks };
}

/** The last look at the stack as it stands, else the last of tonight whatever it says. */
function shownLook({ numbers, learned, records }: NightStatic): TriedSpacing | null {
  const last = learned.spacing.tried.at(-1);
  if (last && last.reading.nightId === records.night.id) return last;
  return presentLook(learned.spacing, numbers.lightPath.spacing);
}

/** Where the looked-at frame had its sensor, with the glass of now: whoever goes on from there has it in hand. */
function fromMm({ offsetMm }: TriedSpacing, { specifiedMm, glassMm, presentMm }: Spacing): number {
  return offsetMm === null ? presentMm : specifiedMm + glassMm + offsetMm;
}

export function cornersSaying(night: NightStatic): CornersSaying {
  const look = shownLook(night);
  if (!look) return { code: 'none', hasCorrector: night.numbers.lightPath.corrector !== null };
  const { verdict } = look;
  const best = bestOf(night);
  const { spacing } = night.numbers.lightPath;
  return {
    code: 'told',
    verdict,
    drawnAlong: verdict.code === 'tracking' ? drawnAlong(verdict.stick, night.records.rig.cameraAngleDeg) : null,
    stepMm: best && spacing ? best.distanceMm - fromMm(look, spacing) : null,
    low: !look.reading.values.highTarget,
    spacingMm: look.spacingMm,
    best,
  };
}
