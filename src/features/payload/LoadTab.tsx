import { usePartName } from '../../session/usePartName.ts';
import { offBarReason, offBarSentence } from '../../text/offBarWords.ts';
import { useTubeEnds } from '../../session/useTubeEnds.ts';
import { useMemo, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import type { Load } from '../../core/mount/load.ts';
import { GuessAsk } from '../../session/GuessAsk.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import { useWrite } from '../../session/useWrite.ts';
import { updateHead } from '../../storage/heads.ts';
import { gapWords } from '../../text/errorWords.ts';
import {
  BAR_PLACE_WORDS,
  heavyPieceWords,
  INERTIA_NAMES,
  inertiaWords,
  LOAD_NAMES,
  payloadReason,
  payloadSentence,
  saddleWords,
  SHARE_CHOICES,
  SHARE_HINT,
} from '../../text/payloadWords.ts';
import { axisWords } from '../../text/rigWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { LoadBars } from '../../ui/instruments/LoadBars.tsx';
import { RailDrawing } from '../../ui/instruments/RailDrawing.tsx';
import { Problem } from '../../ui/Problem.tsx';
import { WeightSets } from '../../ui/WeightSets.tsx';
import { guessedLoad } from './guessedLoad.ts';
import { HeavySideSchools } from './HeavySideSchools.tsx';
import { loadModel, type LoadModel } from './model.ts';
import { PlaceForm } from './PlaceForm.tsx';
import { useDraggedRig } from '../../session/useDraggedRig.ts';

function Bars({ load, strain }: { load: Load; strain: LoadModel['payload']['strain'] }) {
  const has = useHas();
  const { format } = useShared();
  const of = (bar: Load['massKg'], kind: 'mass' | 'moment' | 'inertia', decimals: number): string =>
    `${format.number(format.shown(bar.is, kind), decimals)} of ${format.quantity(bar.allowed, kind, decimals)}`;
  const row = (name: string, bar: Load['massKg'], figure: string) => ({
    name,
    bar,
    figure,
    verdict: LOAD_NAMES[bar.verdict],
  });
  const held = strain?.withWeights ?? strain?.bare;
  return (
    <>
      <LoadBars
        rows={[
          row('Mass', load.massKg, of(load.massKg, 'mass', 1)),
          row(axisWords(has).moment, load.momentKgM, of(load.momentKgM, 'moment', 2)),
          ...(load.inertiaKgM2
            ? [
                {
                  name: 'Inertia about the declination axis',
                  // One's own largest is a hint: past it the bar turns amber, never red.
                  bar: { ...load.inertiaKgM2, verdict: load.inertiaKgM2.verdict === 'fine' ? 'fine' : 'near' } as const,
                  figure: of(load.inertiaKgM2, 'inertia', 2),
                  verdict: INERTIA_NAMES[load.inertiaKgM2.verdict],
                },
              ]
            : []),
          ...(strain && held
            ? [
                row(
                  'Torque left for the drive',
                  { is: held.torqueNm, allowed: strain.allowedNm, share: held.share, verdict: held.verdict },
                  `${format.number(format.shown(held.torqueNm, 'torque'), 1)} of ${format.quantity(strain.allowedNm, 'torque')}`,
                ),
              ]
            : []),
        ]}
      />
      {!load.inertiaKgM2 && (
        <p className="soft">Inertia about the declination axis: {inertiaWords(load.decInertiaKgM2, format)}.</p>
      )}
    </>
  );
}

/** Masses that were guessed are asked where they count first. */
function LoadGuesses() {
  return <GuessAsk step="payload" guesses={guessedLoad(useNight())} unit="load" />;
}

/** How much of the rating this rig may use, and whether the rating counts bar and weights. */
function RatingChoices() {
  const hasBar = useHas().has('bar');
  const { records, numbers } = useNight();
  const write = useWrite();
  const { mount } = numbers;
  if (records.fromSnapshot || !mount) return null;
  const chooseShare = (loadShare: number): void => {
    const { id, schools } = records.rig;
    void write(['share', id, loadShare], (w) => updateHead(w, 'rigs', id, { schools: { ...schools, loadShare } }));
  };
  const closest = SHARE_CHOICES.reduce((best, one) =>
    Math.abs(one.share - records.schools.loadShare) < Math.abs(best.share - records.schools.loadShare) ? one : best,
  );
  return (
    <div className="choices">
      <Form.Group controlId="load-share" className="short-field">
        <Form.Label>Share of the rating you use</Form.Label>
        <Form.Select value={closest.share} onChange={(event) => chooseShare(Number(event.target.value))}>
          {SHARE_CHOICES.map(({ share, words }) => (
            <option key={share} value={share}>
              {words}
            </option>
          ))}
        </Form.Select>
        <Form.Text>{SHARE_HINT}</Form.Text>
      </Form.Group>
      {hasBar && (
        <Form.Check
          id="rating-counts"
          type="checkbox"
          label="The rating counts bar and weights"
          checked={mount.ratingIncludesWeights}
          onChange={(event) => {
            const ratingIncludesWeights = event.target.checked;
            const what = ['rating', mount.id, ratingIncludesWeights];
            void write(what, (w) => updateHead(w, 'parts', mount.id, { ratingIncludesWeights }));
          }}
        />
      )}
    </div>
  );
}

/** What needs attention before anything is carried outside. */
function Warnings({ payload }: { payload: LoadModel['payload'] }) {
  const { format } = useShared();
  const nameOf = usePartName();
  const place = payload.off
    ? `${plain(offBarSentence(payload.off, nameOf, format))} ${offBarReason(payload.off, format)}`
    : payload.balance && BAR_PLACE_WORDS[payload.balance.place];
  const words = [
    ...payload.numbers.gaps.filter((gap) => gap.code === 'massMissing' || gap.code === 'barTooShort').map(gapWords),
    ...(place === null ? [] : [place]),
    ...(payload.saddleMisfit ? [saddleWords(payload.saddleMisfit)] : []),
    ...payload.heavyPieces.map((piece) => heavyPieceWords(piece, format)),
  ];
  return words.map((one) => <Problem key={one}>{one}</Problem>);
}

type Dragging = ReturnType<typeof useDraggedRig>;

/** The lever across the polar axis, and the tube on its saddle below it. */
function Rails({ model, dragging, label }: { model: LoadModel; dragging: Dragging; label: string }) {
  const has = useHas();
  const ends = useTubeEnds();
  const { format } = useShared();
  const { fromSnapshot } = useNight().records;
  const arm = model.payload.numbers.mount?.referenceArmM ?? 0;
  return (
    <div className="rails">
      <RailDrawing
        format={format}
        dragged={dragging.held('fromRaAxisM')}
        label={label}
        pieces={model.lever}
        marks={[{ atM: arm, text: `rated arm ${format.quantity(arm, 'barLength')}` }]}
        words={{ left: 'tube’s side', right: axisWords(has).right, axis: axisWords(has).name }}
        onDrag={fromSnapshot ? null : dragging.drag('fromRaAxisM')}
        onDrop={dragging.drop('fromRaAxisM')}
      />
      <RailDrawing
        format={format}
        dragged={dragging.held('alongTubeM')}
        label="The tube on its saddle, from the side: what hangs where along it"
        pieces={model.tube}
        marks={[]}
        words={{ left: ends.front, right: ends.rear, axis: 'saddle' }}
        onDrag={fromSnapshot ? null : dragging.drag('alongTubeM')}
        onDrop={dragging.drop('alongTubeM')}
      />
    </div>
  );
}

export function LoadTab({ tabs }: { tabs: ReactNode }) {
  const { records, numbers } = useNight();
  const { format } = useShared();
  const dragging = useDraggedRig(records);
  const model = useMemo(() => loadModel(records, dragging.rig), [records, dragging.rig]);
  const { payload, saying } = model;
  const hasBar = useHas().has('bar');
  const sentence = payloadSentence(saying, format, hasBar);
  const nameOf = usePartName();
  const about = {
    share: records.schools.loadShare,
    ratingIncludesWeights: numbers.mount?.ratingIncludesWeights ?? false,
    hasBar,
    withOneKgMore: payload.withOneKgMore,
  };
  const hangs = payload.load !== null && model.lever.length > 0;
  return (
    <BenchLayout
      title="Payload"
      tabs={tabs}
      sentence={sentence}
      reason={payloadReason(saying, about, format)}
      instrumentName="The lever"
      instrument={hangs ? <Rails model={model} dragging={dragging} label={plain(sentence)} /> : undefined}
    >
      {payload.load && hangs && <Bars load={payload.load} strain={payload.strain} />}
      <Warnings payload={payload} />
      <LoadGuesses />
      <RatingChoices />
      {payload.heavy && <HeavySideSchools heavy={payload.heavy} prefer={payload.prefer} nameOf={nameOf} />}
      {payload.sets.length > 0 && (
        <div className="section">
          <h2>Weights from your box that balance it, fewest pieces first</h2>
          <div className="two-ways">
            <WeightSets sets={payload.sets} nameOf={nameOf} format={format} />
          </div>
        </div>
      )}
      {!records.fromSnapshot && hangs && <PlaceForm rig={dragging.rig} nameOf={nameOf} place={dragging.place} />}
    </BenchLayout>
  );
}
