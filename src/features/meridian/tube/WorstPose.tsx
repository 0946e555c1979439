import { useHas } from '../../../session/useHas.ts';
import { z } from 'zod';
import type { TubeClearance } from '../../../core/night/plan/tubeClearance.ts';
import { worstPose } from '../../../core/night/advice/worstPose.ts';
import { RecordForm } from '../../../session/RecordForm.tsx';
import { useNight, useShared } from '../../../session/session.ts';
import { CLEAR, poseReason, poseSentence } from '../../../text/clearanceWords.ts';
import { QuantityField } from '../../../ui/form/Fields.tsx';
import { Said } from '../../../ui/Said.tsx';

type Fields = { gapM: number | null };
const schema = z.object({ gapM: z.number().min(0).max(2) });

/** The pose that comes nearest tonight, set by hand in daylight and measured once: it calibrates the night. */
export function WorstPose({ tube }: { tube: TubeClearance }) {
  const night = useNight();
  const { format } = useShared();
  const hasBar = useHas().has('bar');
  const pose = worstPose(night);
  const { rig, fromSnapshot } = night.records;
  if (!pose || fromSnapshot) return null;
  const { haH, decDeg, state } = pose;
  const { closest } = pose.clearance;
  const readingOf = (gapM: number) =>
    ({
      step: 'meridian',
      subject: { type: 'rig', id: rig.id },
      kind: 'gap',
      values: { haH, decDeg, state, ...closest, gapM },
    }) as const;
  const said = (gapM: number): string => `Gap recorded: ${format.quantity(gapM, 'barLength')}.`;
  return (
    <div className="section">
      <h2>{CLEAR.title}</h2>
      <p>
        <Said said={poseSentence(pose, tube.geometry, format, hasBar)} />
      </p>
      <p className="soft">{poseReason(pose, tube.shift, tube.geometry, format)}</p>
      <RecordForm<Fields, z.infer<typeof schema>>
        title={CLEAR.measured}
        button={CLEAR.record}
        schema={schema}
        defaults={{ gapM: null }}
        toReading={({ gapM }) => ({ reading: readingOf(gapM), said: said(gapM) })}
      >
        <QuantityField
          name="gapM"
          label={CLEAR.gap}
          kind="barLength"
          system={format.system}
          expected={Math.max(0, Math.round(pose.clearance.value * 1000) / 1000)}
          hint={CLEAR.gapHint}
        />
      </RecordForm>
    </div>
  );
}
