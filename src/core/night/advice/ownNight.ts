/** From the answers of somebody new to a whole night of their own: site, rig, parts, target and plan. */
import { fieldDeg } from '../../optics/train.ts';
import type { Night } from '../../records/night.ts';
import { dressRig, type Naming, type RigAnswers } from '../../rig/dressing/dressRig.ts';
import { imagedThrough, LOW_POWER_EYEPIECE_MM, sensorMm } from '../../rig/dressing/looks.ts';
import { trueFieldDeg } from '../../optics/lightPath.ts';
import { eveningDate } from '../../time/civil.ts';
import { standingTargets } from '../plan/easyTargets.ts';
import { PLAIN_PLAN } from '../plan/plainPlan.ts';
import { longestFirstSubS, type OwnRecord } from './firstSub.ts';

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
  naming: Naming & { targetName: (catalogueId: string, plainName: string) => string },
): OwnNight {
  const [siteId, rigId, nightId] = [naming.newId(), naming.newId(), naming.newId()];
  const site = { ...where, elevationM: 0, horizon: [] };
  const evening = eveningDate(nowMs, where.zoneIana);
  const dressed = dressRig(rig, naming);
  const chosen = standingTargets(site, { eveningDate: evening, darkness: DARKNESS }, fieldArcmin(rig))[0];
  const targetId = chosen ? naming.newId() : null;
  const target = chosen && {
    name: naming.targetName(chosen.catalogueId, chosen.plainName),
    catalogueId: chosen.catalogueId,
    raJ2000Deg: chosen.raJ2000Deg,
    decJ2000Deg: chosen.decJ2000Deg,
    sizeArcmin: chosen.sizeArcmin,
  };
  const recordsWith = (subS: number): OwnRecord[] => [
    { table: 'sites', id: siteId, body: site },
    ...dressed.parts.map(({ id, body }): OwnRecord => ({ table: 'parts', id, body })),
    { table: 'rigs', id: rigId, body: { name: rigName, ...dressed.rig } },
    ...(target && targetId !== null ? [{ table: 'targets' as const, id: targetId, body: target }] : []),
    { table: 'nights', id: nightId, body: { ...nightOf(subS) } },
  ];
  const nightOf = (subS: number) => ({
    eveningDate: evening,
    siteId,
    rigId,
    darkness: DARKNESS,
    plan: targetId === null ? [] : [{ ...PLAIN_PLAN, targetId, subS, count: standsStill(rig) ? STILL_COUNT : null }],
  });
  return { nightId, records: recordsWith(longestFirstSubS(recordsWith(LOOKED_UP_TO_S), nightId, nowMs)) };
}
/** While the longest sub is looked for, so long a one is planned: the search goes on past it. */
const LOOKED_UP_TO_S = 100;
