/** The form of each kind of part: fields by kind, in the order in which people know the values. */
import type { PartKind } from '../../core/records/part.ts';
import { basis, check, group, joint, openSelect, q, select, type FieldGroup } from './fieldSpecs.ts';
import { MOUNT_FIELDS } from './mountFields.ts';

const spacer = [
  group([
    q('lengthMm', 'Length along the light', 'opticsMm'),
    ...joint('front', 'Front'),
    ...joint('rear', 'Rear'),
    check('required', 'Must be in the train'),
  ]),
];
const bar = [
  group([
    q('lengthM', 'Length', 'barLength'),
    q('centreM', 'Its middle from the polar axis', 'barLength'),
    q('radiusM', 'Radius', 'barLength'),
  ]),
];

export const PART_FIELDS: Record<PartKind, FieldGroup[]> = {
  mount: MOUNT_FIELDS,
  support: [
    group([
      select('supportKind', 'Kind', { tripod: 'Tripod', pier: 'Pier', board: 'Board on the ground' }),
      q('hubHeightM', 'Height of the hub', 'length'),
      q('columnRadiusM', 'Radius of the column', 'length'),
      q('footRadiusM', 'Feet from the middle', 'length'),
      q('legRadiusM', 'Radius of a leg', 'length'),
      q('firstFootAzimuthDeg', 'Azimuth of the first foot', 'angleDeg'),
    ]),
  ],
  tube: [
    group([
      q('apertureMm', 'Aperture', 'opticsMm'),
      q('focalMm', 'Focal length', 'opticsMm'),
      openSelect('tubeKind', 'What it is', 'by its aperture', {
        lens: 'Camera lens',
        refractor: 'Refractor',
        newtonian: 'Reflector',
        mirrorLens: 'Mirror lens',
      }),
      q(
        'opticsFwhmUm',
        'Width of a star by the optics alone',
        'focusUm',
        'At the sensor. Empty = as usual for its kind.',
      ),
      q('frontM', 'Front end from the saddle', 'length'),
      q('backM', 'Rear end from the saddle', 'length', 'With the focuser.'),
      q('radiusM', 'Radius of the tube', 'length'),
      q('imageCircleMm', 'Image circle', 'opticsMm', 'Empty = not known.'),
    ]),
    {
      title: 'Thread at its rear',
      optional: {
        path: 'rear',
        addLabel: 'Enter the rear thread',
        removeLabel: 'Forget the rear thread',
        value: { thread: 'M48x0.75', gender: 'female', lengthMm: null },
      },
      fields: joint('rear', 'Rear'),
    },
    {
      title: 'Focuser',
      optional: {
        path: 'focuser',
        addLabel: 'Say how its focuser counts',
        removeLabel: 'Forget how its focuser counts',
        value: { unit: 'step', umPerUnit: null },
      },
      fields: [
        select('focuser.unit', 'It counts in', {
          step: 'motor steps',
          turn: 'turns of the knob',
          mark: 'marks of a scale',
        }),
        q('focuser.umPerUnit', 'One moves the focus by', 'focusUm'),
      ],
    },
  ],
  corrector: [
    group([
      q('factor', 'Factor', 'ratio', '0.8 for a reducer, 2 for a barlow.'),
      q('backFocusMm', 'Back focus', 'opticsMm', 'Empty = not known: 55 mm is assumed, and the corners find it.'),
      q('focalMm', 'Its own focal length', 'opticsMm', 'Empty = not known; minus for a barlow.'),
      q('imageCircleMm', 'Image circle behind it', 'opticsMm', 'Empty = not known.'),
      ...joint('rear', 'Rear'),
      check('cornerRuleInverted', 'Corner rule works the other way round'),
    ]),
  ],
  camera: [
    group([
      q('pixelUm', 'Pixel', 'pixelUm'),
      q('widthPx', 'Pixels across', 'count'),
      q('heightPx', 'Pixels up', 'count'),
      openSelect('bodyKind', 'What it is', 'not told', {
        lensMount: 'A camera that takes lenses',
        telescope: 'A camera made for the telescope',
        phone: 'Phone',
      }),
      q('depthMm', 'Flange to sensor', 'opticsMm', 'Of a body with a lens mount: from its adapter’s thread.'),
      basis('depthBasis', 'That distance is'),
      q('lengthM', 'Length', 'length'),
      q('radiusM', 'Radius', 'length'),
      ...joint('front', 'Front'),
      basis('front.basis', 'Front: thread and side are'),
    ]),
  ],
  spacer,
  wheel: spacer,
  guider: spacer,
  rotator: spacer,
  tiltPlate: spacer,
  filter: [group([q('thicknessMm', 'Thickness', 'opticsMm'), q('index', 'Index of the glass', 'ratio')])],
  shim: [group([q('thicknessMm', 'Thickness', 'opticsMm')])],
  guideScope: [
    group([
      q('focalMm', 'Focal length', 'opticsMm'),
      q('apertureMm', 'Aperture', 'opticsMm'),
      q('pixelUm', 'Pixel of the guide camera', 'pixelUm'),
    ]),
  ],
  eyepiece: [group([q('focalMm', 'Focal length', 'opticsMm')])],
  weight: [group([q('thicknessM', 'Thickness along the bar', 'barLength')])],
  bar,
  barExtension: bar,
  battery: [
    group([
      q('capacityAh', 'Capacity', 'ampHours', 'As printed; 20,000 mAh are 20 Ah.'),
      q('voltageV', 'Voltage', 'volts'),
      select('chemistry', 'Kind', {
        lead: 'Lead-acid',
        lithiumIron: 'Lithium iron',
        powerBank: 'Power bank',
        other: 'Other',
      }),
      q('usableDepth', 'Usable share', 'percent'),
    ]),
  ],
  load: [
    group([
      select('use', 'What it is', {
        mount: 'Mount',
        camera: 'Camera',
        cooler: 'Cooler',
        heater: 'Dew heater',
        computer: 'Computer',
        other: 'Something else',
      }),
      q('currentA', 'Current', 'amps', 'Empty = from its power.'),
      q('powerW', 'Power', 'watts'),
      q('duty', 'Share of the time it is on', 'percent'),
      q('peakA', 'Peak current', 'amps', 'At start-up or slewing.'),
      q('supplyV', 'Supply', 'volts'),
      q('lowestV', 'Works down to', 'volts'),
    ]),
  ],
  cable: [
    group([
      q('lengthM', 'Length', 'length'),
      q('areaMm2', 'Copper', 'areaMm2', 'Of one conductor.'),
      q('maxA', 'Carries at most', 'amps'),
    ]),
  ],
  converter: [
    group([
      q('outputV', 'Gives', 'volts'),
      q('efficiency', 'Efficiency', 'percent'),
      q('maxA', 'Carries at most', 'amps', 'At its output.'),
    ]),
  ],
  rings: [],
  plate: [group([openSelect('dovetail', 'Dovetail', 'not known', { narrow: 'narrow', wide: 'wide' })])],
  small: [],
};

export const PART_KIND_NAMES: Record<PartKind, string> = {
  mount: 'Mount head',
  support: 'Tripod or pier',
  tube: 'Tube or lens',
  corrector: 'Corrector',
  camera: 'Camera',
  spacer: 'Spacer or adapter',
  wheel: 'Filter wheel',
  guider: 'Off-axis guider',
  rotator: 'Rotator',
  tiltPlate: 'Tilt plate',
  filter: 'Filter',
  shim: 'Shim',
  guideScope: 'Guide scope',
  eyepiece: 'Eyepiece',
  weight: 'Weight',
  bar: 'Counterweight bar',
  barExtension: 'Bar extension',
  battery: 'Battery',
  load: 'Electric device',
  cable: 'Cable',
  converter: 'Voltage converter',
  rings: 'Tube rings',
  plate: 'Dovetail plate',
  small: 'Finder or small thing',
};
