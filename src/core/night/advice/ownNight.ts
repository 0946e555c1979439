/** From the answers of somebody new to a whole night of their own: site, rig, parts, target and plan. */
import { fieldDeg } from '../../optics/train.ts';
import type { Night, PlanEntry } from '../../records/night.ts';
import { dressRig, type Naming, type RigAnswers } from '../../rig/dressing/dressRig.ts';
import { imagedThrough, LOW_POWER_EYEPIECE_MM, sensorMm } from '../../rig/dressing/looks.ts';
import { trueFieldDeg } from '../../optics/lightPath.ts';
import { eveningDate } from '../../time/civil.ts';
import { standingTargets, type StandingTarget } from '../plan/easyTargets.ts';
import { PLAIN_PLAN } from '../plan/plainPlan.ts';
import { longestFirstSubS, someFit, type OwnRecord } from './firstSub.ts';

export type Where = { name: string; latDeg: number; lonDeg: number; zoneIana: string };
export type OwnAnswers = { where: Where; rig: RigAnswers; rigName: string };

export type OwnNight = { nightId: string; records: OwnRecord[] };

/** Of stars that nothing follows a few dozen short ones are added up. */
const STILL_COUNT = 60;
const DARKNESS: Night['darkness'] = 'astronomical';

const standsStill = ({ carrier, raMotor }: RigAnswers): boolean => carrier === 'byHand' && raMotor !== true;

/** Shorter side of the field, or what a low eyepiece shows, arcmin. */
function fieldArcmin({ optics, sensor }: RigAnswers): number {
  if (sensor === 'eye') return 60 * trueFieldDeg({ focalMm: optics.focalMm, eyepieceMm: LOW_POWER_EYEPIECE_MM });
  return 60 * fieldDeg(sensorMm(sensor)[1], imagedThrough(optics, sensor).focalMm);
}

/** Everything as records without heads, in the order in which they name each other.
 *  @param targetName from catalogue number and plain name to what the target is called. */
export function ownNight(
  { where, rig, rigName }: OwnAnswers,
  nowMs: number,
  naming: Naming & { targetName: NameOf },
): OwnNight {
  const [siteId, rigId, nightId] = [naming.newId(), naming.newId(), naming.newId()];
  const site = { ...where, elevationM: 0, horizon: [] };
  const evening = eveningDate(nowMs, where.zoneIana);
  const dressed = dressRig(rig, naming);
  const standing = standingTargets(site, { eveningDate: evening, darkness: DARKNESS }, fieldArcmin(rig));
  const targetId = naming.newId();
  const recordsWith = (chosen: StandingTarget | undefined, plan: Pick<PlanEntry, 'subS' | 'count'>): OwnRecord[] => [
    { table: 'sites', id: siteId, body: site },
    ...dressed.parts.map(({ id, body }): OwnRecord => ({ table: 'parts', id, body })),
    { table: 'rigs', id: rigId, body: { name: rigName, ...dressed.rig } },
    ...(chosen ? [{ table: 'targets' as const, id: targetId, body: targetBody(chosen, naming.targetName) }] : []),
    {
      table: 'nights',
      id: nightId,
      body: {
        eveningDate: evening,
        siteId,
        rigId,
        darkness: DARKNESS,
        plan: chosen ? [{ ...PLAIN_PLAN, targetId, ...plan }] : [],
      },
    },
  ];
  const count = standsStill(rig) ? STILL_COUNT : null;
  const lengthOn = (target: StandingTarget): number | null => {
    const subS = longestFirstSubS(recordsWith(target, { subS: LOOKED_UP_TO_S, count: null }), nightId, nowMs);
    return subS !== null && someFit(recordsWith(target, { subS, count }), nightId, nowMs) ? subS : null;
  };
  const found = rig.sensor === 'eye' ? null : firstWith(standing.slice(0, TARGETS_TRIED), lengthOn);
  const plan = found ? { subS: found.value, count } : { subS: UNUSED_SUB_S, count: rig.sensor === 'eye' ? null : 0 };
  return { nightId, records: recordsWith(found?.item ?? standing[0], plan) };
}

type NameOf = (catalogueId: string, plainName: string) => string;

const targetBody = (chosen: StandingTarget, nameOf: NameOf): object => ({
  name: nameOf(chosen.catalogueId, chosen.plainName),
  catalogueId: chosen.catalogueId,
  raJ2000Deg: chosen.raJ2000Deg,
  decJ2000Deg: chosen.decJ2000Deg,
  sizeArcmin: chosen.sizeArcmin,
});

/** The first item for which something is found, with that. */
function firstWith<T, V>(items: readonly T[], find: (item: T) => V | null): { item: T; value: V } | null {
  for (const item of items) {
    const value = find(item);
    if (value !== null) return { item, value };
  }
  return null;
}

/** Where the first target lets no sub stay round, another may: one that does not pass the zenith. */
const TARGETS_TRIED = 4;
/** Of a target that is only looked at. */
const UNUSED_SUB_S = 30;
/** While the longest sub is looked for, so long a one is planned: the search goes on past it. */
const LOOKED_UP_TO_S = 100;
