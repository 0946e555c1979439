/** For what takes long to reckon: it follows the ribbon when the hand rests, and at once when the night itself changes. */
import { useEffect, useState } from 'react';

/** Two steps of a hand that moves come nearer than this. */
const REST_MS = 120;

/** @param of what the value belongs to: with another one the value is new at once. */
export function useAtRest<T>(value: T, of: unknown): T {
  const [last, setLast] = useState({ of, value });
  useEffect(() => {
    const timer = setTimeout(() => setLast({ of, value }), REST_MS);
    return () => clearTimeout(timer);
  }, [of, value]);
  return last.of === of ? last.value : value;
}
