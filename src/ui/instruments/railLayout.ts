/** Where the pieces of a rail are drawn, and how far one may be moved. Lengths in m along the rail, plus on the left; pixels
 *  in the drawing. */

export type RailPiece = {
  id: string;
  name: string;
  massKg: number;
  /** Signed place on the rail, m. */
  atM: number;
  round: boolean;
  /** Its mass or place was never measured. */
  guessed: boolean;
  /** Null = stays where it is. */
  rangeM: readonly [number, number] | null;
};
export type RailMark = { atM: number; text: string };

/** Pieces that stand in one place, drawn as one load. */
export type Group = {
  key: string;
  ids: string[];
  names: string[];
  massKg: number;
  atM: number;
  round: boolean;
  guessed: boolean;
  free: boolean;
};
/** From a place on the rail to the drawing; `textX` keeps a label's middle so far inside that nothing of it is cut off. */
export type View = { x: (atM: number) => number; textX: (atM: number, text: string) => number; perM: number };

/** Of figures 14 px high, with a gap to the next. */
const CHARACTER_PX = 8.4;
const GAP_PX = 10;
const widthOf = (text: string): number => text.length * CHARACTER_PX + GAP_PX;
/** Room beyond the outermost piece on either side. */
const ROOM_M = 0.08;

/** Pieces in one place stand together as one load. */
export function together(pieces: readonly RailPiece[], dragged: ReadonlySet<string>): Group[] {
  const groups = new Map<string, Group>();
  for (const piece of pieces) {
    const free = piece.rangeM !== null;
    const key = `${dragged.has(piece.id)} ${free} ${piece.round} ${piece.atM.toFixed(2)}`;
    const known = groups.get(key);
    groups.set(key, {
      key: known?.key ?? piece.id,
      ids: [...(known?.ids ?? []), piece.id],
      names: [...(known?.names ?? []), piece.name],
      massKg: (known?.massKg ?? 0) + piece.massKg,
      atM: known?.atM ?? piece.atM,
      round: piece.round,
      guessed: [piece, known].some((one) => one?.guessed),
      free,
    });
  }
  return [...groups.values()].sort((a, b) => b.massKg - a.massKg);
}

/** `x`: the middle of the text; `fromX`: the piece it belongs to. */
export type Label = { key: string; x: number; fromX: number; text: string; row: number };

/** Labels in rows above the rail, each in the lowest row in which it does not touch its neighbour. */
export function labelsInRows(labels: readonly Omit<Label, 'row'>[]): Label[] {
  const rowEnds: number[] = [];
  return [...labels]
    .sort((a, b) => a.x - widthOf(a.text) / 2 - (b.x - widthOf(b.text) / 2))
    .map((label) => {
      const free = rowEnds.findIndex((end) => label.x - widthOf(label.text) / 2 >= end);
      const row = free === -1 ? rowEnds.length : free;
      rowEnds[row] = label.x + widthOf(label.text) / 2;
      return { ...label, row };
    });
}

/** Keeps every piece of a group on its part of the rail. */
export function limited(pieces: readonly RailPiece[], ids: readonly string[], byM: number): number {
  return pieces
    .filter((p) => ids.includes(p.id))
    .reduce((by, { atM, rangeM }) => (rangeM ? Math.min(rangeM[1] - atM, Math.max(rangeM[0] - atM, by)) : by), byM);
}

/** A scale that shows every piece and mark, and a little beyond. */
export function viewOf(pieces: readonly RailPiece[], marks: readonly RailMark[], width: number): View {
  const places = [...pieces.map((p) => p.atM), ...marks.map((m) => m.atM)];
  const left = Math.max(0.1, ...places) + ROOM_M;
  const right = Math.max(0.1, ...places.map((m) => -m)) + ROOM_M;
  const perM = (width - 20) / (left + right);
  const x = (atM: number): number => 10 + (left - atM) * perM;
  const textX = (atM: number, text: string): number => {
    const half = widthOf(text) / 2;
    return Math.min(width - half, Math.max(half, x(atM)));
  };
  return { perM, x, textX };
}

const LONGEST_NAME = 18;

/** The first piece of a group by name, how many more there are, and what they weigh together. */
export function pieceLabel(names: readonly string[], mass: string): string {
  const [first = '', ...others] = names;
  const short = first.length > LONGEST_NAME ? `${first.slice(0, LONGEST_NAME - 1)}…` : first;
  return `${short}${others.length > 0 ? ` +${others.length}` : ''}, ${mass}`;
}
