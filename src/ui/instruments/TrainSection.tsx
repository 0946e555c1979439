/** The light path in section, to scale: from the corrector's rear flange to the sensor, every piece numbered, filter
 *  glass, and the wanted distance as a line that is solid when it is met. */
import { useRef, type ReactNode } from 'react';
import { isKnownRight, type Spacing } from '../../core/optics/spacing.ts';
import type { Format } from '../../text/format.ts';
import { SaveDrawing } from '../charts/SaveDrawing.tsx';
import { useWidth } from '../useWidth.ts';
import { Guessed } from './Guessed.tsx';
import { useTrainGrip } from './trainGrip.ts';

type Props = {
  label: string;
  spacing: Spacing;
  plates: readonly { id: string; thicknessMm: number }[];
  format: Format;
  /** Parts that stand turned round. */
  turned: readonly string[];
  /** Pieces before which a joint does not screw together, or stays open. */
  badJoints: readonly { piece: number; isOpen: boolean }[];
  /** Puts a piece at another place; absent = the train is only shown. */
  onMove?: ((from: number, to: number) => void) | undefined;
};

const NARROWEST = 300;
const [TOP, TALL] = [46, 84];
const FLANGE_X = 64;

function Corrector() {
  const [x, y] = [FLANGE_X, TOP - 8];
  return (
    <g stroke="var(--ink)" strokeWidth="2">
      <rect x={x - 52} y={y} width={52} height={TALL + 16} rx={4} fill="var(--sheet)" />
      <path
        d={`M${x - 34} ${y + 10}q14 ${TALL / 2 - 2} 0 ${TALL - 4}q-14 ${-(TALL / 2 - 2)} 0 ${-(TALL - 4)}z`}
        fill="var(--tint)"
        strokeWidth="1.5"
      />
    </g>
  );
}

type PieceProps = {
  fromX: number;
  toX: number;
  number: number;
  isCamera: boolean;
  isTurned: boolean;
  isGuessed: boolean;
};

function Piece({ fromX, toX, number, isCamera, isTurned, isGuessed }: PieceProps) {
  const width = Math.max(2, toX - fromX);
  const inset = isCamera ? 0 : (number % 2) * 6;
  const box = { x: fromX, y: TOP + inset, width, height: TALL - 2 * inset };
  return (
    <g>
      <rect {...box} fill={isCamera ? 'var(--sheet)' : 'var(--metal)'} stroke="var(--ink)" strokeWidth="1.5" />
      {isGuessed && <Guessed {...box} />}
      <text
        x={fromX + width / 2}
        y={width > 16 ? TOP + TALL / 2 + 6 : TOP - 8}
        textAnchor="middle"
        className="figures"
        fontSize="16"
        fontWeight="700"
        fill="var(--ink)"
      >
        {number}
      </text>
      {isTurned && width > 26 && (
        <path
          d={`M${fromX + width / 2 + 10} ${TOP + TALL - 14}h-20m5 -5l-5 5l5 5`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
    </g>
  );
}

type HandleProps = PieceProps & { name: string; count: number; grip: ReturnType<typeof useTrainGrip> };

/** A piece that can be put elsewhere: a slider over the places for hands, keys and screen readers. */
function Handle({ name, count, grip, ...piece }: HandleProps) {
  const index = piece.number - 1;
  const byX = grip.held?.index === index ? grip.held.byX : 0;
  return (
    <g
      className="rail-handle"
      role="slider"
      tabIndex={0}
      aria-label={`Move ${name}`}
      aria-valuemin={1}
      aria-valuemax={count}
      aria-valuenow={piece.number}
      aria-valuetext={`place ${piece.number} of ${count}`}
      transform={`translate(${byX} 0)`}
      onPointerDown={(event) => grip.begin(index, event)}
      onKeyDown={(event) => grip.keys(index, event)}
    >
      <rect
        x={(piece.fromX + piece.toX) / 2 - Math.max(22, (piece.toX - piece.fromX) / 2)}
        y={TOP - 22}
        width={Math.max(44, piece.toX - piece.fromX)}
        height={TALL + 30}
        fill="transparent"
      />
      <Piece {...piece} />
    </g>
  );
}

/** Two pieces that do not screw together, or stand apart because a thread is too long. */
function BadJoint({ x, isOpen }: { x: number; isOpen: boolean }) {
  const [from, to] = [TOP - 2, TOP + TALL + 2];
  const step = (to - from) / 6;
  return isOpen ? (
    <path d={`M${x} ${from}V${to}`} stroke="var(--amber)" strokeWidth="4" strokeDasharray="2 4" />
  ) : (
    <path
      d={`M${x} ${from}${Array.from({ length: 6 }, (_, i) => `l${i % 2 === 0 ? 7 : -7} ${step}`).join('')}`}
      fill="none"
      stroke="var(--brick)"
      strokeWidth="4"
    />
  );
}

/** Where the sensor should stand. */
function Target({ x, spacing, format }: { x: number; spacing: Spacing; format: Format }) {
  const met = isKnownRight(spacing);
  const colour = met ? 'var(--moss)' : 'var(--amber)';
  return (
    <g>
      <path
        d={`M${x} ${TOP - 16}V${TOP + TALL + 26}`}
        stroke={colour}
        strokeWidth="3"
        strokeDasharray={met ? undefined : '6 5'}
      />
      <text x={x} y={TOP - 24} textAnchor="middle" fontSize="14" fill="var(--ink)">
        <tspan className="figures" fontWeight="700">
          {format.quantity(spacing.neededMm, 'opticsMm')}
        </tspan>{' '}
        wanted
      </text>
    </g>
  );
}

/** Filter glass stands in the first piece that has room for it. */
function Glass({ plates, x, perMm }: { plates: Props['plates']; x: number; perMm: number }) {
  return plates.map((plate, i) => (
    <rect
      key={plate.id}
      x={x + 12 + i * 8}
      y={TOP + 10}
      width={Math.max(3, plate.thicknessMm * perMm)}
      height={TALL - 20}
      fill="var(--tint)"
      stroke="var(--action)"
      strokeWidth="1.5"
    />
  ));
}

/** From flange to sensor, as it is. */
function Present({ sensorX, children }: { sensorX: number; children: ReactNode }) {
  return (
    <>
      <path d={`M${sensorX} ${TOP + 14}V${TOP + TALL - 14}`} stroke="var(--action)" strokeWidth="7" />
      <path
        d={`M${FLANGE_X} ${TOP + TALL + 14}V${TOP + TALL + 30}M${sensorX} ${TOP + TALL + 14}V${TOP + TALL + 30}`}
        stroke="var(--soft)"
      />
      <path d={`M${FLANGE_X} ${TOP + TALL + 22}H${sensorX}`} stroke="var(--soft)" />
      <text x={(FLANGE_X + sensorX) / 2} y={TOP + TALL + 44} textAnchor="middle" fontSize="14" fill="var(--soft)">
        {children}
      </text>
    </>
  );
}

export function TrainSection({ label, spacing, plates, format, turned, badJoints, onMove }: Props) {
  const [ref, measured] = useWidth<HTMLDivElement>(680);
  const svgRef = useRef<SVGSVGElement>(null);
  const width = Math.max(NARROWEST, measured);
  const longestMm = Math.max(spacing.neededMm, spacing.presentMm) + 4;
  const perMm = (width - FLANGE_X - 40) / longestMm;
  const x = (mm: number): number => FLANGE_X + mm * perMm;
  const drawn = spacing.pieces.map((p) => ({ ...p, fromX: x(p.fromMm), toX: x(p.toMm) }));
  const [camera, movable] = [drawn.at(-1), drawn.slice(0, -1)];
  const grip = useTrainGrip({ pieces: movable, onMove });
  const roomy = spacing.pieces.find((p) => p.toMm - p.fromMm >= 10) ?? spacing.pieces[0];
  const pieceProps = (p: (typeof drawn)[number], i: number): PieceProps => ({
    fromX: p.fromX,
    toX: p.toX,
    number: i + 1,
    isCamera: p === camera,
    isTurned: turned.includes(p.id),
    isGuessed: p.isGuessed === true,
  });
  return (
    <div ref={ref} className="rails">
      <svg
        ref={svgRef}
        className="instrument"
        viewBox={`0 0 ${width} ${TOP + TALL + 52}`}
        role={onMove ? 'group' : 'img'}
        aria-label={label}
        onPointerMove={grip.move}
        onPointerUp={grip.end}
        onPointerCancel={grip.cancel}
      >
        <Corrector />
        {camera && <Piece {...pieceProps(camera, movable.length)} />}
        {movable.map((p, i) =>
          onMove ? (
            <Handle key={`${p.id}-${i}`} {...pieceProps(p, i)} name={p.name} count={movable.length} grip={grip} />
          ) : (
            <Piece key={`${p.id}-${i}`} {...pieceProps(p, i)} />
          ),
        )}
        <Glass plates={plates} x={roomy ? x((roomy.fromMm + roomy.toMm) / 2) : FLANGE_X} perMm={perMm} />
        {badJoints.map(({ piece, isOpen }) => (
          <BadJoint key={piece} x={drawn[piece]?.fromX ?? FLANGE_X} isOpen={isOpen} />
        ))}
        <Present sensorX={x(spacing.presentMm)}>
          flange to sensor{' '}
          <tspan className="figures" fontWeight="700" fill="var(--ink)">
            {format.quantity(spacing.presentMm, 'opticsMm')}
          </tspan>
        </Present>
        <Target x={x(spacing.neededMm)} spacing={spacing} format={format} />
      </svg>
      <SaveDrawing svg={svgRef} fileName="light-path" />
    </div>
  );
}
