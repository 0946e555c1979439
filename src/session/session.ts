/** What one tab holds: clock, ribbon time, database and writer; handed down by React context. */
import { createContext, useContext } from 'react';
import type { NewReading } from '../storage/readings.ts';
import type { Writer } from '../storage/writer.ts';
import type { OwlDatabase } from '../storage/database.ts';
import type { Held } from '../storage/held.ts';
import type { Stored } from '../storage/useStored.ts';
import type { NightStatic } from '../core/night/nightStatic.ts';
import type { Format } from '../text/format.ts';
import type { Clock } from './clock.ts';
import type { ClockMoves } from './clockMoves.ts';
import type { Copies } from './copies.ts';
import type { RecordWork } from './recordWork.ts';
import type { Presses } from './presses.ts';
import type { RibbonTime } from './ribbonTime.ts';
import type { Tab } from './tab.ts';

export type Session = {
  clock: Clock;
  /** When the time of day jumped. */
  clockMoves: ClockMoves;
  ribbon: RibbonTime;
  db: OwlDatabase;
  writer: Writer;
  tab: Tab;
  presses: Presses;
  copies: Copies;
  /** What goes through all records, away from the page. */
  records: RecordWork;
};
export type NoticeAction = { label: string; run: () => void };
/** Shows a short notice; `undo` adds the button that takes the last change back, `action` one of its own. */
export type Notify = (
  message: string,
  options?: { tone?: 'info' | 'problem'; undo?: boolean; action?: NoticeAction },
) => void;
/** A reading of the shown night as a bench states it; what is usual for a typed one need not be said. */
export type NewReadingHere = NewReading extends infer R
  ? R extends NewReading
    ? Pick<R, 'step' | 'subject' | 'kind' | 'values'> & Partial<Pick<R, 'source' | 'sigma' | 'blobIds' | 'note'>>
    : never
  : never;

export type Shared = {
  stored: Stored;
  format: Format;
  notify: Notify;
  /** Less is here than this device held before; null = nothing is missed. */
  loss: { before: Held; now: Held; accept: () => void } | null;
};

export const SessionContext = createContext<Session | null>(null);
export const SharedContext = createContext<Shared | null>(null);
export const NightContext = createContext<NightStatic | null>(null);

function required<T>(value: T | null, name: string): T {
  if (value === null) throw new Error(`${name} is not available here`);
  return value;
}

export function useSession(): Session {
  return required(useContext(SessionContext), 'the session');
}

export function useShared(): Shared {
  return required(useContext(SharedContext), 'stored records');
}

/** The night that the route shows. */
export function useNight(): NightStatic {
  return required(useContext(NightContext), 'a night');
}
