/** What the power tab shows, as codes and figures. */
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { powerOfRig, type PowerOfRig } from '../../core/rig/powerOfRig.ts';
import type { SettingValue } from '../../core/records/setting.ts';
import type { PowerAdvice, PowerSaying } from '../../text/powerWords.ts';

export type PowerModel = { power: PowerOfRig; saying: PowerSaying; advice: PowerAdvice[] };

/** What must be put right first: the wrong voltage, an empty battery, a starved device, a cable that pulls. */
function sayingOf({ span, hoursH, batteries, devices }: PowerOfRig): PowerSaying {
  if (devices.length === 0) return { code: 'noSupply' };
  if (!span) return { code: 'noDark' };
  const wrong = devices.find((d) => d.match === 'mismatch');
  if (wrong) return { code: 'mismatch', device: wrong.name, battery: wrong.batteryName };
  const empty = batteries.find((b) => b.emptyAtMs !== null);
  if (empty) {
    return { code: 'empties', battery: empty.name, atMs: empty.emptyAtMs ?? span.toMs, missingAh: -empty.spareAh };
  }
  const low = devices.find((d) => d.voltage === 'low');
  if (low) return { code: 'low', device: low.name, peakV: low.peakV, lowestV: low.lowestV ?? 0 };
  const short = devices.find((d) => d.cable === 'short');
  if (short) return { code: 'short', device: short.name, missingM: short.neededM - short.cableM };
  const least = batteries.reduce((a, b) => (b.spareAh / b.capacityAh < a.spareAh / a.capacityAh ? b : a));
  return { code: 'lasts', hoursH, spareAh: least.spareUsableAh, battery: least.name };
}

function fuseAdvice({ name: battery, branches }: PowerOfRig['batteries'][number]): PowerAdvice[] {
  const fuses = branches.flatMap(({ port, fuse }) => (fuse?.fuseA ? [{ port, fuseA: fuse.fuseA }] : []));
  const rest = branches.filter(({ fuse }) => !fuse?.fuseA);
  return [
    ...(fuses.length > 0 ? [{ code: 'fuses' as const, battery, fuses }] : []),
    ...rest.map(({ port, fuse }): PowerAdvice => {
      if (!fuse) return { code: 'fuseUnknown', battery, port };
      return { code: 'noFuse', battery, port, lowestA: fuse.lowestA, highestA: fuse.highestA };
    }),
  ];
}

function adviceOf(power: PowerOfRig, night: NightStatic): PowerAdvice[] {
  const used = new Set(power.batteries.map((b) => b.batteryId));
  const kinds = new Set(
    night.records.parts.flatMap((p) => (p.kind === 'battery' && used.has(p.id) ? [p.chemistry] : [])),
  );
  const when = (
    condition: boolean,
    code: Exclude<PowerAdvice['code'], 'fuses' | 'noFuse' | 'fuseUnknown' | 'mountShared'>,
  ) => (condition ? [{ code }] : []);
  return [
    ...power.batteries.flatMap(fuseAdvice),
    ...power.batteries.filter((b) => b.mountShared).map((b): PowerAdvice => ({ code: 'mountShared', battery: b.name })),
    ...when(power.commonGround, 'commonGround'),
    ...when(kinds.has('lithiumIron'), 'lithiumCold'),
    ...when(kinds.has('lead'), 'leadCold'),
    ...when(power.devices.length > 0, 'connectors'),
    ...when(power.devices.length > 0, 'mains'),
  ];
}

export function powerModel(night: NightStatic, settings: SettingValue<'power'>): PowerModel {
  const power = powerOfRig(night.records.rig, night.records.parts, night.dark, settings);
  return { power, saying: sayingOf(power), advice: adviceOf(power, night) };
}
