/** What the first screens ask, and what is kept of it on this device until the night is made. */
import { z } from 'zod';
import { siteSchema } from '../../core/records/site.ts';
import { BODY_KINDS, TUBE_KINDS } from '../../core/records/part.ts';
import { mountTraits } from '../../core/mount/mountKinds.ts';
import { motorsOf } from '../../core/mount/motors.ts';
import { CARRIERS, SIZES, usualCarrier, type Carrier } from '../../core/rig/dressing/carriers.ts';
import {
  PHONE_LENS,
  pixelsOf,
  SENSORS,
  type Looker,
  type Sensor,
  type SensorFormat,
} from '../../core/rig/dressing/looks.ts';
import type { RigAnswers } from '../../core/rig/dressing/dressRig.ts';
import type { OwnAnswers } from '../../core/night/advice/ownNight.ts';
import type { Format } from '../../text/format.ts';
import { placeName, rigNameOf, type Screen } from '../../text/startWords.ts';

const { latDeg, lonDeg } = siteSchema.shape;
const FORMATS = Object.keys(SENSORS) as [SensorFormat, ...SensorFormat[]];
/** What a rig looks with: a sensor's format, a phone, or the eye. */
export const LOOKERS = [...FORMATS, 'phone', 'eye'] as const;

/** What a sensor sits in. */
export const BODIES = BODY_KINDS.filter((kind) => kind !== 'phone');

/** What can be dressed with usual parts: lenses and tubes that people carry to a field. */
const WIDEST_MM = 700;
const RANGES = { focalMm: [2, 6000], fNumber: [0.7, 64], apertureMm: [10, WIDEST_MM] } as const;
type Ranged = keyof typeof RANGES;
/** Which of them are asked: what is hidden must not hold anybody up. */
const isAsked = (field: Ranged, a: { opticsKind: string; format: string }): boolean => {
  if (a.opticsKind !== 'lens') return field !== 'fNumber';
  return field !== 'apertureMm' && a.format !== 'phone';
};
const isTube = (fRatio: number): boolean => fRatio >= 1.5 && fRatio <= 40;
const isLens = (openingMm: number): boolean => openingMm >= 1 && openingMm <= WIDEST_MM;
const isPixel = (pixelUm: number): boolean => pixelUm >= 0.6 && pixelUm <= 40;

export const answersSchema = z
  .object({
    placeName: z.string(),
    latDeg,
    lonDeg,
    /** Empty: to be found from the place. */
    zoneIana: z.string(),
    carrier: z.enum(CARRIERS, 'Choose one.'),
    size: z.enum(SIZES),
    raMotor: z.boolean(),
    finder: z.enum(['twelveHour', 'none']),
    opticsKind: z.enum(TUBE_KINDS),
    focalMm: z.number(),
    fNumber: z.number().nullable(),
    apertureMm: z.number().nullable(),
    format: z.enum(LOOKERS),
    body: z.enum(BODIES),
    megapixels: z.number().min(0.3).max(200),
    guided: z.boolean(),
  })
  .superRefine((a, context) => {
    for (const field of Object.keys(RANGES) as Ranged[]) {
      const [value, [least, most]] = [a[field], RANGES[field]];
      if (value === null || !isAsked(field, a)) continue;
      const about = { origin: 'number', inclusive: true, input: value } as const;
      const path = [field];
      if (!(value >= least)) context.addIssue({ code: 'too_small', minimum: least, path, ...about });
      else if (value > most) context.addIssue({ code: 'too_big', maximum: most, path, ...about });
    }
  })
  .refine((a) => a.opticsKind !== 'lens' || a.format !== 'eye', {
    path: ['format'],
    message: 'An eye needs a tube: choose one above.',
  })
  .refine((a) => a.opticsKind === 'lens' || a.apertureMm !== null, { path: ['apertureMm'], message: 'Type a number.' })
  .refine((a) => a.opticsKind === 'lens' || a.apertureMm === null || isTube(a.focalMm / a.apertureMm), {
    path: ['apertureMm'],
    message: 'No tube of this focal length is so wide or so narrow: look at its label.',
  })
  .refine((a) => !isAsked('fNumber', a) || a.fNumber === null || isLens(a.focalMm / a.fNumber), {
    path: ['fNumber'],
    message: 'No lens of this focal length is so wide or so narrow: look at its front ring.',
  })
  .refine((a) => a.format === 'phone' || a.format === 'eye' || isPixel(pixelsOf(a as Sensor).pixelUm), {
    path: ['megapixels'],
    message: 'No sensor of this size has so many or so few: look at the camera’s data.',
  });
export type Answers = z.infer<typeof answersSchema>;
/** While typing nothing may be chosen yet, and numbers may be missing. */
export type Draft = Omit<Answers, 'latDeg' | 'lonDeg' | 'carrier' | 'focalMm' | 'megapixels'> & {
  latDeg: number | null;
  lonDeg: number | null;
  carrier: Answers['carrier'] | '';
  focalMm: number | null;
  megapixels: number | null;
};

export const FIRST_DRAFT: Draft = {
  placeName: '',
  latDeg: null,
  lonDeg: null,
  zoneIana: '',
  carrier: '',
  size: 'middle',
  raMotor: false,
  finder: 'twelveHour',
  opticsKind: 'lens',
  focalMm: 135,
  fNumber: null,
  apertureMm: null,
  format: 'reduced',
  body: 'lensMount',
  megapixels: 24,
  guided: false,
};

/** Which fields a screen asks. */
export const ASKED: Record<Screen, (keyof Draft)[]> = {
  where: ['latDeg', 'lonDeg'],
  carries: ['carrier', 'size', 'raMotor', 'finder'],
  looks: ['opticsKind', 'focalMm', 'fNumber', 'apertureMm', 'format', 'body', 'megapixels', 'guided'],
};

const KEY = 'tidy-owl-start';

/** Empty while it is typed; the others always hold something. */
const isNumber = (field: keyof Draft): boolean => !['string', 'boolean'].includes(typeof FIRST_DRAFT[field]);

/** What may stand in a field while it is typed: its answer, or nothing yet. */
const mayStand = (field: keyof Draft, value: unknown): boolean =>
  value === FIRST_DRAFT[field] ||
  (value === null && isNumber(field)) ||
  answersSchema.shape[field].safeParse(value).success;

/** What was answered before a reload; text that is damaged counts as nothing, a field that an older page wrote otherwise is
 *  asked anew. */
export function keptDraft(): Draft {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}');
    if (typeof kept !== 'object' || kept === null) return FIRST_DRAFT;
    const fields = Object.entries(kept).filter(
      ([field, value]) => field in FIRST_DRAFT && mayStand(field as keyof Draft, value),
    );
    return { ...FIRST_DRAFT, ...Object.fromEntries(fields) };
  } catch {
    return FIRST_DRAFT;
  }
}
export const keepDraft = (draft: Draft): void => localStorage.setItem(KEY, JSON.stringify(draft));
export const forgetDraft = (): void => localStorage.removeItem(KEY);

/** A phone alone brings its own lens. */
const opticsOf = (a: Answers): RigAnswers['optics'] => {
  if (a.opticsKind !== 'lens') return { kind: a.opticsKind, focalMm: a.focalMm, apertureMm: a.apertureMm };
  if (a.format === 'phone') return PHONE_LENS;
  return { kind: 'lens', focalMm: a.focalMm, apertureMm: a.fNumber === null ? null : a.focalMm / a.fNumber };
};

const lookerOf = ({ format, megapixels, body, opticsKind }: Answers): Looker => {
  if (format === 'phone' || format === 'eye') return format;
  return { format, megapixels, body: opticsKind === 'lens' ? 'lensMount' : body };
};

/** What a guide camera can steer: neither a mount without motors nor an eye or a phone. */
export const mayGuide = ({ carrier, raMotor, format }: Pick<Draft, 'carrier' | 'raMotor' | 'format'>): boolean =>
  format !== 'phone' && format !== 'eye' && (carrier === '' || isFollowing(carrier, raMotor));

/** A motor follows, and a guider may correct it: what merely tilts cannot be corrected. */
function isFollowing(carrier: Carrier, raMotor: boolean): boolean {
  if (carrier === 'byHand') return raMotor;
  const usual = usualCarrier(carrier, 'middle');
  return motorsOf(usual) !== 'none' && !mountTraits(usual).runsOut;
}

/** A box on the ground is made for a reflector, and mostly for an eye. */
export const isBox = (carrier: Draft['carrier']): boolean =>
  carrier !== '' && mountTraits(usualCarrier(carrier, 'middle')).holds === 'rocker';
export const BOX_DRAFT = { opticsKind: 'newtonian', focalMm: 1200, apertureMm: 200, format: 'eye' } as const;

export function ownAnswers(a: Answers, zoneIana: string, f: Format): OwnAnswers {
  const optics = opticsOf(a);
  return {
    where: {
      name: a.placeName.trim() === '' ? placeName(a.latDeg, a.lonDeg, f) : a.placeName.trim(),
      latDeg: a.latDeg,
      lonDeg: a.lonDeg,
      zoneIana,
    },
    rig: {
      carrier: a.carrier,
      size: a.size,
      finder: a.finder,
      raMotor: a.raMotor,
      optics,
      sensor: lookerOf(a),
      guided: a.guided && mayGuide(a),
    },
    rigName: rigNameOf(optics, a.format, f),
  };
}
