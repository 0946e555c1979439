/** The counterweight bar lying level, to scale, seen from behind the mount: ghost = predicted, solid = set. */
import type { Tape } from '../../core/mount/tape.ts';
import { useWidth } from '../useWidth.ts';
import type { Format } from '../../text/format.ts';
import { Guessed } from './Guessed.tsx';
import { MoveArrow } from './MoveArrow.tsx';
import { Ruler } from './Ruler.tsx';

export type BarDrawingProps = {
  label: string;
  tube: { fromRaAxisM: number; radiusM: number; guessed: boolean };
  /** Other things on the tube's side, each at its distance. */
  others: readonly { id: string; fromRaAxisM: number }[];
  barEndM: number;
  barRangeM: readonly [number, number];
  weight: { massKg: number; thicknessM: number; guessed: boolean } | null;
  setM: number | null;
  predictedM: number | null;
  /** Nine times in ten it balances between, by the answers so far. */
  likelyM: readonly [number, number] | null;
  tape: Tape;
  caption: string;
  format: Format;
};

/** Drawn in CSS pixels of the place it gets, so that its words never shrink. */
const NARROWEST = 300;
const AXIS_Y = 104;

type Scale = (positionM: number) => number;

type WeightShape = { x: number; scale: number; thicknessM: number; solid: boolean; guessed?: boolean };

function Weight({ x, scale, thicknessM, solid, guessed = false }: WeightShape) {
  const width = Math.max(16, thicknessM * scale);
  const box = { x: x - width / 2, y: AXIS_Y - 40, width, height: 80, rx: 6 };
  return (
    <>
      <rect
        {...box}
        fill={solid ? 'var(--ghost)' : 'none'}
        fillOpacity={solid ? 0.75 : 1}
        stroke={solid ? 'none' : 'var(--action)'}
        strokeWidth={solid ? 0 : 2.5}
        strokeDasharray={solid ? undefined : '5 4'}
      />
      {guessed && <Guessed {...box} />}
    </>
  );
}

type HeadProps = { x: Scale; tubeX: number; tubeRadius: number; guessed: boolean };

function Head({ x, tubeX, tubeRadius, guessed }: HeadProps) {
  const axis = x(0);
  return (
    <g stroke="var(--ink)" strokeWidth="2">
      <rect
        x={tubeX + tubeRadius - 2}
        y={AXIS_Y - 15}
        width={Math.max(4, axis - 52 - tubeX - tubeRadius + 4)}
        height={30}
        fill="var(--tint)"
      />
      <rect x={axis - 54} y={AXIS_Y - 26} width={82} height={52} rx={7} fill="var(--sheet)" />
      <circle cx={tubeX} cy={AXIS_Y} r={tubeRadius} fill="var(--sheet)" />
      {guessed && (
        <Guessed
          x={tubeX - tubeRadius}
          y={AXIS_Y - tubeRadius}
          width={2 * tubeRadius}
          height={2 * tubeRadius}
          rx={tubeRadius}
        />
      )}
      <circle cx={tubeX} cy={AXIS_Y} r={tubeRadius * 0.82} fill="none" stroke="var(--metal)" strokeWidth="6" />
      <circle cx={axis} cy={AXIS_Y} r={13} fill="none" />
      <circle cx={axis} cy={AXIS_Y} r={3.5} fill="var(--ink)" stroke="none" />
    </g>
  );
}

type WeightsProps = Pick<BarDrawingProps, 'setM' | 'predictedM' | 'format'> & {
  x: Scale;
  scale: number;
  weight: NonNullable<BarDrawingProps['weight']>;
};

/** Solid where the weight is, dashed where it should be, an arrow between. */
function Weights({ x, scale, weight, setM, predictedM, format }: WeightsProps) {
  const set =
    setM === null ? null : (
      <Weight x={x(setM)} scale={scale} thicknessM={weight.thicknessM} guessed={weight.guessed} solid />
    );
  if (predictedM === null) return set;
  const moves = setM !== null && Math.abs(predictedM - setM) > 0.0005;
  return (
    <>
      {set}
      <Weight x={x(predictedM)} scale={scale} thicknessM={weight.thicknessM} solid={false} />
      <text
        x={x(predictedM)}
        y={AXIS_Y - 50}
        textAnchor="middle"
        className="figures"
        fontSize="15"
        fontWeight="700"
        fill="var(--ink)"
      >
        {format.quantity(weight.massKg, 'mass')}
      </text>
      {moves && (
        <MoveArrow
          y={AXIS_Y + 60}
          from={x(setM)}
          to={x(predictedM)}
          text={format.quantity(Math.abs(predictedM - setM), 'barLength')}
        />
      )}
    </>
  );
}

export function BarDrawing(props: BarDrawingProps) {
  const [ref, measured] = useWidth<HTMLDivElement>(680);
  const width = Math.max(NARROWEST, measured);
  const { tube, others, barEndM, barRangeM, weight, setM, predictedM, tape, format } = props;
  const left = Math.max(tube.fromRaAxisM + tube.radiusM, ...others.map((o) => o.fromRaAxisM)) + 0.02;
  const right = Math.max(barEndM, predictedM ?? 0, setM ?? 0) + 0.05;
  const scale = (width - 30) / (left + right);
  const x: Scale = (positionM) => 15 + (left + positionM) * scale;
  const tubeX = x(-tube.fromRaAxisM);
  return (
    <div ref={ref}>
      <svg className="instrument" viewBox={`0 0 ${width} 268`} role="img" aria-label={props.label}>
        <rect x={x(0)} y={AXIS_Y - 7} width={x(barEndM) - x(0)} height={14} fill="var(--metal)" stroke="var(--ghost)" />
        <rect x={x(barEndM)} y={AXIS_Y - 13} width={9} height={26} rx={3} fill="var(--amber)" />
        {others.map((o) => (
          <circle key={o.id} cx={x(-o.fromRaAxisM)} cy={AXIS_Y} r={7} fill="var(--tint)" stroke="var(--soft)" />
        ))}
        <Head x={x} tubeX={tubeX} tubeRadius={Math.max(14, tube.radiusM * scale)} guessed={tube.guessed} />
        {weight && <Weights x={x} scale={scale} weight={weight} setM={setM} predictedM={predictedM} format={format} />}
        <text x={x(0)} y={AXIS_Y - 34} textAnchor="middle" fontSize="14" fill="var(--soft)">
          polar axis
        </text>
        <text x={2} y={20} fontSize="13" fill="var(--soft)">
          seen from behind, bar level
        </text>
        <Ruler
          x={x}
          y={196}
          tape={tape}
          lengthM={tape.sense === 1 ? right - 0.05 - tape.originM : tape.originM}
          rangeM={barRangeM}
          markM={predictedM}
          likelyM={props.likelyM}
          caption={props.caption}
          widthPx={width}
          format={format}
        />
      </svg>
    </div>
  );
}
