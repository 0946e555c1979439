/** Recording, with the notice that follows. */
import { useCallback } from 'react';
import { isPastNight } from '../core/history/nightRecords.ts';
import { TYPED } from '../core/records/reading.ts';
import { toUtcText } from '../core/time/utc.ts';
import { recordReadings } from '../storage/readings.ts';
import { NIGHT_OVER } from '../text/errorWords.ts';
import { useNight, useSession, useShared, type NewReadingHere } from './session.ts';
import { useWrite } from './useWrite.ts';

type Record = (reading: NewReadingHere | readonly NewReadingHere[], said: string | null) => Promise<boolean>;

/** Records a reading of the shown night, or several that belong together, taken now by the clock, whatever the ribbon shows.
 *  True when it was stored. A night that has ended while the page was open is asked about first.
 *  `said` null: the page itself shows what was recorded, as a tick does. */
export function useRecord(): Record {
  const { clock } = useSession();
  const { notify } = useShared();
  const write = useWrite();
  const night = useNight();
  return useCallback<Record>(
    async (reading, said) => {
      const { night: shown, site } = night.records;
      const all = Array.isArray(reading) ? (reading as readonly NewReadingHere[]) : [reading as NewReadingHere];
      const keep = async (): Promise<boolean> => {
        const here = { nightId: shown.id, takenAtUtc: toUtcText(clock.nowMs()) };
        const made = all.map((one) => ({ ...TYPED, ...one, ...here }));
        return (await write(['record', shown.id, all], (w) => recordReadings(w, made), said)).ok;
      };
      if (!isPastNight(shown, site, clock.nowMs())) return keep();
      notify(NIGHT_OVER.words, { tone: 'problem', action: { label: NIGHT_OVER.allTheSame, run: () => void keep() } });
      return false;
    },
    [write, clock, notify, night],
  );
}

/** What a record button says: while the ribbon is scrubbed the reading is still taken now. */
export function recordLabel(label: string, isLive: boolean, clockNow: string): string {
  return isLive ? label : `${label} at ${clockNow} (now)`;
}
