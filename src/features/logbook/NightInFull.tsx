import { Button } from 'react-bootstrap';
import { middleStars } from '../../core/night/advice/stars/middleStars.ts';
import type { Reading } from '../../core/records/reading.ts';
import { fromUtcText } from '../../core/time/utc.ts';
import { retractReading } from '../../storage/readings.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { expectedWords, tickedWords } from '../../text/logbookWords.ts';
import { READING_NAMES } from '../../text/readingNames.ts';
import { readingLine } from '../../text/readingWords.ts';
import { Empty } from '../../ui/Problem.tsx';
import { foldedTicks } from './model.ts';

function TakeBack({ reading }: { reading: Reading }) {
  const write = useWrite();
  const takeBack = (): void => {
    const said = `${READING_NAMES[reading.kind]} taken back.`;
    void write(['retract', reading.id], (w) => retractReading(w, reading), said);
  };
  return (
    <Button variant="link" aria-label={`Take back: ${READING_NAMES[reading.kind]}`} onClick={takeBack}>
      Take back
    </Button>
  );
}

/** Every reading of the shown night in the order it was taken. */
export function NightInFull() {
  const night = useNight();
  const { records } = night;
  const { format } = useShared();
  const stars = middleStars(night);
  const south = records.site.latDeg < 0;
  const { listed, ticked } = foldedTicks(records.readings);
  return (
    <section className="section" aria-labelledby="in-full">
      <h2 id="in-full">{format.date(records.night.eveningDate)} in full</h2>
      {stars && <p className="soft">{expectedWords(stars.judgement, stars.budget.shareAcceptable, format)}</p>}
      {records.readings.length === 0 && <Empty>Nothing recorded on this night yet. Each bench records here.</Empty>}
      <ol className="reading-list">
        {listed.map((reading) => (
          <li key={reading.id}>
            <time className="figures">{format.clock(fromUtcText(reading.takenAtUtc))}</time>
            <span>
              <strong>{READING_NAMES[reading.kind]}</strong> {readingLine(reading, { format, south })}
            </span>
            <TakeBack reading={reading} />
          </li>
        ))}
      </ol>
      {ticked.size > 0 && (
        <p className="soft">{[...ticked].map(([listId, count]) => tickedWords(listId, count)).join(', ')}.</p>
      )}
    </section>
  );
}
