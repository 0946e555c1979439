import { useMemo, type ReactNode } from 'react';
import { magneticOfNight } from '../../core/night/advice/hands/magneticOfNight.ts';
import { z } from 'zod';
import { bearingFromShadowDeg, sunOnMeridianMs, sunShadow } from '../../core/sky/sunShadow.ts';
import { MS_PER_HOUR } from '../../core/time/utc.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { useRibbonTime } from '../../session/useTime.ts';
import { shadowReason, shadowSentence, type ShadowSaying } from '../../text/levelWords.ts';
import { LEVEL_NAMES } from '../../text/stations.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { CompassRose } from '../../ui/instruments/CompassRose.tsx';
import { feetOf } from './model.ts';

const MINUTE_MS = 60_000;
type Fields = { clockwiseDeg: number | null };
const schema = z.object({ clockwiseDeg: z.number().min(-360).max(360) });

/** Offered while the sun casts a shadow now, whatever the ribbon shows. */
function RecordShadow() {
  const { records } = useNight();
  const { clock } = useSession();
  const { format } = useShared();
  const { site } = records;
  if (sunShadow(clock.nowMs(), site).use === 'none') return null;
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      title="Where does the polar axis lie, from the shadow?"
      button="Record this bearing"
      schema={schema}
      defaults={{ clockwiseDeg: null }}
      toReading={({ clockwiseDeg }) => {
        const shadowDeg = sunShadow(clock.nowMs(), site).shadowAzDeg;
        const trueDeg = bearingFromShadowDeg(shadowDeg, clockwiseDeg);
        return {
          reading: {
            step: 'level',
            subject: { type: 'site', id: site.id },
            kind: 'shadow',
            values: { shadowDeg, clockwiseDeg, trueDeg },
          },
          said: `Bearing recorded: true ${format.quantity(trueDeg, 'angleDeg')}.`,
        };
      }}
    >
      <QuantityField
        name="clockwiseDeg"
        label="The axis lies, clockwise of the shadow"
        kind="angleDeg"
        system={format.system}
        hint="To the right +, to the left −."
      />
    </RecordForm>
  );
}

/** True north without a compass: a plumb line's shadow, by the minute. */
export function Shadow({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const { site } = night.records;
  const minute = useRibbonTime((timeMs) => Math.floor(timeMs / MINUTE_MS));
  const timeMs = minute * MINUTE_MS;
  const hour = Math.floor(timeMs / MS_PER_HOUR);
  const meridianMs = useMemo(() => sunOnMeridianMs(hour * MS_PER_HOUR, site), [hour, site]);
  const shadow = useMemo(() => sunShadow(timeMs, site), [timeMs, site]);
  const south = site.latDeg < 0;
  const saying: ShadowSaying =
    shadow.use === 'none' ? { code: 'down', meridianMs } : { code: 'shadow', timeMs, shadow, south };
  const sentence = shadowSentence(saying, format);
  return (
    <BenchLayout
      title={LEVEL_NAMES.both}
      tabs={tabs}
      sentence={sentence}
      reason={shadowReason(saying, format)}
      instrumentName="The compass rose"
    >
      <div className="dial-row">
        <CompassRose
          label={plain(sentence)}
          declinationDeg={magneticOfNight(night).declinationDeg}
          poleDeg={south ? 180 : 0}
          feet={feetOf(night).map((azimuthDeg) => ({ azimuthDeg, text: null }))}
          axisDeg={null}
          tilt={null}
          shadowDeg={shadow.use === 'none' ? null : shadow.shadowAzDeg}
        />
        <p className="soft">
          Solid arrow: the pole’s bearing. Broad grey line: the shadow of a plumb line. The time is the ribbon’s; a
          degree passes in four minutes or less.
        </p>
      </div>
      <RecordShadow />
    </BenchLayout>
  );
}
