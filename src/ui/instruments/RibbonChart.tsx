/** The night as a ribbon: darkness bands, altitudes of target and moon, sub blocks, the flip. All static paths; the
 *  cursor is drawn by its own component. */
import { memo } from 'react';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Flip } from '../../core/night/plan/plan.ts';
import { phaseAt, type SkyPhase } from '../../core/night/nightAt.ts';
import type { AltitudeTrack } from '../../core/night/plan/skyOfNight.ts';
import { MS_PER_HOUR } from '../../core/time/utc.ts';
import type { Format } from '../../text/format.ts';
import { polyline } from '../charts/polyline.ts';
import { hourMarks } from '../charts/hourMarks.ts';
import { straightScale, type StraightScale } from '../charts/straightScale.ts';

const STRIP = 20;
/** On a lower ribbon the flip's time would lie on the curves; the meridian bench says it. */
const LABELLED_HEIGHT = 80;
const BAND_COLOUR: Record<SkyPhase, string> = {
  day: 'var(--sky-day)',
  civil: 'var(--sky-civil)',
  nautical: 'var(--sky-nautical)',
  astronomical: 'var(--sky-astronomical)',
  night: 'var(--sky-night)',
};

type Props = { night: NightStatic; width: number; height: number; format: Format };

export function ribbonScale({ sky }: NightStatic, width: number): StraightScale {
  return straightScale([sky.view.fromMs, sky.view.toMs], [0, width]);
}

/** Where one band of twilight gives way to the next, over the ribbon's view. */
function bands({ sky }: NightStatic): { phase: SkyPhase; fromMs: number; toMs: number }[] {
  const { fromMs, toMs } = sky.view;
  const edges = Object.values(sky.events.twilight).flatMap((t) => [t.duskMs, t.dawnMs]);
  const inside = edges.filter((t): t is number => t !== null && t > fromMs && t < toMs).sort((a, b) => a - b);
  const all = [fromMs, ...inside, toMs];
  return all.slice(1).map((end, i) => {
    const start = all[i] ?? fromMs;
    return { phase: phaseAt(sky, (start + end) / 2), fromMs: start, toMs: end };
  });
}

function ribbonHours(night: NightStatic, format: Format, width: number): { timeMs: number; text: string }[] {
  const { fromMs, toMs } = night.sky.view;
  const stepH = ((toMs - fromMs) / MS_PER_HOUR / width) * 64 > 1 ? 2 : 1;
  return hourMarks(fromMs, toMs, stepH, format).map(({ timeMs, hour }) => ({
    timeMs,
    text: String(hour).padStart(2, '0'),
  }));
}

function trackPath(track: AltitudeTrack, x: StraightScale, height: number): string {
  const y = straightScale([0, 90], [height - 16, STRIP + 6]);
  const points = track.altDeg.map((alt, i): [number, number] => [x(track.fromMs + i * track.stepMs), y(alt)]);
  return polyline(points, (py) => py < height + 40);
}

function Subs({ night, x, height }: { night: NightStatic; x: StraightScale; height: number }) {
  const groups = night.legs.flatMap(({ plan }) => plan?.subs ?? []);
  return (
    <g>
      {groups.map((sub) => (
        <rect
          key={sub.startMs}
          x={x(sub.startMs)}
          y={height - 14}
          width={Math.max(0.8, x(sub.endMs) - x(sub.startMs) - 0.6)}
          height={9}
          fill={sub.side === 'before' ? 'var(--sky-sub)' : 'var(--sky-sub-after)'}
        />
      ))}
    </g>
  );
}

function FlipMark({ flip, x, height, format }: { flip: Flip; x: StraightScale; height: number; format: Format }) {
  const [from, to] = [x(flip.startMs), Math.max(x(flip.endMs), x(flip.startMs) + 10)];
  return (
    <g>
      <path
        d={`M${from - 3} ${height - 4}L${from + 2} ${height - 22}H${to - 2}L${to + 3} ${height - 4}z`}
        fill="var(--sky-track)"
      />
      {height >= LABELLED_HEIGHT && (
        <text
          x={(from + to) / 2}
          y={height - 27}
          textAnchor="middle"
          className="mono-axis"
          fill="var(--sky-ink)"
          stroke="var(--sky-night)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          flip {format.clock(flip.startMs)}
        </text>
      )}
    </g>
  );
}

export const RibbonChart = memo(function RibbonChart({ night, width, height, format }: Props) {
  const x = ribbonScale(night, width);
  return (
    <svg width={width} height={height} aria-hidden="true">
      {bands(night).map((band) => (
        <rect
          key={band.fromMs}
          x={x(band.fromMs)}
          y={0}
          width={x(band.toMs) - x(band.fromMs) + 0.5}
          height={height}
          fill={BAND_COLOUR[band.phase]}
        />
      ))}
      <path
        d={trackPath(night.sky.moonTrack, x, height)}
        fill="none"
        stroke="var(--sky-moon)"
        strokeWidth="1.5"
        strokeDasharray="3 4"
      />
      {night.legs.map(
        ({ targetSky }, i) =>
          targetSky && (
            <path
              key={i}
              d={trackPath(targetSky.track, x, height)}
              fill="none"
              stroke="var(--sky-track)"
              strokeWidth={i === night.legIndex ? 2 : 1}
            />
          ),
      )}
      <Subs night={night} x={x} height={height} />
      {night.legs
        .flatMap(({ plan }) => plan?.flips ?? [])
        .map((flip) => (
          <FlipMark key={flip.startMs} flip={flip} x={x} height={height} format={format} />
        ))}
      <rect width={width} height={STRIP} fill="var(--sky-strip)" />
      {ribbonHours(night, format, width).map((mark) => (
        <text
          key={mark.timeMs}
          x={x(mark.timeMs)}
          y={14}
          textAnchor="middle"
          className="mono-axis"
          fill="var(--sky-ink)"
        >
          {mark.text}
        </text>
      ))}
    </svg>
  );
});
