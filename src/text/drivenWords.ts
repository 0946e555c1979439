/** What is checked on a strain-wave drive, which has no clutch for a tip test. */
import type { LoadVerdict } from '../core/mount/load.ts';
import type { Swing } from '../core/rig/footingOfRig.ts';
import type { Format } from './format.ts';
import { swingName } from './footingWords.ts';
import type { Said } from './said.ts';

type Torque = { torqueNm: number; verdict: LoadVerdict };
export type DrivenSaying =
  | { code: 'noMasses' }
  | { code: 'holds'; torqueNm: number; allowedNm: number }
  | { code: 'hangWeight'; torqueNm: number; allowedNm: number; withWeightNm: number }
  | { code: 'tooMuch'; torqueNm: number; allowedNm: number };

export function drivenSentence(s: DrivenSaying, f: Format): Said {
  switch (s.code) {
    case 'noMasses':
      return 'Enter **masses and distances** in Kit: they say what the drive must hold.';
    case 'holds':
      return `Leave the clutch test out: the drive holds **${f.quantity(s.torqueNm, 'torque')} of ${f.quantity(s.allowedNm, 'torque')}** by itself.`;
    case 'hangWeight':
      return `Hang the **counterweight** on: it leaves ${f.quantity(s.withWeightNm, 'torque')} instead of ${f.quantity(s.torqueNm, 'torque')} for the drive.`;
    case 'tooMuch':
      return `Add a **counterweight** or bring the tube closer: ${f.quantity(s.torqueNm, 'torque')} of ${f.quantity(s.allowedNm, 'torque')}.`;
  }
}

export const DRIVEN_REASON =
  'A strain-wave drive has no clutch: torque, tipping and what happens when the power fails are checked instead.';

/** `Without a counterweight`, its torque and verdict. */
export function torqueWords(torque: Torque, f: Format): string {
  const verdict = { fine: 'fine', near: 'near the limit', over: 'too much' }[torque.verdict];
  return `${f.quantity(torque.torqueNm, 'torque')}, ${verdict}`;
}

export const DRIVEN_NAMES = {
  bare: 'Without a counterweight',
  withWeights: 'With bar and weights',
  allowed: 'Allowed',
};

/** How far each swing may lean before it tips. */
export function swingWords(
  swing: Swing,
  tippingDeg: number,
  windMPerS: number,
  f: Format,
): { name: string; value: string } {
  const words = swingName(swing, true);
  return {
    name: `Tips, ${words}`,
    value: `${f.quantity(tippingDeg, 'angleDeg')}, ${f.quantity(windMPerS, 'speed')}`,
  };
}

export const POWER_LOSS_WORDS = {
  question: 'When the power fails, what do the axes do?',
  brakes: 'They hold',
  drops: 'They let go',
  saidBrakes: 'It holds without power. Unload with the power off.',
  saidDrops:
    'It lets go without power: hold the tube before you pull the plug, and hang a counterweight so that it sinks slowly.',
};
