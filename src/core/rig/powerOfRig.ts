/** The batteries of a rig through one night: what they must give, when they are empty, and what reaches each device. */
import { sum } from '../mount/levers.ts';
import {
  chargeAh,
  chargeNeeded,
  coldFactor,
  fuelLine,
  hoursUntilEmptyH,
  type FuelPoint,
  type Need,
} from '../power/battery.ts';
import {
  cablesDropV,
  deviceCurrentA,
  END_VOLTAGE_SHARE,
  seenByBatteryA,
  supplyMatch,
  type SupplyMatch,
} from '../power/supply.ts';
import { DROP_LIMIT, fuseBounds, type FuseBounds } from '../power/wire.ts';
import type { Part, PartOf } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import type { SettingValue } from '../records/setting.ts';
import type { Span } from '../time/span.ts';
import { MS_PER_HOUR, MS_PER_MINUTE } from '../time/utc.ts';
import { cableNeededM } from './cableRuns.ts';

export type CableVerdict = 'fine' | 'short' | 'unknown';
export type VoltageVerdict = 'fine' | 'low' | 'unknown';

export type DeviceLine = {
  loadId: string;
  batteryId: string;
  name: string;
  batteryName: string;
  port: string;
  cableNames: string[];
  match: SupplyMatch;
  /** While it runs, at its own voltage. */
  runningA: number;
  /** Nothing is known of what it draws. */
  currentUnknown: boolean;
  peakA: number;
  dropV: number;
  dropShare: number;
  dropTooLarge: boolean;
  /** A cable's cross-section is not known: its loss is left out. */
  areaUnknown: boolean;
  /** At the device, at the end of the night: while it runs, and at its peak, which is what the verdict asks. */
  deviceV: number;
  peakV: number;
  voltage: VoltageVerdict;
  lowestV: number | null;
  cableM: number;
  neededM: number;
  cable: CableVerdict;
  /** A peak above what a cable or converter carries. */
  overCarried: boolean;
};

export type BatteryLine = {
  batteryId: string;
  name: string;
  voltageV: number;
  /** What it holds at its own voltage, and what of it may be used in this cold. */
  capacityAh: number;
  usableAh: number;
  cold: number;
  need: Need;
  enough: boolean;
  /** Rated charge beyond what is needed; negative when some is missing. */
  spareAh: number;
  /** What may still be drawn at the end of the night. */
  spareUsableAh: number;
  emptyAtMs: number | null;
  line: FuelPoint[];
  /** One per port; a fuse is null when no cable there states what it carries. */
  branches: { port: string; fuse: FuseBounds | null }[];
  /** The mount shares a port of this battery with a heater or a cooler. */
  mountShared: boolean;
};

export type PowerOfRig = {
  /** From set-up to the end of the dark hours; null when the night has none. */
  span: Span | null;
  hoursH: number;
  batteries: BatteryLine[];
  devices: DeviceLine[];
  commonGround: boolean;
};

type Settings = SettingValue<'power'>;
type Supply = {
  load: PartOf<'load'>;
  battery: PartOf<'battery'>;
  cables: PartOf<'cable'>[];
  converter: PartOf<'converter'> | null;
  port: string;
};

function suppliesOf(rig: Rig, parts: ReadonlyMap<string, Part>): Supply[] {
  return rig.supplies.flatMap((s): Supply[] => {
    const [load, battery] = [parts.get(s.loadId), parts.get(s.batteryId)];
    if (load?.kind !== 'load' || battery?.kind !== 'battery') return [];
    const chain = s.cableIds.flatMap((id) => parts.get(id) ?? []);
    const converter = chain.find((p): p is PartOf<'converter'> => p.kind === 'converter') ?? null;
    const cables = chain.filter((p): p is PartOf<'cable'> => p.kind === 'cable');
    return [{ load, battery, cables, converter, port: s.port }];
  });
}

/** Hours that the batteries work: the minutes of set-up, then all dark hours. */
function workingSpan(dark: Span | null, setUpMin: number): Span | null {
  return dark && { fromMs: dark.fromMs - setUpMin * MS_PER_MINUTE, toMs: dark.toMs };
}

function voltageVerdict(peakV: number, { load }: Supply): VoltageVerdict {
  if (load.lowestV === null) return 'unknown';
  return peakV < load.lowestV ? 'low' : 'fine';
}

function deviceLine(supply: Supply, rig: Rig, parts: ReadonlyMap<string, Part>): DeviceLine {
  const { load, battery, cables, converter, port } = supply;
  const runningA = deviceCurrentA(load);
  const givenV = converter?.outputV ?? battery.voltageV * END_VOLTAGE_SHARE[battery.chemistry];
  const dropV = cablesDropV(cables, runningA, load.supplyV);
  const cableM = cables.reduce((total, c) => total + c.lengthM, 0);
  const neededM = cableNeededM(rig, parts, load);
  const peakA = load.peakA ?? runningA;
  const peakV = givenV - cablesDropV(cables, peakA, load.supplyV);
  return {
    loadId: load.id,
    batteryId: battery.id,
    name: load.name,
    batteryName: battery.name,
    port,
    cableNames: [...(converter ? [converter] : []), ...cables].map((p) => p.name),
    match: supplyMatch(load.supplyV, battery.voltageV, converter),
    runningA,
    currentUnknown: load.currentA === null && load.powerW === null,
    peakA,
    dropV,
    dropShare: dropV / load.supplyV,
    dropTooLarge: dropV / load.supplyV >= DROP_LIMIT,
    areaUnknown: cables.some((c) => c.areaMm2 === null),
    deviceV: givenV - dropV,
    peakV,
    voltage: voltageVerdict(peakV, supply),
    lowestV: load.lowestV,
    cableM,
    neededM,
    cable: cables.length === 0 ? 'unknown' : cableM < neededM ? 'short' : 'fine',
    overCarried: [...cables, ...(converter ? [converter] : [])].some((c) => c.maxA !== null && peakA > c.maxA),
  };
}

/** The mount hangs on the same port as a heater or a cooler: their switching pulls its voltage down. */
function mountIsShared(supplies: readonly Supply[]): boolean {
  const mount = supplies.find((s) => s.load.use === 'mount');
  return supplies.some((s) => mount && s.port === mount.port && (s.load.use === 'heater' || s.load.use === 'cooler'));
}

const onBatterySideA = ({ load, battery, converter }: Supply, deviceA: number): number =>
  seenByBatteryA(deviceA, load, battery.voltageV, converter);

/** Each port is fused by itself: above the peaks of what hangs on it, as the battery sees them, below what its thinnest
 *  cable carries. Cables behind a converter are guarded by the converter. */
function branchesOf(supplies: readonly Supply[]): BatteryLine['branches'] {
  return [...new Set(supplies.map((s) => s.port))].map((port) => {
    const own = supplies.filter((s) => s.port === port);
    const peakA = sum(own, (s) => onBatterySideA(s, s.load.peakA ?? deviceCurrentA(s.load)));
    const carried = own.flatMap((s) => (s.converter ? [] : s.cables.flatMap((c) => c.maxA ?? [])));
    return { port, fuse: carried.length > 0 ? fuseBounds(peakA, Math.min(...carried)) : null };
  });
}

function batteryLine(
  battery: PartOf<'battery'>,
  supplies: readonly Supply[],
  span: Span | null,
  settings: Settings,
): BatteryLine {
  const hoursH = span ? (span.toMs - span.fromMs) / MS_PER_HOUR : 0;
  const cold = coldFactor(battery.chemistry, settings.coldestC);
  const capacityAh = chargeAh(battery.capacityAh, battery.voltageV, battery.chemistry);
  const usableAh = capacityAh * battery.usableDepth * cold;
  const draws = supplies.map((s) => ({
    currentA: onBatterySideA(s, deviceCurrentA(s.load)),
    duty: s.load.duty,
    peakA: s.load.peakA === null ? null : onBatterySideA(s, s.load.peakA),
    hoursH: null,
  }));
  const need = chargeNeeded(draws, hoursH, battery.usableDepth, cold);
  const averageA = need.averageA ?? 0;
  const lastsH = hoursUntilEmptyH(capacityAh, battery.usableDepth, cold, averageA);
  return {
    batteryId: battery.id,
    name: battery.name,
    voltageV: battery.voltageV,
    capacityAh,
    usableAh,
    cold,
    need,
    enough: capacityAh >= need.neededAh,
    spareAh: capacityAh - need.neededAh,
    spareUsableAh: usableAh - need.drawnAh,
    emptyAtMs: span && lastsH !== null && lastsH < hoursH ? span.fromMs + lastsH * MS_PER_HOUR : null,
    line: span ? fuelLine(usableAh, averageA, span.fromMs, span.toMs) : [],
    branches: branchesOf(supplies),
    mountShared: mountIsShared(supplies),
  };
}

/** Reckons every supply of the rig over the dark hours and the set-up before them. */
export function powerOfRig(rig: Rig, all: readonly Part[], dark: Span | null, settings: Settings): PowerOfRig {
  const parts = new Map(all.filter((p) => p.deletedAtUtc === null).map((p) => [p.id, p]));
  const supplies = suppliesOf(rig, parts);
  const span = workingSpan(dark, settings.setUpMin);
  const batteries = [...new Map(supplies.map((s) => [s.battery.id, s.battery])).values()];
  return {
    span,
    hoursH: span ? (span.toMs - span.fromMs) / MS_PER_HOUR : 0,
    batteries: batteries.map((battery) =>
      batteryLine(
        battery,
        supplies.filter((s) => s.battery.id === battery.id),
        span,
        settings,
      ),
    ),
    devices: supplies.map((s) => deviceLine(s, rig, parts)),
    commonGround: batteries.length > 1,
  };
}
