/** The shipped towns: fetched when the first letters are typed, kept for the tab; the app's own file, so it is there offline. */
import { useQuery } from '@tanstack/react-query';
import { findTowns, searchable, type Town } from '../../core/places/findTowns.ts';
import { decodeTowns } from '../../formats/townTable.ts';

const TOWNS = new URL('../../core/places/data/towns.bin', import.meta.url);

async function fetchTowns(): Promise<{ towns: Town[]; names: string[] }> {
  const response = await fetch(TOWNS);
  if (!response.ok) throw new Error(`the table of towns answered ${response.status}`);
  const towns = decodeTowns(new Uint8Array(await response.arrayBuffer()));
  return { towns, names: searchable(towns) };
}

const LEAST_LETTERS = 2;

/** Towns that begin as was typed; `missing` when the table could not be read. */
export function useTowns(asked: string): { found: Town[]; asked: boolean; missing: boolean } {
  const isAsked = asked.trim().length >= LEAST_LETTERS;
  const { data, isError } = useQuery({
    queryKey: ['towns'],
    queryFn: fetchTowns,
    staleTime: Infinity,
    networkMode: 'always',
    enabled: isAsked,
  });
  const found = data && isAsked ? findTowns(data.towns, data.names, asked) : [];
  return { found, asked: isAsked && data !== undefined, missing: isError };
}
