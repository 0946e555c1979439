import { useFormContext, useWatch } from 'react-hook-form';
import type { Part } from '../../core/records/part.ts';
import { useShared } from '../../session/session.ts';
import { TrainList } from '../../ui/form/TrainList.tsx';

type Fields = { train: string[]; turned?: string[] };

/** The pieces of the light path in order, from the corrector to the camera. */
export function TrainField({ parts }: { parts: readonly Part[] }) {
  const { format } = useShared();
  const { control, setValue } = useFormContext<Fields>();
  const [train, turned] = useWatch({ control, name: ['train', 'turned'] });
  return (
    <fieldset className="group">
      <legend>Light path, from the corrector to the camera</legend>
      <TrainList
        order={{ train, turned: turned ?? [] }}
        parts={parts}
        format={format}
        change={(order) => {
          const options = { shouldDirty: true };
          setValue('train', [...order.train], options);
          // A rig in which nothing was ever turned says nothing of it.
          if (turned !== undefined || order.turned.length > 0) setValue('turned', [...order.turned], options);
        }}
      />
    </fieldset>
  );
}
