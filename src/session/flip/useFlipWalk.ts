/** The flip as a walk: where it stands by the records of the night, and what each press writes. */
import { flipBy, flipWalk, type FlipBy, type FlipStep, type FlipWalk } from '../../core/night/advice/flipWalk.ts';
import { other, sideOf, toldOf } from '../../core/night/life/life.ts';
import { rigHas } from '../../core/rig/rigHas.ts';
import { settingOf } from '../../core/records/setting.ts';
import { elapsedSince, type Elapsed } from '../../core/time/elapsed.ts';
import { MS_PER_MINUTE, toUtcText } from '../../core/time/utc.ts';
import { FLIP, flipStepWords } from '../../text/flipWords.ts';
import { useNight, useSession, useShared } from '../session.ts';
import { useRecord } from '../useRecord.ts';

/** `minutes`: typed, where the clock was set while it went on. */
export type Miss = { missEastArcmin: number | null; missNorthArcmin: number | null; minutes: number | null };

export type WalkHere = {
  walk: FlipWalk;
  by: FlipBy;
  words: (step: FlipStep) => { do: string; why: string };
  begin: () => void;
  tick: (step: FlipStep, done: boolean) => void;
  /** How long it has gone on. */
  lasted: () => Elapsed;
  /** Writes nothing while nobody can tell how long it took. */
  finish: (miss: Miss) => void;
  /** No flip of this rig is known. */
  first: boolean;
};

function useLasted(sinceMs: number | null): WalkHere['lasted'] {
  const { clock, clockMoves } = useSession();
  return () => elapsedSince(sinceMs ?? clock.nowMs(), clock.nowMs(), clockMoves.all());
}

export function useFlipWalk(): WalkHere {
  const { records, numbers, life } = useNight();
  const { clock } = useSession();
  const { format, stored } = useShared();
  const record = useRecord();
  const { rig, readings } = records;
  const by = flipBy(numbers.mount);
  const has = rigHas(numbers);
  const guided = rig.guiding !== 'none';
  const eastHeavy = records.schools.balance === 'eastHeavy';
  const walk = flipWalk(readings, life.flipSinceMs, by, {
    guided,
    eastHeavy,
    has,
  });
  const about = { step: 'watch', subject: { type: 'rig', id: rig.id } } as const;
  const biasStepM = (2 * settingOf(stored.settings, 'balance').biasMm) / 1000;
  const lasted = useLasted(walk.sinceMs);
  return {
    walk,
    by,
    words: (step) => flipStepWords(step, { by, has, guided }, biasStepM, format),
    begin: () => void record({ ...about, kind: 'event', values: { what: 'flipBegun' } }, 'Flip begun.'),
    tick: (step, done) =>
      void record({ ...about, kind: 'check', values: { listId: walk.listId, itemId: step, done } }, null),
    lasted,
    finish: ({ minutes: typed, ...miss }) => {
      const sinceMs = walk.sinceMs ?? clock.nowMs();
      const took = lasted();
      const minutes = typed ?? (took.code === 'known' ? took.ms / MS_PER_MINUTE : null);
      if (minutes === null) return;
      const stood = sideOf(toldOf(life));
      const to = stood === null ? {} : { to: other(stood) };
      const values = { atUtc: toUtcText(sinceMs), minutes, ...to, ...miss };
      void record({ ...about, kind: 'flip', values }, FLIP.recorded);
    },
    first: records.known.last('flip', rig.id) === undefined,
  };
}
