/** The shipped stars of the polar caps: fetched once, kept for the tab; the app's own file, so it is there offline. */
import { useQuery } from '@tanstack/react-query';
import { decodeStars, type TableStar } from '../core/sky/starTable.ts';

const NONE: readonly TableStar[] = [];

const CAPS = new URL('../core/sky/data/polar-caps.bin', import.meta.url);

async function fetchCaps(): Promise<TableStar[]> {
  const response = await fetch(CAPS);
  if (!response.ok) throw new Error(`the star table answered ${response.status}`);
  return decodeStars(new Uint8Array(await response.arrayBuffer()));
}

/** Empty until they are there, `missing` when they could not be read: the dial is drawn without the fainter stars then. */
export function usePolarCaps(): { stars: readonly TableStar[]; missing: boolean } {
  const { data, isError } = useQuery({
    queryKey: ['polar-caps'],
    queryFn: fetchCaps,
    staleTime: Infinity,
    networkMode: 'always',
  });
  return { stars: data ?? NONE, missing: isError };
}
