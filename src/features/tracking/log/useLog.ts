import { useRef, useState } from 'react';
import { Cancelled } from '../../../core/work.ts';
import type { LogCode, LogMapping } from '../../../formats/logs/readLog.ts';
import { keepMapping, keptMapping } from '../../../session/logMaps.ts';
import { taskSession } from '../../../session/taskSession.ts';
import { useUntilLeft } from '../../../session/useUntilLeft.ts';
import { useWatched, type Going, type Watched } from '../../../session/useWatched.ts';
import { LOG } from '../../../text/logWords.ts';
import type { LogTask, LogTold } from '../../../workers/log.worker.ts';

const opened = taskSession<LogTask>(
  () => new Worker(new URL('../../../workers/log.worker.ts', import.meta.url), { type: 'module' }),
);

/** Of a real mount, or of one that does not exist: nothing of that is ever recorded. */
type Origin = 'mount' | 'standIn';

export type LogState =
  | { at: 'none' }
  | { at: 'failed'; problem: string }
  | { at: 'refused'; why: LogCode }
  | { at: 'read'; file: Blob; origin: Origin; told: LogTold };

/** What names a kind of log: the line above its columns, else how many there are. */
const headingOf = ({ layout }: LogTold): string => layout.headerLine ?? `${layout.header.length} columns`;

export type LogHere = {
  state: LogState;
  going: Going | null;
  read: (file: Blob) => void;
  /** The same log, grown: what is shown stays until it was read. */
  readOn: (file: Blob, origin: Origin) => void;
  /** Reads the same log another way, and remembers it for logs of its heading. */
  readAs: (mapping: LogMapping) => void;
  cutAt: (cutsS: number[] | null) => void;
};

type Asked = { file: Blob; origin: Origin; mapping: LogMapping | null; cutsS: number[] | null };
const asItComes = (file: Blob, origin: Origin): Asked => ({ file, origin, mapping: null, cutsS: null });

/** A growing log: of what comes while it is read, only the last is read after it; `drop` forgets it. */
function useReadingOn(
  ask: (asked: Asked) => Promise<LogState>,
  show: (state: LogState) => void,
): Pick<LogHere, 'readOn'> & { drop: () => void } {
  const at = useRef<{ busy: boolean; waiting: Asked[] }>({ busy: false, waiting: [] });
  const readOn = async (asked: Asked): Promise<void> => {
    at.current.waiting = [asked];
    if (at.current.busy) return;
    at.current.busy = true;
    try {
      for (let next = at.current.waiting.pop(); next; next = at.current.waiting.pop()) show(await ask(next));
    } catch {
      show({ at: 'failed', problem: LOG.died });
    } finally {
      at.current.busy = false;
    }
  };
  return {
    readOn: (file, origin) => void readOn(asItComes(file, origin)),
    drop: () => {
      at.current.waiting = [];
    },
  };
}

/** A log in this tab, read and analysed in a worker. */
export function useLog(ownTurnS: number | null): LogHere {
  const { going, watch } = useWatched();
  const untilLeft = useUntilLeft();
  const [state, setState] = useState<LogState>({ at: 'none' });
  const askWith = async (options: Partial<Watched>, asked: Asked): Promise<LogState> => {
    const { origin, ...log } = asked;
    // What does not exist has not this mount's gears.
    const turnS = origin === 'mount' ? ownTurnS : null;
    const answer = await (await opened()).run({ ...log, ownTurnS: turnS }, options);
    if (!answer.ok) return { at: 'refused', why: answer.code };
    const kept = log.mapping ? null : keptMapping(headingOf(answer.value));
    return kept && fits(kept, answer.value)
      ? askWith(options, { ...asked, mapping: kept })
      : { at: 'read', file: log.file, origin, told: answer.value };
  };
  const { readOn, drop } = useReadingOn((asked) => askWith({ signal: untilLeft() }, asked), setState);
  const run = (asked: Asked): void => {
    drop();
    const left = untilLeft();
    const options = (given: Watched): Watched => ({ ...given, signal: AbortSignal.any([given.signal, left]) });
    void watch((given) => askWith(options(given), asked)).then(setState, (error: unknown) =>
      setState({ at: 'failed', problem: error instanceof Cancelled ? LOG.cancelled : LOG.died }),
    );
  };
  return {
    state,
    going,
    read: (file) => run(asItComes(file, 'mount')),
    readOn,
    readAs: (mapping) => {
      if (state.at !== 'read') return;
      keepMapping(headingOf(state.told), mapping);
      run({ ...asItComes(state.file, state.origin), mapping });
    },
    cutAt: (cutsS) => {
      if (state.at === 'read') run({ ...asItComes(state.file, state.origin), mapping: state.told.mapping, cutsS });
    },
  };
}

const fits = (mapping: LogMapping, { layout }: LogTold): boolean => mapping.roles.length === layout.header.length;
