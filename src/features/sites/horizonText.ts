/** A horizon line as typed text: one `azimuth altitude` pair a line, degrees. */
import { ok, refuse, type Result } from '../../core/result.ts';
import type { Site } from '../../core/records/site.ts';

type Point = Site['horizon'][number];

/** Empty lines are skipped; the first line that is not a pair within range is named. */
export function parseHorizon(text: string): Result<Point[], 'badLine'> {
  const points: Point[] = [];
  for (const [index, line] of text.split('\n').entries()) {
    if (line.trim() === '') continue;
    const [azDeg, altDeg, ...rest] = line
      .trim()
      .split(/[\s;,]+/)
      .map(Number);
    const inRange =
      azDeg !== undefined && altDeg !== undefined && azDeg >= 0 && azDeg <= 360 && altDeg >= -10 && altDeg <= 90;
    if (!inRange || rest.length > 0) return refuse('badLine', { line: index + 1 });
    points.push({ azDeg, altDeg });
  }
  return ok(points);
}

/** Inverse of `parseHorizon`. */
export function formatHorizon(points: readonly Point[]): string {
  return points.map((p) => `${p.azDeg} ${p.altDeg}`).join('\n');
}
