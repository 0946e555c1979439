/** The demo scenario's rigs, sites and targets.
 *  Load against two thirds of the rating: Heron 6.97 of 12.0 kg (58 %, fine); Wagtail, whose rating includes weights,
 *  1.81 + bar 0.22 + one kilogram of weight = 3.03 of 3.33 kg (91 %, near the limit, so the longer lever); Plover 8.09 of
 *  6.0 kg (135 %, over), its moment 1.94 of 1.20 kg m. */
import type { Body } from '../heads.ts';
import { HERON_SUPPLIES, WAGTAIL_SUPPLIES } from './demoPower.ts';
import type { Placed, Rig } from '../../core/records/rig.ts';
import type { Site, Target } from '../../core/records/site.ts';

export type DemoRig = { id: string } & Body<Rig>;
export type DemoSite = { id: string } & Body<Site>;
export type DemoTarget = { id: string } & Body<Target>;

type Place = Partial<Omit<Placed, 'placedId' | 'partId' | 'fromRaAxisM'>>;
const placed = (part: string, fromRaAxisM: number, rest: Place = {}): Placed => ({
  placedId: `demo-at-${part}`,
  partId: `demo-${part}`,
  on: 'tube',
  fromRaAxisM,
  alongTubeM: 0,
  sidewaysM: 0,
  slides: true,
  movable: false,
  ...rest,
});
const onBar = (part: string, positionM: number, movable: boolean): Placed =>
  placed(part, -positionM, { on: 'bar', slides: false, movable });

export const DEMO_RIGS: readonly DemoRig[] = [
  {
    id: 'demo-heron',
    name: 'Heron',
    mountId: 'demo-heron-mount',
    supportId: 'demo-heron-tripod',
    imagingTubeId: 'demo-heron-tube',
    cameraId: 'demo-heron-camera',
    placed: [
      placed('heron-tube', 0.17),
      placed('heron-rings', 0.13, { slides: false }),
      placed('heron-plate', 0.1, { slides: false }),
      placed('heron-reducer', 0.17, { alongTubeM: -0.24 }),
      placed('heron-camera', 0.17, { alongTubeM: -0.33 }),
      placed('heron-wheel', 0.17, { alongTubeM: -0.28 }),
      placed('heron-guide-scope', 0.27, { alongTubeM: 0.02 }),
      placed('heron-guide-camera', 0.27, { alongTubeM: -0.08 }),
      onBar('heron-bar', 0.2, false),
      onBar('weight-35', 0.272, true),
    ],
    train: [
      'demo-heron-reducer',
      'demo-heron-adapter',
      'demo-heron-wheel',
      'demo-heron-filter',
      'demo-heron-shim',
      'demo-heron-spacer-10',
      'demo-heron-camera',
    ],
    supplies: HERON_SUPPLIES,
    cameraAngleDeg: 0,
    guiding: 'guideScope',
    schools: {},
  },
  {
    id: 'demo-wagtail',
    name: 'Wagtail',
    mountId: 'demo-wagtail-mount',
    supportId: 'demo-wagtail-tripod',
    imagingTubeId: 'demo-wagtail-lens',
    cameraId: 'demo-wagtail-camera',
    placed: [
      placed('wagtail-camera', 0.09, { alongTubeM: -0.04 }),
      placed('wagtail-lens', 0.09),
      placed('wagtail-ballhead', 0.06, { on: 'head', slides: false }),
      onBar('wagtail-bar', 0.1, false),
      onBar('weight-1', 0.12, true),
    ],
    train: ['demo-wagtail-camera'],
    supplies: WAGTAIL_SUPPLIES,
    cameraAngleDeg: 0,
    guiding: 'none',
    schools: {},
  },
  {
    id: 'demo-plover',
    name: 'Plover',
    mountId: 'demo-plover-mount',
    supportId: 'demo-plover-tripod',
    imagingTubeId: 'demo-plover-tube',
    cameraId: 'demo-plover-camera',
    placed: [
      placed('plover-tube', 0.24),
      placed('plover-rings', 0.16, { slides: false }),
      placed('plover-camera', 0.3, { alongTubeM: 0.25 }),
      placed('plover-finder', 0.37, { alongTubeM: 0.2 }),
      onBar('plover-bar', 0.19, false),
      onBar('weight-34a', 0.25, true),
      onBar('weight-34b', 0.25, true),
    ],
    train: ['demo-plover-camera'],
    supplies: [],
    cameraAngleDeg: 0,
    guiding: 'none',
    schools: {},
  },
];

export const DEMO_SITES: readonly DemoSite[] = [
  {
    id: 'demo-estrela',
    name: 'Serra da Estrela',
    latDeg: 40.33,
    lonDeg: -7.6,
    elevationM: 1550,
    zoneIana: 'Europe/Lisbon',
    horizon: [],
  },
  {
    id: 'demo-auas',
    name: 'Auas mountains',
    latDeg: -22.75,
    lonDeg: 17.2,
    elevationM: 1800,
    zoneIana: 'Africa/Windhoek',
    horizon: [],
  },
];

const target = (id: string, name: string, raH: number, decJ2000Deg: number, sizeArcmin: number): DemoTarget => ({
  id: `demo-${id}`,
  name,
  catalogueId: name,
  raJ2000Deg: raH * 15,
  decJ2000Deg,
  sizeArcmin,
});

/** In the order in which the scenario lists them; positions to about an arcminute from public catalogues. */
export const DEMO_TARGETS: readonly DemoTarget[] = [
  target('ngc281', 'NGC 281', 0.88, 56.62, 35),
  target('ic1396', 'IC 1396', 21.652, 57.5, 170),
  target('m33', 'M 33', 1.5642, 30.66, 70),
  target('ngc1499', 'NGC 1499', 4.055, 36.42, 160),
  target('ngc253', 'NGC 253', 0.7925, -25.288, 27),
  target('ngc3372', 'NGC 3372', 10.752, -59.867, 120),
  target('ngc104', 'NGC 104', 0.4015, -72.081, 31),
];
export const HERON_TARGETS = ['demo-ngc281', 'demo-ic1396', 'demo-m33', 'demo-ngc1499'] as const;
export const WAGTAIL_TARGETS = ['demo-ngc253', 'demo-ngc3372', 'demo-ngc104'] as const;
