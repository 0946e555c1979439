import { Button } from 'react-bootstrap';
import { footingOfRig } from '../../core/rig/footingOfRig.ts';
import { strainOfRig } from '../../core/rig/payloadOfRig.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { MountPart } from '../../core/records/part.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { updateHead } from '../../storage/heads.ts';
import {
  DRIVEN_NAMES,
  DRIVEN_REASON,
  drivenSentence,
  POWER_LOSS_WORDS,
  swingWords,
  torqueWords,
} from '../../text/drivenWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { drivenSaying } from './drivenModel.ts';

/** Asked once per mount. */
function PowerLoss({ mount }: { mount: MountPart }) {
  const { records } = useNight();
  const write = useWrite();
  const choose = (onPowerLoss: 'brakes' | 'drops'): void => {
    void write(['powerLoss', mount.id, onPowerLoss], (w) => updateHead(w, 'parts', mount.id, { onPowerLoss }));
  };
  if (mount.onPowerLoss !== null) {
    return <p>{mount.onPowerLoss === 'brakes' ? POWER_LOSS_WORDS.saidBrakes : POWER_LOSS_WORDS.saidDrops}</p>;
  }
  if (records.fromSnapshot) return null;
  return (
    <div className="section">
      <h2>{POWER_LOSS_WORDS.question}</h2>
      <div className="actions">
        {(['brakes', 'drops'] as const).map((answer) => (
          <Button key={answer} variant="outline" onClick={() => choose(answer)}>
            {POWER_LOSS_WORDS[answer]}
          </Button>
        ))}
      </div>
    </div>
  );
}

function Swings({ night }: { night: NightStatic }) {
  const { format } = useShared();
  const { latDeg, elevationM } = night.records.site;
  const footing = footingOfRig(night.numbers, latDeg, elevationM);
  if (!footing) return null;
  return (
    <FigureList
      figures={footing.all.map(({ swing, footing: one, tipWindMPerS }) =>
        swingWords(swing, one.tippingDeg, tipWindMPerS, format),
      )}
    />
  );
}

/** What is checked instead of a tip test. */
export function DrivenTab() {
  const night = useNight();
  const { format } = useShared();
  const { mount } = night.numbers;
  const strain = strainOfRig(night.numbers, night.records.schools.loadShare);
  return (
    <BenchLayout
      title="Balance"
      sentence={drivenSentence(drivenSaying(night, strain), format)}
      reason={DRIVEN_REASON}
      instrumentName="The torque"
    >
      {strain && (
        <FigureList
          figures={[
            { name: DRIVEN_NAMES.allowed, value: format.quantity(strain.allowedNm, 'torque') },
            { name: DRIVEN_NAMES.bare, value: torqueWords(strain.bare, format) },
            ...(strain.withWeights
              ? [{ name: DRIVEN_NAMES.withWeights, value: torqueWords(strain.withWeights, format) }]
              : []),
          ]}
        />
      )}
      <Swings night={night} />
      {mount && <PowerLoss mount={mount} />}
    </BenchLayout>
  );
}
