/** Places words in a drawing so that none lies over another, over a line or over the thing that it names; what finds no room
 *  is left out, the least important first. */

export type Box = { x0: number; y0: number; x1: number; y1: number };
/** Lines and dots that words keep clear of. */
export type Obstacle =
  | { kind: 'dot'; x: number; y: number; r: number }
  | { kind: 'ring'; x: number; y: number; r: number }
  | { kind: 'box'; box: Box };

/** Middle of the words, in order of preference. */
export type Label = { text: string; places: readonly (readonly [number, number])[] };
export type Placed = { text: string; x: number; y: number };

const CLEAR = 3;

/** Of figures at a font size: this typeface is 0.6 em wide. */
export function boxOf(text: string, [x, y]: readonly [number, number], fontSize: number): Box {
  const half = (text.length * fontSize * 0.6) / 2;
  return { x0: x - half, y0: y - fontSize * 0.5, x1: x + half, y1: y + fontSize * 0.5 };
}

const boxesMeet = (a: Box, b: Box): boolean => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1;

/** Smallest and largest distance of a point from a box. */
export function reach(box: Box, x: number, y: number): [number, number] {
  const near = Math.hypot(Math.max(box.x0 - x, 0, x - box.x1), Math.max(box.y0 - y, 0, y - box.y1));
  const far = Math.hypot(Math.max(x - box.x0, box.x1 - x), Math.max(y - box.y0, box.y1 - y));
  return [near, far];
}

function meets(box: Box, obstacle: Obstacle): boolean {
  if (obstacle.kind === 'box') return boxesMeet(box, obstacle.box);
  const [near, far] = reach(box, obstacle.x, obstacle.y);
  if (obstacle.kind === 'dot') return near < obstacle.r + CLEAR;
  return near < obstacle.r + CLEAR && far > obstacle.r - CLEAR;
}

/** @param labels the most important first. */
export function placeLabels(labels: readonly Label[], obstacles: readonly Obstacle[], fontSize: number): Placed[] {
  const taken: Obstacle[] = [...obstacles];
  return labels.flatMap(({ text, places }): Placed[] => {
    const free = places.find((place) => !taken.some((o) => meets(boxOf(text, place, fontSize), o)));
    if (!free) return [];
    taken.push({ kind: 'box', box: boxOf(text, free, fontSize) });
    return [{ text, x: free[0], y: free[1] }];
  });
}
