/** The account of a whole night in one: that of the middle of the hours in which its target can be taken. */
import { oncePer } from '../../../once.ts';
import { nightAt, type StarsAt } from '../../nightAt.ts';
import type { NightStatic } from '../../nightStatic.ts';

/** Null without a light path, and when the target cannot be taken. */
export const middleStars = oncePer((night: NightStatic): StarsAt | null => {
  const { usable } = night;
  return usable ? nightAt(night, (usable.fromMs + usable.toMs) / 2).stars : null;
});
