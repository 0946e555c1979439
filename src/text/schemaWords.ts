/** Words for what a record's schema refuses, in forms, files and stored rows alike. */

type Show = (value: number) => string;

const NAMED: Record<string, string> = {
  nameMissing: 'Give it a name.',
  notAnInstant: 'Must be a moment that the calendar has, between 1950 and 2150.',
  notADate: 'Must be a date that the calendar has, between 1950 and 2150.',
  farthestBeforeNearest: 'The farthest place must not lie before the nearest.',
  moreThanTaken: 'Cannot be more than were taken.',
  notOneOf: 'Choose one of the known values.',
  strangeField: 'Nothing of this name belongs here.',
  listMissing: 'The list is missing.',
  wrongForm: 'Has the wrong form.',
};

const TYPES: Record<string, string> = {
  number: 'Type a number.',
  int: 'Type a whole number.',
  string: 'Must be text.',
  boolean: 'Must be yes or no.',
  array: 'Must be a list.',
  object: 'Must be a group of values.',
  record: 'Must be a group of values.',
  nan: 'Type a number.',
};

const LIMITS: Record<string, string> = {
  tooSmall: 'Must be at least',
  tooBig: 'Must be at most',
  notAbove: 'Must be more than',
  notBelow: 'Must be less than',
};

function limitWords(code: string, origin: string, limit: string, show: Show): string {
  if (origin === 'string') {
    if (code === 'tooSmall' && limit === '1') return 'Choose or type something here.';
    return `${LIMITS[code] ?? ''} ${limit} characters long.`;
  }
  if (origin === 'array') return `${LIMITS[code] ?? ''} ${limit} entries.`;
  return `${LIMITS[code] ?? ''} ${show(Number(limit))}.`;
}

const typeWords = (expected: string): string => TYPES[expected] ?? 'Has the wrong form.';

/** @param message of a schema: a code, with kind and limit where it has them. Own sentences of a form pass unchanged.
 *  @param show turns a stored number into the user's unit, so that a limit reads as it is typed. */
export function schemaWords(message: string | undefined, show: Show = String): string {
  if (!message) return 'Check this value.';
  const named = Object.hasOwn(NAMED, message) ? NAMED[message] : undefined;
  if (named !== undefined) return named;
  const [code = '', origin = '', limit] = message.split(' ');
  if (Object.hasOwn(LIMITS, code) && limit !== undefined) return limitWords(code, origin, limit, show);
  if (code === 'wrongType') return typeWords(origin);
  return message.length > LONGEST_SENTENCE ? clipped(message) : message;
}

const LONGEST_SENTENCE = 240;
const LONGEST = 80;

/** A text from a file, short enough for a sentence. */
export function clipped(text: unknown): string {
  const words = String(text);
  return words.length > LONGEST ? `${words.slice(0, LONGEST)}…` : words;
}
