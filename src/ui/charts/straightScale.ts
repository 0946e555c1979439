/** A straight line from values to pixels and back: all that a picture without ticks needs of a scale. */
export type StraightScale = ((value: number) => number) & { invert: (pixel: number) => number };

type Ends = readonly [number, number];

export function straightScale([from, to]: Ends, [start, end]: Ends): StraightScale {
  // Divided last, so that the ends come out exactly.
  return Object.assign((value: number) => start + ((value - from) * (end - start)) / (to - from), {
    invert: (pixel: number) => from + ((pixel - start) * (to - from)) / (end - start),
  });
}
