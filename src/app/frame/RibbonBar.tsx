import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { altFromTrack } from '../../core/night/plan/skyOfNight.ts';
import { MS_PER_HOUR, MS_PER_MINUTE } from '../../core/time/utc.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { useRibbonAddress } from '../../session/useRibbonAddress.ts';
import { useIsLive, useRibbonTime } from '../../session/useTime.ts';
import { PHASE_NAMES } from '../../text/eventWords.ts';
import { phaseAt } from '../../core/night/nightAt.ts';
import { RibbonChart, ribbonScale } from '../../ui/instruments/RibbonChart.tsx';
import { useWidth } from '../../ui/useWidth.ts';

/** While the ribbon is scrubbed: where now is. */
function NowMark({ width, height }: { width: number; height: number }) {
  const night = useNight();
  const { clock } = useSession();
  const live = useIsLive();
  if (live) return null;
  const x = ribbonScale(night, width)(clock.nowMs());
  return (
    <g>
      <path d={`M${x} 20V${height}`} stroke="var(--sky-ink)" strokeWidth="1.5" strokeDasharray="2 3" />
      <text x={x + 4} y={34} className="mono-axis" fill="var(--sky-ink)">
        now
      </text>
    </g>
  );
}

/** The cursor follows the ribbon's time without a React render. */
function Cursor({ width, height }: { width: number; height: number }) {
  const night = useNight();
  const { ribbon } = useSession();
  const ref = useRef<SVGGElement>(null);
  useEffect(() => {
    const x = ribbonScale(night, width);
    const place = (): void => ref.current?.setAttribute('transform', `translate(${x(ribbon.timeMs())} 0)`);
    place();
    return ribbon.subscribe(place);
  }, [night, ribbon, width]);
  return (
    <svg
      width={width}
      height={height}
      style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}
      aria-hidden="true"
    >
      <NowMark width={width} height={height} />
      <g ref={ref}>
        <path d={`M0 0V${height}`} stroke="var(--sky-track)" strokeWidth="2" />
        <circle cy={height - 10} r="5" fill="var(--sky-track)" />
      </g>
    </svg>
  );
}

function useScrub(width: number) {
  const night = useNight();
  const { ribbon } = useSession();
  const { write } = useRibbonAddress();
  const { fromMs, toMs } = night.sky.view;
  const clamp = (timeMs: number): number => Math.min(toMs, Math.max(fromMs, timeMs));
  const toPointer = (event: PointerEvent<HTMLDivElement>): void => {
    const left = event.currentTarget.getBoundingClientRect().left;
    ribbon.scrubTo(clamp(ribbonScale(night, width).invert(event.clientX - left)));
  };
  const step = (ms: number): void => ribbon.scrubTo(clamp(ribbon.aimMs() + ms));
  const goLive = (): void => {
    ribbon.goLive();
    write();
  };
  return { toPointer, step, goLive, write };
}

function Slider({ width }: { width: number }) {
  const night = useNight();
  const { format } = useShared();
  const { toPointer, step, write } = useScrub(width);
  const minute = useRibbonTime((timeMs) => Math.round(timeMs / MS_PER_MINUTE));
  const timeMs = minute * MS_PER_MINUTE;
  const { fromMs, toMs } = night.sky.view;
  const target = night.targetSky
    ? `, target ${format.quantity(altFromTrack(night.targetSky.track, timeMs), 'angleDeg', 0)} high`
    : '';
  const onKeyDown = (event: KeyboardEvent): void => {
    const size = event.shiftKey ? MS_PER_HOUR : 5 * MS_PER_MINUTE;
    const moves: Record<string, number> = {
      ArrowLeft: -size,
      ArrowDown: -size,
      ArrowRight: size,
      ArrowUp: size,
      PageDown: -MS_PER_HOUR,
      PageUp: MS_PER_HOUR,
    };
    const move = moves[event.key];
    if (move === undefined) return;
    event.preventDefault();
    step(move);
  };
  return (
    <div
      className="ribbon-slider"
      role="slider"
      tabIndex={0}
      aria-label="Time of the night"
      aria-valuemin={Math.round(fromMs / MS_PER_MINUTE)}
      aria-valuemax={Math.round(toMs / MS_PER_MINUTE)}
      aria-valuenow={Math.min(Math.round(toMs / MS_PER_MINUTE), Math.max(Math.round(fromMs / MS_PER_MINUTE), minute))}
      aria-valuetext={`${format.clock(timeMs)}, ${PHASE_NAMES[phaseAt(night.sky, timeMs)]}${target}`}
      onKeyDown={onKeyDown}
      onKeyUp={() => write()}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        toPointer(event);
      }}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) toPointer(event);
      }}
      onPointerUp={() => write()}
    />
  );
}

function NowButton({ width }: { width: number }) {
  const { goLive } = useScrub(width);
  const live = useIsLive();
  if (live) return null;
  return (
    <button type="button" className="now-button" onClick={goLive}>
      Now
    </button>
  );
}

/** The night ribbon along the bottom. */
export function RibbonBar() {
  const night = useNight();
  const { format } = useShared();
  const [ref, width] = useWidth<HTMLDivElement>(1280);
  const height = width < 760 ? 56 : 92;
  return (
    <section className="ribbon" ref={ref} aria-label="Night ribbon">
      <RibbonChart night={night} width={width} height={height} format={format} />
      <Cursor width={width} height={height} />
      <Slider width={width} />
      <NowButton width={width} />
    </section>
  );
}
