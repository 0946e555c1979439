/** What may not stand on a page: words about what a rig does not have, and sentences that went wrong. */
import { hasTonight } from '../../src/core/night/hasTonight.ts';
import type { RigThing } from '../../src/core/rig/rigHas.ts';
import type { NightStatic } from '../../src/core/night/nightStatic.ts';
import type { Page } from './pages.ts';

/** Words that speak of a thing. */
const SPEAKS_OF: Partial<Record<RigThing, RegExp>> = {
  bar: /counterweight|\bweights?\b(?! it)|\bend stop\b|\bbar\b/i,
  clutches: /clutch/i,
  flip: /\bflip(s|ped)?\b|goes over|carry (it|the tube) over/i,
  polarAxis: /\bpolar\b|\bpole\b|latitude scale|\bwedge\b|right.ascension knob/i,
  scale: /latitude scale/i,
  polarFinder: /polar finder|finder’s bore|on the dial|half-turn/i,
  slew: /\bslew|\bcontroller\b|home position|bring it home/i,
  motor: /\bslew|\bmotors?\b|tracks on|tracking rate|stop tracking|\bpower on\b/i,
  cables: /\bcables?\b/i,
  legs: /\btripod\b|\blegs?\b/i,
  camera: /\bcameras?\b|\bsensor|\bpixels?\b|\bsubs?\b|exposures?\b|\bguid(e|ed|ing)\b/i,
  eye: /(?<!finder’s )\beyepieces?\b|\bexit pupil\b/i,
};

/** Pages that speak of other mounts than this rig's, and the one place that says once what is left out. */
const ELSEWHERE = /^payload, choice$|^run$/;

/** Sentences that went wrong, by what is wrong with them. */
export const MISHAPS: Record<string, RegExp> = {
  'a word doubled': /\b([A-Za-z]{2,}) \1\b/i,
  'no value': /NaN|undefined|\bnull\b|Infinity|\[object/,
  'many minutes': /\b(1[89]\d|[2-9]\d\d|\d{4,}) min\b/,
  'one of several':
    /(?<![\d.,:/])\b1 (subs|nights|minutes|hours|pieces|cases|readings|targets|frames|weights|turns|stars)\b/,
  'a stop too many': /\.\.(?!\.)|,,| [.,;:](?! ?\d)|\(\)/,
  'a blank too many': / {2,}/,
  'a unit not told in the user’s': /\{\d/,
  'no article': /\ba (?=[aeio][a-z])(?!one|once|use)/i,
};

export type Unfit = { page: string; what: string; line: string };

/** What stands on the pages of a night that should not. */
export function unfitWords(night: NightStatic, pages: readonly Page[]): Unfit[] {
  const has = hasTonight(night);
  const missing = (Object.keys(SPEAKS_OF) as RigThing[]).filter((thing) => !has.has(thing));
  const saidOnce = new Set(pages.filter(({ name }) => name === 'run').flatMap(({ lines }) => lines));
  const found: Unfit[] = [];
  for (const { name, lines } of pages) {
    for (const line of lines) {
      for (const [what, pattern] of Object.entries(MISHAPS))
        if (pattern.test(line)) found.push({ page: name, what, line });
      if (ELSEWHERE.test(name) || saidOnce.has(line)) continue;
      for (const thing of missing)
        if (SPEAKS_OF[thing]?.test(line)) found.push({ page: name, what: `no ${thing}`, line });
    }
  }
  return found;
}
