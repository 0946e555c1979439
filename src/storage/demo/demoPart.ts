/** One shipped part: its fixed id and what a form would hold. */
import type { Part, PartKind, PartOf } from '../../core/records/part.ts';
import type { Body } from '../heads.ts';

export type DemoPart = { id: string } & Body<Part>;

export const demoPart = <K extends PartKind>(
  id: string,
  name: string,
  massKg: number | null,
  kind: K,
  rest: Omit<Body<PartOf<K>>, 'name' | 'massKg' | 'massBasis' | 'count' | 'kind'>,
): DemoPart =>
  ({ id: `demo-${id}`, name, massKg, massBasis: 'weighed', count: 1, kind, ...rest }) as unknown as DemoPart;
