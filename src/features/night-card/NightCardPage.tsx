import { SkyLightNote } from '../../session/SkyLightNote.tsx';
import { usePartName } from '../../session/usePartName.ts';
import { offBarSentence } from '../../text/offBarWords.ts';
import { plain } from '../../text/said.ts';
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { magneticOfNight } from '../../core/night/advice/hands/magneticOfNight.ts';
import { toICalendar, type CalendarEvent } from '../../formats/icalendar.ts';
import { settingOf } from '../../core/records/setting.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import type { Format } from '../../text/format.ts';
import { findName, standsWords } from '../../text/findWords.ts';
import { latestFlipWords } from '../../text/flipWords.ts';
import { judgementName } from '../../text/budgetWords.ts';
import { hasTonight } from '../../core/night/hasTonight.ts';
import { cardCautions } from '../../text/cautions.ts';
import { calendarTodo, cardEventName, spacingLine } from '../../text/cardWords.ts';
import { groupWords, onMeridianName, subsWords } from '../../text/planWords.ts';
import { modelYearsWords } from '../../text/levelWords.ts';
import { clockFaceWords, poleWords, readingWords } from '../../text/polarWords.ts';
import { READING_NAMES } from '../../text/readingNames.ts';
import { readingLine } from '../../text/readingWords.ts';
import { longestWords } from '../../text/subWords.ts';
import { saveFile } from '../../ui/saveFile.ts';
import { CALENDAR_ALARMS, nightCard, type CardEvent, type DialRow, type NightCard } from './model.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="card-part">
      <h2>{title}</h2>
      {children}
    </section>
  );
}

function Lines({ lines }: { lines: readonly (readonly [string, string])[] }) {
  return (
    <dl className="card-lines">
      {lines.map(([name, value]) => (
        <div key={`${name} ${value}`}>
          <dt>{name}</dt>
          <dd className="figures">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

function Times({ card }: { card: NightCard }) {
  const { format } = useShared();
  const transits = card.transits.map(({ target, timeMs }) => ({ name: onMeridianName(target), timeMs }));
  const all = [...card.events.map((e) => ({ name: cardEventName(e), timeMs: e.timeMs })), ...transits];
  const lines = all.sort((a, b) => a.timeMs - b.timeMs).map((e) => [e.name, format.clock(e.timeMs)] as const);
  return (
    <Part title="Times">
      <SkyLightNote />
      <Lines lines={lines} />
    </Part>
  );
}

function Dial({ rows, star }: { rows: readonly DialRow[]; star: string }) {
  const { numbers } = useNight();
  const { format } = useShared();
  const numbering = numbers.mount?.finder?.numbering ?? 'pattern';
  if (rows.length === 0) return null;
  return (
    <Part title={`${star} on the dial`}>
      <ol className="card-dial">
        {rows.map((row) => (
          <li key={row.timeMs} className="figures">
            <span>{format.clock(row.timeMs)}</span>
            <strong>
              {row.reading === null || numbering === 'pattern'
                ? clockFaceWords(row.viewAngleDeg)
                : readingWords(row.reading, numbering, format)}
            </strong>
          </li>
        ))}
      </ol>
    </Part>
  );
}

const axisLines = ({ compassDeg }: NightCard, south: boolean, format: Format) => [
  ['Compass along the axis', format.quantity(compassDeg, 'angleDeg')] as const,
  ['True bearing', south ? 'south, 180°' : 'north, 0°'] as const,
];

function Settings({ card }: { card: NightCard }) {
  const night = useNight();
  const { records } = night;
  const { format } = useShared();
  const has = hasTonight(night);
  const years = modelYearsWords(magneticOfNight(night));
  const nameOf = usePartName();
  const weights = card.offBar
    ? [['On the bar', plain(offBarSentence(card.offBar, nameOf, format))] as const]
    : card.weights.map(
        (w) => [w.name, w.positionM === null ? 'not known' : format.quantity(w.positionM, 'barLength')] as const,
      );
  const lines: (readonly [string, string])[] = [
    ...(has.has('polarAxis') ? axisLines(card, records.site.latDeg < 0, format) : []),
    ...(has.has('scale') ? [['Latitude scale', format.quantity(card.scaleDeg, 'angleDeg')] as const] : []),
    ...(has.has('bar') ? weights : []),
    ...(card.tubeM === null ? [] : [['Tube in its rings', format.quantity(card.tubeM, 'barLength')] as const]),
    ...(card.spacing ? [['Flange to sensor', spacingLine(card.spacing, format)] as const] : []),
    ...(card.find
      ? [[`${findName(card.find.target)}, ${format.clock(card.find.timeMs)}`, standsWords(card.find, format)] as const]
      : []),
    ...(card.focus
      ? [
          [
            'Focus',
            `${format.quantity(card.focus.positionUm, 'focusUm')} at ${format.quantity(card.focus.temperatureC, 'temperature')}`,
          ] as const,
        ]
      : []),
  ];
  if (lines.length === 0) return null;
  return (
    <Part title="Settings">
      <Lines lines={lines} />
      {years !== null && has.has('polarAxis') && <p>{years}</p>}
    </Part>
  );
}

/** What was measured tonight while setting up, the last of each kind. */
function Measured({ card }: { card: NightCard }) {
  const { records } = useNight();
  const { format } = useShared();
  const { pole } = card;
  if (card.measured.length === 0 && pole === null) return null;
  const about = { format, south: records.site.latDeg < 0 };
  return (
    <Part title="Measured tonight">
      <Lines
        lines={[
          ...card.measured.map((r) => [READING_NAMES[r.kind], readingLine(r, about)] as const),
          ...(pole ? [['Pole', poleWords(pole, about.south, format)] as const] : []),
        ]}
      />
    </Part>
  );
}

function Plan({ card }: { card: NightCard }) {
  const { format } = useShared();
  if (card.targets.length === 0) return null;
  const latest = card.targets.flatMap((t) => t.latestFlipsMs);
  return (
    <Part title="Plan">
      <Lines
        lines={[
          ...card.targets.map((t) => [t.name, subsWords(t, format)] as const),
          ...card.groups.map((g) => [format.clock(g.startMs), groupWords(g, format)] as const),
          ...latest.map((ms) => ['Latest flip', latestFlipWords(ms, format)] as const),
          ...(card.stars
            ? ([
                [judgementName(card.stars.judgement), `${format.quantity(card.stars.share, 'percent')} usable`],
                ['Longest sub', longestWords(card.stars.answer, card.stars.answer, format)],
              ] as const)
            : []),
        ]}
      />
    </Part>
  );
}

/** Dusk, first sub, flip, dawn with alarms, as a file for any calendar; not offered where nothing would stand in it. */
function CalendarButton({ card }: { card: NightCard }) {
  const night = useNight();
  const { records, target } = night;
  const { clock } = useSession();
  const has = hasTonight(night);
  const nth = (event: CardEvent): number =>
    card.events.filter((e) => e.code === event.code && e.timeMs < event.timeMs).length;
  const events = card.events.flatMap((event): CalendarEvent[] => {
    const [alarmMinutes, todo] = [CALENDAR_ALARMS[event.code], calendarTodo(event.code, has)];
    if (alarmMinutes === undefined || todo === undefined) return [];
    return [
      {
        // A plan that was changed replaces its events in the calendar.
        uid: `${event.code}-${nth(event)}-${records.night.id}@tidy-owl`,
        startMs: event.timeMs,
        endMs: event.timeMs,
        summary: `${cardEventName({ ...event, target: null })}: ${event.target ?? target?.name ?? records.rig.name}`,
        description: todo,
        location: records.site.name,
        alarmMinutes,
      },
    ];
  });
  const save = (): void => {
    const text = toICalendar(events, clock.nowMs(), '-//Tidy Owl//Night card//EN');
    saveFile(`night-${records.night.eveningDate}.ics`, new Blob([text], { type: 'text/calendar' }));
  };
  if (events.length === 0) return null;
  return (
    <Button variant="outline" onClick={save}>
      Save for the calendar
    </Button>
  );
}

/** One printed page with all that a night needs. */
export function NightCardPage() {
  const night = useNight();
  const { records, sky } = night;
  const { format, stored } = useShared();
  const card = nightCard(night, settingOf(stored.settings, 'balance'), settingOf(stored.settings, 'power').setUpMin);
  const named = night.legs.flatMap(({ target }) => target?.name ?? []);
  const moon = sky.events;
  const moonTimes = [
    moon.moonRiseMs === null ? null : `rises ${format.clock(moon.moonRiseMs)}`,
    moon.moonSetMs === null ? null : `sets ${format.clock(moon.moonSetMs)}`,
  ].filter((t) => t !== null);
  return (
    <article className="night-card">
      <div className="actions no-print">
        <Button variant="primary" onClick={() => window.print()}>
          Print this card
        </Button>
        <CalendarButton card={card} />
      </div>
      <PageTitle>{`${format.date(records.night.eveningDate)} ${records.night.eveningDate.slice(0, 4)}, ${records.rig.name}`}</PageTitle>
      <p className="card-where">
        {records.site.name}, {format.latitude(records.site.latDeg)}, {format.longitude(records.site.lonDeg)}
        {named.length > 0 && ` · ${named.join(', ')}`} · moon {format.quantity(moon.moonIlluminatedFraction, 'percent')}{' '}
        lit
        {moonTimes.length > 0 && `, ${moonTimes.join(', ')}`}. Times in {records.site.zoneIana}.
      </p>
      <div className="card-grid">
        <Times card={card} />
        <Settings card={card} />
        <Measured card={card} />
        <Plan card={card} />
        <Dial rows={card.dial} star={sky.poleStar.star.name} />
        <Part title="Cautions">
          <ul className="card-cautions">
            {cardCautions(hasTonight(night)).map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </Part>
      </div>
    </article>
  );
}
