/** What looks: lens or tube by its two numbers, sensor by its format. Rules of thumb, to be corrected by one's own. */
import { tubeOfKind, type TubeGuess } from '../../optics/tubeClasses.ts';

export const OPTICS_KINDS = ['lens', 'refractor', 'reflector', 'mirrorLens'] as const;
export type OpticsKind = (typeof OPTICS_KINDS)[number];
/** Aperture null: a lens whose f-number was not told. */
export type Optics = { kind: OpticsKind; focalMm: number; apertureMm: number | null };

/** Formats of sensors, mm, largest first. */
export const SENSORS = {
  fullFrame: [36, 24],
  reduced: [23.5, 15.6],
  fourThirds: [17.3, 13],
  oneInch: [13.2, 8.8],
  small: [5.6, 3.2],
} as const;
export type SensorFormat = keyof typeof SENSORS;
export type Sensor = { format: SensorFormat; megapixels: number };

const USUAL_LENS_RATIO = 4;
const UM_PER_MM = 1000;

export function apertureMmOf({ focalMm, apertureMm }: Optics): number {
  return apertureMm ?? focalMm / USUAL_LENS_RATIO;
}

export function usualTube(optics: Optics): TubeGuess & { radiusM: number } {
  const apertureMm = apertureMmOf(optics);
  return { ...tubeOfKind(optics.kind, apertureMm, optics.focalMm), radiusM: (apertureMm / 2 + 15) / UM_PER_MM };
}

/** Pixels of a sensor from its format: 36 x 24 mm with 24 megapixels has 6000 x 4000 of 6.0 um. */
export function pixelsOf({ format, megapixels }: Sensor): { pixelUm: number; widthPx: number; heightPx: number } {
  const [widthMm, heightMm] = SENSORS[format];
  const pixelUm = Math.sqrt((widthMm * heightMm) / megapixels);
  return {
    pixelUm,
    widthPx: Math.round((widthMm * UM_PER_MM) / pixelUm),
    heightPx: Math.round((heightMm * UM_PER_MM) / pixelUm),
  };
}
