/** A starter set of neutral classes: usual figures to begin from, to be corrected by one's own. */
import { BAR_RANGE_M, MOUNT_CLASSES, type MountClass } from '../../core/mount/mountClasses.ts';
import type { Part, PartKind } from '../../core/records/part.ts';
import type { NewPart } from '../../storage/addParts.ts';
import type { Body } from '../../storage/heads.ts';
import type { NewRecord } from '../../storage/writeTogether.ts';
import { CLASS_NAMES } from '../../text/choiceWords.ts';
import { BLANK_PART } from './blankParts.ts';

const part = (id: string, kind: PartKind, name: string, massKg: number, rest: object): NewPart => ({
  id: `starter-${id}`,
  origin: 'starter',
  body: { ...BLANK_PART[kind], kind, name, massKg, massBasis: 'assumed', count: 1, ...rest } as unknown as Body<Part>,
});

const mountOf = (one: MountClass): NewPart =>
  part(`mount-${one.id}`, 'mount', CLASS_NAMES[one.id], one.headKg, {
    mountKind: one.mountKind,
    drive: one.drive,
    belt: one.belt,
    ratedKg: one.ratedKg,
    ratingIncludesWeights: one.ratingCountsWeights,
    referenceArmM: one.referenceArmM,
    barRangeM: BAR_RANGE_M[one.id] ?? null,
  });

const tripod = (id: string, name: string, massKg: number, hubHeightM: number, footRadiusM: number): NewPart =>
  part(id, 'support', name, massKg, { hubHeightM, footRadiusM });
const tube = (
  id: string,
  name: string,
  massKg: number,
  apertureMm: number,
  focalMm: number,
  radiusM: number,
): NewPart =>
  part(id, 'tube', name, massKg, {
    apertureMm,
    focalMm,
    frontM: (focalMm * 0.55) / 1000,
    backM: (focalMm * 0.45) / 1000,
    radiusM,
  });
const camera = (id: string, name: string, massKg: number, pixelUm: number, depthMm: number): NewPart =>
  part(id, 'camera', name, massKg, { pixelUm, widthPx: 6000, heightPx: 4000, depthMm });
const weight = (massKg: number): NewPart =>
  part(`weight-${massKg}`, 'weight', `Weight ${massKg} kg`, massKg, { thicknessM: 0.02 + 0.008 * massKg });
const battery = (id: string, name: string, massKg: number, rest: object): NewPart =>
  part(id, 'battery', name, massKg, rest);
const device = (use: string, name: string, rest: object): NewPart =>
  part(`load-${use}`, 'load', name, 0, { use, supplyV: 12, lowestV: 11.5, ...rest });

export type StarterGroup = { title: string; parts: NewPart[] };

export const STARTER_GROUPS: readonly StarterGroup[] = [
  { title: 'Mounts', parts: MOUNT_CLASSES.map(mountOf) },
  {
    title: 'Tripods',
    parts: [
      tripod('tripod-carbon', 'Light carbon tripod', 2.1, 0.8, 0.45),
      tripod('tripod-aluminium', 'Aluminium tripod', 4.2, 0.85, 0.45),
      tripod('tripod-steel', 'Steel tripod', 7.5, 0.95, 0.52),
    ],
  },
  {
    title: 'Tubes and lenses',
    parts: [
      tube('lens-135', '135 mm lens, f/2.8', 0.83, 48, 135, 0.042),
      tube('refractor-60', '60 mm refractor, f/6', 1.9, 60, 360, 0.045),
      tube('refractor-80', '80 mm refractor, f/6', 3.4, 80, 480, 0.055),
      tube('reflector-150', '150 mm reflector, f/5', 5.9, 150, 750, 0.091),
    ],
  },
  {
    title: 'Cameras',
    parts: [
      camera('camera-mirrorless', 'Mirrorless body, 24 megapixels', 0.65, 4, 18),
      camera('camera-cooled', 'Cooled camera, 24 megapixels', 0.7, 3.8, 17.5),
    ],
  },
  {
    title: 'Bar and weights',
    parts: [
      part('bar', 'bar', 'Counterweight bar', 0.8, { lengthM: 0.45, centreM: 0.2, radiusM: 0.01 }),
      weight(1),
      weight(2),
      weight(5),
    ],
  },
  {
    title: 'Power',
    parts: [
      battery('battery-lithium', 'Lithium iron battery, 50 Ah', 6.2, {
        capacityAh: 50,
        voltageV: 12.8,
        usableDepth: 0.85,
      }),
      battery('battery-lead', 'Lead battery, 70 Ah', 18, {
        capacityAh: 70,
        voltageV: 12,
        chemistry: 'lead',
        usableDepth: 0.5,
      }),
      battery('power-bank', 'Power bank, 20,000 mAh', 0.42, {
        capacityAh: 20,
        voltageV: 5,
        chemistry: 'powerBank',
        usableDepth: 0.95,
      }),
      device('mount', 'Mount', { currentA: 0.6, peakA: 2 }),
      device('cooler', 'Camera cooler', { currentA: 2.5, duty: 0.5, peakA: 3 }),
      device('heater', 'Dew straps', { currentA: 1.2, duty: 0.5, lowestV: null }),
      part('cable-2', 'cable', 'Cable 2.5 m, 1.5 mm²', 0.12, { lengthM: 2.5, areaMm2: 1.5, maxA: 10 }),
    ],
  },
];

const STARTERS = STARTER_GROUPS.flatMap((group) => group.parts);
const EPOCH = '2000-01-01T00:00:00.000Z';

/** The starter parts as records that are not stored yet. */
export function starterParts(): Part[] {
  return STARTERS.map(({ id, origin, body }): Part => ({
    id: id ?? '',
    rev: 1,
    deviceId: origin,
    createdAtUtc: EPOCH,
    updatedAtUtc: EPOCH,
    deletedAtUtc: null,
    origin,
    archived: false,
    ...body,
    note: body.note ?? '',
  }));
}

const recordOf = ({ id, body }: NewPart): NewRecord => ({
  table: 'parts',
  id: id ?? '',
  body: { ...body, origin: 'starter' },
});

/** Those of some starter parts that a box does not hold yet, to be written with what uses them. */
export const startersAmong = (ids: readonly string[], box: readonly Part[]): NewRecord[] =>
  STARTERS.filter((s) => ids.includes(s.id ?? '') && !box.some((p) => p.id === s.id && p.deletedAtUtc === null)).map(
    recordOf,
  );
