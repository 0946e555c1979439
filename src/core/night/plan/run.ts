/** The order of work of a night, by the mount: which stations, in which order, and what is left out and why. */
import { mountTraits, type OrderReason } from '../../mount/mountKinds.ts';
import type { MountPart } from '../../records/part.ts';
import type { Step } from '../../records/reading.ts';
import { motorsOf } from '../../mount/motors.ts';
import { balancesTubeAlone, mountHasBar } from '../../rig/rigNumbers.ts';

export type RunGroup = 'Indoors' | 'Outdoors' | 'Overnight' | 'After';
/** A tracker's run visits polar alignment twice: rough while nothing blocks the finder, final with everything on. */
export type Visit = 'rough' | 'final';
export type Stop = { step: Step; group: RunGroup; visit: Visit | null };

export type LeftOut =
  | { step: 'balance'; why: 'ballHead' | 'strainWaveHasNoClutch' | 'altAzimuth' }
  | { step: 'polar'; why: 'altAzimuth' }
  | { step: 'watch'; why: 'eye' }
  | { step: 'tracking'; why: 'eye' };

export type Run = { stops: Stop[]; reason: OrderReason; leftOut: LeftOut[] };

const at = (group: RunGroup, ...steps: Step[]): Stop[] => steps.map((step) => ({ step, group, visit: null }));

function balanceLeftOut(mount: MountPart): LeftOut[] {
  if (mountHasBar(mount) || balancesTubeAlone(mount)) return [];
  if (mount.drive === 'strainWave') return [{ step: 'balance', why: 'strainWaveHasNoClutch' }];
  if (mountTraits(mount).holds === 'ballHead') return [{ step: 'balance', why: 'ballHead' }];
  return [{ step: 'balance', why: 'altAzimuth' }];
}

function outdoors(mount: MountPart | null): { steps: Stop[]; reason: OrderReason } {
  const { order, reason } = mountTraits(mount);
  if (order === 'tracker') {
    const polar = (visit: Visit): Stop => ({ step: 'polar', group: 'Outdoors', visit });
    const steps = [
      ...at('Outdoors', 'level'),
      polar('rough'),
      ...at('Outdoors', 'balance', 'pointing'),
      polar('final'),
    ];
    return { steps: [...steps, ...at('Outdoors', 'tracking')], reason };
  }
  // A platform stands toward the pole before the heavy tube is set on it.
  if (order === 'platform')
    return { steps: at('Outdoors', 'level', 'polar', 'balance', 'pointing', 'tracking'), reason };
  return { steps: at('Outdoors', 'level', 'balance', 'polar', 'pointing', 'tracking'), reason };
}

/** The eye takes no subs; where a motor follows, nothing is left to do on the tracking bench either. A platform that runs out
 *  is watched for whoever looks. */
function withoutCamera(mount: MountPart | null): LeftOut[] {
  const watch: LeftOut[] = mountTraits(mount).runsOut ? [] : [{ step: 'watch', why: 'eye' }];
  return motorsOf(mount) === 'none' ? watch : [{ step: 'tracking', why: 'eye' }, ...watch];
}

/** The run for a mount; without one the full list of a German mount, with nothing left out.
 *  @param byEye an eyepiece stands where others have a camera. */
export function runFor(mount: MountPart | null, byEye = false): Run {
  const { steps, reason } = outdoors(mount);
  const leftOut: LeftOut[] = mount ? balanceLeftOut(mount) : [];
  if (!mountTraits(mount).hasPolarAxis) leftOut.push({ step: 'polar', why: 'altAzimuth' });
  if (byEye) leftOut.push(...withoutCamera(mount));
  const gone = new Set<Step>(leftOut.map((l) => l.step));
  return {
    stops: [
      ...at('Indoors', 'light-path', 'payload', 'meridian'),
      ...steps.filter((s) => !gone.has(s.step)),
      ...at('Overnight', 'watch').filter((s) => !gone.has(s.step)),
      ...at('After', 'logbook'),
    ],
    reason,
    leftOut,
  };
}
