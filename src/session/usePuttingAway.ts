/** A long history is put away small once the page is quiet, so that the next opening is quick. */
import { useEffect, useMemo } from 'react';
import type { Stored } from '../storage/useStored.ts';
import { useSession } from './session.ts';

/** So many nights may lie about whole: reading them is no matter. */
const FEW_NIGHTS = 30;
const QUIET_MS = 4000;

export function usePuttingAway({ readings }: Stored): void {
  const { records } = useSession();
  const isLong = useMemo(() => [...readings.values()].filter((night) => night.whole).length > FEW_NIGHTS, [readings]);
  useEffect(() => {
    if (!isLong) return undefined;
    // Tidying up: where it fails, it is done the next time.
    const timer = setTimeout(() => void records('digest', {}).catch(() => undefined), QUIET_MS);
    return () => clearTimeout(timer);
  }, [isLong, records]);
}
