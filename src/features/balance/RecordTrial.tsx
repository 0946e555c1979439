import { useTubeEnds } from '../../session/useTubeEnds.ts';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { positionFromTapeM, tapeReadingM } from '../../core/mount/tape.ts';
import type { BalanceAxis } from '../../core/rig/axisLevers.ts';
import { ENDS, type Drops, type TipOfNight } from '../../core/night/learned/tipOfNight.ts';
import { asShown } from '../../core/units/quantities.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { recordLabel, useRecord } from '../../session/useRecord.ts';
import { useIsLive } from '../../session/useTime.ts';
import { useBusy } from '../../session/useWrite.ts';
import { ANSWER_WORDS, dropName, PLACE_LABELS, TAPE_HINT, trialSaid } from '../../text/balanceWords.ts';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { TipMark } from '../../ui/instruments/TipMark.tsx';
import type { AxisModel } from './model.ts';

type TrialForm = { tapeM: number | null };

/** Beyond the ends of the range a hand still measures by this much. */
const SLACK_M = 0.01;

/** Readings of the tape at which the piece can stand. */
function trialSchema({ tape }: AxisModel, { levers }: TipOfNight) {
  const ends = levers.rangeM.map((positionM) => tapeReadingM(tape, positionM));
  return z.object({
    tapeM: z
      .number()
      .min(Math.min(...ends) - SLACK_M)
      .max(Math.max(...ends) + SLACK_M),
  });
}

type Props = { model: AxisModel; tip: TipOfNight; axis: BalanceAxis };

/** Which end dropped when the rig was let go, as buttons as large as the ends they stand for; below, where the piece
 *  stood by the user's tape. */
export function RecordTrial({ model, tip, axis }: Props) {
  const { records } = useNight();
  const { format } = useShared();
  const { clock } = useSession();
  const isLive = useIsLive();
  const record = useRecord();
  const busy = useBusy();
  const ends = useTubeEnds();
  const { tape } = model;
  const nextM = tip.estimate.balancedM ?? tip.estimate.nextM;
  const form = useForm<TrialForm, unknown, { tapeM: number }>({
    resolver: formResolver(trialSchema(model, tip)),
    defaultValues: { tapeM: null },
  });
  const mover = tip.levers.moving[0];
  const subject =
    axis === 'sideways' && mover
      ? ({ type: 'part', id: mover.partId } as const)
      : ({ type: 'rig', id: records.rig.id } as const);
  const save = (drops: Drops) =>
    form.handleSubmit(async ({ tapeM }) => {
      const positionM = positionFromTapeM(tape, tapeM);
      const kept = await record(
        { step: 'balance', subject, kind: 'balance', values: { axis, positionM, drops } },
        trialSaid(drops, tapeM, format, ends),
      );
      if (kept) form.reset();
    });
  const [first, second] = ENDS[axis];
  const leans = [-1, 0, 1] as const;
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => event.preventDefault()} noValidate>
        <div className="three-choices" role="group" aria-label="What dropped">
          {([first, 'none', second] as const).map((drops, i) => (
            <button
              key={drops}
              type="button"
              aria-disabled={busy}
              onClick={(event) => void save(drops)(event)}
              data-drops={drops}
            >
              <TipMark axis={axis} lean={leans[i] ?? 0} />
              {dropName(drops, ends)}
            </button>
          ))}
        </div>
        <p className="soft mb-0">{recordLabel(ANSWER_WORDS, isLive, format.clock(clock.nowMs()))}.</p>
        <div className="short-field">
          <QuantityField
            name="tapeM"
            label={PLACE_LABELS[axis]}
            kind="barLength"
            system={format.system}
            expected={asShown(tapeReadingM(tape, nextM), 'barLength', format.system)}
            hint={TAPE_HINT}
          />
        </div>
      </form>
    </FormProvider>
  );
}
