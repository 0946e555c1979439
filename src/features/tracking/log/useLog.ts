import { useState } from 'react';
import { Cancelled } from '../../../core/work.ts';
import type { LogCode, LogMapping } from '../../../formats/logs/readLog.ts';
import { keepMapping, keptMapping } from '../../../session/logMaps.ts';
import { taskSession } from '../../../session/taskSession.ts';
import { useWatched, type Going } from '../../../session/useWatched.ts';
import { LOG } from '../../../text/logWords.ts';
import type { LogTask, LogTold } from '../../../workers/log.worker.ts';

const opened = taskSession<LogTask>(
  () => new Worker(new URL('../../../workers/log.worker.ts', import.meta.url), { type: 'module' }),
);

export type LogState =
  | { at: 'none' }
  | { at: 'failed'; problem: string }
  | { at: 'refused'; file: File; why: LogCode }
  | { at: 'read'; file: File; told: LogTold };

/** What names a kind of log: the line above its columns, else how many there are. */
const headingOf = ({ layout }: LogTold): string => layout.headerLine ?? `${layout.header.length} columns`;

export type LogHere = {
  state: LogState;
  going: Going | null;
  read: (file: File) => void;
  /** Reads the same log another way, and remembers it for logs of its heading. */
  readAs: (mapping: LogMapping) => void;
  cutAt: (cutsS: number[] | null) => void;
};

/** A log in this tab, read and analysed in a worker. */
export function useLog(wormTeeth: number | null): LogHere {
  const { going, watch } = useWatched();
  const [state, setState] = useState<LogState>({ at: 'none' });
  const ask = async (file: File, mapping: LogMapping | null, cutsS: number[] | null): Promise<LogState> => {
    const answer = await watch(async (options) => (await opened()).run({ file, mapping, wormTeeth, cutsS }, options));
    if (!answer.ok) return { at: 'refused', file, why: answer.code };
    const kept = mapping ? null : keptMapping(headingOf(answer.value));
    return kept && fits(kept, answer.value) ? ask(file, kept, cutsS) : { at: 'read', file, told: answer.value };
  };
  const run = (file: File, mapping: LogMapping | null, cutsS: number[] | null): void => {
    void ask(file, mapping, cutsS).then(setState, (error: unknown) =>
      setState({ at: 'failed', problem: error instanceof Cancelled ? LOG.cancelled : LOG.died }),
    );
  };
  return {
    state,
    going,
    read: (file) => run(file, null, null),
    readAs: (mapping) => {
      if (state.at !== 'read') return;
      keepMapping(headingOf(state.told), mapping);
      run(state.file, mapping, null);
    },
    cutAt: (cutsS) => {
      if (state.at === 'read') run(state.file, state.told.mapping, cutsS);
    },
  };
}

const fits = (mapping: LogMapping, { layout }: LogTold): boolean => mapping.roles.length === layout.header.length;
