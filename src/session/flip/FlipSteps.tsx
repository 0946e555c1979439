import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { readingValues } from '../../core/records/reading.ts';
import { clockMovedWords, FLIP, stepCount } from '../../text/flipWords.ts';
import { CheckRow } from '../../ui/CheckRow.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { HoldButton } from '../../ui/HoldButton.tsx';
import { useNight, useShared } from '../session.ts';
import type { Miss, WalkHere } from './useFlipWalk.ts';

const isTyped = (minutes: number | null): minutes is number => minutes !== null;
const closingSchema = (asksMinutes: boolean) =>
  z.object({
    minutes: asksMinutes
      ? readingValues.flip.shape.minutes.nullable().refine(isTyped, { message: FLIP.minutesMissing })
      : z.null(),
    missEastArcmin: readingValues.flip.shape.missEastArcmin,
    missNorthArcmin: readingValues.flip.shape.missNorthArcmin,
  });

/** The end of it: how far the target lay off, as far as somebody looked, and the minutes. */
function Closing({ finish, lasted }: Pick<WalkHere, 'finish' | 'lasted'>) {
  const { format } = useShared();
  const { system } = format;
  const took = lasted();
  const moved = took.code === 'moved';
  const form = useForm<Miss, unknown, Miss>({
    resolver: formResolver(closingSchema(moved)),
    defaultValues: { minutes: null, missEastArcmin: null, missNorthArcmin: null },
  });
  return (
    <FormProvider {...form}>
      <form className="section" noValidate onSubmit={(event) => event.preventDefault()}>
        <h2>{FLIP.missTitle}</h2>
        <p className="soft">{FLIP.missHint}</p>
        {moved && (
          <>
            <p>{clockMovedWords(took.byMs, format)}</p>
            <div className="fields compact">
              <QuantityField name="minutes" label={FLIP.minutes} kind="minutes" system={system} />
            </div>
          </>
        )}
        <div className="fields compact">
          <QuantityField name="missEastArcmin" label={FLIP.missEast} kind="arcmin" system={system} />
          <QuantityField name="missNorthArcmin" label={FLIP.missNorth} kind="arcmin" system={system} />
        </div>
        <div className="actions">
          <HoldButton onConfirm={() => void form.handleSubmit(finish)()}>{FLIP.finish}</HoldButton>
        </div>
      </form>
    </FormProvider>
  );
}

/** The button for the step that the hand is at. */
export function StepAction({ here: { walk, tick, finish, lasted } }: { here: WalkHere }) {
  const { at } = walk;
  if (walk.state === 'closing') return <Closing finish={finish} lasted={lasted} />;
  if (at === null) return null;
  const number = walk.steps.findIndex(({ step }) => step === at) + 1;
  return (
    <div className="actions">
      {/* The second press of a double one meets the next step: it counts for none. */}
      <Button variant="primary" onClick={({ detail }) => detail < 2 && tick(at, true)}>
        {FLIP.done}
      </Button>
      <span className="soft">{stepCount(number, walk.steps.length)}</span>
    </div>
  );
}

/** All steps, ticked or to come. */
export function FlipSteps({ here: { walk, words, tick } }: { here: WalkHere }) {
  const { records } = useNight();
  return (
    <ol className="check-list">
      {walk.steps.map(({ step, done }) => {
        const { do: what, why } = words(step);
        return (
          <CheckRow
            key={step}
            done={done}
            disabled={records.fromSnapshot || walk.state === 'waiting'}
            onToggle={() => tick(step, !done)}
          >
            <strong>{what}</strong>
            <br />
            <span className="soft">{why}</span>
          </CheckRow>
        );
      })}
    </ol>
  );
}
