/** The map of the clearance in one state, reckoned away from the page; kept as long as the rig's measures stay. */
import { useQuery } from '@tanstack/react-query';
import type { ClearanceMap } from '../core/mount/clearanceMap.ts';
import type { ClearanceJob, ClearanceTask } from '../workers/clearance.worker.ts';
import { taskSession } from './taskSession.ts';

const opened = taskSession<ClearanceTask>(
  () => new Worker(new URL('../workers/clearance.worker.ts', import.meta.url), { type: 'module' }),
);

/** Null until it is there, `missing` when it could not be reckoned. */
export function useClearanceMap(job: ClearanceJob): { map: ClearanceMap | null; missing: boolean } {
  const { data, isError } = useQuery({
    queryKey: ['clearance-map', job],
    queryFn: async ({ signal }) => (await opened()).run(job, { signal }),
    staleTime: Infinity,
    networkMode: 'always',
  });
  return { map: data ?? null, missing: isError };
}
