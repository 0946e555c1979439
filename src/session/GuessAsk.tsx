/** The guesses that a bench's answer hangs on, with their fields: corrected where they first matter, one at a time. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import type { Step } from '../core/records/reading.ts';
import type { Guess, Guesses } from '../core/rig/guesses.ts';
import { lengthMSchema, massKgSchema } from '../core/records/common.ts';
import { updateHead } from '../storage/heads.ts';
import { axisWords } from '../text/rigWords.ts';
import { useHas } from './useHas.ts';
import { GUESS, guessHint, guessLabel, guessSaid, guessSentence, type GuessUnit } from '../text/guessWords.ts';
import { QuantityField } from '../ui/form/Fields.tsx';
import { formResolver } from '../ui/form/formResolver.ts';
import { useNight, useShared } from './session.ts';
import { useBusy, useWrite } from './useWrite.ts';

/** At most so many are asked at a time. */
const ASKED = 2;
/** A guess that moves the answer by less than this share of all its doubt is not worth a question. */
const LEAST_SHARE = 0.1;

const KEY = 'tidy-owl-guesses-fine';
const fineList = (): string[] => (localStorage.getItem(KEY) ?? '').split(' ').filter((one) => one !== '');

/** Said once for a rig and an answer on this device. */
function useFine(step: Step, unit: GuessUnit): { fine: boolean; say: () => void } {
  const { records } = useNight();
  const key = `${step}/${unit}/${records.rig.id}`;
  const [said, setSaid] = useState<string | null>(null);
  const say = (): void => {
    localStorage.setItem(KEY, [...new Set([...fineList(), key])].join(' '));
    setSaid(key);
  };
  return { fine: said === key || fineList().includes(key), say };
}

/** Writes the number to the part or to its place, as measured. */
function useCorrect(): (guess: Guess, value: number) => Promise<unknown> {
  const { records } = useNight();
  const write = useWrite();
  return (guess, value) => {
    const what = ['guess', guess.placedId, guess.what, value];
    if (guess.what === 'mass') {
      const patch = { massKg: value, massBasis: 'weighed' as const };
      return write(what, (w) => updateHead(w, 'parts', guess.partId, patch), guessSaid(guess));
    }
    const { rig } = records;
    // A hand measures how far; on which side it hangs is known.
    const side = guess.value < 0 ? -1 : 1;
    const placed = rig.placed.map((p) =>
      p.placedId === guess.placedId ? { ...p, fromRaAxisM: side * value, placeBasis: 'measured' as const } : p,
    );
    return write(what, (w) => updateHead(w, 'rigs', rig.id, { placed }, { baseRev: rig.rev }), guessSaid(guess));
  };
}

const SCHEMAS = { mass: z.object({ value: massKgSchema }), place: z.object({ value: lengthMSchema }) };

function GuessField({ guess, unit }: { guess: Guess; unit: GuessUnit }) {
  const { format } = useShared();
  const correct = useCorrect();
  const busy = useBusy();
  const form = useForm<{ value: number | null }, unknown, { value: number }>({
    resolver: formResolver(SCHEMAS[guess.what]),
    defaultValues: { value: null },
  });
  const save = form.handleSubmit(({ value }) => correct(guess, value));
  const has = useHas();
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => void save(event)} noValidate>
        <QuantityField
          name="value"
          label={guessLabel(guess, axisWords(has).name)}
          kind={guess.what === 'mass' ? 'mass' : 'barLength'}
          system={format.system}
          expected={Math.abs(guess.value)}
          hint={guessHint(guess, unit, format)}
        />
        <Button className="mt-2" variant="outline" type="submit" aria-disabled={busy}>
          {GUESS.save}
        </Button>
      </form>
    </FormProvider>
  );
}

export function GuessAsk({ step, guesses, unit }: { step: Step; guesses: Guesses | null; unit: GuessUnit }) {
  const { records } = useNight();
  const { fine, say } = useFine(step, unit);
  const asked = (guesses?.list ?? []).filter((g) => g.moves >= LEAST_SHARE * (guesses?.total ?? 0)).slice(0, ASKED);
  if (!guesses || asked.length === 0 || fine || records.fromSnapshot) return null;
  return (
    <section className="section guess no-print" aria-label={GUESS.title}>
      <h2>{GUESS.title}</h2>
      <p>{guessSentence(asked, unit)}</p>
      <div className="fields">
        {asked.map((guess) => (
          <GuessField key={`${guess.placedId} ${guess.what}`} guess={guess} unit={unit} />
        ))}
      </div>
      <Button variant="link" onClick={say}>
        {GUESS.fine}
      </Button>
    </section>
  );
}
