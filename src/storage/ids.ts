/** ULIDs: 48 bits of time and 80 random bits in Crockford's base 32, so that ids sort by creation. Those of one millisecond
 *  count up from the first, and so do those made after the clock was set back. */
const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const TIME_DIGITS = 10;

export type IdSource = () => string;
/** Where the last id is kept, for the next page of this device. */
export type LastId = { read: () => string; write: (id: string) => void };

function timePart(ms: number): string {
  let rest = Math.floor(ms);
  let head = '';
  for (let i = 0; i < TIME_DIGITS; i += 1) {
    head = (ALPHABET[rest % 32] ?? '0') + head;
    rest = Math.floor(rest / 32);
  }
  return head;
}

/** The next text in base 32, of the same length; after the last one begins anew. */
function countUp(text: string): string {
  const last = text.length - 1;
  if (last < 0) return text;
  const digit = ALPHABET.indexOf(text.charAt(last)) + 1;
  return digit < ALPHABET.length
    ? text.slice(0, last) + (ALPHABET[digit] ?? '0')
    : `${countUp(text.slice(0, last))}${ALPHABET[0] ?? '0'}`;
}

/** A source of ids from a clock and a source of random bytes. */
export function ulidSource(
  nowMs: () => number,
  randomBytes: (count: number) => Uint8Array,
  last: LastId = inMemory(),
): IdSource {
  const tail = (): string => Array.from(randomBytes(16), (byte) => ALPHABET[byte % 32] ?? '0').join('');
  let own = '';
  const next = (): string => {
    const before = last.read();
    const head = before.slice(0, TIME_DIGITS);
    const now = timePart(nowMs());
    if (now > head) return now + tail();
    // Another page of this device may count up from the same id at the same time; only its own is safe to count from.
    return before === own ? countUp(own) : countUp(head) + tail();
  };
  return () => {
    own = next();
    last.write(own);
    return own;
  };
}

function inMemory(): LastId {
  let id = '';
  return {
    read: () => id,
    write: (next) => {
      id = next;
    },
  };
}
