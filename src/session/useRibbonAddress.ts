/** The ribbon's time as the address carries it, so that a reload and a link show the same moment. */
import { useSearchParams } from 'react-router';
import { useSession } from './session.ts';

export function useRibbonAddress() {
  const { ribbon } = useSession();
  const [, setParams] = useSearchParams();
  const write = (): void => {
    setParams(
      (before) => {
        if (ribbon.isLive()) before.delete('at');
        else before.set('at', ribbon.toAddress());
        return before;
      },
      { replace: true },
    );
  };
  return {
    write,
    /** Scrubs to a moment and keeps it in the address. */
    lookAt: (timeMs: number): void => {
      ribbon.scrubTo(timeMs);
      write();
    },
  };
}
