/** Words for bolts and knobs: what to turn, how, and what this mount's own screws have taught. */
import type { LearnedKnob } from '../core/mount/knobs.ts';
import type { AdjusterTonight, TurnsTonight } from '../core/night/advice/hands/turnsTonight.ts';
import { knobName } from './dialWords.ts';
import type { Format } from './format.ts';
import { sideWords, turnWords } from './polarWords.ts';
import type { Said } from './said.ts';

export type Paired = { altitude: boolean; azimuth: boolean };

/** True for the other one of two opposed knobs: the one that pushes is always turned clockwise. */
export const isOther = ({ advice }: AdjusterTonight, paired: boolean): boolean =>
  paired && advice !== null && !advice.clockwise;

/** Of two opposed knobs the one that pushes is always turned clockwise. */
export function turnsClockwise({ advice }: AdjusterTonight, paired: boolean): boolean {
  return paired || (advice?.clockwise ?? true);
}

/** What the error has to change by, signed. */
export const changeOf = ({ aimArcmin, errorArcmin }: AdjusterTonight): number => aimArcmin - errorArcmin;

/** `raises the axis`, `toward right (east)`. */
export function effectWords(a: AdjusterTonight, south: boolean): string {
  const change = changeOf(a);
  if (a.adjuster === 'altitude') return change > 0 ? 'raises the axis' : 'lowers the axis';
  return `toward ${sideWords(change > 0, south)}`;
}

export type TurnsSaying = 'measure' | 'byEyeIsEnough' | 'measureAgain' | 'turn' | 'tighten' | 'done';

function stepWords(a: AdjusterTonight, paired: boolean, south: boolean, f: Format): string {
  const size = f.quantity(Math.abs(changeOf(a)), 'arcmin');
  if (!a.advice)
    return `${a.adjuster === 'altitude' ? 'altitude' : 'azimuth'} **${size}**, until it ${effectWords(a, south)}`;
  const way = turnsClockwise(a, paired) ? 'clockwise' : 'counter-clockwise';
  return `the ${knobName(a.adjuster, paired, isOther(a, paired))} **${turnWords(a.advice.turns, f)} ${way}**`;
}

export function turnsSentence(
  saying: TurnsSaying,
  turns: TurnsTonight,
  { paired, south }: { paired: Paired; south: boolean },
  f: Format,
): Said {
  switch (saying) {
    case 'measure':
      return 'Measure the error by drift or by eye, or **record it here**.';
    case 'byEyeIsEnough':
      return 'Set by eye is **enough tonight**: go on to the next step.';
    case 'measureAgain':
      return 'Turned. **Measure once more**.';
    case 'turn': {
      const steps = [turns.altitude, turns.azimuth]
        .filter((a) => a.measured && !a.within)
        .map((a) => stepWords(a, paired[a.adjuster], south, f));
      return `Turn ${steps.join(', then ')}.`;
    }
    case 'tighten':
      return 'Within the goal: **tighten everything**, a little at a time, and measure once more.';
    case 'done':
      return `Done: the axis is **${f.quantity(turns.pole.totalArcmin ?? 0, 'arcmin')} from the pole**, tightened. Leave it.`;
  }
}

function aimWords({ adjuster, aimArcmin }: AdjusterTonight, f: Format): string {
  const [less, more] = adjuster === 'altitude' ? ['low', 'high'] : ['west', 'east'];
  const size = f.quantity(Math.abs(aimArcmin), 'arcmin');
  return `Aimed ${size} ${aimArcmin < 0 ? less : more}: tightening moves it back by as much, as it did before.`;
}

/** How the hand goes about it. */
export function handWords(a: AdjusterTonight, paired: boolean, f: Format): string[] {
  const { advice, knob } = a;
  if (!advice || a.within || !a.measured) return [];
  const lines: string[] = [];
  if (paired) {
    const other = knobName(a.adjuster, true, advice.clockwise);
    lines.push(`Loosen the ${other} as you turn; at the end both snug, a little at a time, watching the error.`);
  }
  if (advice.thenUpTurns !== null) {
    const back = turnWords(advice.thenUpTurns, f);
    lines.push(`Altitude is finished upward, against the weight: after that turn ${back} back up.`);
  }
  if (advice.fraction < 1) {
    const share = f.number(advice.fraction * 100, 0);
    const logged = knob?.learned?.records ?? 0;
    lines.push(`Stops at ${share} % of the way, until ${a.adjuster} is learned (${logged} of 4 turns logged).`);
  }
  return a.aimArcmin === 0 ? lines : [...lines, aimWords(a, f)];
}

function logWords({ records, spread, outliers }: LearnedKnob, f: Format): string {
  const turns = `${records} ${records === 1 ? 'turn' : 'turns'}, within ${f.number(spread * 100, 0)} %`;
  if (outliers.length === 0) return turns;
  return `${turns}; ${outliers.length} of them ${outliers.length === 1 ? 'does' : 'do'} not fit`;
}

/** What is known of a knob. */
export function gainWords({ adjuster, knob }: AdjusterTonight, f: Format): string {
  const name = adjuster === 'altitude' ? 'Altitude' : 'Azimuth';
  if (!knob) return `${name}: not known yet. Log one turn with the errors before and after.`;
  const gain = `${f.quantity(Math.abs(knob.gainArcminPerTurn), 'arcmin')} a turn`;
  if (knob.basis === 'geometry') return `${name}: ${gain}, by pitch and lever.`;
  const dead = knob.deadTurns > 0.005 ? `, ${turnWords(knob.deadTurns, f)} dead after a lock or reversal` : '';
  const from = knob.learned ? logWords(knob.learned, f) : '';
  return `${name}: ${gain}${dead}; ${knob.basis === 'learned' ? 'learned' : 'so far'} from ${from}.`;
}

export function lockWords(lock: TurnsTonight['lock'], south: boolean, f: Format): string {
  if (!lock) return 'Tightening: not measured yet. Measure once more after it, and say so.';
  const alt = `${f.quantity(Math.abs(lock.altArcmin), 'arcmin')} ${lock.altArcmin >= 0 ? 'up' : 'down'}`;
  const az = `${f.quantity(Math.abs(lock.azArcmin), 'arcmin')} ${sideWords(lock.azArcmin >= 0, south)}`;
  return `Tightening moves it ${alt} and ${az} (${lock.records} ${lock.records === 1 ? 'record' : 'records'})${lock.learned ? ': aimed off for' : ''}.`;
}

export const SIDE_QUESTIONS = {
  altitude: {
    ask: 'Turn the altitude bolt clockwise a little, facing its head: which way does the axis go?',
    up: 'Up',
    down: 'Down',
  },
  azimuth: {
    ask: 'From behind the mount, turn the right-hand azimuth knob clockwise a little, facing its head: which way does the axis go?',
    east: 'Toward east',
    west: 'Toward west',
  },
} as const;

export const NO_ADJUSTERS_WORDS =
  'No altitude bolt and azimuth knobs are entered for this mount: errors are told as angles only.';

export const TURN_LOGGED = 'Turns recorded. Measure once more: that teaches what they do.';
