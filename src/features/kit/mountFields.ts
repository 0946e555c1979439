/** The form of a mount head. */
import { USUAL_FINDER } from '../../core/rig/dressing/usualParts.ts';
import { check, group, openSelect, q, select, type FieldGroup, type FieldSpec } from './fieldSpecs.ts';

/** Of two opposed ones the question is about the right knob, or the rear bolt. */
const adjuster = (path: string, title: string, moves: Record<string, string>): FieldSpec[] => [
  q(`${path}.pitchMm`, `${title}: thread pitch`, 'opticsMm', 'M6 has 1.0 mm.'),
  q(`${path}.leverMm`, `${title}: lever arm`, 'opticsMm', 'From the pivot to the bolt.'),
  openSelect(`${path}.clockwiseMoves`, `${title}: clockwise moves the axis`, 'not known', moves),
  check(`${path}.paired`, `${title}: two opposed knobs`),
];

const noAdjuster = { pitchMm: null, leverMm: null, clockwiseMoves: null, paired: false };

export const MOUNT_FIELDS: FieldGroup[] = [
  group([
    select('mountKind', 'Kind of mount', {
      germanEquatorial: 'German equatorial mount',
      trackerBracket: 'Tracker with bracket and bar',
      trackerBallHead: 'Tracker with ball head',
      forkOnWedge: 'Fork on a wedge',
      altAzimuth: 'Alt-azimuth mount with motors',
      pushedAltAzimuth: 'Alt-azimuth mount, pushed',
      floorReflector: 'Box on the ground, pushed',
      tiltingPlatform: 'Box on a tilting platform',
    }),
    select('drive', 'Drive', {
      worm: 'Worm',
      strainWave: 'Strain wave',
      frictionOrDirect: 'Friction or direct',
      raMotor: 'Worm, a motor on right ascension alone',
      byHand: 'Worm, turned by hand',
    }),
    check('belt', 'Belt between motor and worm'),
    check('homeMarks', 'Home marked by tape on both axes'),
    q('wormTeeth', 'Teeth of the worm wheel', 'count', 'Empty = not known, or no worm.'),
    q('drivePeriodS', 'Period of the drive', 'seconds', 'Empty = from the teeth.'),
    q('ratedKg', 'Rated load', 'mass'),
    check('ratingIncludesWeights', 'The rating counts the counterweights'),
    q('referenceArmM', 'Arm the rating stands for', 'barLength', '200 mm unless stated.'),
    openSelect('saddle', 'The saddle grips', 'not known', {
      narrow: 'narrow dovetails',
      wide: 'wide dovetails',
      both: 'both',
    }),
    openSelect('onPowerLoss', 'When the power fails, the axes', 'not known', { brakes: 'hold', drops: 'let go' }),
    openSelect('towardPole', 'Of its tripod, toward the pole', 'not asked yet', {
      leg: 'one leg',
      gap: 'the gap between two legs',
    }),
    q('slewRateDegPerS', 'Slews at most, degrees a second', 'ratio', 'Empty = not known.'),
  ]),
  {
    title: 'Counterweight bar',
    optional: {
      path: 'barRangeM',
      addLabel: 'This mount has a bar',
      removeLabel: 'This mount has no bar',
      value: [0.1, 0.35],
    },
    fields: [
      q('barRangeM.0', 'Nearest place of a weight’s middle', 'barLength', 'From the polar axis.'),
      q('barRangeM.1', 'Farthest place', 'barLength'),
    ],
  },
  {
    title: 'Where the axes are',
    optional: {
      path: 'geometry',
      addLabel: 'Enter the height of the axes',
      removeLabel: 'Forget the height of the axes',
      value: { pivotHeightM: 1.2, axisForwardM: 0.1, columnTopDropM: 0.15 },
    },
    fields: [
      q('geometry.pivotHeightM', 'Crossing of the axes above the ground', 'length'),
      q('geometry.axisForwardM', 'Crossing in front of the column', 'length', 'Toward the pole.'),
      q('geometry.columnTopDropM', 'Column ends below the crossing by', 'length'),
    ],
  },
  {
    title: 'Meridian',
    fields: [
      q('pastMeridianLimitH', 'May track past the meridian for', 'hours', 'Empty = not known.'),
      q('earliestFlipH', 'Goes over from', 'hours', 'Hours past the meridian; 0 = at the meridian.'),
    ],
  },
  {
    title: 'Travel',
    optional: {
      path: 'travelH',
      addLabel: 'This mount turns within limits only',
      removeLabel: 'It turns all the way round',
      value: [-2, 2],
    },
    fields: [
      q('travelH.0', 'Earliest hour angle', 'hours', 'Minus = before the meridian.'),
      q('travelH.1', 'Latest hour angle', 'hours'),
    ],
  },
  {
    title: 'Tilting platform',
    optional: {
      path: 'runMinutes',
      addLabel: 'This mount follows for some minutes and is set back',
      removeLabel: 'It follows all night',
      value: 60,
    },
    fields: [q('runMinutes', 'Follows for', 'minutes', 'From its start to its end, timed once.')],
  },
  {
    title: 'Polar finder',
    optional: {
      path: 'finder',
      addLabel: 'This mount has a polar finder',
      removeLabel: 'Remove the finder',
      value: USUAL_FINDER,
    },
    fields: [
      select('finder.numbering', 'Numbers on the dial', {
        '12h': 'Twelve hours',
        '24h': 'Twenty-four hours',
        deg: 'Degrees',
        pattern: 'Only a star pattern',
      }),
      q('finder.topMark', 'Number at the top of the view', 'count', '12 on a twelve-hour dial is written 0.'),
      select('finder.direction', 'The numbers grow', {
        clockwise: 'clockwise in the view',
        counterclockwise: 'counter-clockwise in the view',
      }),
      select('finder.view', 'The view is', { inverted: 'upside down (ordinary finder)', upright: 'upright' }),
      q('finder.tickEvery', 'Smallest marks every', 'ratio', 'In the dial’s own units; empty = none.'),
      q('finder.numberEvery', 'Numbers every', 'ratio', 'In the dial’s own units; empty = none.'),
      { type: 'rings', path: 'finder.rings', label: 'Engraved rings' },
      {
        type: 'patternStars',
        path: 'finder.patternHips',
        label: 'Stars with a mark of their own, on a plate with only a star pattern',
      },
      q('finder.patternYear', 'Year the star marks are for', 'count'),
      q('finder.fieldDeg', 'Width of the view', 'angleDeg', 'Usual: 6 to 9.'),
      q('finder.faintestMag', 'Faintest star it shows', 'ratio', 'Magnitude; 8 under a dark sky.'),
      check('finder.turnsWithAxis', 'The plate turns with right ascension'),
      q(
        'finder.plateTurnDeg',
        'The plate stands turned by',
        'angleDeg',
        'Clockwise in the view; 0 when it can be set upright.',
      ),
      {
        type: 'numbers',
        path: 'finder.screwAnglesDeg',
        label: 'Screws around the plate, degrees',
        hint: 'Clockwise from the top of the view, plate upright: 90, 210, 330.',
      },
      { type: 'engraving', path: 'finder', label: 'The plate' },
    ],
  },
  {
    title: 'Bolts and knobs',
    optional: {
      path: 'adjusters',
      addLabel: 'This mount has an altitude bolt and azimuth knobs',
      removeLabel: 'Remove bolt and knobs',
      value: { altitude: noAdjuster, azimuth: { ...noAdjuster, paired: true } },
    },
    fields: [
      ...adjuster('adjusters.altitude', 'Altitude bolt (of two, the rear one)', { up: 'up', down: 'down' }),
      ...adjuster('adjusters.azimuth', 'Azimuth knob (of two, the right one)', { east: 'east', west: 'west' }),
    ],
  },
];
