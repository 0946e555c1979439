/** A tracking log read and analysed, away from the page. */
import { ok, refuse, type Result } from '../core/result.ts';
import { analyseTrack, type TrackAnalysis } from '../core/tracking/analyseTrack.ts';
import { gapsOf, type Gap } from '../core/tracking/trackSeries.ts';
import { openLog, type OpenedLog } from '../formats/logs/openLog.ts';
import type { LogCode, LogMapping } from '../formats/logs/readLog.ts';
import type { LogNote } from '../formats/logs/seriesRead.ts';
import type { Context, Task } from './protocol.ts';
import { serve } from './serve.ts';

export type LogAsked = { file: Blob; mapping: LogMapping | null; ownTurnS: number | null; cutsS: number[] | null };
export type LogTold = Pick<OpenedLog, 'layout' | 'mapping' | 'doubts'> & {
  /** What the rows came to; a word where the mapping does not do. */
  found: Result<
    { rows: number; unusable: number; gaps: Gap[]; clockSteps: number[]; notes: LogNote[]; analysis: TrackAnalysis },
    LogCode
  >;
};
export type LogTask = Task<LogAsked, Result<LogTold, LogCode>>;

async function* chunksOf(file: Blob): AsyncGenerator<Uint8Array> {
  const reader = file.stream().getReader();
  for (let next = await reader.read(); !next.done; next = await reader.read()) yield next.value;
}

function foundIn({ read }: OpenedLog, { ownTurnS, cutsS }: LogAsked, context: Context): LogTold['found'] {
  if (!read.ok) return read;
  context.report('analysing', 0.9);
  const { series, rows, unusable, clockSteps, notes } = read.value;
  const analysis = analyseTrack(series, { ownTurnS, cutsS });
  if (!analysis) return refuse('logEmpty');
  return ok({ rows, unusable, gaps: gapsOf(series), clockSteps, notes, analysis });
}

serve<LogAsked, Result<LogTold, LogCode>>(async (asked, context) => {
  const between = async (bytes: number): Promise<void> => {
    context.report('reading', (0.9 * bytes) / Math.max(1, asked.file.size));
    await context.pause();
  };
  const opened = await openLog(chunksOf(asked.file), { told: {}, mapping: asked.mapping, between });
  if (!opened.ok) return opened;
  const { layout, mapping, doubts } = opened.value;
  return ok({ layout, mapping, doubts, found: foundIn(opened.value, asked, context) });
});
