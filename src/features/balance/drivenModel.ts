/** What a strain-wave drive must hold, as a code. */
import type { Unbalanced } from '../../core/mount/strainWave.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { DrivenSaying } from '../../text/drivenWords.ts';

export function drivenSaying({ numbers }: NightStatic, strain: Unbalanced | null): DrivenSaying {
  if (!strain || numbers.masses.tubeSide.length === 0) return { code: 'noMasses' };
  const { allowedNm, bare, withWeights } = strain;
  const { torqueNm } = bare;
  if (bare.verdict === 'fine') return { code: 'holds', torqueNm, allowedNm };
  if (withWeights && withWeights.torqueNm < torqueNm && withWeights.verdict !== 'over') {
    return { code: 'hangWeight', torqueNm, allowedNm, withWeightNm: withWeights.torqueNm };
  }
  return { code: 'tooMuch', torqueNm: (withWeights ?? bare).torqueNm, allowedNm };
}
