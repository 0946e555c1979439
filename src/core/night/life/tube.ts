/** Where the tube stands at a moment, and whether it may. */
import { windowsFrom, type Flip, type MountSide, type Plan, type SideWindow } from '../plan/plan.ts';

type Way = { timeMs: number; side: MountSide };

/** The side at a moment by a plan: of the last sub that began, or of the last flip, from whose beginning on the tube is on its
 *  way. @param recordedOnly flips that nobody recorded, and what lies behind them, did not happen. */
export function sideAt(
  { subs, lost, flips }: Pick<Plan, 'subs' | 'lost' | 'flips'>,
  timeMs: number,
  recordedOnly: boolean,
): MountSide | null {
  const undone = flips.find((f) => !f.done);
  const beforeMs = recordedOnly ? (undone?.startMs ?? Infinity) : Infinity;
  const ways: Way[] = [
    ...[...subs, ...lost]
      .filter((s) => s.startMs <= timeMs && s.startMs < beforeMs)
      .map((s) => ({ timeMs: s.startMs, side: s.side })),
    ...flips
      .filter((f) => f.startMs <= timeMs && (f.done || !recordedOnly))
      .map((f) => ({ timeMs: f.startMs, side: f.to })),
  ];
  return (
    ways.reduce<Way | null>((last, one) => (last === null || one.timeMs >= last.timeMs ? one : last), null)?.side ??
    null
  );
}

export type TubeStand = {
  side: MountSide;
  /** Until when it may stay where it is; Infinity = for good; null where its side has not opened yet. */
  limitMs: number | null;
  /** Past that, or not yet allowed: it must be stopped or leave. */
  forbidden: boolean;
  /** The other side is free; else from when on it will be, null = not again. */
  mayGoOver: boolean;
  opensMs: number | null;
  /** From when on to go over is natural: it has crossed, and the other side is free. */
  naturalMs: number;
};

const isOpen = (w: SideWindow, timeMs: number): boolean => w.fromMs <= timeMs && timeMs < w.toMs;

/** Null for mounts that never flip. */
export function tubeStand(windows: readonly SideWindow[] | null, side: MountSide, timeMs: number): TubeStand | null {
  if (!windows) return null;
  const stands = windowsFrom(windows, side, timeMs)[0];
  const opened = stands !== undefined && stands.fromMs <= timeMs;
  const others = windows.filter((w) => w.side !== side);
  const next = others.find((w) => w.toMs > timeMs);
  return {
    side,
    limitMs: opened ? stands.toMs : null,
    forbidden: !opened || timeMs >= stands.toMs,
    mayGoOver: others.some((w) => isOpen(w, timeMs)),
    opensMs: next?.fromMs ?? null,
    naturalMs: Math.max(stands?.crossingMs ?? Infinity, next?.fromMs ?? Infinity),
  };
}

/** The flip that nobody recorded yet. */
export const undoneFlip = ({ flips }: Pick<Plan, 'flips'>): Flip | null => flips.find((f) => !f.done) ?? null;
