import type { NightStatic } from '../../core/night/nightStatic.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { clockChangeWords } from '../../text/eventWords.ts';
import type { Format } from '../../text/format.ts';
import { limitWords } from '../../text/clearanceWords.ts';
import { flipViewWords, meridianReason, meridianSentence } from '../../text/meridianWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { FlipView } from '../../ui/instruments/FlipView.tsx';
import { Approach } from './Approach.tsx';
import { isAfterFlip, meridianModel } from './model.ts';
import { MapOfTube } from './MapOfTube.tsx';
import { PlanForm } from './PlanForm.tsx';
import { WorstPose } from './WorstPose.tsx';

function Attitude({ label }: { label: string }) {
  const night = useNight();
  const at = useNightAt();
  const south = night.records.site.latDeg < 0;
  return (
    <FlipView
      label={label}
      haH={at.target?.haH ?? null}
      afterFlip={isAfterFlip(night, at.timeMs)}
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

/** What the reason speaks of; null without a target. */
function aboutOf(night: NightStatic, format: Format) {
  if (!night.targetSky) return null;
  const { transitMs, altDeg, side } = night.targetSky.transit;
  const { limitH } = night.limit;
  const limited = night.flips && night.plan !== null;
  return {
    transitMs,
    altDeg,
    side,
    limitH,
    limitSource: limited ? limitWords(night.limit, format) : '',
  };
}

/** Subs, the hours that can be used, and what the clock does in them. */
function Figures() {
  const night = useNight();
  const { format } = useShared();
  const model = meridianModel(night);
  const change = night.sky.clockChange;
  return (
    <div>
      <NowFigures />
      {night.plan && (
        <FigureList
          figures={[
            { name: 'Subs before', value: String(model.before) },
            { name: 'Subs after', value: String(model.after) },
            { name: 'Light in all', value: format.duration(model.integrationS) },
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
      {change && <p>{clockChangeWords(format.clock(change.utcMs), change.minutes)}</p>}
    </div>
  );
}

export function MeridianBench() {
  const night = useNight();
  const { format } = useShared();
  const { saying } = meridianModel(night);
  const sentence = meridianSentence(saying, format);
  const { tube } = night.limit;
  return (
    <BenchLayout
      title="Meridian"
      sentence={sentence}
      reason={meridianReason(saying, format, aboutOf(night, format))}
      instrumentName="The mount"
      instrument={tube ? <Approach tube={tube} label={plain(sentence)} /> : undefined}
    >
      <div className="dial-row">
        {night.target && !tube && <Attitude label={plain(sentence)} />}
        <Figures />
      </div>
      {tube && <WorstPose tube={tube} />}
      {tube && <MapOfTube tube={tube} />}
      {!night.records.fromSnapshot && night.entry && !night.numbers.eyepiece && (
        <PlanForm key={night.records.night.id} />
      )}
    </BenchLayout>
  );
}
