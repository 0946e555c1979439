/** The stand-in mount on this device: what it logs next. */
import { LINES_AT_ONCE, linesFrom, standInLines, type StandInMount } from '../standins/mountStream.ts';
import type { Task } from './protocol.ts';
import { serve } from './serve.ts';

type Asked = { mount: StandInMount; from: number };
type Lines = { text: string; next: number; ended: boolean };
export type StandInTask = Task<Asked, Lines>;

serve<Asked, Lines>(({ mount, from }) => {
  const lines = standInLines(mount);
  const next = from + LINES_AT_ONCE;
  return Promise.resolve({ text: linesFrom(lines, from, LINES_AT_ONCE), next, ended: next >= lines.length });
});
