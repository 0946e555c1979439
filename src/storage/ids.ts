/** ULIDs: 48 bits of time and 80 random bits in Crockford's base 32, so that ids sort by creation. */
const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

export type IdSource = () => string;

/** A source of ids from a clock and a source of random bytes. */
export function ulidSource(nowMs: () => number, randomBytes: (count: number) => Uint8Array): IdSource {
  return () => {
    let time = Math.floor(nowMs());
    let head = '';
    for (let i = 0; i < 10; i += 1) {
      head = (ALPHABET[time % 32] ?? '0') + head;
      time = Math.floor(time / 32);
    }
    const tail = Array.from(randomBytes(16), (byte) => ALPHABET[byte % 32] ?? '0').join('');
    return head + tail;
  };
}
