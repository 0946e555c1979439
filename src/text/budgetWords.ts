/** Words of the roundness budget. */
import type { BudgetItemName } from '../core/verdict/contributions.ts';
import type { RoundnessVerdict } from '../core/verdict/budget.ts';
import type { Source } from '../core/night/budgetSources.ts';
import type { Step } from '../core/records/reading.ts';

export const ITEM_NAMES: Record<BudgetItemName, string> = {
  periodicError: 'Periodic error',
  raRate: 'Tracking rate',
  polarDrift: 'Polar drift',
  fieldRotation: 'Field rotation',
  guiding: 'Guiding',
  flexure: 'Flexure',
  spacing: 'Spacing',
  refraction: 'Refraction',
  seeing: 'Seeing',
  defocus: 'Focus',
  diffraction: 'Diffraction',
  pixel: 'Pixel',
  balanceWind: 'Balance, wind',
};

/** The station that mends an item; undefined when nothing on the mount can. */
export const MENDED_BY: Partial<Record<BudgetItemName, Step>> = {
  polarDrift: 'polar',
  fieldRotation: 'polar',
  balanceWind: 'balance',
  periodicError: 'tracking',
  raRate: 'tracking',
  guiding: 'tracking',
  spacing: 'light-path',
  defocus: 'pointing',
};

/** What to do about an item when it is the largest. */
export const ITEM_ADVICE: Record<BudgetItemName, string> = {
  periodicError: 'Shorten the sub, or guide.',
  raRate: 'Check the star rate and the hemisphere switch, or shorten the sub.',
  polarDrift: 'Improve the polar alignment, or shorten the sub.',
  fieldRotation: 'Improve the polar alignment; guiding does not take it away.',
  guiding: 'Look at balance, backlash and the guide exposure.',
  flexure: 'Stiffen the guide scope’s clamp, or shorten the sub.',
  spacing: 'Check the distance from corrector to sensor.',
  refraction: 'Start when the target stands higher, or guide.',
  seeing: 'The air decides; nothing to mend on the mount.',
  defocus: 'Focus again.',
  diffraction: 'This is the tube’s own limit.',
  pixel: 'This is the camera’s own limit.',
  balanceWind: 'Shelter the tube and check the balance.',
};

export const VERDICT_NAMES: Record<RoundnessVerdict, string> = {
  round: 'Round',
  acceptable: 'Acceptable',
  elongated: 'Elongated',
};

export const VERDICT_QUESTION: Record<RoundnessVerdict, string> = {
  round: 'Good enough. Nothing on the mount needs mending for this sub.',
  acceptable: 'Slightly long stars. Worth mending when it is quick.',
  elongated: 'Stars will be long. Mend the first item or shorten the sub.',
};

export const BASIS_WORDS: Record<Source['basis'], string> = {
  measured: 'measured',
  assumed: 'assumed',
  given: 'from your rig',
  notChecked: 'not checked',
};
