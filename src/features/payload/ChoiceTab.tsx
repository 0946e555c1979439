import type { ReactNode } from 'react';
import { FILLS_SHARE, type ChoiceQuestion } from '../../core/rig/mountChoice.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { useNight } from '../../session/session.ts';
import { Choice, type Fields } from './Choice.tsx';
import { tubesOf, USUAL_SENSOR, USUAL_WISH } from './usualChoice.ts';

function sensorOf(camera: NightStatic['numbers']['camera']): ChoiceQuestion['camera'] {
  const { pixelUm, widthPx, heightPx, massKg } = camera ?? USUAL_SENSOR;
  return { pixelUm, widthPx, heightPx, massKg: massKg ?? USUAL_SENSOR.massKg };
}

/** What is asked first: what fits this rig's own field, with tonight's sub. */
function firstWish({ entry, numbers, records }: NightStatic): Fields {
  const { train } = numbers;
  const fieldDeg = train && Math.min(train.fieldWidthDeg, train.fieldHeightDeg);
  return {
    targetSizeArcmin: fieldDeg === null ? USUAL_WISH.targetSizeArcmin : Math.round(fieldDeg * 60 * FILLS_SHARE),
    apertureMm: numbers.tube?.apertureMm ?? USUAL_WISH.apertureMm,
    focalRatio: Number((numbers.train?.focalRatio ?? USUAL_WISH.focalRatio).toFixed(1)),
    exposureS: entry?.subS ?? USUAL_WISH.exposureS,
    guided: records.rig.guiding !== 'none',
  };
}

const sizeHint = (target: NightStatic['target']): string | undefined =>
  target?.sizeArcmin ? `${target.name}: ${target.sizeArcmin}′` : undefined;

/** The choice with the night's own sensor, place and limits. */
export function ChoiceTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { site, schools, limits } = night.records;
  return (
    <Choice
      title="Payload"
      tabs={tabs}
      first={firstWish(night)}
      given={{ camera: sensorOf(night.numbers.camera), latDeg: site.latDeg, shareUsed: schools.loadShare, limits }}
      tubes={tubesOf(night.records.parts)}
      sizeHint={sizeHint(night.target)}
    />
  );
}
