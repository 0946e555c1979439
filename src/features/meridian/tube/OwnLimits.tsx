import { mountTraits } from '../../../core/mount/mountKinds.ts';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { partKinds, type MountPart } from '../../../core/records/part.ts';
import { rigHas, type RigHas } from '../../../core/rig/rigHas.ts';
import { rigSchema } from '../../../core/records/rig.ts';
import { writeTogether } from '../../../storage/writeTogether.ts';
import { EditConflict } from '../../../session/EditConflict.tsx';
import { useNight, useShared } from '../../../session/session.ts';
import { useEdited } from '../../../session/useEdited.ts';
import { useWrite } from '../../../session/useWrite.ts';
import { LIMITS } from '../../../text/clearanceWords.ts';
import { PLAN } from '../../../text/planWords.ts';
import { QuantityField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';

const { pastMeridianLimitH, earliestFlipH } = partKinds.mount;
const limitH = rigSchema.shape.cableLimitH.unwrap();
const schema = z.object({ pastMeridianLimitH, earliestFlipH, cableLimitH: limitH, fittingLimitH: limitH });
type Fields = z.infer<typeof schema>;

/** A limit is asked for where something can reach it. */
const LIMITED_BY: Record<keyof Fields, (has: RigHas, mount: MountPart) => boolean> = {
  pastMeridianLimitH: (has) => has.has('motor'),
  earliestFlipH: (has) => has.has('slew'),
  cableLimitH: (has) => has.has('cables'),
  fittingLimitH: (_, mount) => mountTraits(mount).isTracker,
};

/** What the mount does by itself, how far cables reach, and a fitting that hits: asked once. */
export function OwnLimits() {
  const { records, numbers } = useNight();
  const { system } = useShared().format;
  const write = useWrite();
  const { mount } = numbers;
  const { rig } = records;
  const fields: Fields = {
    pastMeridianLimitH: mount?.pastMeridianLimitH ?? null,
    earliestFlipH: mount?.earliestFlipH ?? null,
    cableLimitH: rig.cableLimitH ?? null,
    fittingLimitH: rig.fittingLimitH ?? null,
  };
  const form = useForm<Fields, unknown, Fields>({ resolver: formResolver(schema), defaultValues: fields });
  const edited = useEdited(form, { rev: rig.rev + (mount?.rev ?? 0), fields });
  if (!mount || records.fromSnapshot) return null;
  const save = form.handleSubmit(async (values) => {
    if (!edited.mayReplace()) return;
    const { cableLimitH, fittingLimitH, ...ofMount } = values;
    const written = await write(
      ['limits', rig.id, mount.id, values],
      (w) =>
        writeTogether(w, rig.id, [
          { table: 'parts', id: mount.id, patch: ofMount, baseRev: mount.rev },
          { table: 'rigs', id: rig.id, patch: { cableLimitH, fittingLimitH }, baseRev: rig.rev },
        ]),
      LIMITS.saved,
    );
    if (written.ok) edited.kept({ rev: rig.rev + mount.rev + 2, fields: values });
  });
  const names: (keyof Fields)[] = ['pastMeridianLimitH', 'earliestFlipH', 'cableLimitH', 'fittingLimitH'];
  const shown = names.filter((name) => fields[name] !== null || LIMITED_BY[name](rigHas(numbers), mount));
  if (shown.length === 0) return null;
  return (
    <FormProvider {...form}>
      <form className="section" onSubmit={(event) => void save(event)} noValidate>
        <h2>{PLAN.limits}</h2>
        <p className="soft mb-1">{PLAN.limitsHint}</p>
        <div className="fields compact">
          {shown.map((name) => (
            <QuantityField
              key={name}
              name={name}
              label={LIMITS.names[name]}
              kind="hours"
              system={system}
              hint={LIMITS.hints[name]}
            />
          ))}
        </div>
        <EditConflict edited={edited} />
        <div className="actions">
          <Button variant="primary" type="submit">
            {LIMITS.save}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
