/** The tilt that a phone reports of itself, smoothed; nothing where there is no such sensor. */
import { useEffect, useState } from 'react';

/** `frontBackDeg` + = top edge high, `leftRightDeg` + = right edge low. */
export type DeviceTilt = { frontBackDeg: number; leftRightDeg: number };
export type TiltSensor =
  | { state: 'none' }
  | { state: 'ask' | 'refused' | 'silent'; start: () => void }
  | { state: 'live'; tilt: DeviceTilt; start: () => void };

/** Weight of the newest report; a hand's tremble is gone after some ten of them. */
const NEWEST = 0.15;

type Permission = { requestPermission?: () => Promise<'granted' | 'denied'> };

/** Whether this device can be asked at all: a touch device on a secure page. */
export function hasTiltSensor(): boolean {
  return 'DeviceOrientationEvent' in globalThis && globalThis.isSecureContext && navigator.maxTouchPoints > 0;
}

/** Asks for the sensor when `start` is called by a tap, as some devices demand. */
export function useTiltSensor(): TiltSensor {
  const [state, setState] = useState<'ask' | 'refused' | 'silent'>('ask');
  const [tilt, setTilt] = useState<DeviceTilt | null>(null);
  const listening = state === 'silent';
  useEffect(() => {
    if (!listening) return undefined;
    const onTilt = ({ beta, gamma }: DeviceOrientationEvent): void => {
      if (beta === null || gamma === null) return;
      setTilt((before) =>
        before === null
          ? { frontBackDeg: beta, leftRightDeg: gamma }
          : {
              frontBackDeg: before.frontBackDeg + NEWEST * (beta - before.frontBackDeg),
              leftRightDeg: before.leftRightDeg + NEWEST * (gamma - before.leftRightDeg),
            },
      );
    };
    addEventListener('deviceorientation', onTilt);
    return () => removeEventListener('deviceorientation', onTilt);
  }, [listening]);
  if (!hasTiltSensor()) return { state: 'none' };
  const start = (): void => {
    const ask = (DeviceOrientationEvent as unknown as Permission).requestPermission;
    if (!ask) {
      setState('silent');
      return;
    }
    ask().then(
      (answer) => setState(answer === 'granted' ? 'silent' : 'refused'),
      () => setState('refused'),
    );
  };
  return tilt === null ? { state, start } : { state: 'live', tilt, start };
}
