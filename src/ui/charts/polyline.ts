/** A line from point to point as an SVG path; where a point is left out it breaks. For what is drawn before the drawing
 *  library is loaded. */
export function polyline(points: readonly (readonly [number, number])[], isDrawn: (y: number) => boolean): string {
  let pen = 'M';
  return points
    .map(([x, y]) => {
      if (!isDrawn(y)) {
        pen = 'M';
        return '';
      }
      const piece = `${pen}${x},${y}`;
      pen = 'L';
      return piece;
    })
    .join('');
}
