import { useEffect, useRef, useState } from 'react';
import { deviceStandIn, serverStandIn, type StandInNow } from '../../../frames/standInLog.ts';
import { taskSession } from '../../../session/taskSession.ts';
import { BETWEEN_MS, type StandInMount } from '../../../standins/mountStream.ts';
import type { StandInTask } from '../../../workers/standin.worker.ts';
import { useHello } from './useFolder.ts';

const opened = taskSession<StandInTask>(
  () => new Worker(new URL('../../../workers/standin.worker.ts', import.meta.url), { type: 'module' }),
);
const linesFrom = async (mount: StandInMount, from: number) => (await opened()).run({ mount, from });

export type StandInHere = {
  mount: StandInMount | null;
  /** It still logs. */
  running: boolean;
  start: (mount: StandInMount) => void;
  stop: () => void;
};

/** The stand-in mount, watched as it logs. @param read takes the log so far. */
export function useStandIn(read: (file: Blob) => void): StandInHere {
  const served = useHello()?.standIn === true;
  const [mount, setMount] = useState<StandInMount | null>(null);
  const [running, setRunning] = useState(false);
  const leave = useRef<() => void>(() => undefined);
  useEffect(() => () => leave.current(), []);
  const stop = (): void => {
    leave.current();
    setRunning(false);
  };
  return {
    mount,
    running,
    stop,
    start: (wanted) => {
      stop();
      setMount(wanted);
      setRunning(true);
      const tell = ({ text, ended }: StandInNow): void => {
        read(new Blob([text], { type: 'text/csv' }));
        if (ended) setRunning(false);
      };
      leave.current = served ? serverStandIn(wanted, tell) : deviceStandIn(wanted, linesFrom, BETWEEN_MS, tell);
    },
  };
}
