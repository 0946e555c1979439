import { useMemo, useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { boreAccuracyDeg, parallaxArcmin } from '../../../core/mount/halfTurn.ts';
import type { PlatePoint } from '../../../core/mount/finderPlate.ts';
import type { Dial } from '../../../core/records/part.ts';
import { useNight, useSession, useShared } from '../../../session/session.ts';
import { usePlacesInAddress } from '../../../session/usePlacesInAddress.ts';
import { recordLabel, useRecord } from '../../../session/useRecord.ts';
import { useIsLive } from '../../../session/useTime.ts';
import {
  BORE_STEPS,
  boreWords,
  parallaxWords,
  plateReason,
  plateSentence,
  screwWords,
  roundsWords,
} from '../../../text/plateWords.ts';
import { turnWords } from '../../../text/polarWords.ts';
import { inUnits } from '../../../text/inUnits.ts';
import { plain } from '../../../text/said.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { QuantityField } from '../../../ui/form/Fields.tsx';
import { HalfTurnView } from '../../../ui/instruments/HalfTurnView.tsx';
import { plateOfDial } from '../../../ui/instruments/plateOfDial.ts';
import { PlaceOnPlate } from '../dial/PlaceOnPlate.tsx';
import { plateModel, type PlateModel } from './plateModel.ts';

/** A lens sits this far beside the axis at the most. */
const LENS_OFFSET_M = 0.005;
const NEAREST_POINT_M = 200;
/** Usual bore of a small mount. */
const BORE_MM: { widthMm: number | null; lengthMm: number | null } = { widthMm: 25, lengthMm: 200 };

/** Crosses are rarely off by more; marks farther out widen the drawing. */
const SHOWN_ARCMIN = 80;

function radiusFor(finder: Dial, places: readonly (PlatePoint | null)[]): number {
  const out = places.map((p) => (p ? Math.hypot(p.xArcmin, p.yArcmin) : 0));
  return Math.min(finder.fieldDeg * 30, Math.max(SHOWN_ARCMIN, ...out.map((r) => r * 1.3)));
}

const NO_MARKS = { before: null, after: null };
const useMarks = () => usePlacesInAddress('before', 'after');
type Marks = ReturnType<typeof useMarks>[0];
type Change = ReturnType<typeof useMarks>[1];

type ViewProps = { model: PlateModel; finder: Dial; label: string; onPlace: (place: PlatePoint) => void };

function View({ model, finder, label, onPlace }: ViewProps) {
  const { format } = useShared();
  const { records } = useNight();
  const plate = useMemo(() => plateOfDial(finder, records.site.latDeg), [finder, records]);
  const screws = model.mending ? (model.plate.screws?.round ?? []) : [];
  return (
    <HalfTurnView
      label={label}
      plate={plate}
      turnDeg={model.turnDeg}
      radiusArcmin={radiusFor(finder, [model.before, model.after])}
      before={model.before}
      after={model.after}
      halfway={model.halfway}
      screws={screws.map((s) => ({
        ...s,
        lines:
          Math.abs(s.turns) < 1 / 90 ? [] : [s.turns > 0 ? 'tighten' : 'loosen', turnWords(Math.abs(s.turns), format)],
      }))}
      onTap={records.fromSnapshot || !model.marking ? undefined : onPlace}
    />
  );
}

/** What is done next with marks and screws. */
type ActionsProps = { model: PlateModel; marks: Marks; change: Change; testAgain: () => void };

function Actions({ model, marks, change, testAgain }: ActionsProps) {
  const { records } = useNight();
  const { clock } = useSession();
  const { format } = useShared();
  const isLive = useIsLive();
  const record = useRecord();
  const subject = { type: 'mount', id: records.rig.mountId } as const;
  const { before, after } = marks;
  const keep = async (): Promise<void> => {
    if (!before || !after) return;
    const values = {
      beforeXArcmin: before.xArcmin,
      beforeYArcmin: before.yArcmin,
      afterXArcmin: after.xArcmin,
      afterYArcmin: after.yArcmin,
    };
    const kept = await record({ step: 'polar', subject, kind: 'halfTurn', values }, 'Half-turn test recorded.');
    if (kept) change(NO_MARKS);
  };
  const screwsTurned = (): void => {
    const values = { what: 'plateMoved' } as const;
    void record({ step: 'polar', subject, kind: 'event', values }, 'Screws turned: recorded. Test again.');
  };
  const label = (words: string): string => recordLabel(words, isLive, format.clock(clock.nowMs()));
  return (
    <div className="actions">
      {before && after && (
        <Button variant="primary" onClick={() => void keep()}>
          {label('Record this test')}
        </Button>
      )}
      {model.mending && (
        <Button variant="primary" onClick={screwsTurned}>
          {label('The screws are turned')}
        </Button>
      )}
      {model.mending && (
        <Button variant="outline" onClick={testAgain}>
          Test once more first
        </Button>
      )}
      {before && (
        <Button variant="outline" onClick={() => change(NO_MARKS)}>
          Begin again
        </Button>
      )}
    </div>
  );
}

function ScrewList({ model }: { model: PlateModel }) {
  const { format } = useShared();
  const { screws } = model.plate;
  if (!model.mending || !screws) return null;
  return (
    <>
      <p className="mb-1">
        <strong>{roundsWords(screws.rounds)}</strong>
      </p>
      <ol>
        {screws.round.map((screw) => (
          <li key={screw.angleDeg}>{screwWords(screw, format)}</li>
        ))}
      </ol>
    </>
  );
}

/** No finder: how well the open bore aims. */
function Bore() {
  const { format } = useShared();
  const form = useForm({ defaultValues: BORE_MM });
  const { widthMm, lengthMm } = useWatch({ control: form.control });
  const known = Number(widthMm) > 0 && Number(lengthMm) > 0;
  return (
    <FormProvider {...form}>
      <form className="section" onSubmit={(event) => event.preventDefault()} noValidate>
        <h2>Down the open bore</h2>
        <div className="fields">
          <QuantityField name="widthMm" label="Width of the far opening" kind="opticsMm" system={format.system} />
          <QuantityField name="lengthMm" label="Length of the bore" kind="opticsMm" system={format.system} />
        </div>
        <p className="mt-2">
          {known ? boreWords(boreAccuracyDeg(Number(widthMm), Number(lengthMm)), format) : 'Type both sizes.'}
        </p>
      </form>
    </FormProvider>
  );
}

function Before() {
  const { format } = useShared();
  return (
    <div className="section">
      <h2>First, so that you see anything</h2>
      <ul className="plain-list">
        {BORE_STEPS.map((step) => (
          <li key={step}>{inUnits(step, format)}</li>
        ))}
      </ul>
      <p className="soft mb-0">
        {parallaxWords(parallaxArcmin(LENS_OFFSET_M, NEAREST_POINT_M), NEAREST_POINT_M, format)}
      </p>
    </div>
  );
}

export function HalfTurn({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const [marks, change] = useMarks();
  const finder = night.numbers.mount?.finder ?? null;
  // Holds until the next test or turn of the screws is on record.
  const [againAfter, setAgainAfter] = useState<number | null>(null);
  const count = night.records.readings.length;
  const model = plateModel(night, marks.before, marks.after, againAfter === count);
  const sentence = plateSentence(model.saying, format);
  const place = (at: PlatePoint): void => change(model.marking === 'before' ? { before: at } : { after: at });
  return (
    <BenchLayout
      title="Polar alignment"
      tabs={tabs}
      sentence={sentence}
      reason={plateReason(model.saying, format)}
      instrumentName="The finder’s view"
    >
      {finder && (
        <div className="dial-row">
          <View model={model} finder={finder} label={plain(sentence)} onPlace={place} />
          <div>
            <ScrewList model={model} />
            {!night.records.fromSnapshot && (
              <Actions model={model} marks={marks} change={change} testAgain={() => setAgainAfter(count)} />
            )}
            {!night.records.fromSnapshot && model.marking && (
              <>
                <p className="soft">Tap the place in the drawing, or type it:</p>
                <PlaceOnPlate
                  key={model.marking}
                  finder={finder}
                  turnDeg={model.turnDeg}
                  button="Mark it there"
                  onPlace={place}
                />
              </>
            )}
          </div>
        </div>
      )}
      <Before />
      {!finder && <Bore />}
    </BenchLayout>
  );
}
