import { Button } from 'react-bootstrap';
import type { ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { FINAL_CHECK, POLAR_LIST, SET_BY_EYE } from '../../core/night/checklists.ts';
import { MS_PER_HOUR } from '../../core/time/utc.ts';
import { viewAngleDeg } from '../../core/mount/dial.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { recordLabel, useRecord } from '../../session/useRecord.ts';
import { useIsLive, useNightAt } from '../../session/useTime.ts';
import { clockFaceWords, dialReason, dialSentence, readingWords } from '../../text/polarWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { PoleDial } from '../../ui/instruments/PoleDial.tsx';
import { dialModel, type DialModel } from './model.ts';

const SIDEREAL_PER_SOLAR = 1.0027379;

function figures(model: DialModel, haH: number, polarDistance: number, format: ReturnType<typeof useShared>['format']) {
  const { saying } = model;
  const reading =
    saying.code === 'engraved'
      ? [{ name: 'On your dial', value: readingWords(saying.reading, saying.numbering, format) }]
      : [];
  const inView = saying.code === 'equator' ? [] : [{ name: 'In the view', value: clockFaceWords(saying.viewAngleDeg) }];
  return [
    ...reading,
    ...inView,
    { name: 'Hour angle', value: format.hours(haH < 0 ? haH + 24 : haH) },
    { name: 'From the pole', value: format.quantity(polarDistance, 'arcmin', 1) },
  ];
}

/** Where a ring engraved for another year puts the star now. */
function RingNote({ model }: { model: DialModel }) {
  const { format } = useShared();
  if (model.ringFraction === null || model.ringArcmin === null) return null;
  const percent = Math.round(Math.abs(model.ringFraction - 1) * 100);
  const where =
    percent < 2
      ? 'on the ring'
      : `${percent} % of its radius ${model.ringFraction < 1 ? 'inside' : 'outside'} the ring`;
  return (
    <p>
      Your ring stands for {format.quantity(model.ringArcmin, 'arcmin', 0)}
      {model.ringYear === null ? '' : ` (${model.ringYear})`}: put the star <strong>{where}</strong>.
    </p>
  );
}

/** On a tracker's last visit the tick says that the star still stood there with everything on. */
function SetByEye() {
  const { clock } = useSession();
  const { format } = useShared();
  const night = useNight();
  const isLive = useIsLive();
  const record = useRecord();
  const [params] = useSearchParams();
  if (night.records.fromSnapshot) return null;
  const isFinal = params.get('visit') === 'final';
  const itemId = isFinal ? FINAL_CHECK : SET_BY_EYE;
  const said = isFinal
    ? 'Checked with everything on: recorded.'
    : 'Set by eye: recorded. About 8′ is assumed from now on.';
  const label = isFinal ? 'It still stands there, clutch tight' : 'The star is there';
  return (
    <Button
      variant="primary"
      onClick={() =>
        void record(
          {
            step: 'polar',
            subject: { type: 'mount', id: night.records.rig.mountId },
            kind: 'check',
            values: { listId: POLAR_LIST, itemId, done: true },
          },
          said,
        )
      }
    >
      {recordLabel(label, isLive, format.clock(clock.nowMs()))}
    </Button>
  );
}

export function FinderDial({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const model = dialModel(night, at);
  const sentence = dialSentence(model.saying, format);
  const path = [1, 2, 3].map((hours) => ({
    viewAngleDeg: viewAngleDeg(at.poleStar.haH + hours * SIDEREAL_PER_SOLAR, night.records.site.latDeg, model.view),
    text: format.clock(at.timeMs + hours * MS_PER_HOUR),
  }));
  const usable = model.saying.code !== 'equator';
  return (
    <BenchLayout
      title="Polar alignment"
      tabs={tabs}
      sentence={sentence}
      reason={dialReason(model.saying, at.poleStar.polarDistanceArcmin, format)}
      instrumentName="The dial"
    >
      {usable && (
        <div className="dial-row">
          <PoleDial
            label={plain(sentence)}
            engraving={model.engraving}
            ringArcmin={model.ringArcmin}
            plateTurnDeg={model.plateTurnDeg}
            stars={model.stars}
            path={path}
          />
          <div>
            <FigureList figures={figures(model, at.poleStar.haH, at.poleStar.polarDistanceArcmin, format)} />
            <RingNote model={model} />
            {model.saying.code !== 'noFinder' && (
              <>
                <div className="actions">
                  <SetByEye />
                </div>
                <p className="soft">
                  <strong>Dial upright first:</strong> turn only the altitude bolt; a distant lamp must run along the
                  line from the top mark. Turn the axis until it does.
                </p>
              </>
            )}
            <p className="soft">
              {model.view === 'inverted'
                ? 'Drawn as your finder shows it, upside down.'
                : 'Drawn upright, as the eye sees it.'}{' '}
              Open circles: the star at those times.
            </p>
          </div>
        </div>
      )}
    </BenchLayout>
  );
}
