import { partOf } from '../../core/missingPart.ts';

/** The time zone of a place, from a map of zones that is loaded when it is first asked.
 *  @throws MissingPart when the map did not come. */
export async function zoneOf(latDeg: number, lonDeg: number): Promise<string | null> {
  const { default: lookUp } = await partOf(() => import('tz-lookup'));
  try {
    return lookUp(latDeg, lonDeg);
  } catch {
    return null;
  }
}
