/** Places in a round view that were tapped or typed, kept in the address: a reload does not lose them. */
import { useSearchParams } from 'react-router';
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
    setParams(
      (before) => {
        for (const key of keys) {
          const place = changes[key];
          if (place) before.set(key, `${place.xArcmin.toFixed(1)},${place.yArcmin.toFixed(1)}`);
          else if (place === null) before.delete(key);
        }
        return before;
      },
      { replace: true },
    );
  };
  return [places, change];
}
