/** The five points of the frame at which the star is judged.
 *  Source: plane geometry of the frame. */
import { RAD_PER_DEG } from '../math/angles.ts';

export type FramePointName = 'centre' | 'corner0' | 'corner1' | 'corner2' | 'corner3';
export type FramePoint = { name: FramePointName; x: number; y: number };

/** Centre and corners in arcsec from the centre (x east, y north). Width lies along u = (cos a, -sin a), height along
 *  v = (sin a, cos a); corner0 (+w, +h), corner1 (-w, +h), corner2 (-w, -h), corner3 (+w, -h). */
export function framePoints(frame: {
  scaleArcsecPerPx: number;
  widthPx: number;
  heightPx: number;
  cameraAngleDeg: number;
}): FramePoint[] {
  const a = frame.cameraAngleDeg * RAD_PER_DEG;
  const halfW = (frame.widthPx * frame.scaleArcsecPerPx) / 2;
  const halfH = (frame.heightPx * frame.scaleArcsecPerPx) / 2;
  const corner = (name: FramePointName, sw: number, sh: number): FramePoint => ({
    name,
    x: sw * halfW * Math.cos(a) + sh * halfH * Math.sin(a),
    y: -sw * halfW * Math.sin(a) + sh * halfH * Math.cos(a),
  });
  return [
    { name: 'centre', x: 0, y: 0 },
    corner('corner0', 1, 1),
    corner('corner1', -1, 1),
    corner('corner2', -1, -1),
    corner('corner3', 1, -1),
  ];
}
