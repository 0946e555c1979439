/** Writing the plan of the shown night: one entry, their order, or one more target, each one step to undo. */
import { PLAIN_PLAN } from '../core/night/plan/plainPlan.ts';
import type { Night, PlanEntry } from '../core/records/night.ts';
import { refuse } from '../core/result.ts';
import { updateHead } from '../storage/heads.ts';
import { writeTogether } from '../storage/writeTogether.ts';
import { useNight } from './session.ts';
import { brightTarget } from './targetOffers.ts';
import { useWrite } from './useWrite.ts';

type Entries = readonly PlanEntry[];

/** The entries with one of them changed. */
export const withEntry = (plan: Entries, index: number, patch: Partial<PlanEntry>): PlanEntry[] =>
  plan.map((entry, i) => (i === index ? { ...entry, ...patch } : entry));

/** The entries with one moved by a place; at an end they stay. */
export function moved(plan: Entries, index: number, by: 1 | -1): PlanEntry[] {
  const [one, other] = [plan[index], plan[index + by]];
  if (!one || !other) return [...plan];
  return plan.map((entry, i) => (i === index ? other : i === index + by ? one : entry));
}

export function usePlanWrite() {
  const { records } = useNight();
  const write = useWrite();
  const { id, rev, plan } = records.night;
  return {
    save: (entries: Entries, said: string) =>
      write(['plan', id, entries], (w) => updateHead(w, 'nights', id, { plan: [...entries] }, { baseRev: rev }), said),
    /** Behind whatever is planned when it is written.
     *  @param choice a stored target, or a bright object that becomes one. */
    add: (choice: string, said: string) =>
      write(
        ['plan', id, 'add', choice, plan.length],
        async (w) => {
          const night = await w.db.heads('nights').get(id);
          if (!night) return refuse('missingRecord', { id });
          const bright = brightTarget(choice);
          const targetId = bright ? w.newId() : choice;
          const { subS } = night.plan.at(-1) ?? { subS: 60 };
          const patch: Pick<Night, 'plan'> = { plan: [...night.plan, { ...PLAIN_PLAN, targetId, subS }] };
          return writeTogether(w, id, [
            ...(bright ? [{ table: 'targets' as const, id: targetId, body: bright }] : []),
            { table: 'nights', id, patch, baseRev: night.rev },
          ]);
        },
        said,
      ),
  };
}
