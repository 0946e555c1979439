/** Streams of events to the pages of this machine: so many, and none that nobody reads. */
import type { Response } from 'express';

/** A line now and then keeps the connection open. */
const BEAT_MS = 20_000;
export const MOST_STREAMS = 50;
/** What may wait for one who does not read, bytes. */
const MOST_WAITING = 1_000_000;

let open = 0;

/** Opens a stream of events; what it returns sends one. Ended by the other side or the server's closing; whoever reads too
 *  slowly is cut, and its browser opens another. Null: refused, there are too many. */
export function openEvents(response: Response): ((event: string, data: unknown) => void) | null {
  if (open >= MOST_STREAMS) {
    response.status(503).json({
      error: `${MOST_STREAMS} pages listen already. Close other tabs of Tidy Owl, then reload this one.`,
    });
    return null;
  }
  open += 1;
  response.setHeader('Content-Type', 'text/event-stream');
  response.setHeader('Cache-Control', 'no-cache, no-transform');
  response.flushHeaders();
  const write = (text: string): void => {
    if (response.writableLength > MOST_WAITING) response.destroy();
    else response.write(text);
  };
  const beat = setInterval(() => write(': still here\n\n'), BEAT_MS);
  response.on('close', () => {
    open -= 1;
    clearInterval(beat);
  });
  return (event, data) => write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
}
