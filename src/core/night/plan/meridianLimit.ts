/** How far the tube may run tonight before and past the meridian, and what says so. */
import type { PlanEntry } from '../../records/night.ts';
import type { Rig } from '../../records/rig.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import { FARTHEST_H, HALF_TURN_H, type TubeClearance } from './tubeClearance.ts';

/** `cable`, `fitting`: of the rig, as the user found them. `clearance`: where the margin is used up, doubt and all. `clear`: clear
 *  all the way. `doubt`: nothing says well enough how far, so that the tube goes over at the meridian. */
export type LimitSource = 'night' | 'mount' | 'cable' | 'fitting' | 'clearance' | 'clear' | 'doubt';

export type MeridianLimit = {
  /** How far past the meridian the unflipped tube may run, hours; negative = it must leave before. */
  limitH: number;
  source: LimitSource;
  /** The same of the flipped tube: beyond 12 h it has crossed the meridian below the pole. */
  secondLimitH: number;
  tube: TubeClearance | null;
};

/** What the mount and the rig say of themselves, hours past the meridian; null = never asked. */
export type OwnLimits = { mountH: number | null; cableH: number | null; fittingH: number | null };

export const ownLimits = ({ mount }: RigNumbers, rig: Pick<Rig, 'cableLimitH' | 'fittingLimitH'>): OwnLimits => ({
  mountH: mount?.pastMeridianLimitH ?? null,
  cableH: rig.cableLimitH ?? null,
  fittingH: rig.fittingLimitH ?? null,
});

type End = { source: LimitSource; limitH: number };

/** Where the clearance ends the run. @param isTold somebody says how far the tube may run: a guess is no word against that, and
 *  a cable that reaches does not say that the tube clears. */
function endByClearance(tube: TubeClearance | null, isTold: boolean): End[] {
  if (tube === null) return isTold ? [] : [{ source: 'doubt', limitH: 0 }];
  if (tube.before === null) return [{ source: 'clearance', limitH: -HALF_TURN_H }];
  const limitH = isTold ? tube.before.toldToH : tube.before.toH;
  if (limitH === null) return [];
  return [{ source: limitH === 0 ? 'doubt' : 'clearance', limitH }];
}

/** The earliest of what this night, the mount, cables, fittings and the clearance allow. */
export function meridianLimit(entry: PlanEntry | null, own: OwnLimits, tube: TubeClearance | null): MeridianLimit {
  const told: [LimitSource, number | null][] = [
    ['night', entry?.limitH ?? null],
    ['mount', own.mountH],
    ['cable', own.cableH],
    ['fitting', own.fittingH],
  ];
  const known = told.flatMap(([source, limitH]): End[] => (limitH === null ? [] : [{ source, limitH }]));
  const isTold = known.some(({ source }) => source === 'night' || source === 'mount');
  const earliest = [...endByClearance(tube, isTold), ...known].reduce<End>(
    (least, one) => (one.limitH < least.limitH ? one : least),
    { source: 'clear', limitH: FARTHEST_H },
  );
  return { ...earliest, secondLimitH: secondLimitH(own, tube), tube };
}

/** Beyond the crossing below the pole the weights stand above the tube again, as past the upper one: what the mount and the
 *  cables allow there holds here too. */
function secondLimitH({ mountH, cableH }: OwnLimits, tube: TubeClearance | null): number {
  const beyondH = Math.min(...[mountH, cableH].flatMap((limitH) => limitH ?? []), FARTHEST_H);
  const isKnown = mountH !== null || tube !== null;
  const clearH = (mountH === null ? tube?.after?.toH : tube?.after?.toldToH) ?? Infinity;
  return Math.min(HALF_TURN_H + (isKnown ? beyondH : Math.min(0, beyondH)), clearH);
}
