import { useMemo, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import { starIsEnough } from '../../../core/night/ledger/goalOfNight.ts';
import { viewAngleDeg } from '../../../core/mount/dial.ts';
import { MS_PER_HOUR } from '../../../core/time/utc.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { usePlacesInAddress } from '../../../session/usePlacesInAddress.ts';
import { useNightAt } from '../../../session/useTime.ts';
import { withStarEnough } from '../../../text/goalWords.ts';
import { drawnWords } from '../../../text/dialWords.ts';
import { clockFaceWords, dialReason, dialSentence, readingWords } from '../../../text/polarWords.ts';
import { plain } from '../../../text/said.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { Boundary } from '../../../ui/Boundary.tsx';
import { FigureList } from '../../../ui/FigureList.tsx';
import { plateOfDial } from '../../../ui/instruments/plateOfDial.ts';
import { PoleDial } from '../../../ui/instruments/PoleDial.tsx';
import { KnobMoves, PatternChecks, PlateNotes } from './DialNotes.tsx';
import { dialModel, shownRadiusArcmin, type DialModel } from './dialModel.ts';
import { NotSeen } from './NotSeen.tsx';
import { SeenStar } from './SeenStar.tsx';
import { SetByEye } from './SetByEye.tsx';
import { usePoleField, type DrawnField } from './usePoleField.ts';

const SIDEREAL_PER_SOLAR = 1.0027379;

/** One number says where the star belongs; the others are there for those who ask. */
function Place({ model }: { model: DialModel }) {
  const { poleStar } = useNightAt();
  const { format } = useShared();
  const { saying } = model;
  if (saying.code === 'equator') return null;
  const engraved = saying.code === 'engraved';
  const inView = { name: 'In the view', value: clockFaceWords(saying.viewAngleDeg) };
  const first = engraved
    ? { name: 'On your dial', value: readingWords(saying.reading, saying.numbering, format) }
    : inView;
  return (
    <>
      <FigureList figures={[first]} />
      <details className="more">
        <summary>Other numbers for it</summary>
        <FigureList
          figures={[
            ...(engraved ? [inView] : []),
            { name: 'Hour angle', value: format.hours(poleStar.haH < 0 ? poleStar.haH + 24 : poleStar.haH) },
            { name: 'From the pole', value: format.quantity(poleStar.polarDistanceArcmin, 'arcmin', 1) },
          ]}
        />
      </details>
    </>
  );
}

/** The whole view of the finder, or the neighbourhood of star and rings; kept in the address. */
function useWholeView(south: boolean): [boolean, (whole: boolean) => void] {
  const [params, setParams] = useSearchParams();
  const chosen = params.get('view');
  const set = (whole: boolean): void =>
    setParams(
      (before) => {
        before.set('view', whole ? 'whole' : 'near');
        return before;
      },
      { replace: true },
    );
  return [chosen === null ? south : chosen === 'whole', set];
}

type DialProps = { model: DialModel; drawn: DrawnField; label: string; whole: boolean };

function Dial({ model, drawn, label, whole }: DialProps) {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const [{ seen }, mark] = usePlacesInAddress('seen');
  const finder = night.numbers.mount?.finder ?? null;
  const plate = useMemo(
    () =>
      plateOfDial(finder, night.records.site.latDeg, ({ arcmin, year }) =>
        year === null ? format.quantity(arcmin, 'arcmin', 0) : String(year),
      ),
    [finder, night, format],
  );
  const path = [1, 2, 3].map((hours) => ({
    viewAngleDeg: viewAngleDeg(at.poleStar.haH + hours * SIDEREAL_PER_SOLAR, night.records.site.latDeg, model.view),
    text: format.clock(at.timeMs + hours * MS_PER_HOUR),
  }));
  return (
    <PoleDial
      label={label}
      plate={plate}
      plateTurnDeg={model.numbering === 'pattern' ? model.spotsTurnDeg : model.plateTurnDeg}
      spotsTurnDeg={model.spotsTurnDeg}
      radiusArcmin={shownRadiusArcmin(model, whole)}
      stars={model.stars}
      field={drawn.field}
      fieldTurnDeg={drawn.turnDeg}
      path={path}
      crossOffset={model.crossOffset}
      seen={seen}
      onTap={model.numbering === null || night.records.fromSnapshot ? undefined : (place) => mark({ seen: place })}
    />
  );
}

export function FinderDial({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const model = dialModel(night, at);
  const drawn = usePoleField(model, at.siderealH);
  const [whole, setWhole] = useWholeView(model.latDeg < 0);
  const sentence = dialSentence(model.saying, format);
  const reason = withStarEnough(
    dialReason(model.saying, at.poleStar.polarDistanceArcmin, format),
    starIsEnough(night, at.poleStar),
  );
  if (model.saying.code === 'equator')
    return (
      <BenchLayout title="Polar alignment" tabs={tabs} sentence={sentence} reason={reason} instrumentName="The dial" />
    );
  return (
    <BenchLayout title="Polar alignment" tabs={tabs} sentence={sentence} reason={reason} instrumentName="The dial">
      <div className="dial-row">
        <div>
          <Boundary what="The dial">
            <Dial model={model} drawn={drawn} label={plain(sentence)} whole={whole} />
          </Boundary>
          <Form.Check
            id="whole-view"
            type="switch"
            label={`Whole view, ${format.quantity(model.fieldDeg, 'angleDeg')}`}
            checked={whole}
            onChange={(event) => setWhole(event.target.checked)}
          />
        </div>
        <div>
          <Place model={model} />
          {model.numbering !== null && <SetByEye />}
          <NotSeen />
          <PlateNotes model={model} />
          <p className="soft">{drawnWords(model.view, drawn.missing)}</p>
          {night.numbers.mount && (
            <Link to={`/kit/parts/${night.numbers.mount.id}`} className="touch-link">
              {model.numbering === null ? 'Enter its finder in Kit' : 'Change the engraving'}
            </Link>
          )}
        </div>
      </div>
      {model.numbering !== null && <SeenStar model={model} />}
      <KnobMoves model={model} />
      <PatternChecks model={model} drawn={drawn} />
    </BenchLayout>
  );
}
