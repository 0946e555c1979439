/** Instants at which a smooth function of time passes a level. */
type Point = { timeMs: number; value: number };
export type Crossing = { timeMs: number; direction: 'up' | 'down' };

/** Within this the root is found well enough for clocks that show minutes. */
const TIME_TOLERANCE_MS = 100;

/** The sign change of `value` between two times: false position with the Illinois rule (halving the weight of an end
 *  that stays), which needs few evaluations of a smooth curve and never leaves the bracket. */
function root(value: (timeMs: number) => number, from: Point, to: Point): number {
  let [low, high] = [from, to];
  for (let step = 0; step < 60 && high.timeMs - low.timeMs > TIME_TOLERANCE_MS; step += 1) {
    const timeMs = (low.timeMs * high.value - high.timeMs * low.value) / (high.value - low.value);
    const found = value(timeMs);
    const isLow = found < 0 === low.value < 0;
    const halved = isLow ? { ...high, value: high.value / 2 } : { ...low, value: low.value / 2 };
    const next = { timeMs, value: found };
    if (Math.abs(timeMs - (isLow ? low : high).timeMs) < TIME_TOLERANCE_MS / 2) return timeMs;
    [low, high] = isLow ? [next, halved] : [halved, next];
  }
  return (low.timeMs + high.timeMs) / 2;
}

/** Where three equally spaced values have their turning point, as a time, or null when it is outside. */
function turningPoint(timeMs: number, stepMs: number, values: readonly [number, number, number]): number | null {
  const [a, b, c] = values;
  const curvature = a - 2 * b + c;
  if (curvature === 0) return null;
  const offset = (a - c) / (2 * curvature);
  return Math.abs(offset) <= 1 ? timeMs + offset * stepMs : null;
}

/** Samples of a curve at equal steps, with the turning points between samples that might touch the level. */
function samplePoints(value: (timeMs: number) => number, fromMs: number, toMs: number, stepMs: number): Point[] {
  const count = Math.ceil((toMs - fromMs) / stepMs);
  const points = Array.from({ length: count + 1 }, (_, i): Point => {
    const timeMs = Math.min(toMs, fromMs + i * stepMs);
    return { timeMs, value: value(timeMs) };
  });
  const turns = points.slice(2).flatMap((c, i): Point[] => {
    const [a, b] = [points[i], points[i + 1]];
    if (!a || !b || a.value < 0 !== b.value < 0 || b.value < 0 !== c.value < 0) return [];
    const timeMs = turningPoint(b.timeMs, stepMs, [a.value, b.value, c.value]);
    return timeMs !== null && timeMs > fromMs && timeMs < toMs ? [{ timeMs, value: value(timeMs) }] : [];
  });
  return [...points, ...turns].sort((a, b) => a.timeMs - b.timeMs);
}

/** All crossings of `level` in [fromMs, toMs), in order. Samples every `stepMs` and looks at turning points between
 *  samples, so that a short dip through the level is not lost. */
export function findCrossings(
  curve: (timeMs: number) => number,
  fromMs: number,
  toMs: number,
  level: number,
  stepMs = 600_000,
): Crossing[] {
  const value = (timeMs: number): number => curve(timeMs) - level;
  const points = samplePoints(value, fromMs, toMs, stepMs);
  return points.slice(1).flatMap((next, i): Crossing[] => {
    const previous = points[i];
    if (!previous || previous.value < 0 === next.value < 0) return [];
    const timeMs = root(value, previous, next);
    if (timeMs >= toMs) return [];
    return [{ timeMs, direction: previous.value < 0 ? 'up' : 'down' }];
  });
}
