import { Form } from 'react-bootstrap';
import type { Load } from '../../core/mount/load.ts';
import { updateHead } from '../../storage/commands.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { gapWords, writeWords } from '../../text/errorWords.ts';
import { LOAD_NAMES, payloadReason, payloadSentence, SHARE_CHOICES } from '../../text/payloadWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { LeverDrawing } from '../../ui/instruments/LeverDrawing.tsx';
import { LoadBars } from '../../ui/instruments/LoadBars.tsx';
import { Problem } from '../../ui/Problem.tsx';
import { WeightSets } from '../../ui/WeightSets.tsx';
import { payloadModel } from './model.ts';

function Bars({ load }: { load: Load }) {
  const { format } = useShared();
  const of = (bar: Load['massKg'], kind: 'mass' | 'moment', decimals: number): string =>
    `${format.number(format.shown(bar.is, kind), decimals)} of ${format.quantity(bar.allowed, kind, decimals)}`;
  return (
    <LoadBars
      rows={[
        {
          name: 'Mass',
          bar: load.massKg,
          figure: of(load.massKg, 'mass', 1),
          verdict: LOAD_NAMES[load.massKg.verdict],
        },
        {
          name: 'Moment about the polar axis',
          bar: load.momentKgM,
          figure: of(load.momentKgM, 'moment', 2),
          verdict: LOAD_NAMES[load.momentKgM.verdict],
        },
      ]}
    />
  );
}

/** How much of the rating this rig may use: kept with the rig. */
function ShareChoice() {
  const { records } = useNight();
  const { notify } = useShared();
  const { writer } = useSession();
  if (records.fromSnapshot) return null;
  const choose = (loadShare: number): void => {
    const schools = { ...records.rig.schools, loadShare };
    void updateHead(writer, 'rigs', records.rig.id, { schools }).then((written) => {
      if (!written.ok) notify(writeWords(written.code, written.figures), { tone: 'problem' });
    });
  };
  const closest = SHARE_CHOICES.reduce((best, one) =>
    Math.abs(one.share - records.schools.loadShare) < Math.abs(best.share - records.schools.loadShare) ? one : best,
  );
  return (
    <Form.Group controlId="load-share" className="short-field mt-3">
      <Form.Label>Share of the rating you use</Form.Label>
      <Form.Select value={closest.share} onChange={(event) => choose(Number(event.target.value))}>
        {SHARE_CHOICES.map(({ share, words }) => (
          <option key={share} value={share}>
            {words}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

export function PayloadBench() {
  const night = useNight();
  const { format } = useShared();
  const model = payloadModel(night);
  const { mount, gaps } = night.numbers;
  const sentence = payloadSentence(model.saying, format);
  const nameOf = (id: string): string => night.records.parts.find((p) => p.id === id)?.name ?? id;
  return (
    <BenchLayout
      title="Payload"
      sentence={sentence}
      reason={payloadReason(
        model.saying,
        night.records.schools.loadShare,
        mount?.ratingIncludesWeights ?? false,
        format,
      )}
      instrumentName="The lever"
      instrument={
        mount && model.tubeSide.length > 0 ? (
          <LeverDrawing
            label={plain(sentence)}
            tubeSide={model.tubeSide}
            barSide={model.barSide}
            referenceArmM={mount.referenceArmM}
            format={format}
          />
        ) : undefined
      }
    >
      {night.load && model.tubeSide.length > 0 && <Bars load={night.load} />}
      {gaps
        .filter((gap) => gap.code === 'massMissing')
        .map((gap) => (
          <Problem key={JSON.stringify(gap)}>{gapWords(gap)}</Problem>
        ))}
      {mount && <ShareChoice />}
      {model.sets.length > 0 && (
        <div className="section">
          <h2>Weights from your box that balance it, fewest pieces first</h2>
          <div className="two-ways">
            <WeightSets sets={model.sets} nameOf={nameOf} format={format} />
          </div>
        </div>
      )}
    </BenchLayout>
  );
}
