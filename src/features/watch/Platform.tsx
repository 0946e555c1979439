/** A platform's run: how long it still follows, and the press that says it was set back. */
import { Button } from 'react-bootstrap';
import { platformRun } from '../../core/night/advice/platformRun.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useRibbonTime, useIsLive } from '../../session/useTime.ts';
import { useRecord } from '../../session/useRecord.ts';
import { useBusy } from '../../session/useWrite.ts';
import { PLATFORM, platformRests, platformSentence } from '../../text/platformWords.ts';
import { countdown } from '../../text/watchWords.ts';
import { Said } from '../../ui/Said.tsx';

function Left({ leftMs }: { leftMs: number }) {
  if (leftMs <= 0) return null;
  return (
    <>
      <p className="count-words">{PLATFORM.left}</p>
      <p className="countdown figures" role="timer" aria-live="off">
        {countdown(leftMs)}
      </p>
    </>
  );
}

/** @param alone it is all there is to watch: an eye takes no subs. */
export function Platform({ alone }: { alone: boolean }) {
  const night = useNight();
  const { format } = useShared();
  const timeMs = useRibbonTime((ms) => ms);
  const live = useIsLive();
  const record = useRecord();
  const busy = useBusy();
  const run = platformRun(night);
  if (!run) return null;
  const reset = (): void => {
    const subject = { type: 'mount' as const, id: night.records.rig.mountId };
    void record({ step: 'watch', subject, kind: 'event', values: { what: 'platformReset' } }, PLATFORM.recorded);
  };
  return (
    <div className={alone ? undefined : 'section'}>
      {alone ? <Left leftMs={(run.endsMs ?? timeMs) - timeMs} /> : <h2>{PLATFORM.title}</h2>}
      <p className={alone ? 'sentence' : undefined} aria-live="polite">
        <Said said={platformSentence(run, timeMs, format)} />
      </p>
      <p className={alone ? 'reason' : 'soft'}>
        {PLATFORM.why} {platformRests(run)}
      </p>
      {live && !night.records.fromSnapshot && (
        <div className="actions">
          <Button variant={alone ? 'primary' : 'outline'} aria-disabled={busy} onClick={reset}>
            {PLATFORM.reset}
          </Button>
        </div>
      )}
    </div>
  );
}
