import { useCallback, useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import type { z } from 'zod';
import { judgeSteadiness } from '../../core/mount/steadiness.ts';
import { LONGEST_SETTLE_S, readingValues } from '../../core/records/reading.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useSession, useShared, type NewReadingHere } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import { useRecord } from '../../session/useRecord.ts';
import { FORGOTTEN_WORDS, settledWords, steadyWords, type SteadySaying } from '../../text/footingWords.ts';
import { QuantityField } from '../../ui/form/Fields.tsx';

const SHOWN_EVERY_MS = 100;

/** Runs from the tap until the image stands still; one that was forgotten stops by itself and records nothing. */
function Stopwatch({ stop, forgotten }: { stop: (settleS: number) => void; forgotten: () => void }) {
  const { clock } = useSession();
  const { format } = useShared();
  const [startMs, setStartMs] = useState<number | null>(null);
  const [shownS, setShownS] = useState(0);
  useEffect(() => {
    if (startMs === null) return;
    const timer = setInterval(() => {
      const elapsedS = (clock.elapsedMs() - startMs) / 1000;
      setShownS(elapsedS);
      if (elapsedS < LONGEST_SETTLE_S) return;
      setStartMs(null);
      forgotten();
    }, SHOWN_EVERY_MS);
    return () => clearInterval(timer);
  }, [startMs, clock, forgotten]);
  const press = (): void => {
    if (startMs === null) {
      setShownS(0);
      setStartMs(clock.elapsedMs());
      return;
    }
    stop(Math.round((clock.elapsedMs() - startMs) / 100) / 10);
    setStartMs(null);
  };
  return (
    <div className="actions">
      <Button variant="primary" className="stopwatch" onClick={press}>
        {startMs === null ? 'I tapped the tube' : `It stands still: ${format.number(shownS, 1)} s`}
      </Button>
    </div>
  );
}

const schema = readingValues.steadiness;
type Fields = { settleS: number | null };

/** Tap the tube and time until the image is still: recorded for this rig, judged for its focal length. */
export function Steadiness() {
  const { records, numbers, learned } = useNight();
  const { format, notify } = useShared();
  const has = useHas();
  const record = useRecord();
  const forgotten = useCallback(() => notify(FORGOTTEN_WORDS, { tone: 'problem' }), [notify]);
  const { train } = numbers;
  if (!train) return null;
  const last = learned.steadiness;
  const judged = last && judgeSteadiness(last.values.settleS, train.focalEffectiveMm);
  const saying: SteadySaying = judged
    ? { code: 'tested', settleS: last.values.settleS, waitS: judged.waitAfterSlewS, ...judged }
    : { code: 'notTested' };
  const reading = (settleS: number): NewReadingHere => ({
    step: 'payload',
    subject: { type: 'rig', id: records.rig.id },
    kind: 'steadiness',
    values: { settleS },
  });
  const said = (settleS: number): string => settledWords(settleS, format);
  return (
    <div className="section">
      <h2>Is it steady?</h2>
      <p>{steadyWords(saying, format, has)}</p>
      {!records.fromSnapshot && <Stopwatch stop={(s) => void record(reading(s), said(s))} forgotten={forgotten} />}
      <RecordForm<Fields, z.infer<typeof schema>>
        title="Or timed by hand"
        button="Record this time"
        schema={schema}
        defaults={{ settleS: null }}
        toReading={({ settleS }) => ({ reading: reading(settleS), said: said(settleS) })}
      >
        <QuantityField name="settleS" label="Until the image stands still" kind="seconds" system={format.system} />
      </RecordForm>
    </div>
  );
}
