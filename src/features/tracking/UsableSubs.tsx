import { line } from 'd3';
import { useState, type ReactNode } from 'react';
import { useAtRest } from '../../session/useAtRest.ts';
import { Button, Form } from 'react-bootstrap';
import { z } from 'zod';
import {
  keptPerHour,
  shareOfLength,
  type UsableNight,
  type UsablePoint,
} from '../../core/night/advice/stars/usableOfNight.ts';
import { WANTED_SHARE } from '../../core/verdict/budget.ts';
import { turnOfDrive } from '../../core/rig/driveTurn.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { usePlanWrite, withEntry } from '../../session/usePlanWrite.ts';
import { plain } from '../../text/said.ts';
import { subSentence } from '../../text/subWords.ts';
import { INCOMPLETE, keptWords, trackingReason, UNGUIDED_LINE } from '../../text/trackingWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { ChartFrame } from '../../ui/charts/ChartFrame.tsx';
import { DragPlot } from '../../ui/charts/DragX.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { OVERHEAD, type StarsAt } from '../../core/night/nightAt.ts';
import { settableS } from '../../core/night/advice/stars/subAnswer.ts';
import { trackingModel, unguidedUsable, type TrackingModel } from './model.ts';
import { RepairTable } from './RepairTable.tsx';
import { WhatIfTable } from './WhatIfTable.tsx';

type Place = { haH: number; altDeg: number };
type Chosen = { exposureS: number; share: number };
type ChartProps = {
  label: string;
  usable: UsableNight;
  unguided: UsableNight | null;
  chosen: Chosen;
  choose: (s: number) => void;
};

function UsableChart({ label, usable, unguided, chosen, choose }: ChartProps) {
  const { format } = useShared();
  const curve = usable.curve();
  const longest = curve.at(-1)?.exposureS ?? 300;
  return (
    <ChartFrame
      label={label}
      fileName="usable-subs"
      height={260}
      x={{ domain: [0, longest], label: 'length of a sub', format: (v) => format.quantity(v, 'seconds') }}
      y={{
        domain: [0, 1],
        label: 'usable subs',
        format: (v) => format.quantity(v, 'percent'),
        ticks: [0, 0.25, 0.5, 0.75, 1],
      }}
    >
      {({ x, y, height, width }) => {
        const drawn = line<UsablePoint>()
          .x((p) => x(p.exposureS))
          .y((p) => y(p.share));
        return (
          <g>
            <path d={`M0 ${y(WANTED_SHARE)}H${width}`} stroke="var(--amber)" strokeWidth="1.5" strokeDasharray="6 5" />
            {unguided && (
              <path
                d={drawn(unguided.curve()) ?? ''}
                fill="none"
                stroke="var(--soft)"
                strokeWidth="2"
                strokeDasharray="3 4"
              />
            )}
            <path d={drawn(curve) ?? ''} fill="none" stroke="var(--action)" strokeWidth="3" />
            <path d={`M${x(chosen.exposureS)} 0V${height}`} stroke="var(--ink)" strokeWidth="2" />
            <circle
              cx={x(chosen.exposureS)}
              cy={y(chosen.share)}
              r={8}
              fill="var(--amber)"
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <DragPlot
              x={x}
              width={width}
              height={height}
              onMove={(s) => choose(Math.max(usable.shortestS, settableS(s)))}
            />
          </g>
        );
      }}
    </ChartFrame>
  );
}

/** Drag to a length, then take it into tonight's plan. */
function Chooser({
  usable,
  subS,
  chosen,
  choose,
}: {
  usable: UsableNight;
  subS: number;
  chosen: Chosen;
  choose: (s: number) => void;
}) {
  const { records, legIndex } = useNight();
  const { format } = useShared();
  const { save } = usePlanWrite();
  const longest = usable.curve().at(-1)?.exposureS ?? 300;
  const { exposureS: chosenS, share } = chosen;
  const gapS = records.night.plan[legIndex]?.gapS ?? 0;
  const take = (): void => {
    const plan = withEntry(records.night.plan, legIndex, { subS: chosenS });
    void save(plan, `Subs of ${format.exposure(chosenS)} planned.`);
  };
  return (
    <>
      <Form.Group controlId="sub-length">
        <Form.Label>
          Sub length <strong className="figures">{format.quantity(chosenS, 'seconds')}</strong>, usable{' '}
          <strong className="figures">{format.quantity(share, 'percent')}</strong>:{' '}
          {keptWords(keptPerHour(share, chosenS, gapS), format)}
        </Form.Label>
        <Form.Range
          min={usable.shortestS}
          max={longest}
          step={1}
          value={chosenS}
          onChange={(event) => choose(Number(event.target.value))}
        />
      </Form.Group>
      {!records.fromSnapshot && records.night.plan.length > 0 && (
        <div className="actions">
          <Button variant="primary" disabled={chosenS === subS} onClick={take}>
            Plan subs of {format.exposure(chosenS)}
          </Button>
        </div>
      )}
    </>
  );
}

type Fields = { peakToPeakArcsec: number | null; periodS: number | null };
const schema = z.object({ peakToPeakArcsec: z.number().min(0).max(600), periodS: z.number().min(5).max(10_000) });

/** The drive's swing as typed: one sine of the worm's period. */
function RecordSwing() {
  const { records, numbers } = useNight();
  const { format } = useShared();
  const own = turnOfDrive(numbers.mount);
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      title="The drive’s periodic error"
      button="Record this swing"
      schema={schema}
      defaults={{ peakToPeakArcsec: null, periodS: own && Number(own.periodS.toFixed(1)) }}
      keep
      toReading={({ peakToPeakArcsec, periodS }) => ({
        reading: {
          step: 'tracking',
          subject: { type: 'mount', id: records.rig.mountId },
          kind: 'track',
          values: {
            periodS,
            harmonics: [{ k: 1, amplitudeArcsec: peakToPeakArcsec / 2, phaseDeg: 0 }],
            raDriftArcsecPerMin: null,
            decDriftArcsecPerMin: null,
            residualArcsec: null,
          },
        },
        said: `Periodic error recorded: ${format.quantity(peakToPeakArcsec, 'arcsec', 1)}.`,
      })}
    >
      <QuantityField name="peakToPeakArcsec" label="Peak to peak, at the axis" kind="arcsec" system={format.system} />
      <QuantityField
        name="periodS"
        label="Period"
        kind="seconds"
        system={format.system}
        hint="86164 s over the teeth of the worm wheel."
      />
    </RecordForm>
  );
}

/** What the slider says while it is dragged, else the planned length. */
function useChosen(subS: number) {
  const [draft, setDraft] = useState<{ s: number; forSubS: number } | null>(null);
  const choose = (s: number): void => setDraft({ s, forSubS: subS });
  return { chosenS: draft?.forSubS === subS ? draft.s : subS, choose };
}

function Answered({
  tabs,
  model,
  stars,
  place,
}: {
  tabs: ReactNode;
  model: TrackingModel;
  stars: StarsAt;
  place: Place;
}) {
  const night = useNight();
  const { timeMs } = useAtRest(useNightAt(), night);
  const { format } = useShared();
  const { answer, basis } = model;
  const subS = answer.plannedS;
  const unguided = unguidedUsable(night, place);
  const { chosenS, choose } = useChosen(subS);
  const sentence = subSentence(answer, format);
  const { sub } = stars;
  const chosen: Chosen = {
    exposureS: chosenS,
    share: chosenS === subS ? answer.share : shareOfLength(sub, chosenS, night),
  };
  return (
    <BenchLayout
      title="Tracking"
      tabs={tabs}
      sentence={sentence}
      reason={trackingReason(answer, basis, format)}
      instrumentName="The curve of usable subs"
      instrument={
        <>
          <UsableChart label={plain(sentence)} usable={answer} unguided={unguided} chosen={chosen} choose={choose} />
          {unguided && <p className="soft">{UNGUIDED_LINE}</p>}
        </>
      }
    >
      <Chooser usable={answer} subS={subS} chosen={chosen} choose={choose} />
      <RepairTable sub={sub} timeMs={timeMs} />
      <WhatIfTable sub={sub} share={answer.share} />
      <RecordSwing />
    </BenchLayout>
  );
}

export function UsableSubs({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const at = useAtRest(useNightAt(), night);
  const place = at.target ?? OVERHEAD;
  const model = trackingModel(night, at.stars, place);
  if (!model || !at.stars)
    return (
      <BenchLayout
        title="Tracking"
        tabs={tabs}
        sentence={INCOMPLETE.sentence}
        reason={INCOMPLETE.reason}
        instrumentName="The curve of usable subs"
      >
        <RecordSwing />
      </BenchLayout>
    );
  return <Answered tabs={tabs} model={model} stars={at.stars} place={place} />;
}
