import type { ReactNode } from 'react';
import { moonOfNight } from '../../core/night/advice/moonOfNight.ts';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { useIsAhead, useNightAt, useWatch } from '../../session/useTime.ts';
import { clockChangeWords } from '../../text/eventWords.ts';
import { flipViewWords, STRETCH_NAMES } from '../../text/meridianWords.ts';
import { moonWords } from '../../text/planWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { FlipView } from '../../ui/instruments/FlipView.tsx';
import { Approach } from './Approach.tsx';
import { FlipTab } from './flip/FlipTab.tsx';
import { isAfterFlip, meridianModel, saidOf } from './model.ts';
import { ExposureTable } from './plan/ExposureTable.tsx';
import { PlanForm } from './plan/PlanForm.tsx';
import { Sequence } from './plan/Sequence.tsx';
import { StrategyTable } from './plan/StrategyTable.tsx';
import { MapOfTube } from './tube/MapOfTube.tsx';
import { MeasureTapes } from './tube/MeasureTapes.tsx';
import { OwnLimits } from './tube/OwnLimits.tsx';
import { meridianTabs } from './tabs.ts';
import { WorstPose } from './tube/WorstPose.tsx';

function Attitude({ label }: { label: string }) {
  const night = useNight();
  const at = useNightAt();
  const ahead = useIsAhead();
  const south = night.records.site.latDeg < 0;
  return (
    <FlipView
      label={label}
      haH={at.target?.haH ?? null}
      afterFlip={isAfterFlip(night, at.timeMs, ahead)}
      limitH={night.limit.limitH}
      south={south}
      flips={night.flips}
      words={{
        ...(south ? { left: 'east', right: 'west' } : { left: 'west', right: 'east' }),
        from: flipViewWords(south),
      }}
    />
  );
}

/** Hour angle and height at the ribbon's time. */
function NowFigures() {
  const at = useNightAt();
  const { format } = useShared();
  if (!at.target) return null;
  return (
    <FigureList
      figures={[
        { name: 'Hour angle', value: format.hours(at.target.haH) },
        { name: 'Altitude', value: format.quantity(at.target.altDeg, 'angleDeg', 0) },
        { name: 'Azimuth', value: format.quantity(at.target.azDeg, 'angleDeg', 0) },
      ]}
    />
  );
}

/** Subs, the hours that can be used, the moon in them, and what the clock does. */
function Figures() {
  const night = useNight();
  const { format } = useShared();
  const { stretches, integrationS } = meridianModel(night);
  const change = night.sky.clockChange;
  const moon = moonOfNight(night);
  const names = stretches.length > 1 ? STRETCH_NAMES : ['Subs'];
  return (
    <div>
      <NowFigures />
      {night.plan && (
        <FigureList
          figures={[
            ...stretches.map((count, i) => ({ name: names[i] ?? 'Subs then', value: String(count) })),
            { name: 'Light in all', value: format.duration(integrationS) },
          ]}
        />
      )}
      {night.usable && (
        <p>
          Dark and high enough from <strong className="figures">{format.clock(night.usable.fromMs)}</strong> to{' '}
          <strong className="figures">{format.clock(night.usable.toMs)}</strong>.
          {night.targetSky?.transit.circumpolar === true && ' It never sets here.'}
        </p>
      )}
      {moon && <p>{moonWords(moon, format, night.numbers.eyepiece === null)}</p>}
      {change && <p>{clockChangeWords(format.clock(change.utcMs), change.minutes)}</p>}
    </div>
  );
}

/** What each way's page shows beside the sentence. */
function TonightTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const said = saidOf(night, useWatch(), format);
  const { tube } = night.limit;
  const label = plain(said.sentence);
  return (
    <BenchLayout
      title="Meridian"
      tabs={tabs}
      {...said}
      instrumentName="The mount"
      instrument={tube ? <Approach tube={tube} label={label} /> : undefined}
    >
      <div className="dial-row">
        {night.target && !tube && <Attitude label={label} />}
        <Figures />
      </div>
      <StrategyTable />
    </BenchLayout>
  );
}

function PlanTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const said = saidOf(night, useWatch(), format);
  return (
    <BenchLayout title="Meridian" tabs={tabs} {...said} instrumentName="The plan" instrument={<Sequence />}>
      {!night.records.fromSnapshot && night.entry && !night.numbers.eyepiece && (
        <PlanForm key={`${night.records.night.id} ${night.legIndex}`} />
      )}
      <ExposureTable />
    </BenchLayout>
  );
}

function TubeTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const { tube } = night.limit;
  const said = saidOf(night, useWatch(), format);
  return (
    <BenchLayout title="Meridian" tabs={tabs} {...said} instrumentName="The tube">
      {tube && <WorstPose tube={tube} />}
      <OwnLimits />
      {tube && <MapOfTube tube={tube} />}
      {tube && <MeasureTapes tube={tube} />}
    </BenchLayout>
  );
}

export function MeridianBench() {
  const { active, row } = useBenchTabs('Meridian', meridianTabs(useNight()));
  const Tab = { tonight: TonightTab, plan: PlanTab, flip: FlipTab, tube: TubeTab }[active];
  return <Tab tabs={row} />;
}
