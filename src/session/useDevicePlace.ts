/** This device's own place, when it has one and the user allows it. */
import { useState } from 'react';

export type DevicePlace = { latDeg: number; lonDeg: number; elevationM: number | null; zoneIana: string };
export type AskingPlace = 'idle' | 'asking' | 'refused';

const TIMEOUT_MS = 20_000;
/** A metre or so. */
const DECIMALS = 5;

export const hasDevicePlace = (): boolean => 'geolocation' in navigator;

export function useDevicePlace(found: (place: DevicePlace) => void): { state: AskingPlace; ask: () => void } {
  const [state, setState] = useState<AskingPlace>('idle');
  const ask = (): void => {
    setState('asking');
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setState('idle');
        found({
          latDeg: Number(coords.latitude.toFixed(DECIMALS)),
          lonDeg: Number(coords.longitude.toFixed(DECIMALS)),
          elevationM: coords.altitude === null ? null : Math.round(coords.altitude),
          zoneIana: Intl.DateTimeFormat().resolvedOptions().timeZone,
        });
      },
      () => setState('refused'),
      { enableHighAccuracy: true, timeout: TIMEOUT_MS },
    );
  };
  return { state, ask };
}
