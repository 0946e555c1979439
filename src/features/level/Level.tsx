import { mountTraits } from '../../core/mount/mountKinds.ts';
import { useState, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { heightAdvice } from '../../core/mount/finderEye.ts';
import { magneticOfNight } from '../../core/night/advice/hands/magneticOfNight.ts';
import { pivotHeightM } from '../../core/rig/pivot.ts';
import { useNight, useShared } from '../../session/session.ts';
import {
  heightWords,
  LEVEL_WAYS,
  levelReason,
  levelSentence,
  NO_FINDER_HEIGHT,
  type LevelWay,
} from '../../text/levelWords.ts';
import { useHas } from '../../session/useHas.ts';
import { LEVEL_NAMES } from '../../text/stations.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { CompassRose } from '../../ui/instruments/CompassRose.tsx';
import { hasTiltSensor } from '../../ui/useTiltSensor.ts';
import { bearingModel, feetOf, levelModel, tripodOf } from './model.ts';
import { LegMoved } from './LegMoved.tsx';
import { PhoneLevel } from './PhoneLevel.tsx';
import { RecordBubble, RecordSlopes, RecordTilt } from './levelForms.tsx';

const FORMS: Record<LevelWay, () => ReactNode> = {
  tilt: RecordTilt,
  slopes: RecordSlopes,
  bubble: RecordBubble,
  phone: PhoneLevel,
};

/** The ways of reading a level; the phone only where it has the sensor. */
function ReadLevel() {
  const { records } = useNight();
  const [way, setWay] = useState<LevelWay>('tilt');
  const ways = (Object.keys(LEVEL_WAYS) as LevelWay[]).filter((w) => w !== 'phone' || hasTiltSensor());
  const Way = FORMS[way];
  if (records.fromSnapshot) return null;
  return (
    <>
      <Form.Group controlId="level-way" className="section short-field">
        <Form.Label>What you read</Form.Label>
        <Form.Select value={way} onChange={(event) => setWay(ways.find((w) => w === event.target.value) ?? 'tilt')}>
          {ways.map((w) => (
            <option key={w} value={w}>
              {LEVEL_WAYS[w]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Way />
    </>
  );
}

function Height() {
  const { numbers, records } = useNight();
  const { format } = useShared();
  const looksThrough = useHas().has('polarFinder');
  const { mount, support } = numbers;
  if (!mount || support?.supportKind !== 'tripod' || !mountTraits(mount).hasPolarAxis) return null;
  const words = looksThrough
    ? heightWords(heightAdvice(pivotHeightM(mount, support), records.site.latDeg), format)
    : NO_FINDER_HEIGHT;
  return (
    <div className="section">
      <h2>Height of the legs</h2>
      <p>{words}</p>
    </div>
  );
}

export function Level({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const has = useHas();
  const { saying, tilt, legs } = levelModel(night);
  const stretchAt = (azimuthDeg: number): string | null => {
    const leg = legs.find((l) => Math.abs(l.azimuthDeg - azimuthDeg) < 1e-6);
    return leg ? `+${format.quantity(leg.stretchM, 'barLength')}` : null;
  };
  const sentence = levelSentence(saying, format, has.has('legs'));
  return (
    <BenchLayout
      title={has.has('polarAxis') ? LEVEL_NAMES.both : LEVEL_NAMES.level}
      tabs={tabs}
      sentence={sentence}
      reason={levelReason(has)}
      instrumentName="The feet"
    >
      <div className="dial-row">
        <CompassRose
          label={plain(sentence)}
          declinationDeg={has.has('polarAxis') ? magneticOfNight(night).declinationDeg : null}
          poleDeg={has.has('polarAxis') ? bearingModel(night).poleDeg : null}
          feet={feetOf(night).map((azimuthDeg) => ({ azimuthDeg, text: stretchAt(azimuthDeg) }))}
          axisDeg={null}
          tilt={tilt ?? { tiltDeg: 0, uphillAzimuthDeg: 0 }}
        />
        <p className="soft">
          The bubble stands toward the high side.
          {tripodOf(night) && ' Numbers at the feet: how much longer each leg becomes, measured along it.'}
        </p>
      </div>
      <ReadLevel />
      <LegMoved />
      <Height />
    </BenchLayout>
  );
}
