import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { LightPath } from '../../../core/rig/lightPathOfRig.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { lightPathReason, lightPathSentence } from '../../../text/lightPathWords.ts';
import { plain } from '../../../text/said.ts';
import { endsWords } from '../../../text/trainWords.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { TrainSection } from '../../../ui/instruments/TrainSection.tsx';
import { lightPathModel } from '../model.ts';
import { AssumedAsk } from './AssumedAsk.tsx';
import { FitFromBox } from './FitFromBox.tsx';
import { TrainEditor } from './TrainEditor.tsx';
import { useTrain } from './useTrain.ts';

/** Every piece with its length and threads, numbered as in the drawing. */
function PieceList({ lightPath }: { lightPath: LightPath }) {
  const { format } = useShared();
  const { parts, rig } = useNight().records;
  const ends = (id: string): string => {
    const part = parts.find((p) => p.id === id);
    return part ? endsWords(part, rig.turned?.includes(id) === true) : '';
  };
  return (
    <ol className="piece-list">
      {lightPath.spacing?.pieces.map((piece, i) => (
        <li key={`${piece.id}-${i}`}>
          <span>{piece.name}</span>
          <span className="figures">{format.quantity(piece.lengthMm, 'opticsMm')}</span>
          <span className="soft">{ends(piece.id)}</span>
        </li>
      ))}
    </ol>
  );
}

function Section({ lightPath, label }: { lightPath: LightPath; label: string }) {
  const { fromSnapshot, rig } = useNight().records;
  const { format } = useShared();
  const { movePiece } = useTrain();
  const { spacing, plates, misfits, bottomed, pieceAt } = lightPath;
  if (!spacing) return null;
  const badJoints = [
    ...misfits.map(({ at }) => ({ piece: pieceAt(at), isOpen: false })),
    ...bottomed.map(({ at }) => ({ piece: pieceAt(at), isOpen: true })),
  ];
  return (
    <TrainSection
      label={label}
      spacing={spacing}
      plates={plates}
      format={format}
      turned={rig.turned ?? []}
      badJoints={badJoints}
      onMove={fromSnapshot ? undefined : movePiece}
    />
  );
}

/** From the corrector's flange to the sensor: the section, its pieces, and the stack that fits. */
export function SpacingTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const { saying, lightPath, wanted } = lightPathModel(night);
  const { spacing } = lightPath;
  const { fromSnapshot, rig } = night.records;
  const sentence = lightPathSentence(saying, format);
  return (
    <BenchLayout
      title="Light path"
      tabs={tabs}
      sentence={sentence}
      reason={lightPathReason(saying, wanted, format)}
      instrumentName="The light path"
      instrument={spacing ? <Section lightPath={lightPath} label={plain(sentence)} /> : undefined}
    >
      <AssumedAsk />
      {spacing && (fromSnapshot ? <PieceList lightPath={lightPath} /> : <TrainEditor />)}
      {spacing && (
        <div className="no-print">
          <FitFromBox />
        </div>
      )}
      {spacing && (
        <p className="print-only">
          {rig.name}, {format.date(night.records.night.eveningDate)}
        </p>
      )}
      {!fromSnapshot && (
        <p className="soft no-print">
          <Link to={`/kit/rigs/${rig.id}`}>Open {rig.name} in Kit</Link>
          {spacing && (
            <Button variant="link" onClick={() => window.print()}>
              Print this stack
            </Button>
          )}
        </p>
      )}
    </BenchLayout>
  );
}
