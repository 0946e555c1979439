import { useEffect } from 'react';

/** So long after a key what it changed may still be on its way: a page that is fetched, a record that is stored. */
const WATCHED_MS = 3000;

/** What comes next: what the page marks as that, else its heading. */
const nextStop = (): HTMLElement | null =>
  document.querySelector<HTMLElement>('[data-next-stop]') ?? document.querySelector<HTMLElement>('main h1');

/** Whoever works by keys never falls off the page: where a press takes away what had the focus, it goes to what comes next.
 *  A pointer needs no such place. */
export function useFocusKeeper(): void {
  useEffect(() => {
    let untilMs = 0;
    let watching = false;
    let wasLost = false;
    const look = (): void => {
      const lost = document.activeElement === null || document.activeElement === document.body;
      // What is being drawn may take the focus by itself a frame later.
      if (lost && wasLost) nextStop()?.focus();
      wasLost = lost;
      watching = performance.now() < untilMs;
      if (watching) requestAnimationFrame(look);
    };
    const watch = (): void => {
      const had = document.activeElement;
      if (had === null || had === document.body) return;
      untilMs = performance.now() + WATCHED_MS;
      if (!watching) requestAnimationFrame(look);
      watching = true;
    };
    const leave = (): void => {
      untilMs = 0;
    };
    window.addEventListener('keydown', watch);
    window.addEventListener('pointerdown', leave);
    return () => {
      window.removeEventListener('keydown', watch);
      window.removeEventListener('pointerdown', leave);
      leave();
    };
  }, []);
}
