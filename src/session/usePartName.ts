import { useNight } from './session.ts';
import type { NameOf } from '../text/offBarWords.ts';

/** Names of the parts that this night knows. */
export function usePartName(): NameOf {
  const { parts } = useNight().records;
  return (id) => parts.find((p) => p.id === id)?.name ?? id;
}
