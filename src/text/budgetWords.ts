/** Words of the roundness budget. */
import type { Judgement, Unlooked } from '../core/night/ledger/judgement.ts';
import type { Repair } from '../core/night/advice/stars/repairs.ts';
import type { BudgetItemName } from '../core/verdict/plannedSub.ts';
import type { Budget, RoundnessVerdict } from '../core/verdict/budget.ts';
import type { Source } from '../core/night/account/budgetSources.ts';
import type { Step } from '../core/records/reading.ts';
import type { Format } from './format.ts';

export const ITEM_NAMES: Record<BudgetItemName, string> = {
  periodicError: 'Periodic error',
  raRate: 'Tracking rate',
  polar: 'Polar error',
  fieldTurn: 'Turn of the field',
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

/** A rate that the rig itself gives is that of a mount that stands still. */
const STILL = { name: 'No tracking', advice: 'Nothing follows the sky: shorten the sub.' } as const;
type Basis = Source['basis'] | undefined;
const isStill = (item: BudgetItemName, basis: Basis): boolean => item === 'raRate' && basis === 'given';

export const itemName = (item: BudgetItemName, basis: Basis): string =>
  isStill(item, basis) ? STILL.name : ITEM_NAMES[item];
export const itemAdvice = (item: BudgetItemName, basis: Basis): string =>
  isStill(item, basis) ? STILL.advice : ITEM_ADVICE[item];

/** The station that mends an item; undefined when nothing on the mount can. */
export const MENDED_BY: Partial<Record<BudgetItemName, Step>> = {
  polar: 'polar',
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
  fieldTurn: 'An alt-azimuth mount turns the field: shorten the sub, or aim due east or west.',
  polar: 'Improve the polar alignment, or shorten the sub: guiding does not take the turn of the field away.',
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
  long: 'Long',
  swollen: 'Swollen',
};

export const VERDICT_QUESTION: Record<RoundnessVerdict, string> = {
  round: 'Good enough. Nothing on the mount needs mending for this sub.',
  acceptable: 'Stars stretch a little. Worth mending when it is quick.',
  long: 'Stars will be long. Mend the first item or shorten the sub.',
  swollen: 'Stars will be wide all round. Mend the first item or shorten the sub.',
};

export const BASIS_WORDS: Record<Source['basis'], string> = {
  measured: 'measured',
  assumed: 'assumed',
  given: 'from your rig',
  notChecked: 'not checked',
};

/** More are not read at a glance. */
const MOST_NAMED = 2;

/** `Round`, or `Cannot tell: pole, focus`. */
export function judgementName({ state, unlooked }: Judgement): string {
  if (state !== 'cannotTell') return VERDICT_NAMES[state];
  return `Cannot tell: ${unlooked.slice(0, MOST_NAMED).join(', ')}`;
}

/** What to look at, and where. */
export const LOOK_AT: Record<Unlooked, { words: string; step: Step }> = {
  pole: {
    words: 'Look for the pole: so far only bearing and latitude scale aim the axis.',
    step: 'polar',
  },
  focus: { words: 'Focus, and record it: nobody has looked at a star tonight.', step: 'pointing' },
  spacing: { words: 'Check the distance to the sensor, or look at the corners of a frame.', step: 'light-path' },
};

/** `Nine in ten stay under 1.11 times the width that air and optics allow, 3.1″.` */
export function stretchWords({ stretch90, evenFwhmArcsec }: Pick<Budget, 'stretch90' | 'evenFwhmArcsec'>, f: Format) {
  return `Nine in ten stay under ${f.number(stretch90, 2)} times the width that air and optics allow, ${f.quantity(evenFwhmArcsec, 'arcsec', 1)}.`;
}

/** `Pole from 4.1′ to 1.8′`. */
export function repairName({ code, from, to }: Pick<Repair, 'code' | 'from' | 'to'>, f: Format): string {
  switch (code) {
    case 'pole':
      return `Pole from ${f.quantity(from, 'arcmin', 1)} to ${f.quantity(to, 'arcmin', 1)}`;
    case 'guiding':
      return `Guiding from ${f.quantity(from, 'arcsec', 1)} to ${f.quantity(to, 'arcsec', 1)}`;
    case 'focus':
      return `Focus, gone by ${f.quantity(from, 'focusUm')}`;
    case 'spacing':
      return `Spacing from ${f.quantity(from, 'opticsMm')} to ${f.quantity(to, 'opticsMm')}`;
  }
}

/** `your 8 min`; `about 8 min` where it is a guess. */
export const minutesWords = ({ minutes, own }: Pick<Repair, 'minutes' | 'own'>, f: Format): string =>
  own ? `your ${f.duration(minutes * 60)}` : `about ${f.duration(minutes * 60)}`;

const countOf = (subs: number): string => `${subs} ${subs === 1 ? 'sub' : 'subs'}`;

export const verdictOfPrice = ({ worth }: Pick<Repair, 'worth'>): string => (worth ? 'Do it now.' : 'Leave it.');

/** `Pole from 4.1′ to 1.8′: about 8 min, 4 subs lost, 0 won. Leave it.` */
export function repairWords(repair: Repair, f: Format): string {
  const price = `${minutesWords(repair, f)}, ${countOf(repair.lost)} lost, ${repair.won} won`;
  return `${repairName(repair, f)}: ${price}. ${verdictOfPrice(repair)}`;
}

/** Focused tonight, and gone with the air since: at its price while subs are left. */
export const goneWords = (price: Repair | undefined, f: Format): string =>
  price ? repairWords(price, f) : 'Focus again: it has gone with the air since.';

export const REPAIRS = {
  title: 'Worth the minutes?',
  headings: ['Mend', 'It takes', 'Lost', 'Won', 'So'],
  none: 'Nothing that was measured tonight wants mending. What was not measured has no price.',
} as const;

/** `120 s`, and `0.5 s` for what a shutter takes. */
export const exposureWords = (exposureS: number, f: Format): string =>
  exposureS < 10 ? f.duration(exposureS) : f.quantity(exposureS, 'seconds');
