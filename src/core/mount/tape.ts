/** What a tape measure shows on the bar or on the tube, against the positions that the balance is reckoned with. */

/** Bar: from the polar axis to the middle of the weights, from the head's shoulder to their near edge, or from the end
 *  stop to their far edge. */
export type BarEdge = 'axisToMiddle' | 'shoulderToNearEdge' | 'endStopToFarEdge';
/** Tube: from the saddle's middle to the front end or to the rear end. */
export type TubeEdge = 'saddleToFront' | 'saddleToRear';

/** A tape laid along a line: its zero lies at `originM`, it counts up along `sense`, and it is read at an edge that lies
 *  `edgeM` from the piece's position. Reading = sense x (position + edge - origin). */
export type Tape = { originM: number; edgeM: number; sense: 1 | -1 };

/** @param bar `shoulderM`: where the bar leaves the head; `endM`: its end stop, both from the polar axis; `thicknessM`:
 *  all movable weights together. */
export function barTape(edge: BarEdge, bar: { shoulderM: number; endM: number; thicknessM: number }): Tape {
  switch (edge) {
    case 'axisToMiddle':
      return { originM: 0, edgeM: 0, sense: 1 };
    case 'shoulderToNearEdge':
      return { originM: bar.shoulderM, edgeM: -bar.thicknessM / 2, sense: 1 };
    case 'endStopToFarEdge':
      return { originM: bar.endM, edgeM: bar.thicknessM / 2, sense: -1 };
  }
}

/** Positions of the tube's own mark along the saddle, + = toward the front; `frontM` and `backM` from that mark to the
 *  tube's ends. */
export function tubeTape(edge: TubeEdge, tube: { frontM: number; backM: number }): Tape {
  return edge === 'saddleToFront'
    ? { originM: 0, edgeM: tube.frontM, sense: 1 }
    : { originM: 0, edgeM: -tube.backM, sense: -1 };
}

/** A tape along the sideways shift of a piece: from the tube's middle line to the piece's middle. */
export const PLAIN_TAPE: Tape = { originM: 0, edgeM: 0, sense: 1 };

export function tapeReadingM({ originM, edgeM, sense }: Tape, positionM: number): number {
  return sense * (positionM + edgeM - originM);
}

/** Inverse of `tapeReadingM`. */
export function positionFromTapeM({ originM, edgeM, sense }: Tape, readingM: number): number {
  return sense * readingM - edgeM + originM;
}
