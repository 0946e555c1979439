/** Where each number of the account comes from. */
import type { Known } from '../../known.ts';
import type { BudgetItemName } from '../../verdict/plannedSub.ts';

export type Source = Pick<Known<unknown>, 'basis' | 'asOf'>;
export type BudgetSources = Partial<Record<BudgetItemName, Source>>;

/** Nothing of it was measured, on this or any other night. */
export const isAssumedOnly = (sources: BudgetSources): boolean => !Object.values(sources).some(isKnown);

export const TOLD_SOURCE: Source = { basis: 'told', asOf: null };
export const ASSUMED_SOURCE: Source = { basis: 'assumed', asOf: null };
export const NOT_LOOKED_SOURCE: Source = { basis: 'notLooked', asOf: null };

/** By a measurement of this or of another night. */
export const isKnown = (source: Source | undefined): boolean =>
  source?.basis === 'measured' || source?.basis === 'learned';
