/** Recording, with the notice that follows. */
import { useCallback } from 'react';
import { toUtcText } from '../core/time/utc.ts';
import type { NewReading } from '../storage/commands.ts';
import { recordReadings } from '../storage/commands.ts';
import { writeWords } from '../text/errorWords.ts';
import { useNight, useSession, useShared, type NewReadingHere } from './session.ts';

/** Records a reading of the shown night, or several that belong together, taken now by the clock, whatever the ribbon shows. True when it was stored.
 *  `said` null: the page itself shows what was recorded, as a tick does. */
export function useRecord(): (
  reading: NewReadingHere | readonly NewReadingHere[],
  said: string | null,
) => Promise<boolean> {
  const { writer, clock } = useSession();
  const { notify } = useShared();
  const night = useNight();
  return useCallback(
    async (reading, said) => {
      const usual = { source: 'typed', sigma: {}, blobIds: [], note: '' } as const;
      const here = { nightId: night.records.night.id, takenAtUtc: toUtcText(clock.nowMs()) };
      const all = Array.isArray(reading) ? (reading as readonly NewReadingHere[]) : [reading as NewReadingHere];
      const written = await recordReadings(
        writer,
        all.map((one) => ({ ...usual, ...one, ...here }) as NewReading),
      );
      if (written.ok && said !== null) notify(said, { undo: true });
      if (!written.ok) notify(writeWords(written.code, written.figures), { tone: 'problem' });
      return written.ok;
    },
    [writer, clock, notify, night],
  );
}

/** What a record button says: while the ribbon is scrubbed the reading is still taken now. */
export function recordLabel(label: string, isLive: boolean, clockNow: string): string {
  return isLive ? label : `${label} at ${clockNow} (now)`;
}
