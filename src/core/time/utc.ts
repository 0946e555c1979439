/** UTC as milliseconds since 1970 (`utcMs`) and as text. UT1 = UTC is taken throughout: the difference stays under
 *  0.9 s, which is 13 arcsec of hour angle at most and far below what a dial or a flip needs. */
export type UtcText = string;

export const MS_PER_MINUTE = 60_000;
export const MS_PER_HOUR = 3_600_000;
export const MS_PER_DAY = 86_400_000;
/** Solar hours that pass while the hour angle grows by one sidereal hour (IAU 1982 ratio). */
export const SOLAR_PER_SIDEREAL = 0.99726956633;

/** `2026-11-24T21:14:00.000Z`. */
export function toUtcText(utcMs: number): UtcText {
  return new Date(utcMs).toISOString();
}

/** @throws RangeError when the text is not an ISO instant. */
export function fromUtcText(text: UtcText): number {
  const utcMs = Date.parse(text);
  if (Number.isNaN(utcMs)) throw new RangeError(`utc must be an ISO 8601 instant, got ${text}`);
  return utcMs;
}
