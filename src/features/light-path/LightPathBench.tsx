import { Link } from 'react-router';
import type { LightPath } from '../../core/rig/lightPathOfRig.ts';
import type { Train } from '../../core/optics/train.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { circleWords, lightPathReason, lightPathSentence, SAMPLING_WORDS } from '../../text/lightPathWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { SensorCircle } from '../../ui/instruments/SensorCircle.tsx';
import { StarOnPixels } from '../../ui/instruments/StarOnPixels.tsx';
import { TrainSection } from '../../ui/instruments/TrainSection.tsx';
import { FitFromBox } from './FitFromBox.tsx';
import { lightPathModel, starOnSensor } from './model.ts';

/** Every piece with its length and threads, numbered as in the drawing. */
function PieceList({ lightPath }: { lightPath: LightPath }) {
  const { format } = useShared();
  const { parts } = useNight().records;
  const ends = (id: string): string => {
    const part = parts.find((p) => p.id === id);
    if (!part || !('front' in part)) return '';
    if (!('rear' in part) || part.front.thread === part.rear.thread) return part.front.thread;
    return `${part.front.thread} to ${part.rear.thread}`;
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

function Optics({ train }: { train: Train }) {
  const { format } = useShared();
  return (
    <FigureList
      figures={[
        { name: 'Focal length', value: format.quantity(train.focalEffectiveMm, 'opticsMm', 0) },
        { name: 'Focal ratio', value: `f/${format.number(train.focalRatio, 1)}` },
        { name: 'Scale', value: format.quantity(train.scaleArcsecPerPx, 'imageScale') },
        {
          name: 'Field',
          value: `${format.quantity(train.fieldWidthDeg, 'angleDeg')} × ${format.quantity(train.fieldHeightDeg, 'angleDeg')}`,
        },
      ]}
    />
  );
}

/** The star of tonight's budget on this camera, and the circle that the optics light. */
function OnSensor({ train, lightPath, coverage }: { train: Train; lightPath: LightPath; coverage: number | null }) {
  const { format } = useShared();
  const { stars } = useNightAt();
  const expected = stars?.budget.star;
  const star = expected ? starOnSensor(expected.majorFwhmArcsec, train.scaleArcsecPerPx) : null;
  const size = `${format.number(train.sensorWidthMm, 1)} × ${format.quantity(train.sensorHeightMm, 'opticsMm')}`;
  return (
    <div className="two-drawings section">
      <figure>
        <SensorCircle
          label={`The sensor, ${size}, in the lit circle`}
          widthMm={train.sensorWidthMm}
          heightMm={train.sensorHeightMm}
          circleMm={lightPath.imageCircleMm}
        />
        <figcaption>
          <strong className="figures">{size}</strong>
          <br />
          {coverage === null ? 'The lit circle is not known: enter it in Kit.' : circleWords(coverage, format)}
        </figcaption>
      </figure>
      {star && expected && (
        <figure>
          <StarOnPixels
            label={`A star ${format.quantity(star.fwhmPx, 'pixels')} wide on the pixels`}
            fwhmPx={star.fwhmPx}
            ratio={expected.lengthOverWidth}
          />
          <figcaption>
            <strong className="figures">{format.quantity(star.fwhmPx, 'pixels')}</strong> wide, as tonight’s budget
            expects it: {SAMPLING_WORDS[star.sampling]}.
          </figcaption>
        </figure>
      )}
    </div>
  );
}

export function LightPathBench() {
  const night = useNight();
  const { format } = useShared();
  const { saying, train, lightPath, circle } = lightPathModel(night);
  const { spacing, plates } = lightPath;
  const sentence = lightPathSentence(saying, format);
  return (
    <BenchLayout
      title="Light path"
      sentence={sentence}
      reason={lightPathReason(saying, spacing?.glassMm ?? 0, format)}
      instrumentName="The light path"
      instrument={
        spacing ? <TrainSection label={plain(sentence)} spacing={spacing} plates={plates} format={format} /> : undefined
      }
    >
      {spacing && <PieceList lightPath={lightPath} />}
      {spacing && <FitFromBox />}
      {train && <Optics train={train} />}
      {train && <OnSensor train={train} lightPath={lightPath} coverage={circle?.coverage ?? null} />}
      {!night.records.fromSnapshot && (
        <p className="soft">
          <Link to={`/kit/rigs/${night.records.rig.id}`}>Change the pieces of this rig in Kit</Link>
        </p>
      )}
    </BenchLayout>
  );
}
