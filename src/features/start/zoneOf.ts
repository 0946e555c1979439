/** The time zone of a place, from a map of zones that is loaded when it is first asked. */
export async function zoneOf(latDeg: number, lonDeg: number): Promise<string | null> {
  const { default: lookUp } = await import('tz-lookup');
  try {
    return lookUp(latDeg, lonDeg);
  } catch {
    return null;
  }
}
