/** Words of the reversal test. */
import { FEWEST_REVERSALS, type PlayByHand, type PlayVerdict, type ReversalTest } from '../core/mount/reversalTest.ts';
import { formatDate, eveningDate } from '../core/time/civil.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export const PLAY = {
  begin: 'North is pressed',
  seen: 'It moves',
  dropLast: 'Drop the last one',
  rate: 'Rate while the button is held',
  rateHint: 'As the controller is set. Half the star rate is 7.52″/s.',
  record: 'Record this backlash',
  steps: 'Reversals',
  last: 'The last one',
  play: 'Backlash in declination',
  log: 'A guided log tells it too: see A log.',
} as const;

export const pressedLabel = (way: 'north' | 'south'): string => `${way === 'north' ? 'South' : 'North'} is pressed`;

export function playSentence(test: ReversalTest): Said {
  if (test.at === 'ready')
    return 'Put a star near the meridian on a cross and **press north** until it moves steadily.';
  if (test.at === 'waiting') return `Hold ${test.way} and **tap when the star moves back**.`;
  const back = test.way === 'north' ? 'south' : 'north';
  return `Now **press ${back}** and tap at the same moment.`;
}

export function playReason(test: ReversalTest): string {
  const left = FEWEST_REVERSALS - test.deadS.length;
  if (left > 0)
    return `What passes until it moves back is the backlash; one reversal each way at least${left === 1 ? ': one more' : ''}.`;
  return 'More of them make it surer. Drop one at which the thumb slipped.';
}

/** Against each other where it was measured before. */
export function playAdvice(verdict: PlayVerdict): string {
  if (verdict === 'small') return 'Small: guide both ways as you do.';
  if (verdict === 'oneWay')
    return 'Let the guider correct declination one way only, the way that the drift asks for, or tell it this backlash.';
  return 'Much: let the guider correct declination one way only. By day have worm and wheel set closer, if your mount’s manual lets you.';
}

export const playValue = ({ arcsec, sigmaArcsec }: PlayByHand, f: Format): string =>
  `${f.quantity(arcsec, 'arcsec', 1)} ± ${f.quantity(sigmaArcsec, 'arcsec', 1)}`;

export const playRecorded = (arcsec: number, f: Format): string =>
  `Backlash in declination recorded: ${f.quantity(arcsec, 'arcsec', 1)}.`;

/** What was recorded before. */
export const playBefore = (arcsec: number, atUtc: string, f: Format): string =>
  `Recorded on ${formatDate(eveningDate(Date.parse(atUtc), f.zoneIana))}: ${f.quantity(arcsec, 'arcsec', 1)}.`;
