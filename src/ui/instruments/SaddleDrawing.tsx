/** The tube level on its saddle, to scale along it, the front on the left: ghost = where it lies, dashed = where it should
 *  lie, the saddle and its rings fixed. */
import type { Tape } from '../../core/mount/tape.ts';
import type { Format } from '../../text/format.ts';
import { useWidth } from '../useWidth.ts';
import { Guessed } from './Guessed.tsx';
import { MoveArrow } from './MoveArrow.tsx';
import { Ruler } from './Ruler.tsx';

type Props = {
  label: string;
  tube: { frontM: number; backM: number; radiusM: number };
  /** Something that slides was never weighed or measured. */
  guessed: boolean;
  /** What hangs behind the tube: from its own mark back to its end. */
  behindM: number;
  setM: number;
  predictedM: number;
  likelyM: readonly [number, number] | null;
  rangeM: readonly [number, number];
  tape: Tape;
  caption: string;
  words: { front: string; rear: string; saddle: string };
  format: Format;
};

const NARROWEST = 300;
const TUBE_Y = 84;
const RING_M = 0.07;

type Scale = (placeM: number) => number;

function Tube({ x, perM, tube, behindM, atM, solid, guessed = false }: Pick<Props, 'tube' | 'behindM'> & TubeAt) {
  const half = Math.min(44, Math.max(16, tube.radiusM * perM));
  const [front, back, end] = [x(atM + tube.frontM), x(atM - tube.backM), x(atM - behindM)];
  const box = { x: front, y: TUBE_Y - half, width: back - front, height: 2 * half, rx: 5 };
  const look = solid
    ? { fill: 'var(--ghost)', fillOpacity: 0.55, stroke: 'none' }
    : { fill: 'none', stroke: 'var(--action)', strokeWidth: 2.5, strokeDasharray: '5 4' };
  return (
    <g {...look}>
      <rect {...box} />
      {end > back + 2 && <rect x={back} y={TUBE_Y - half * 0.6} width={end - back} height={1.2 * half} rx={3} />}
      {solid && guessed && <Guessed {...box} />}
    </g>
  );
}
type TubeAt = { x: Scale; perM: number; atM: number; solid: boolean; guessed?: boolean };

function Saddle({ x, word }: { x: Scale; word: string }) {
  const [left, right] = [x(RING_M), x(-RING_M)];
  return (
    <g>
      {[left, right].map((at) => (
        <rect key={at} x={at - 5} y={TUBE_Y - 50} width={10} height={100} rx={4} fill="var(--metal)" />
      ))}
      <rect
        x={left - 14}
        y={TUBE_Y + 50}
        width={right - left + 28}
        height={16}
        rx={4}
        fill="var(--tint)"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <path d={`M${x(0)} ${TUBE_Y + 50}v16`} stroke="var(--ink)" strokeWidth="2" />
      <text x={x(0)} y={TUBE_Y + 86} textAnchor="middle" fontSize="13" fill="var(--soft)">
        {word}
      </text>
    </g>
  );
}

export function SaddleDrawing(props: Props) {
  const [ref, measured] = useWidth<HTMLDivElement>(680);
  const width = Math.max(NARROWEST, measured);
  const { tube, behindM, setM, predictedM, tape, words, format } = props;
  const places = [setM, predictedM];
  const left = Math.max(...places) + tube.frontM + 0.04;
  const right = behindM - Math.min(...places) + 0.04;
  const perM = (width - 20) / (left + right);
  const x: Scale = (placeM) => 10 + (left - placeM) * perM;
  const moves = Math.abs(predictedM - setM) > 0.0005;
  return (
    <div ref={ref}>
      <svg className="instrument" viewBox={`0 0 ${width} 270`} role="img" aria-label={props.label}>
        <Tube x={x} perM={perM} tube={tube} behindM={behindM} atM={setM} solid guessed={props.guessed} />
        <Saddle x={x} word={words.saddle} />
        <Tube x={x} perM={perM} tube={tube} behindM={behindM} atM={predictedM} solid={false} />
        {moves && (
          <MoveArrow
            y={22}
            from={x(setM + tube.frontM)}
            to={x(predictedM + tube.frontM)}
            text={format.quantity(Math.abs(predictedM - setM), 'barLength')}
          />
        )}
        <text x={4} y={TUBE_Y + 86} fontSize="13" fill="var(--soft)">
          {words.front}
        </text>
        <text x={width - 4} y={TUBE_Y + 86} textAnchor="end" fontSize="13" fill="var(--soft)">
          {words.rear}
        </text>
        <Ruler
          x={x}
          y={204}
          tape={tape}
          lengthM={tape.sense === 1 ? left - 0.04 : right - 0.04}
          rangeM={props.rangeM}
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
