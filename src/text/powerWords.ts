/** Sentences of batteries, cables and fuses. */
import type { BatteryLine, DeviceLine } from '../core/rig/powerOfRig.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export type PowerSaying =
  | { code: 'noSupply' }
  | { code: 'noDark' }
  | { code: 'mismatch'; device: string; battery: string }
  | { code: 'empties'; battery: string; atMs: number; missingAh: number }
  | { code: 'low'; device: string; peakV: number; lowestV: number }
  | { code: 'short'; device: string; missingM: number }
  | { code: 'lasts'; hoursH: number; spareAh: number; battery: string };

export function powerSentence(s: PowerSaying, f: Format): Said {
  switch (s.code) {
    case 'noSupply':
      return 'Say in **Kit** which device hangs on which battery.';
    case 'noDark':
      return 'No dark hours tonight: **nothing to power**.';
    case 'mismatch':
      return `Put a **converter** before ${s.device}: ${s.battery} gives another voltage.`;
    case 'empties':
      return `Take **${f.quantity(s.missingAh, 'ampHours', 0)} more**: ${s.battery} is empty at **${f.clock(s.atMs)}**.`;
    case 'low':
      return `Shorten or thicken the cable of **${s.device}**: ${f.quantity(s.peakV, 'volts')} reach it at its peak, it wants ${f.quantity(s.lowestV, 'volts')}.`;
    case 'short':
      return `Give **${s.device}** ${f.quantity(s.missingM, 'length', 1)} more cable: it pulls before the sweep ends.`;
    case 'lasts':
      return `Charge it full: ${s.battery} lasts the **${f.number(s.hoursH, 1)} hours**, with ${f.quantity(s.spareAh, 'ampHours')} to spare.`;
  }
}

export function powerReason(s: PowerSaying, coldestC: number, f: Format): string {
  if (s.code === 'noSupply') return 'Amps, hours and the cold decide whether the night ends at two in the morning.';
  if (s.code === 'noDark') return 'The sun does not go down far enough for the darkness that this night asks for.';
  return `Reckoned from set-up to the end of the dark, at ${f.quantity(coldestC, 'temperature')} at the coldest, every peak at once.`;
}

const MATCH_WORDS: Record<DeviceLine['match'], string> = {
  direct: 'direct',
  converted: 'converted',
  mismatch: 'wrong voltage',
};

/** What one device of the cable plan needs, in a few words. */
export function deviceVerdict(line: DeviceLine, f: Format): string {
  if (line.match === 'mismatch') return MATCH_WORDS.mismatch;
  if (line.currentUnknown) return 'enter its current';
  if (line.voltage === 'low')
    return `${f.quantity(line.peakV, 'volts')} at its peak, wants ${f.quantity(line.lowestV ?? 0, 'volts')}`;
  if (line.dropTooLarge) return `loses ${f.quantity(line.dropShare, 'percent')}: thicker cable`;
  if (line.cable === 'short') return `${f.quantity(line.neededM - line.cableM, 'length', 1)} too short`;
  if (line.overCarried) return 'peak above what it carries';
  if (line.cable === 'unknown') return 'no cable named';
  return line.areaUnknown ? 'cross-section not known' : 'fine';
}

export type PowerAdvice =
  | { code: 'fuses'; battery: string; fuses: { port: string; fuseA: number }[] }
  | { code: 'noFuse'; battery: string; port: string; lowestA: number; highestA: number }
  | { code: 'fuseUnknown'; battery: string; port: string }
  | { code: 'mountShared'; battery: string }
  | { code: 'commonGround' }
  | { code: 'lithiumCold' }
  | { code: 'leadCold' }
  | { code: 'connectors' }
  | { code: 'mains' };

const portName = (port: string): string => (port === '' ? 'the port' : `port ${port}`);

export function adviceWords(a: PowerAdvice, f: Format): string {
  switch (a.code) {
    case 'fuses': {
      const amps = (fuseA: number): string => `${f.number(fuseA, Number.isInteger(fuseA) ? 0 : 1)} A`;
      const each = a.fuses.map(({ port, fuseA }) => `${portName(port)}: ${amps(fuseA)}`).join('; ');
      return `Fuses at ${a.battery}: ${each}. Each above 1.25 times the peak and below what its thinnest wire carries.`;
    }
    case 'noFuse':
      return `No fuse fits ${portName(a.port)} of ${a.battery}: the peaks ask for ${f.quantity(a.lowestA, 'amps', 1)}, the thinnest wire carries ${f.quantity(a.highestA, 'amps', 1)}. Use thicker wire, or another port.`;
    case 'fuseUnknown':
      return `Enter in Kit what the cables on ${portName(a.port)} of ${a.battery} carry: the fuse follows from it.`;
    case 'mountShared':
      return `Give the mount a port and a fuse of its own on ${a.battery}, apart from heaters and cooler: their switching pulls its voltage down.`;
    case 'commonGround':
      return 'Several batteries: join their minus poles once, with a wire of its own, before any data cable joins them. Never join plus to plus, and never batteries of different kind or charge in parallel.';
    case 'lithiumCold':
      return 'Lithium iron may give current in frost but is never charged below freezing: warm it up first.';
    case 'leadCold':
      return 'Lead loses in the cold and dies when emptied: half of it is yours. Charge it the next morning.';
    case 'connectors':
      return 'Round plugs and loose sockets work out in the cold: use plugs that lock or clip, tie each cable off at the saddle, and leave a drip loop.';
    case 'mains':
      return 'Mains outdoors only behind a residual-current device; sealed against dew; follow the local code.';
  }
}

/** `37 of 40 Ah usable`. */
export function batteryWords(line: BatteryLine, f: Format): string {
  const needed = f.number(line.need.drawnAh, 1);
  return `${needed} of ${f.quantity(line.usableAh, 'ampHours')} usable, ${f.quantity(line.need.peakA, 'amps', 1)} at the peak`;
}
