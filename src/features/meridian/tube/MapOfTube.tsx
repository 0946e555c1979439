import { contours } from 'd3';
import { decOfRow, haOfColumn, MAP_GRID, type ClearanceMap } from '../../../core/mount/clearanceMap.ts';
import type { FlipState } from '../../../core/mount/pose.ts';
import { CLEARANCE_MARGIN_M, type TubeClearance } from '../../../core/night/plan/tubeClearance.ts';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import { Queries } from '../../../session/Queries.tsx';
import { useNight, useShared } from '../../../session/session.ts';
import { useClearanceMap } from '../../../session/useClearanceMap.ts';
import { useIsAhead, useRibbonTime } from '../../../session/useTime.ts';
import { CLEAR, mapWords } from '../../../text/clearanceWords.ts';
import { ChartFrame, type Scales } from '../../../ui/charts/ChartFrame.tsx';
import { isAfterFlip, pathInState } from '../model.ts';

const { columns, rows } = MAP_GRID;

/** Outline of all places that are nearer than a distance. */
function nearerThan({ gapM }: ClearanceMap, limitM: number, { x, y }: Scales): string {
  const { coordinates } = contours()
    .size([columns, rows])
    .contour(
      Array.from(gapM, (gap) => -gap),
      -limitM,
    );
  // The middle of a cell is half a step from its edge.
  const place = ([column = 0, row = 0]: readonly number[]): string =>
    `${x(haOfColumn(column - 0.5)).toFixed(1)} ${y(decOfRow(row - 0.5)).toFixed(1)}`;
  return coordinates.flatMap((polygon) => polygon.map((ring) => `M${ring.map(place).join('L')}Z`)).join('');
}

function Plot({
  map,
  shiftM,
  night,
  scales,
}: {
  map: ClearanceMap;
  shiftM: number;
  night: NightStatic;
  scales: Scales;
}) {
  const { x, y, width, height } = scales;
  const path = pathInState(night, map.state);
  const decDeg = night.targetSky?.ofDate.decDeg ?? 0;
  return (
    <svg width={width} height={height} overflow="hidden">
      <path
        d={nearerThan(map, CLEARANCE_MARGIN_M - shiftM, scales)}
        fill="var(--amber)"
        fillOpacity="0.45"
        fillRule="evenodd"
      />
      <path d={nearerThan(map, -shiftM, scales)} fill="var(--ink)" fillOpacity="0.75" fillRule="evenodd" />
      <path d={`M${x(0)} 0V${height}`} stroke="var(--soft)" strokeDasharray="4 4" />
      {path && (
        <path
          d={`M${x(path[0])} ${y(decDeg)}H${x(path[1])}`}
          stroke="var(--action)"
          strokeWidth="5"
          strokeLinecap="round"
        />
      )}
    </svg>
  );
}

function Chart({ tube, state }: { tube: TubeClearance; state: FlipState }) {
  const night = useNight();
  const { format } = useShared();
  const { latDeg } = night.records.site;
  const { map, missing } = useClearanceMap({ geometry: tube.geometry, latDeg, state });
  if (missing) return <p className="soft">{CLEAR.mapMissing}</p>;
  return (
    <ChartFrame
      label={mapWords(state)}
      fileName="tube-clearance"
      height={280}
      x={{
        domain: MAP_GRID.haH,
        label: 'hour angle',
        format: (v) => format.quantity(v, 'hours', 0),
        ticks: [-6, -3, 0, 3, 6, 9, 12],
      }}
      y={{
        domain: latDeg < 0 ? [-90, latDeg + 90] : [latDeg - 90, 90],
        label: 'declination',
        format: (v) => format.quantity(v, 'angleDeg', 0),
      }}
    >
      {(scales) =>
        map && <Plot map={map} shiftM={Math.min(0, tube.shift?.shiftM ?? 0)} night={night} scales={scales} />
      }
    </ChartFrame>
  );
}

/** Where over the whole sky the tube would meet its tripod, in the state at the ribbon's time. What gaps take away is taken
 *  everywhere; what they add holds only where they were measured. */
export function MapOfTube({ tube }: { tube: TubeClearance }) {
  const night = useNight();
  const ahead = useIsAhead();
  const after = useRibbonTime((timeMs) => isAfterFlip(night, timeMs, ahead));
  const state = after ? 'afterFlip' : 'beforeFlip';
  return (
    <div className="section">
      <h2>{CLEAR.map}</h2>
      <p className="soft mb-1">{mapWords(state)}</p>
      <Queries>
        <Chart tube={tube} state={state} />
      </Queries>
    </div>
  );
}
