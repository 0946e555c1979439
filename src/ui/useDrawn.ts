import { useEffect, useState } from 'react';

/** True once what was rendered first is on the screen: for parts that come below what a page is opened for. */
export function useDrawn(): boolean {
  const [isDrawn, setDrawn] = useState(false);
  useEffect(() => {
    const frame = requestAnimationFrame(() => setDrawn(true));
    return () => cancelAnimationFrame(frame);
  }, []);
  return isDrawn;
}
