import { Button } from 'react-bootstrap';
import { useNight, useShared } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';
import { useTubeEnds } from '../../session/useTubeEnds.ts';
import { useBusy } from '../../session/useWrite.ts';
import type { TubeAlone } from '../../core/rig/assembly.ts';
import { isGuess } from '../../core/rig/rigMasses.ts';
import { dropName } from '../../text/balanceWords.ts';
import { FORK, forkPlace, forkReason, forkSentence } from '../../text/forkWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { ForkDrawing } from '../../ui/instruments/ForkDrawing.tsx';
import { forkSaying } from './forkModel.ts';

/** Each answer is a trial: which end dropped, or that it stays. */
function Answers({ on }: { on: TubeAlone }) {
  const { records } = useNight();
  const record = useRecord();
  const busy = useBusy();
  const ends = useTubeEnds();
  if (records.fromSnapshot) return null;
  const answer = (drops: 'front' | 'rear' | 'none'): void => {
    const subject = { type: 'rig' as const, id: records.rig.id };
    const values = { axis: 'dec' as const, positionM: null, drops };
    void record({ step: 'balance', subject, kind: 'balance', values }, `${dropName(drops, ends)}: recorded.`);
  };
  return (
    <div className="section">
      <h2>{FORK.title}</h2>
      <p className="soft">{FORK.howItWas[on]}</p>
      <div className="actions">
        {(['front', 'rear', 'none'] as const).map((drops) => (
          <Button key={drops} variant="outline" aria-disabled={busy} onClick={() => answer(drops)}>
            {dropName(drops, ends)}
          </Button>
        ))}
      </div>
    </div>
  );
}

/** Where the tube lies on its own axis only front to back is balanced. */
export function ForkTab({ on }: { on: TubeAlone }) {
  const night = useNight();
  const { format } = useShared();
  const ends = useTubeEnds();
  const saying = forkSaying(night);
  const { tube, masses } = night.numbers;
  const sentence = forkSentence(saying, format, ends, on);
  const pieces = masses.tubeSide.filter((p) => p.on === 'tube' && p.partId !== tube?.id);
  const hang = saying.code === 'try' ? saying.found.hang : saying.code === 'drops' ? saying.hang : null;
  return (
    <BenchLayout
      title="Balance"
      sentence={sentence}
      reason={forkReason(saying, format, ends, on)}
      instrumentName={FORK.instrument}
      instrument={
        tube ? (
          <ForkDrawing
            label={plain(sentence)}
            tube={tube}
            pieces={pieces.map((p) => ({ ...p, isGuess: isGuess(p) }))}
            hang={hang}
            words={{ ...ends, axis: FORK.axis[on] }}
          />
        ) : undefined
      }
    >
      <Answers on={on} />
      <ol className="piece-list">
        {pieces.map((p) => (
          <li key={p.id}>
            <span>{p.name}</span>
            <span className="figures">{format.quantity(p.massKg, 'mass')}</span>
            <span className="soft">{forkPlace(p.alongTubeM, format, ends)}</span>
          </li>
        ))}
      </ol>
    </BenchLayout>
  );
}
