/** Where things lie in the round view of a polar finder: pixels from arcmin, and back from a finger. */
import type { PlatePoint } from '../../core/mount/finderPlate.ts';

export const VIEW_SIZE = 440;
export const VIEW_CENTRE = VIEW_SIZE / 2;
/** Radius of the round view. */
export const VIEW_RADIUS = 172;

/** Clockwise from the top. */
export function atAngle(angleDeg: number, radius: number): [number, number] {
  const a = (angleDeg * Math.PI) / 180;
  return [VIEW_CENTRE + radius * Math.sin(a), VIEW_CENTRE - radius * Math.cos(a)];
}

export function toPixels({ xArcmin, yArcmin }: PlatePoint, radiusArcmin: number): [number, number] {
  const scale = VIEW_RADIUS / radiusArcmin;
  return [VIEW_CENTRE + xArcmin * scale, VIEW_CENTRE - yArcmin * scale];
}

/** The place under a finger or pointer; inverse of `toPixels` on the screen. Null when the drawing is not laid out. */
export function fromPointer(
  svg: SVGSVGElement,
  at: { clientX: number; clientY: number },
  radiusArcmin: number,
): PlatePoint | null {
  const matrix = svg.getScreenCTM();
  if (!matrix) return null;
  const point = new DOMPoint(at.clientX, at.clientY).matrixTransform(matrix.inverse());
  const scale = radiusArcmin / VIEW_RADIUS;
  return { xArcmin: (point.x - VIEW_CENTRE) * scale, yArcmin: (VIEW_CENTRE - point.y) * scale };
}
