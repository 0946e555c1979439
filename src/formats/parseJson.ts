/** JSON.parse with the place of the fault. */
import { ok, refuse, type Result } from '../core/result.ts';

export type JsonCode = 'notJson' | 'endsEarly';

type Parsed = { value: unknown; fault: null } | { value: null; fault: string };

function tryParse(text: string): Parsed {
  try {
    return { value: JSON.parse(text) as unknown, fault: null };
  } catch (error) {
    return { value: null, fault: error instanceof Error ? error.message : '' };
  }
}

/** True when the parser ran out of text: the file was cut off. */
function ranOut(message: string, text: string): boolean {
  if (/end of (JSON|data)|EOF|unterminated string/i.test(message)) return true;
  const position = /position (\d+)/.exec(message);
  return position !== null && Number(position[1]) >= text.trimEnd().length;
}

/** Longer texts are not searched: each step parses the text up to there. */
const SEARCHED_CHARACTERS = 4_000_000;

/** How many characters could still become JSON. Engines tell the place in different ways or not at all, but a start that
 *  is sound only ever runs out of text, and a broken one stays broken however it goes on: so halving finds it. */
function soundLength(text: string): number {
  let [sound, broken] = [0, text.length];
  while (broken - sound > 1) {
    const middle = Math.floor((sound + broken) / 2);
    const start = text.slice(0, middle);
    const { fault } = tryParse(start);
    if (fault === null || ranOut(fault, start)) sound = middle;
    else broken = middle;
  }
  return sound;
}

function placeOf(text: string): Record<string, number> {
  if (text.length > SEARCHED_CHARACTERS) return {};
  const before = text.slice(0, soundLength(text)).split('\n');
  return { line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}

export function parseJson(text: string): Result<unknown, JsonCode> {
  const { value, fault } = tryParse(text);
  if (fault === null) return ok(value);
  return ranOut(fault, text) ? refuse('endsEarly', { characters: text.length }) : refuse('notJson', placeOf(text));
}
