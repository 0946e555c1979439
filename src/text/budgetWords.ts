/** Words of the roundness budget. */
import type { Judgement, Unlooked } from '../core/night/ledger/judgement.ts';
import type { Repair } from '../core/night/advice/stars/repairs.ts';
import type { BudgetItemName } from '../core/verdict/plannedSub.ts';
import type { Budget, RoundnessVerdict } from '../core/verdict/budget.ts';
import type { Basis } from '../core/known.ts';
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
  optics: 'Optics',
  defocus: 'Focus',
  diffraction: 'Diffraction',
  pixel: 'Pixel',
  balanceWind: 'Balance, wind',
};

/** A rate that the rig itself tells is that of a mount that stands still. */
const STILL = { name: 'No tracking', advice: 'Nothing follows the sky: shorten the sub.' } as const;
const isStill = (item: BudgetItemName, basis: Basis | undefined): boolean => item === 'raRate' && basis === 'told';

export const itemName = (item: BudgetItemName, basis: Basis | undefined): string =>
  isStill(item, basis) ? STILL.name : ITEM_NAMES[item];
export const itemAdvice = (item: BudgetItemName, basis: Basis | undefined): string =>
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
  periodicError: 'Record a log of it: a measured drive is judged by its own curve.',
  raRate: 'Check the star rate and the hemisphere switch.',
  fieldTurn: 'An alt-azimuth mount turns the field: least due east and due west.',
  polar: 'Improve the polar alignment: guiding does not take the turn of the field away.',
  guiding: 'Look at balance, backlash and the guide exposure.',
  flexure: 'Stiffen the guide scope’s clamp.',
  spacing: 'Check the distance from corrector to sensor.',
  refraction: 'Start when the target stands higher, or guide.',
  seeing: 'The air decides; nothing to mend on the mount.',
  optics: 'This is how sharp lens or tube are by themselves.',
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
  long: 'Stars will be long.',
  swollen: 'Stars will be wide all round.',
};

export const BASIS_WORDS: Record<Basis, string> = {
  measured: 'measured tonight',
  told: 'from your rig',
  learned: 'from earlier nights',
  assumed: 'assumed',
  notLooked: 'not looked at',
};

/** More are not read at a glance. */
const MOST_NAMED = 2;

/** `Round`, or `Cannot tell: pole, focus`. */
export function judgementName({ state, unlooked }: Judgement): string {
  if (state !== 'cannotTell') return VERDICT_NAMES[state];
  return `Cannot tell: ${unlooked.slice(0, MOST_NAMED).join(', ')}`;
}

/** `The pole and focus decide`: what an account of assumptions alone can say. */
export function decidesWords({ unlooked }: Judgement, { stretches }: Pick<Budget, 'stretches'>): string {
  const [first, second] = unlooked.slice(0, MOST_NAMED).map((what) => (what === 'pole' ? 'the pole' : what));
  const names = first === undefined ? stretches[0] && ITEM_NAMES[stretches[0].item] : first;
  if (names === undefined) return 'Nothing decides';
  const all = second === undefined ? `${names} decides` : `${names} and ${second} decide`;
  return all.charAt(0).toUpperCase() + all.slice(1);
}

/** Beside the account: no sub length mends it. */
export const cornersLine = (stretch: number, minutes: Pick<Repair, 'minutes' | 'own'>, f: Format): string =>
  `Corners stretched ${f.number(stretch, 1)} times: spacing, ${minutesWords(minutes, f)} to mend.`;

/** What to look at, and where. */
export const LOOK_AT: Record<Unlooked, { words: string; step: Step }> = {
  pole: {
    words: 'Look for the pole: so far only the bearing and the latitude aim the axis.',
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
