/** What looks: lens or tube by its two numbers; a camera by its sensor's format, a phone, or the eye alone. Rules of thumb,
 *  to be corrected by one's own. */
import type { BODY_KINDS, TubeKind } from '../../records/part.ts';
import { tubeOfKind, type TubeGuess } from '../../optics/tubeClasses.ts';

/** Aperture null: a lens whose f-number was not told. */
export type Optics = { kind: TubeKind; focalMm: number; apertureMm: number | null };

/** Formats of sensors, mm, largest first. */
export const SENSORS = {
  fullFrame: [36, 24],
  reduced: [23.5, 15.6],
  fourThirds: [17.3, 13],
  oneInch: [13.2, 8.8],
  small: [5.6, 3.2],
} as const;
export type SensorFormat = keyof typeof SENSORS;
/** What the sensor sits in: a body that takes lenses, or a camera made for the telescope. */
export type Body = Exclude<(typeof BODY_KINDS)[number], 'phone'>;
/** `body` absent: nobody said. */
export type Sensor = { format: SensorFormat; megapixels: number; body?: Body };
/** A phone looks through its own lens, or held to the eyepiece of a tube; an eye needs a tube. */
export type Looker = Sensor | 'phone' | 'eye';

const USUAL_LENS_RATIO = 4;
/** No lens that is carried to a field is wider: longer ones are slower. */
const WIDEST_LENS_MM = 150;
const UM_PER_MM = 1000;
/** The main camera of a usual phone. */
const PHONE = { sensorMm: [9.8, 7.3], megapixels: 12 } as const;
export const PHONE_LENS: Optics = { kind: 'lens', focalMm: 6.8, apertureMm: 3.8 };
/** What most tubes come with, and what to begin with. */
export const LOW_POWER_EYEPIECE_MM = 25;

/** What is taken of a lens whose f-number was not told. */
export const usualLensRatio = (focalMm: number): number => Math.max(USUAL_LENS_RATIO, focalMm / WIDEST_LENS_MM);

export function apertureMmOf({ focalMm, apertureMm }: Optics): number {
  return apertureMm ?? focalMm / usualLensRatio(focalMm);
}

export function usualTube(optics: Optics): TubeGuess & { radiusM: number } {
  const apertureMm = apertureMmOf(optics);
  return { ...tubeOfKind(optics.kind, apertureMm, optics.focalMm), radiusM: (apertureMm / 2 + 15) / UM_PER_MM };
}

/** Aperture and focal length that the image is made with. A phone behind an eyepiece shortens the focal length by its own
 *  lens over the eyepiece (750 mm: 204 mm behind 25 mm), and its small pupil cuts what is wider.
 *  Source: afocal projection, F m with the magnification m = f_phone / f_eyepiece. */
export function imagedThrough(optics: Optics, looker: Looker): { apertureMm: number; focalMm: number } {
  const apertureMm = apertureMmOf(optics);
  if (looker !== 'phone' || optics.kind === 'lens') return { apertureMm, focalMm: optics.focalMm };
  const pupilMm = apertureMmOf(PHONE_LENS);
  return {
    apertureMm: Math.min(apertureMm, (pupilMm * optics.focalMm) / LOW_POWER_EYEPIECE_MM),
    focalMm: (optics.focalMm * PHONE_LENS.focalMm) / LOW_POWER_EYEPIECE_MM,
  };
}

/** Width and height, mm. */
export function sensorMm(sensor: Sensor | 'phone'): readonly [number, number] {
  return sensor === 'phone' ? PHONE.sensorMm : SENSORS[sensor.format];
}

/** Pixels of a sensor from its format: 36 x 24 mm with 24 megapixels has 6000 x 4000 of 6.0 um. */
export function pixelsOf(sensor: Sensor | 'phone'): { pixelUm: number; widthPx: number; heightPx: number } {
  const [widthMm, heightMm] = sensorMm(sensor);
  const { megapixels } = sensor === 'phone' ? PHONE : sensor;
  const pixelUm = Math.sqrt((widthMm * heightMm) / megapixels);
  return {
    pixelUm,
    widthPx: Math.round((widthMm * UM_PER_MM) / pixelUm),
    heightPx: Math.round((heightMm * UM_PER_MM) / pixelUm),
  };
}
