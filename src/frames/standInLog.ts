/** The log of the stand-in mount, as it is written: from the local server, else line by line on this device. */
import { z } from 'zod';
import type { StandInMount } from '../standins/mountStream.ts';
import { apiUrl } from './hello.ts';

/** The whole log so far, and whether more comes. */
export type StandInNow = { text: string; ended: boolean };
export type LinesFrom = (mount: StandInMount, from: number) => Promise<{ text: string; next: number; ended: boolean }>;

const linesSchema = z.object({ text: z.string(), next: z.number() });

/** @returns how to leave. A stream that breaks off is taken up where it ended. */
export function serverStandIn({ seed, difficulty }: StandInMount, tell: (now: StandInNow) => void): () => void {
  let [text, next] = ['', 0];
  let events: EventSource | null = null;
  const open = (): void => {
    events = new EventSource(apiUrl(`standin/log?seed=${seed}&difficulty=${difficulty}&from=${next}`));
    events.addEventListener('lines', (event: MessageEvent<string>) => {
      const lines = linesSchema.safeParse(JSON.parse(event.data));
      if (!lines.success || lines.data.next <= next) return;
      text += lines.data.text;
      ({ next } = lines.data);
      tell({ text, ended: false });
    });
    events.addEventListener('end', () => {
      leave();
      tell({ text, ended: true });
    });
    events.addEventListener('error', () => {
      leave();
      again = setTimeout(open, AGAIN_MS);
    });
  };
  let again: ReturnType<typeof setTimeout> | undefined;
  const leave = (): void => {
    clearTimeout(again);
    events?.close();
  };
  open();
  return leave;
}
const AGAIN_MS = 1000;

/** @param linesFrom what comes next, from a worker. @returns how to leave. */
export function deviceStandIn(
  mount: StandInMount,
  linesFrom: LinesFrom,
  everyMs: number,
  tell: (now: StandInNow) => void,
): () => void {
  let [text, from, isLeft] = ['', 0, false];
  let timer: ReturnType<typeof setTimeout> | undefined;
  const more = async (): Promise<void> => {
    const lines = await linesFrom(mount, from);
    if (isLeft) return;
    text += lines.text;
    from = lines.next;
    tell({ text, ended: lines.ended });
    if (!lines.ended) timer = setTimeout(() => void more(), everyMs);
  };
  void more();
  return () => {
    isLeft = true;
    clearTimeout(timer);
  };
}
