import { useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import { z } from 'zod';
import { estimateWithMarkAt, type DriftRun } from '../../../core/pole/driftRun.ts';
import { movedMostBy } from '../../../core/pole/poleWalk.ts';
import { elapsedSince } from '../../../core/time/elapsed.ts';
import { RecordForm } from '../../../session/RecordForm.tsx';
import { useNight, useSession, useShared } from '../../../session/session.ts';
import { recordLabel, useRecord } from '../../../session/useRecord.ts';
import { useIsLive } from '../../../session/useTime.ts';
import { airWords, clockSetWords, markNowWords, partWords, runWords, UNIT_LABELS } from '../../../text/driftWords.ts';
import { FigureList } from '../../../ui/FigureList.tsx';
import { QuantityField, SelectField } from '../../../ui/form/Fields.tsx';
import { driftReading } from './driftReadings.ts';
import { partOf, type DriftModel } from './driftModel.ts';
import { DriftUnitChoice } from './DriftUnitChoice.tsx';
import { useDriftUnit } from './useDriftUnit.ts';

const TICK_MS = 1000;

/** Seconds since the star was centred, by the app's clock. */
function useElapsedS(startMs: number): number {
  const { clock } = useSession();
  const [nowMs, setNowMs] = useState(clock.nowMs());
  useEffect(() => {
    const timer = setInterval(() => setNowMs(clock.nowMs()), TICK_MS);
    return () => clearInterval(timer);
  }, [clock]);
  return Math.max(0, (nowMs - startMs) / 1000);
}

type Fields = { gone: number | null; way: string };
const schema = z.object({ gone: z.number().min(0).max(36_000), way: z.enum(['north', 'south']) });
type Values = z.infer<typeof schema>;

function MarkForm({ run }: { run: DriftRun }) {
  const { records } = useNight();
  const { format } = useShared();
  const unit = useDriftUnit();
  const { scale } = unit;
  const kind = unit.unit === 'field' ? 'percent' : unit.unit === 'pixel' ? 'pixels' : 'arcsec';
  return (
    <>
      <RecordForm<Fields, Values>
        key={unit.unit}
        title="Where is it now?"
        button="Mark it"
        schema={schema}
        defaults={{ gone: null, way: 'north' }}
        toReading={({ gone, way }) => ({
          reading: {
            step: 'polar',
            subject: { type: 'night', id: records.night.id },
            kind: 'driftMark',
            values: {
              starName: run.starName,
              raDeg: run.raDeg,
              decDeg: run.decDeg,
              northArcsec: (way === 'north' ? gone : -gone) * (scale?.arcsec ?? 1),
              sigmaArcsec: scale?.sigmaArcsec ?? run.sigmaArcsec,
              starts: false,
            },
          },
          said: 'Marked.',
        })}
      >
        <QuantityField
          name="gone"
          label={UNIT_LABELS[unit.unit]}
          kind={kind}
          system={format.system}
          hint="From where it began."
        />
        <SelectField
          name="way"
          label="Toward"
          options={[
            { value: 'north', label: 'north' },
            { value: 'south', label: 'south' },
          ]}
        />
      </RecordForm>
      <div className="fields">
        <DriftUnitChoice unit={unit} />
      </div>
    </>
  );
}

/** What the marks tell so far. */
function Figures({ model, run }: { model: DriftModel; run: DriftRun }) {
  const { records } = useNight();
  const { format } = useShared();
  const elapsedS = useElapsedS(run.startMs);
  const { latDeg } = records.site;
  const step = movedMostBy(run, latDeg);
  const part = model.estimate && partOf(model.estimate, step, model.turns, latDeg);
  const next = estimateWithMarkAt(model.turns.pole.estimate, run, elapsedS, latDeg);
  return (
    <>
      <FigureList
        figures={[
          { name: 'Since it was centred', value: format.duration(elapsedS) },
          { name: 'Marks', value: String(run.marks.length - 1) },
          ...(part
            ? [
                {
                  name: step === 'altitude' ? 'Altitude' : 'Azimuth',
                  value: `${partWords({ step, errorArcmin: part.errorArcmin, south: latDeg < 0 }, format)} ${format.doubt(part.sigmaArcmin, 'arcmin')}`,
                },
              ]
            : []),
        ]}
      />
      {run.rate && <p className="mb-1">{runWords(run.rate, format)}</p>}
      <p className="soft mb-1">
        {airWords({ arcsecPerMin: run.airArcsecPerMin, imitatedArcmin: model.imitatedArcmin, step }, format)}
      </p>
      {next && <p className="soft">{markNowWords(partOf(next, step, model.turns, latDeg).sigmaArcmin, format)}</p>}
    </>
  );
}

type Props = { model: DriftModel; run: DriftRun; onDone: () => void };

/** A star is being timed: mark it now and then, finish it when it is known well enough. */
export function DriftTiming({ model, run, onDone }: Props) {
  const { records } = useNight();
  const { clock, clockMoves } = useSession();
  const { format } = useShared();
  const isLive = useIsLive();
  const record = useRecord();
  const lasted = elapsedSince(run.startMs, clock.nowMs(), clockMoves.all());
  const finish = async (): Promise<void> => {
    const reading = driftReading(run, records);
    if (reading && (await record(reading, `${run.starName}: drift recorded.`))) onDone();
  };
  const giveUp = (): void => {
    const values = { what: 'driftGivenUp' } as const;
    void record(
      { step: 'polar', subject: { type: 'night', id: records.night.id }, kind: 'event', values },
      'Given up: its marks do not count.',
    );
  };
  return (
    <>
      {lasted.code === 'known' ? <MarkForm run={run} /> : <p>{clockSetWords(lasted.byMs, format)}</p>}
      <div className="actions">
        {run.rate && lasted.code === 'known' && (
          <Button variant={model.saying.code === 'enough' ? 'primary' : 'outline'} onClick={() => void finish()}>
            {recordLabel('Finish this star', isLive, format.clock(clock.nowMs()))}
          </Button>
        )}
        <Button variant="outline" onClick={giveUp}>
          Give it up
        </Button>
      </div>
      <Figures model={model} run={run} />
    </>
  );
}
