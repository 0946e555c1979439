/** This device's own place, when it has one and the user allows it. */
import { useRef, useState } from 'react';
import { deviceAnswer, type DevicePlace } from './devicePlace.ts';

export type AskingPlace =
  | { at: 'idle' | 'asking' }
  | { at: 'refused' | 'silent' | 'spoiled' }
  /** It came after something was typed: taken only when it is wanted. */
  | { at: 'late'; place: DevicePlace };

/** The browser's own limit does not count the time in which it asks the user, and some never answer. */
const LONGEST_MS = 15_000;
/** The browser's code for having waited in vain. */
const TIMED_OUT = 3;

export const hasDevicePlace = (): boolean => 'geolocation' in navigator;

/** @param typed all that is typed now: what changed since the question was asked is not overwritten. */
export function useDevicePlace(found: (place: DevicePlace) => void, typed: () => string) {
  const [state, setState] = useState<AskingPlace>({ at: 'idle' });
  const asked = useRef(0);
  const ask = (): void => {
    const [question, before] = [asked.current + 1, typed()];
    asked.current = question;
    setState({ at: 'asking' });
    // The first answer to the last question counts; a place that comes too late is still one.
    const told = (next: AskingPlace): void => {
      if (asked.current === question) setState(next);
    };
    const silent = setTimeout(() => told({ at: 'silent' }), LONGEST_MS);
    const answered = (position: unknown): void => {
      clearTimeout(silent);
      const place = deviceAnswer(position, Intl.DateTimeFormat().resolvedOptions().timeZone);
      if (place === null) told({ at: 'spoiled' });
      else if (typed() !== before || asked.current !== question) told({ at: 'late', place });
      else {
        told({ at: 'idle' });
        found(place);
      }
    };
    const refused = (error?: GeolocationPositionError): void => {
      clearTimeout(silent);
      told({ at: error?.code === TIMED_OUT ? 'silent' : 'refused' });
    };
    try {
      navigator.geolocation.getCurrentPosition(answered, refused, { enableHighAccuracy: true, timeout: LONGEST_MS });
    } catch {
      refused();
    }
  };
  const take = (place: DevicePlace): void => {
    setState({ at: 'idle' });
    found(place);
  };
  return { state, ask, take };
}
