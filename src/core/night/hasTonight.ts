import { polarStarsStand } from '../pole/polarStars.ts';
import { handsOf, type Hands } from '../rig/assembly.ts';
import { rigHas, type RigHas } from '../rig/rigHas.ts';
import type { NightStatic } from './nightStatic.ts';

/** What the rig has that is of use where it stands tonight: near the equator a polar finder finds nothing. */
export function hasTonight({ numbers, records }: Pick<NightStatic, 'numbers' | 'records'>): RigHas {
  const has = rigHas(numbers);
  if (polarStarsStand(records.site.latDeg)) return has;
  return new Set([...has].filter((thing) => thing !== 'polarFinder'));
}

/** The hands' words likewise. */
export const handsTonight = (night: Pick<NightStatic, 'numbers' | 'records'>): Hands => ({
  ...handsOf(night.numbers),
  has: hasTonight(night),
});
