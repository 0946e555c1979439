/** What a device answers when it is asked for its place: a place, or nothing that can be used. */
export type DevicePlace = { latDeg: number; lonDeg: number; elevationM: number | null; zoneIana: string };

/** A metre or so. */
const DECIMALS = 5;

const within = (value: unknown, limit: number): value is number =>
  typeof value === 'number' && Number.isFinite(value) && Math.abs(value) <= limit;

/** Null where the answer holds no place on earth: some devices answer without numbers. */
export function deviceAnswer(position: unknown, zoneIana: string): DevicePlace | null {
  const coords = (position as { coords?: Record<string, unknown> } | null)?.coords;
  const { latitude, longitude, altitude } = coords ?? {};
  if (!within(latitude, 90) || !within(longitude, 180)) return null;
  return {
    latDeg: Number(latitude.toFixed(DECIMALS)),
    lonDeg: Number(longitude.toFixed(DECIMALS)),
    elevationM: within(altitude, 10_000) ? Math.round(altitude) : null,
    zoneIana,
  };
}
