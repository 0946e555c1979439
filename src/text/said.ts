/** Sentences with stressed words: `Slide the **weight 14 mm outward**.` */
export type Said = string;

export type SaidPiece = { text: string; strong: boolean };

/** Splits a sentence into plain and stressed pieces. */
export function pieces(said: Said): SaidPiece[] {
  return said
    .split('**')
    .map((text, i) => ({ text, strong: i % 2 === 1 }))
    .filter((piece) => piece.text !== '');
}

/** The sentence without marks: for labels that a screen reader speaks. */
export function plain(said: Said): string {
  return said.replaceAll('**', '');
}
