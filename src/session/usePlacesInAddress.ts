/** Places in a round view that were tapped or typed, kept in the address: a reload does not lose them. */
import { useSearchParams } from 'react-router';
import { addressNow } from './paths.ts';
import type { PlatePoint } from '../core/mount/finderPlate.ts';

/** `12.5,-4.0` */
function parsePlace(text: string | null): PlatePoint | null {
  const found = /^(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)$/.exec(text ?? '');
  return found ? { xArcmin: Number(found[1]), yArcmin: Number(found[2]) } : null;
}

type Places<K extends string> = Record<K, PlatePoint | null>;

/** The places of these keys, and a way to change some of them together. */
export function usePlacesInAddress<K extends string>(
  ...keys: readonly K[]
): [Places<K>, (changes: Partial<Places<K>>) => void] {
  const [params, setParams] = useSearchParams();
  const places = Object.fromEntries(keys.map((key) => [key, parsePlace(params.get(key))])) as Places<K>;
  const change = (changes: Partial<Places<K>>): void => {
    // Two quick marks must not both count from the address that is still being drawn.
    const now = new URLSearchParams(addressNow().search);
    for (const key of keys) {
      const place = changes[key];
      if (place) now.set(key, `${place.xArcmin.toFixed(1)},${place.yArcmin.toFixed(1)}`);
      else if (place === null) now.delete(key);
    }
    setParams(now, { replace: true });
  };
  return [places, change];
}
