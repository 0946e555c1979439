/** ULIDs: 48 bits of time and 80 random bits in Crockford's base 32, so that ids sort by creation, also those of one
 *  millisecond: these count up from the first. */
const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

export type IdSource = () => string;

function timePart(ms: number): string {
  let rest = Math.floor(ms);
  let head = '';
  for (let i = 0; i < 10; i += 1) {
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
export function ulidSource(nowMs: () => number, randomBytes: (count: number) => Uint8Array): IdSource {
  let [head, tail] = ['', ''];
  return () => {
    const now = timePart(nowMs());
    tail = now === head ? countUp(tail) : Array.from(randomBytes(16), (byte) => ALPHABET[byte % 32] ?? '0').join('');
    head = now;
    return head + tail;
  };
}
