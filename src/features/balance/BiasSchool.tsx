import { Button, Form } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { biasedPositionM } from '../../core/mount/balance.ts';
import { tapeReadingM } from '../../core/mount/tape.ts';
import type { SettingValue } from '../../core/records/setting.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { updateHead } from '../../storage/heads.ts';
import { BIAS_WORDS, biasWords } from '../../text/balanceWords.ts';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import type { AxisModel } from './model.ts';
import { useBalanceSetting } from './useBalanceSetting.ts';

type Props = { model: AxisModel; settings: SettingValue<'balance'> };
const SCHOOLS = ['dead', 'eastHeavy'] as const;
const biasSchema = z.object({ biasM: z.number().min(0).max(0.06) });

function BiasSize({ settings }: Pick<Props, 'settings'>) {
  const { format } = useShared();
  const save = useBalanceSetting(settings);
  const form = useForm<{ biasM: number | null }, unknown, { biasM: number }>({
    resolver: formResolver(biasSchema),
    values: { biasM: settings.biasMm / 1000 },
  });
  return (
    <FormProvider {...form}>
      <form
        className="short-field"
        noValidate
        onSubmit={(event) => void form.handleSubmit(({ biasM }) => save({ biasMm: biasM * 1000 }))(event)}
      >
        <QuantityField name="biasM" label="Weight from dead balance" kind="barLength" system={format.system} />
        <div className="actions">
          <Button variant="outline" type="submit">
            Reckon again
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

/** The two schools of right-ascension balance, each with its reason. */
export function BiasSchool({ model, settings }: Props) {
  const { records } = useNight();
  const { format } = useShared();
  const write = useWrite();
  const chosen = records.schools.balance;
  const choose = (text: string): void => {
    const balance = SCHOOLS.find((s) => s === text);
    if (!balance) return;
    const { id, schools } = records.rig;
    void write(['school', id, balance], (w) => updateHead(w, 'rigs', id, { schools: { ...schools, balance } }));
  };
  const deadM = model.tip?.estimate.balancedM ?? model.goalM ?? 0;
  const at = (side: 'west' | 'east'): number => tapeReadingM(model.tape, biasedPositionM(deadM, settings.biasMm, side));
  return (
    <div className="section">
      <h2>{BIAS_WORDS.title}</h2>
      <div role="radiogroup" aria-label={BIAS_WORDS.title}>
        {SCHOOLS.map((school) => (
          <Form.Check
            key={school}
            id={`bias-${school}`}
            type="radio"
            name="bias-school"
            label={BIAS_WORDS[school]}
            checked={chosen === school}
            onChange={() => choose(school)}
          />
        ))}
      </div>
      {chosen === 'eastHeavy' && (
        <>
          <BiasSize settings={settings} />
          <p>{biasWords(at('west'), at('east'), format)}</p>
        </>
      )}
    </div>
  );
}
