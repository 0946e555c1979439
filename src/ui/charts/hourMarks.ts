import { MS_PER_HOUR } from '../../core/time/utc.ts';
import type { Format } from '../../text/format.ts';

export type HourMark = { timeMs: number; hour: number };

/** The whole hours of the site's clock inside a span, every `stepH` of them. Zones may differ from UTC by quarters of an
 *  hour, so they are looked for by quarters. */
export function hourMarks(fromMs: number, toMs: number, stepH: number, format: Format): HourMark[] {
  const quarter = MS_PER_HOUR / 4;
  const marks: HourMark[] = [];
  for (let t = Math.ceil(fromMs / quarter) * quarter; t < toMs; t += quarter) {
    const [hour = 0, minute = 0] = format.clock(t).split(':').map(Number);
    if (minute === 0 && hour % stepH === 0) marks.push({ timeMs: t, hour });
  }
  return marks;
}
