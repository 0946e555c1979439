/** What the meridian bench shows, as codes and figures. */
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Plan } from '../../core/night/plan/plan.ts';
import type { MeridianSaying } from '../../text/meridianWords.ts';

export type MeridianModel = {
  saying: MeridianSaying;
  before: number;
  after: number;
  integrationS: number;
};

/** With subs laid: what happens at the meridian. */
function planSaying(plan: Plan, transitMs: number, endMs: number): MeridianSaying {
  if (plan.stopsAtLimit && plan.limitMs !== null) return { code: 'stopAtLimit', limitMs: plan.limitMs };
  const before = plan.subs.filter((s) => s.side === 'before').length;
  if (plan.flip) return { code: 'flip', flipMs: plan.flip.startMs, subNumber: before };
  if (plan.subs[0]?.side === 'after') return { code: 'transitBefore', transitMs };
  return { code: transitMs >= endMs ? 'transitAfter' : 'limitAfterEnd', transitMs };
}

function sayingOf(night: NightStatic): MeridianSaying {
  const { target, targetSky, dark, usable, plan, sky, records } = night;
  if (!target || !targetSky) return { code: 'noTarget' };
  const { neverRises, altDeg, transitMs } = targetSky.transit;
  if (neverRises) return { code: 'neverRises', target: target.name, altDeg, latDeg: records.site.latDeg };
  if (!dark) return { code: 'noDarkness', darkness: records.night.darkness, sunLowestDeg: sky.events.sunLowestDeg };
  if (usable && night.numbers.eyepiece) return { code: 'byEye', target: target.name, transitMs };
  if (!usable || !plan) return { code: 'notUpInDark', target: target.name };
  if (!night.flips) return { code: 'noFlipMount', target: target.name, transitMs };
  return planSaying(plan, transitMs, usable.toMs);
}

export function meridianModel(night: NightStatic): MeridianModel {
  const subs = night.plan?.subs ?? [];
  return {
    saying: sayingOf(night),
    before: subs.filter((s) => s.side === 'before').length,
    after: subs.filter((s) => s.side === 'after').length,
    integrationS: night.plan?.integrationS ?? 0,
  };
}

/** True when the tube is on its after-flip side at a moment of the plan. */
export function isAfterFlip(night: NightStatic, timeMs: number): boolean {
  const { plan } = night;
  if (!plan) return false;
  if (plan.flip) return timeMs >= plan.flip.startMs;
  return plan.subs[0]?.side === 'after';
}
