/** Snapshots: rig, parts and site, the night's targets, limits and schools as they were when something was measured. */
import { settingOf } from '../core/records/setting.ts';
import { holdsState, partsOfRig, targetsToKeep } from '../core/rig/rigState.ts';
import type { Snapshot } from '../core/records/snapshot.ts';
import { toUtcText } from '../core/time/utc.ts';
import type { Writer } from './writer.ts';

/** The snapshot that a reading of this night must carry: the last one when nothing differs, else a new one, which the
 *  caller keeps with the reading. Null when night, rig or site are gone. Runs inside the caller's transaction. */
export async function snapshotFor(
  w: Writer,
  nightId: string | null,
): Promise<{ made: Snapshot; isNew: boolean } | null> {
  const night = nightId === null ? undefined : await w.db.heads('nights').get(nightId);
  if (!night) return null;
  const { rigId, siteId, plan } = night;
  const [rig, site, all, targets, settings, last] = await Promise.all([
    w.db.heads('rigs').get(rigId),
    w.db.heads('sites').get(siteId),
    w.db.heads('parts').toArray(),
    w.db.heads('targets').toArray(),
    w.db.heads('settings').toArray(),
    w.db.snapshots.where('[rig.id+site.id+takenAtUtc]').between([rigId, siteId, ''], [rigId, siteId, '\uffff']).last(),
  ]);
  if (!rig || !site) return null;
  const state = {
    rig,
    parts: partsOfRig(rig, all),
    site,
    targets: targets.filter(({ id }) => plan.some(({ targetId }) => targetId === id)),
    limits: settingOf(settings, 'limits'),
    schools: settingOf(settings, 'schools'),
  };
  if (last && holdsState(last, state)) return { made: last, isNew: false };
  const kept = targetsToKeep(state.targets, last?.targets, targets);
  return { made: { id: w.newId(), takenAtUtc: toUtcText(w.nowMs()), ...state, targets: kept }, isNew: true };
}
