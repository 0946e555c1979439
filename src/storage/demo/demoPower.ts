/** Batteries, devices and cables of the demo rigs. Heron draws 2.84 A on the average: about 35 Ah in a long November
 *  night, for which 50 Ah at 5 C are just enough; Wagtail's tracker and dew strap live on a power bank. */
import type { Rig } from '../../core/records/rig.ts';
import { demoPart as part, type DemoPart } from './demoPart.ts';

type Use = 'mount' | 'camera' | 'cooler' | 'heater' | 'computer' | 'other';
type Draw = { currentA: number; duty: number; peakA?: number; supplyV?: number; lowestV: number | null };

const device = (id: string, name: string, massKg: number, use: Use, draw: Draw): DemoPart =>
  part(id, name, massKg, 'load', { use, powerW: null, peakA: null, supplyV: 12, ...draw, packIn: 'Power box' });
const cable = (id: string, lengthM: number, areaMm2: number, maxA: number): DemoPart =>
  part(id, `Cable ${lengthM} m, ${areaMm2} mm²`, 0.12, 'cable', { lengthM, areaMm2, maxA, packIn: 'Power box' });

export const HERON_POWER: readonly DemoPart[] = [
  part('heron-battery', 'Lithium iron battery, 50 Ah', 6.2, 'battery', {
    capacityAh: 50,
    voltageV: 12.8,
    chemistry: 'lithiumIron',
    usableDepth: 0.85,
  }),
  device('heron-load-mount', 'Mount', 0, 'mount', { currentA: 0.6, duty: 1, peakA: 1.8, lowestV: 11.5 }),
  device('heron-load-cooler', 'Camera cooler', 0, 'cooler', { currentA: 2.5, duty: 0.4, peakA: 3, lowestV: 11 }),
  device('heron-load-dew', 'Dew straps', 0.15, 'heater', { currentA: 1.2, duty: 0.5, lowestV: null }),
  device('heron-load-computer', 'Small computer', 0.4, 'computer', {
    currentA: 0.6,
    duty: 1,
    peakA: 1.6,
    lowestV: 9,
  }),
  device('heron-load-focuser', 'Focus motor', 0.2, 'other', {
    currentA: 0.4,
    duty: 0.2,
    supplyV: 5,
    lowestV: 4.7,
  }),
  cable('heron-cable-mount', 2.5, 1.5, 10),
  cable('heron-cable-cooler', 2.5, 1.5, 10),
  cable('heron-cable-dew', 2.5, 0.75, 5),
  cable('heron-cable-computer', 2, 0.75, 5),
  cable('heron-cable-focuser', 2, 0.5, 3),
  part('heron-converter', 'Converter 12 V to 5 V', 0.08, 'converter', {
    outputV: 5,
    efficiency: 0.9,
    maxA: 3,
    packIn: 'Power box',
  }),
];

const fromHeronBattery = (load: string, port: string, converted = false): Rig['supplies'][number] => ({
  loadId: `demo-heron-load-${load}`,
  batteryId: 'demo-heron-battery',
  cableIds: [...(converted ? ['demo-heron-converter'] : []), `demo-heron-cable-${load}`],
  port,
});

export const HERON_SUPPLIES: Rig['supplies'] = [
  fromHeronBattery('mount', '1'),
  fromHeronBattery('cooler', '2'),
  fromHeronBattery('dew', '3'),
  fromHeronBattery('computer', '4'),
  fromHeronBattery('focuser', '4', true),
];

export const WAGTAIL_POWER: readonly DemoPart[] = [
  part('wagtail-power-bank', 'Power bank, 20,000 mAh', 0.42, 'battery', {
    capacityAh: 20,
    voltageV: 5,
    chemistry: 'powerBank',
    usableDepth: 0.95,
  }),
  device('wagtail-load-tracker', 'Tracker', 0, 'mount', { currentA: 0.45, duty: 1, supplyV: 5, lowestV: 4.7 }),
  device('wagtail-load-dew', 'Dew strap of the lens', 0.05, 'heater', {
    currentA: 1,
    duty: 0.5,
    supplyV: 5,
    lowestV: null,
  }),
  cable('wagtail-cable-tracker', 1.5, 0.75, 3),
  cable('wagtail-cable-dew', 1, 0.34, 3),
];

const fromPowerBank = (load: string, port: string): Rig['supplies'][number] => ({
  loadId: `demo-wagtail-load-${load}`,
  batteryId: 'demo-wagtail-power-bank',
  cableIds: [`demo-wagtail-cable-${load}`],
  port,
});

export const WAGTAIL_SUPPLIES: Rig['supplies'] = [fromPowerBank('tracker', 'A'), fromPowerBank('dew', 'B')];
