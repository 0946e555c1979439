/** Words of the reversal test. */
import { fromUtcText } from '../core/time/utc.ts';
import {
  missingWays,
  otherWay,
  type PlayByHand,
  type PlayVerdict,
  type ReversalTest,
  type Way,
} from '../core/mount/reversalTest.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export const PLAY = {
  begin: 'North is pressed',
  seen: 'It moves',
  dropLast: 'Drop the last one',
  rate: 'Rate while the button is held',
  record: 'Record this backlash',
  steps: 'Reversals',
  last: 'The last one',
  play: 'Backlash in declination',
  log: 'A guided log tells it too: see A log.',
} as const;

const CAPITAL: Record<Way, string> = { north: 'North', south: 'South' };
/** @param way in which it moves until then. */
export const pressedLabel = (way: Way): string => `${CAPITAL[otherWay(way)]} is pressed`;

export const rateHint = (halfRateArcsecPerS: number, f: Format): string =>
  `As the controller is set. Half the star rate is ${f.quantity(halfRateArcsecPerS, 'guideRate')}.`;

export function playSentence(test: ReversalTest): Said {
  if (test.at === 'ready')
    return 'Put a star near the meridian on a cross and **press north** until it moves steadily.';
  if (test.at === 'waiting') return `Hold ${test.way} and **tap when the star moves back**.`;
  return `Now **press ${otherWay(test.way)}** and tap at the same moment.`;
}

export function playReason({ reversals }: ReversalTest): string {
  const missing = missingWays(reversals);
  if (missing.length === 2) return 'What passes until it moves back is the backlash; one reversal each way at least.';
  if (missing[0]) return `What passes until it moves back is the backlash; one toward ${missing[0]} is wanted still.`;
  return 'More of them make it surer. Drop one at which the thumb slipped.';
}

export function playAdvice(verdict: PlayVerdict): string {
  if (verdict === 'small') return 'Small: guide both ways as you do.';
  if (verdict === 'oneWay')
    return 'Let the guider correct declination one way only, the way that the drift asks for, or tell it this backlash.';
  return 'Much: let the guider correct declination one way only. By day have worm and wheel set closer, if your mount’s manual lets you.';
}

export const playValue = ({ arcsec, sigmaArcsec }: PlayByHand, f: Format): string =>
  `${f.quantity(arcsec, 'arcsec', 1)} ${f.doubt(sigmaArcsec, 'arcsec', 1)}`;

export const playRecorded = (arcsec: number, f: Format): string =>
  `Backlash in declination recorded: ${f.quantity(arcsec, 'arcsec', 1)}.`;

/** What was recorded before. */
export const playBefore = (arcsec: number, atUtc: string, f: Format): string =>
  `Recorded on ${f.evening(fromUtcText(atUtc))}: ${f.quantity(arcsec, 'arcsec', 1)}.`;
