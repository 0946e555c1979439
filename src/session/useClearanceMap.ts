/** The map of the clearance in one state, reckoned away from the page; kept as long as the rig's measures stay. */
import { useQuery } from '@tanstack/react-query';
import type { ClearanceMap } from '../core/mount/clearanceMap.ts';
import type { ClearanceJob, ClearanceTask } from '../workers/clearance.worker.ts';
import type { WorkSession } from '../workers/workSession.ts';

let session: Promise<WorkSession<ClearanceTask>> | null = null;

/** What runs workers is fetched when it is first used, and asked for anew when it could not be. */
async function opened(): Promise<WorkSession<ClearanceTask>> {
  session ??= (async () => {
    const { openWorkSession } = await import('../workers/workSession.ts');
    return openWorkSession<ClearanceTask>(
      () => new Worker(new URL('../workers/clearance.worker.ts', import.meta.url), { type: 'module' }),
    );
  })();
  session.catch(() => {
    session = null;
  });
  return session;
}

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
