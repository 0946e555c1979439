/** A signal that tells work when the place that asked for it is left. */
import { useEffect, useRef } from 'react';

export function useUntilLeft(): () => AbortSignal {
  const stop = useRef<AbortController | null>(null);
  useEffect(
    () => () => {
      stop.current?.abort();
      stop.current = null;
    },
    [],
  );
  return () => (stop.current ??= new AbortController()).signal;
}
