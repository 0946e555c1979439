/** How long the page works for one step of a hand's movement, without the waiting for the next frame. */
import type { Page } from '@playwright/test';

/** One key press per frame; the time from the frame's start until after style, layout and paint. */
export async function scrub(page: Page): Promise<number[]> {
  return page.evaluate(async () => {
    const slider = document.querySelector('[role="slider"]');
    const durations: number[] = [];
    for (let i = 0; i < 600; i += 1) {
      const key = Math.floor(i / 100) % 2 === 0 ? 'ArrowRight' : 'ArrowLeft';
      await new Promise<void>((resolve) => {
        const { port1, port2 } = new MessageChannel();
        let start = 0;
        port1.onmessage = () => {
          durations.push(performance.now() - start);
          resolve();
        };
        // Three callbacks of one frame in this order: the clock starts, the ribbon tells its listeners, a message is
        // posted that comes back only after the frame was styled, laid out and painted.
        requestAnimationFrame(() => {
          start = performance.now();
        });
        slider?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
        requestAnimationFrame(() => port2.postMessage(null));
      });
    }
    return durations;
  });
}

/** A piece of the payload held by the mouse and moved 400 times to and fro: from the movement until the drawing has changed,
 *  and from the next frame's start until after its paint. */
export async function drag(page: Page, name: string): Promise<number[]> {
  const handle = page.getByRole('slider', { name });
  const box = await handle.boundingBox();
  const [x, y] = [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const durations = await page.evaluate(async (fromX) => {
    const svg = document.querySelector('.rails svg');
    const all: number[] = [];
    for (let i = 0; svg && i < 400; i += 1) {
      await new Promise<void>((resolve) => {
        const clientX = fromX - 40 + 2 * (i % 80 < 40 ? i % 40 : 40 - (i % 40)) + (i % 2) * 0.9;
        const start = performance.now();
        const observer = new MutationObserver(() => {
          observer.disconnect();
          const drawnMs = performance.now() - start;
          requestAnimationFrame(() => {
            const frameStart = performance.now();
            const { port1, port2 } = new MessageChannel();
            port1.onmessage = () => {
              all.push(drawnMs + performance.now() - frameStart);
              resolve();
            };
            port2.postMessage(null);
          });
        });
        observer.observe(svg, { subtree: true, attributes: true, childList: true, characterData: true });
        svg.dispatchEvent(new PointerEvent('pointermove', { clientX, bubbles: true }));
      });
    }
    return all;
  }, x);
  await page.mouse.up();
  return durations;
}
