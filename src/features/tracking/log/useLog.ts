import { useRef, useState } from 'react';
import { Cancelled } from '../../../core/work.ts';
import type { LogCode, LogMapping } from '../../../formats/logs/readLog.ts';
import { keepMapping, keptMapping } from '../../../session/logMaps.ts';
import { taskSession } from '../../../session/taskSession.ts';
import { useWatched, type Going, type Watched } from '../../../session/useWatched.ts';
import { LOG } from '../../../text/logWords.ts';
import type { LogTask, LogTold } from '../../../workers/log.worker.ts';

const opened = taskSession<LogTask>(
  () => new Worker(new URL('../../../workers/log.worker.ts', import.meta.url), { type: 'module' }),
);

export type LogState =
  | { at: 'none' }
  | { at: 'failed'; problem: string }
  | { at: 'refused'; file: Blob; why: LogCode }
  | { at: 'read'; file: Blob; told: LogTold };

/** What names a kind of log: the line above its columns, else how many there are. */
const headingOf = ({ layout }: LogTold): string => layout.headerLine ?? `${layout.header.length} columns`;

export type LogHere = {
  state: LogState;
  going: Going | null;
  read: (file: Blob) => void;
  /** The same log, grown: what is shown stays until it was read. */
  readOn: (file: Blob) => void;
  /** Reads the same log another way, and remembers it for logs of its heading. */
  readAs: (mapping: LogMapping) => void;
  cutAt: (cutsS: number[] | null) => void;
};

type Ask = (file: Blob, mapping: LogMapping | null, cutsS: number[] | null) => Promise<LogState>;

/** A growing log: of what comes while it is read, only the last is read after it. */
function useReadingOn(ask: Ask, show: (state: LogState) => void): (file: Blob) => void {
  const at = useRef<{ busy: boolean; waiting: Blob[] }>({ busy: false, waiting: [] });
  const readOn = async (file: Blob): Promise<void> => {
    at.current.waiting = [file];
    if (at.current.busy) return;
    at.current.busy = true;
    try {
      for (let next = at.current.waiting.pop(); next; next = at.current.waiting.pop())
        show(await ask(next, null, null));
    } catch {
      show({ at: 'failed', problem: LOG.died });
    } finally {
      at.current.busy = false;
    }
  };
  return (file) => void readOn(file);
}

/** A log in this tab, read and analysed in a worker. */
export function useLog(wormTeeth: number | null): LogHere {
  const { going, watch } = useWatched();
  const [state, setState] = useState<LogState>({ at: 'none' });
  const askWith = async (options: Partial<Watched>, ...[file, mapping, cutsS]: Parameters<Ask>): Promise<LogState> => {
    const answer = await (await opened()).run({ file, mapping, wormTeeth, cutsS }, options);
    if (!answer.ok) return { at: 'refused', file, why: answer.code };
    const kept = mapping ? null : keptMapping(headingOf(answer.value));
    return kept && fits(kept, answer.value)
      ? askWith(options, file, kept, cutsS)
      : { at: 'read', file, told: answer.value };
  };
  const readOn = useReadingOn((...asked) => askWith({}, ...asked), setState);
  const run = (...asked: Parameters<Ask>): void => {
    void watch((options) => askWith(options, ...asked)).then(setState, (error: unknown) =>
      setState({ at: 'failed', problem: error instanceof Cancelled ? LOG.cancelled : LOG.died }),
    );
  };
  return {
    state,
    going,
    read: (file) => run(file, null, null),
    readOn,
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
