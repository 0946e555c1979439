import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { formatDate } from '../../core/time/civil.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { readingValues } from '../../core/records/reading.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { useIsLive } from '../../session/useTime.ts';
import { recordLabel, useRecord } from '../../session/useRecord.ts';
import { balanceReason, balanceSentence, DROP_NAMES, type Drops } from '../../text/balanceWords.ts';
import { gapWords } from '../../text/errorWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { Problem } from '../../ui/Problem.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { BarDrawing } from '../../ui/instruments/BarDrawing.tsx';
import { balanceModel, type BalanceModel, type BarModel } from './model.ts';
import { Remedies } from './Remedies.tsx';
import { TipMark } from './TipMark.tsx';

/** Parts nearer to the tube's centre line than this are drawn as part of the tube. */
const SAME_LINE_M = 0.02;

function Drawing({ night, bar, label }: { night: NightStatic; bar: BarModel; label: string }) {
  const { format } = useShared();
  const { rig, goalM, setM } = bar;
  const { tube } = night.numbers;
  const { placed } = night.records.rig;
  const tubeAtM = placed.find((p) => p.partId === tube?.id)?.fromRaAxisM ?? 0.15;
  const [, rangeEndM] = rig.input.barRangeM;
  const others = rig.input.parts.filter((p) => Math.abs(p.fromRaAxisM - tubeAtM) > SAME_LINE_M);
  const total = (value: (w: (typeof rig.movable)[number]) => number) =>
    rig.movable.reduce((sum, w) => sum + value(w), 0);
  return (
    <BarDrawing
      label={label}
      tube={{ fromRaAxisM: tubeAtM, radiusM: tube?.radiusM ?? 0.05 }}
      others={others.map((p) => ({ id: p.id, fromRaAxisM: p.fromRaAxisM }))}
      barEndM={Math.max(rig.barLengthM, rangeEndM)}
      barRangeM={rig.input.barRangeM}
      weight={
        rig.movable.length > 0 ? { massKg: total((w) => w.massKg), thicknessM: total((w) => w.thicknessM) } : null
      }
      setM={setM}
      predictedM={goalM}
      format={format}
    />
  );
}

type TrialForm = { positionM: number | null };
const trialSchema = readingValues.balance.pick({ positionM: true });

/** Record a trial: where the weight stands, and which side dropped when the tube was let go. */
function RecordTrial({ bar, night }: { bar: BarModel; night: NightStatic }) {
  const { format } = useShared();
  const { clock } = useSession();
  const isLive = useIsLive();
  const record = useRecord();
  const form = useForm<TrialForm, unknown, { positionM: number }>({
    resolver: formResolver(trialSchema),
    values: { positionM: bar.goalM === null ? null : Math.round(bar.goalM * 1000) / 1000 },
  });
  const save = (drops: Drops) =>
    form.handleSubmit(async ({ positionM }) => {
      const { rig } = night.records;
      await record(
        {
          step: 'balance',
          subject: { type: 'rig', id: rig.id },
          kind: 'balance',
          values: { axis: 'ra', positionM, drops },
        },
        `${DROP_NAMES[drops]} at ${format.quantity(positionM, 'barLength')}: recorded.`,
      );
    });
  return (
    <FormProvider {...form}>
      <form className="section" onSubmit={(event) => event.preventDefault()} noValidate>
        <h2>{recordLabel('Which side dropped? Record it', isLive, format.clock(clock.nowMs()))}</h2>
        <div className="short-field">
          <QuantityField
            name="positionM"
            label="The weight’s middle stands at"
            kind="barLength"
            system={format.system}
          />
        </div>
        <div className="three-choices" role="group" aria-label="Which side dropped">
          {(['tube', 'none', 'weight'] as const).map((drops) => (
            <button key={drops} type="button" onClick={(event) => void save(drops)(event)} data-drops={drops}>
              <TipMark drops={drops} />
              {DROP_NAMES[drops]}
            </button>
          ))}
        </div>
      </form>
    </FormProvider>
  );
}

function Figures({ found }: { found: BarModel['found'] }) {
  const { format } = useShared();
  const [shown, setShown] = useState(false);
  const inertia =
    found.inertiaKgM2 === null ? [] : [{ name: 'Inertia', value: format.quantity(found.inertiaKgM2, 'inertia') }];
  const figures = [
    {
      name: 'Tube’s side',
      value: format.quantity(found.tubeSideLoadKg, 'mass'),
      title: format.otherQuantity(found.tubeSideLoadKg, 'mass'),
    },
    { name: 'Its moment', value: format.quantity(found.tubeSideMomentKgM, 'moment') },
    { name: 'Weight must carry', value: format.quantity(found.momentNeededFromWeightsKgM, 'moment') },
    { name: 'All on the axis', value: format.quantity(found.totalOnAxisKg, 'mass') },
    ...inertia,
  ];
  return (
    <div className="section">
      <Button variant="link" className="px-0" aria-expanded={shown} onClick={() => setShown(!shown)}>
        {shown ? 'Hide the figures' : 'Show the figures'}
      </Button>
      {shown && <FigureList figures={figures} />}
    </div>
  );
}

function LastTime({ lastTime }: { lastTime: NonNullable<BalanceModel['lastTime']> }) {
  const { format } = useShared();
  return (
    <p className="soft mb-0">
      Last time it stayed at {format.quantity(lastTime.positionM, 'barLength')}, on{' '}
      {formatDate(lastTime.atUtc.slice(0, 10))}.
    </p>
  );
}

export function BalanceBench() {
  const night = useNight();
  const { format } = useShared();
  const { saying, gaps, bar, lastTime } = balanceModel(night);
  const sentence = balanceSentence(saying, format);
  const canTry = (saying.code === 'move' || saying.code === 'leave') && !night.records.fromSnapshot;
  return (
    <BenchLayout
      title="Balance"
      sentence={sentence}
      reason={balanceReason(saying, format)}
      instrumentName="The bar"
      instrument={bar ? <Drawing night={night} bar={bar} label={plain(sentence)} /> : undefined}
    >
      {gaps.map((gap) => (
        <Problem key={JSON.stringify(gap)}>{gapWords(gap)}</Problem>
      ))}
      {bar?.remedies && <Remedies remedies={bar.remedies} />}
      {canTry && bar && <RecordTrial bar={bar} night={night} />}
      {lastTime && bar && <LastTime lastTime={lastTime} />}
      {bar && <Figures found={bar.found} />}
    </BenchLayout>
  );
}
