/** The view through a polar finder: its own engraving, the pole in the middle, stars where they stand now. */
import { memo } from 'react';
import { times, type PlatePoint } from '../../core/mount/finderPlate.ts';
import type { FieldStar } from '../../core/mount/poleField.ts';
import { PlateDrawing, type Plate, type PlateRing } from './PlateDrawing.tsx';
import { boxOf, placeLabels, reach, type Box, type Label, type Obstacle } from './placeLabels.ts';
import { atAngle, toPixels, VIEW_CENTRE, VIEW_RADIUS } from './plateView.ts';
import { RoundView } from './RoundView.tsx';

export type DialStar = { name: string; viewAngleDeg: number; distanceArcmin: number; lead: boolean };
export type PoleDialProps = {
  label: string;
  plate: Plate;
  plateTurnDeg: number;
  /** How far the engraved stars are turned to lie as the sky does now. */
  spotsTurnDeg: number;
  /** What the edge of the view stands for. */
  radiusArcmin: number;
  stars: readonly DialStar[];
  /** Fainter stars at sidereal time 0, and how far the sky has turned since, clockwise in the view. */
  field: readonly FieldStar[];
  fieldTurnDeg: number;
  /** View angles of the leading star over the coming hours, each with the clock's words. */
  path: readonly { viewAngleDeg: number; text: string }[];
  /** Of the cross from the axis: the stars circle the axis, not the cross. */
  crossOffset: PlatePoint | null;
  /** Where the leading star was seen to stand. */
  seen: PlatePoint | null;
  onTap?: ((place: PlatePoint) => void) | undefined;
};

const FAINTEST_DRAWN = 9.5;

const Field = memo(function Field({ stars, radiusArcmin }: { stars: readonly FieldStar[]; radiusArcmin: number }) {
  return (
    <g fill="var(--soft)">
      {stars.map((star) => {
        const [x, y] = toPixels(star, radiusArcmin);
        return (
          <circle
            key={`${star.xArcmin} ${star.yArcmin}`}
            cx={x}
            cy={y}
            r={Math.max(0.8, (FAINTEST_DRAWN - star.magnitude) * 0.55)}
          />
        );
      })}
    </g>
  );
});

/** A Greek letter alone says which one it is; a number needs its constellation. */
function shortName(name: string): string {
  const [first = name] = name.split(' ');
  return /^\d/.test(first) ? name : first;
}

function Star({ star, scale }: { star: DialStar; scale: number }) {
  const [x, y] = atAngle(star.viewAngleDeg, star.distanceArcmin * scale);
  const side = x < VIEW_CENTRE ? -1 : 1;
  return (
    <g>
      {star.lead && <circle cx={x} cy={y} r={13} fill="none" stroke="var(--amber)" strokeWidth="2.5" />}
      <circle cx={x} cy={y} r={star.lead ? 6.5 : 4.5} fill={star.lead ? 'var(--amber)' : 'var(--ink)'} />
      {!star.lead && (
        <text x={x + side * 11} y={y + 5} textAnchor={side < 0 ? 'end' : 'start'} fontSize="16" fill="var(--soft)">
          {shortName(star.name)}
        </text>
      )}
    </g>
  );
}

const FONT = 16;
/** Beside its dot: outward first, then inward, then a little along the circle. */
const OFFSETS = [20, -20, 28, -28, 36, -36, 44, -44, 54, -54].flatMap((out) =>
  [0, 6, -6, 12, -12].map((along) => [out, along] as const),
);

/** Words that lie as near to another dot would name that one. */
const CLEARLY_NEARER = 0.7;

function namesItsOwn(
  text: string,
  place: readonly [number, number],
  own: readonly [number, number],
  dots: readonly { at: readonly [number, number] }[],
): boolean {
  const box = boxOf(text, place, FONT);
  const far = ([x, y]: readonly [number, number]): number => reach(box, x, y)[0];
  const others = dots.filter(({ at }) => Math.hypot(at[0] - own[0], at[1] - own[1]) > 1);
  return others.every(({ at }) => far(own) < CLEARLY_NEARER * far(at));
}

type LabelsProps = Pick<PoleDialProps, 'path' | 'plate' | 'radiusArcmin' | 'stars'> & {
  lead: DialStar;
  radius: number;
  /** Middle of the plate, which the cross' own offset moves against the sky. */
  plateAt: readonly [number, number];
};

/** Ring words stand on the side where the leading star is not. */
const wordsAbove = (lead: DialStar | undefined): boolean =>
  lead !== undefined && Math.cos((lead.viewAngleDeg * Math.PI) / 180) < 0;

function ringWordsBox(ring: PlateRing, scale: number, lead: DialStar, [x, y]: readonly [number, number]): Box {
  const at = y + (wordsAbove(lead) ? -ring.arcmin * scale - 11 : ring.arcmin * scale + 8);
  return boxOf(ring.text, [x + 6 + ring.text.length * FONT * 0.3, at], FONT);
}

/** The hours to come and the pole's name, wherever they lie over nothing. */
function Labels({ path, plate, radiusArcmin, stars, lead, radius, plateAt }: LabelsProps) {
  const [plateX, plateY] = plateAt;
  const scale = VIEW_RADIUS / radiusArcmin;
  const [cx, cy] = [VIEW_CENTRE, VIEW_CENTRE];
  const dots = [
    ...path.map((p) => ({ at: atAngle(p.viewAngleDeg, radius), r: 5 })),
    ...stars.map((s) => ({ at: atAngle(s.viewAngleDeg, s.distanceArcmin * scale), r: s === lead ? 14 : 5 })),
  ];
  const obstacles: Obstacle[] = [
    ...dots.map(({ at: [x, y], r }): Obstacle => ({ kind: 'dot', x, y, r })),
    ...[...plate.rings.map(({ arcmin }) => arcmin * scale), VIEW_RADIUS].map((r): Obstacle => ({
      kind: 'ring',
      x: plateX,
      y: plateY,
      r,
    })),
    ...plate.rings.map((ring): Obstacle => ({ kind: 'box', box: ringWordsBox(ring, scale, lead, [plateX, plateY]) })),
    { kind: 'dot', x: cx, y: cy, r: 7 },
  ];
  const hours = path.map((p): Label => ({
    text: p.text,
    places: OFFSETS.map(([out, along]) => atAngle(p.viewAngleDeg + along, radius + out)).filter((place) =>
      namesItsOwn(p.text, place, atAngle(p.viewAngleDeg, radius), dots),
    ),
  }));
  const side = Math.sin((lead.viewAngleDeg * Math.PI) / 180) > 0 ? -1 : 1;
  const pole: Label = {
    text: 'pole',
    places: [
      [cx + side * 34, cy - 12],
      [cx + side * 34, cy + 14],
    ],
  };
  return placeLabels([...hours, pole], obstacles, FONT).map(({ text, x, y }) => (
    <text key={text} x={x} y={y + 5} textAnchor="middle" className="figures" fontSize={FONT} fill="var(--soft)">
      {text}
    </text>
  ));
}

/** The leading star's way over the coming hours, on its own circle. */
function Path({ path, radius }: { path: PoleDialProps['path']; radius: number }) {
  return path.map((p) => {
    const [x, y] = atAngle(p.viewAngleDeg, radius);
    return <circle key={p.text} cx={x} cy={y} r={4.5} fill="var(--sheet)" stroke="var(--amber)" strokeWidth="2" />;
  });
}

/** Everything that circles the axis. */
function Sky({ stars, field, fieldTurnDeg, radiusArcmin, crossOffset, path, plate }: PoleDialProps) {
  const scale = VIEW_RADIUS / radiusArcmin;
  const [ax, ay] = toPixels(crossOffset ? times(crossOffset, -1) : { xArcmin: 0, yArcmin: 0 }, radiusArcmin);
  const lead = stars.find((s) => s.lead);
  return (
    <g transform={`translate(${ax - VIEW_CENTRE} ${ay - VIEW_CENTRE})`}>
      <g transform={`rotate(${fieldTurnDeg} ${VIEW_CENTRE} ${VIEW_CENTRE})`}>
        <Field stars={field} radiusArcmin={radiusArcmin} />
      </g>
      {lead && (
        <path
          d={`M${VIEW_CENTRE} ${VIEW_CENTRE}L${atAngle(lead.viewAngleDeg, lead.distanceArcmin * scale).join(' ')}`}
          stroke="var(--amber)"
          strokeWidth="1.5"
          strokeDasharray="5 5"
        />
      )}
      {lead && <Path path={path} radius={lead.distanceArcmin * scale} />}
      {crossOffset && <circle cx={VIEW_CENTRE} cy={VIEW_CENTRE} r={4} fill="none" stroke="var(--ink)" />}
      {lead && (
        <Labels
          path={path}
          plate={plate}
          radiusArcmin={radiusArcmin}
          stars={stars}
          lead={lead}
          radius={lead.distanceArcmin * scale}
          plateAt={[2 * VIEW_CENTRE - ax, 2 * VIEW_CENTRE - ay]}
        />
      )}
      {stars
        .filter((star) => star.distanceArcmin <= radiusArcmin)
        .map((star) => (
          <Star key={star.name} star={star} scale={scale} />
        ))}
    </g>
  );
}

function Seen({ seen, radiusArcmin }: { seen: PlatePoint; radiusArcmin: number }) {
  const [x, y] = toPixels(seen, radiusArcmin);
  return (
    <path
      d={`M${x - 9} ${y - 9}l18 18M${x + 9} ${y - 9}l-18 18`}
      stroke="var(--action)"
      strokeWidth="3.5"
      strokeLinecap="round"
    />
  );
}

export function PoleDial(props: PoleDialProps) {
  const { label, plate, plateTurnDeg, spotsTurnDeg, radiusArcmin, seen, onTap } = props;
  const lead = props.stars.find((s) => s.lead);
  return (
    <RoundView label={label} radiusArcmin={radiusArcmin} onTap={onTap}>
      <PlateDrawing
        plate={plate}
        radiusArcmin={radiusArcmin}
        turnDeg={plateTurnDeg}
        spotsTurnDeg={spotsTurnDeg}
        wordsAbove={wordsAbove(lead)}
      />
      <Sky {...props} />
      {seen && <Seen seen={seen} radiusArcmin={radiusArcmin} />}
    </RoundView>
  );
}
