/** Maps of the clearance, away from the page. */
import type { ClearanceGeometry } from '../core/mount/clearance.ts';
import { clearanceMap, type ClearanceMap } from '../core/mount/clearanceMap.ts';
import type { FlipState } from '../core/mount/pose.ts';
import type { Task } from './protocol.ts';
import { serve } from './serve.ts';

export type ClearanceJob = { geometry: ClearanceGeometry; latDeg: number; state: FlipState };
export type ClearanceTask = Task<ClearanceJob, ClearanceMap>;

serve<ClearanceJob, ClearanceMap>(({ geometry, latDeg, state }, context) => {
  const map = clearanceMap(geometry, latDeg, state);
  context.handOver(map.gapM.buffer);
  return Promise.resolve(map);
});
