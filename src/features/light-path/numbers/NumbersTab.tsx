import type { ReactNode } from 'react';
import { binnedSampling, type OpticsOfRig } from '../../../core/rig/opticsOfRig.ts';
import { eyepieceViews } from '../../../core/rig/eyepieces.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { useNightAt } from '../../../session/useTime.ts';
import { circleWords, lightPathReason, lightPathSentence } from '../../../text/lightPathWords.ts';
import {
  eyepieceName,
  eyepieceWords,
  fieldOnTargetWords,
  focusWords,
  guideWords,
  opticsReason,
  opticsSentence,
  refocusWords,
  SAMPLING_SHORT,
} from '../../../text/opticsWords.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { FigureList } from '../../../ui/FigureList.tsx';
import { ScrollTable } from '../../../ui/ScrollTable.tsx';
import { FieldOverTarget } from '../../../ui/instruments/FieldOverTarget.tsx';
import { SensorCircle } from '../../../ui/instruments/SensorCircle.tsx';
import { StarOnPixels } from '../../../ui/instruments/StarOnPixels.tsx';
import { lightPathModel } from '../model.ts';
import { opticsOfNight, opticsSaying, refocusOf, expectedStar, shareOfFrame } from './numbersModel.ts';

function Figures({ optics }: { optics: OpticsOfRig }) {
  const { format } = useShared();
  const { train } = optics;
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
        { name: 'Focus tolerance', value: focusWords(optics.focus, format) },
      ]}
    />
  );
}

function Drawings({ optics }: { optics: OpticsOfRig }) {
  const { target } = useNight();
  const { format } = useShared();
  const { stars } = useNightAt();
  const { train, coverage } = optics;
  const star = expectedStar(optics, stars);
  const size = `${format.number(train.sensorWidthMm, 1)} × ${format.quantity(train.sensorHeightMm, 'opticsMm')}`;
  return (
    <div className="drawings-row section">
      <figure>
        <StarOnPixels
          label={`A star ${format.quantity(star.fwhmPx, 'pixels')} wide on the pixels`}
          fwhmPx={star.fwhmPx}
          ratio={star.lengthOverWidth}
        />
        <figcaption>
          <strong className="figures">{format.quantity(star.fwhmPx, 'pixels')}</strong> wide
          {star.isExpected ? ', as tonight’s account expects it' : ', by the seeing alone'}
        </figcaption>
      </figure>
      <figure>
        <SensorCircle
          label={`The sensor, ${size}, in the lit circle`}
          widthMm={train.sensorWidthMm}
          heightMm={train.sensorHeightMm}
          circleMm={optics.imageCircleMm}
        />
        <figcaption>
          <strong className="figures">{size}</strong>
          <br />
          {coverage === null ? 'The lit circle is not known: enter it in Kit.' : circleWords(coverage, format)} By the
          angle alone the corners get {format.quantity(optics.cornerLight, 'percent')} of the light.
        </figcaption>
      </figure>
      {target && (
        <figure>
          <FieldOverTarget
            label={`${target.name} in the field`}
            widthDeg={train.fieldWidthDeg}
            heightDeg={train.fieldHeightDeg}
            targetArcmin={target.sizeArcmin}
          />
          <figcaption>
            {fieldOnTargetWords(
              target.name,
              target.sizeArcmin === null ? null : shareOfFrame(optics, target.sizeArcmin),
              format,
            )}
          </figcaption>
        </figure>
      )}
    </div>
  );
}

/** The expected star and the seeing alone, on pixels taken together. */
function Binnings({ optics }: { optics: OpticsOfRig }) {
  const { format } = useShared();
  const { stars } = useNightAt();
  const { scaleArcsecPerPx } = optics.train;
  const expected = binnedSampling(expectedStar(optics, stars).fwhmArcsec, scaleArcsecPerPx);
  const seeing = binnedSampling(optics.seeingPx * scaleArcsecPerPx, scaleArcsecPerPx);
  return (
    <div className="section">
      <h2>Sampling</h2>
      <ScrollTable label="Sampling" headings={['Binning', 'Scale', 'Expected star', 'Seeing alone']}>
        {expected.map((row, i) => {
          const alone = seeing[i];
          return (
            <tr key={row.binning}>
              <th scope="row">
                {row.binning} × {row.binning}
              </th>
              <td className="figures">{format.quantity(row.scaleArcsecPerPx, 'imageScale')}</td>
              <td>
                <span className="figures">{format.quantity(row.fwhmPx, 'pixels')}</span> {SAMPLING_SHORT[row.sampling]}
              </td>
              <td>
                {alone && (
                  <>
                    <span className="figures">{format.quantity(alone.fwhmPx, 'pixels')}</span>{' '}
                    {SAMPLING_SHORT[alone.sampling]}
                  </>
                )}
              </td>
            </tr>
          );
        })}
      </ScrollTable>
    </div>
  );
}

function Eyepieces() {
  const { numbers, records } = useNight();
  const { format } = useShared();
  const views = numbers.tube ? eyepieceViews(numbers.tube, records.parts) : [];
  if (views.length === 0) return null;
  return (
    <div className="section">
      <h2>Eyepieces, the first one first</h2>
      <ol className="sequence">
        {views.map((view) => (
          <li key={`${view.id} ${view.barlow ?? ''}`}>
            <span className="name">{eyepieceName(view)}</span>
            <span className="figures">{eyepieceWords(view, format)}</span>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** Scale, field, sampling, focus, guide scope and eyepieces. */
export function NumbersTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const { stars } = useNightAt();
  const optics = opticsOfNight(night);
  const { saying: without } = lightPathModel(night);
  const saying = optics ? opticsSaying(optics, stars) : null;
  const refocus = optics ? refocusOf(night, optics) : null;
  return (
    <BenchLayout
      title="Light path"
      tabs={tabs}
      sentence={saying ? opticsSentence(saying) : lightPathSentence(without, format)}
      reason={
        saying
          ? opticsReason(saying, format)
          : lightPathReason(without, { glassMm: 0, learnedMm: 0, isAssumed: false }, format)
      }
      instrumentName="The drawings"
      instrument={optics ? <Drawings optics={optics} /> : undefined}
    >
      {optics && <Figures optics={optics} />}
      {refocus && <p>{refocusWords(refocus.degC, refocus.umPerDeg, format)}</p>}
      {optics?.guide && <p>{guideWords(optics.guide, format)}</p>}
      {optics && <Binnings optics={optics} />}
      <Eyepieces />
    </BenchLayout>
  );
}
