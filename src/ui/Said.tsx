import { pieces, type Said as SaidText } from '../text/said.ts';

/** A sentence with its stressed words. */
export function Said({ said }: { said: SaidText }) {
  return (
    <>
      {pieces(said).map((piece, i) =>
        piece.strong ? <strong key={i}>{piece.text}</strong> : <span key={i}>{piece.text}</span>,
      )}
    </>
  );
}
