import { line } from 'd3';
import { useMemo, useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { z } from 'zod';
import { readingValues } from '../../core/records/reading.ts';
import { formatDate } from '../../core/time/civil.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { useSaveReminder } from '../../session/useCopies.ts';
import { logbookReason, logbookSentence } from '../../text/logbookWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { ScrollTable } from '../../ui/ScrollTable.tsx';
import { ChartFrame } from '../../ui/charts/ChartFrame.tsx';
import { TextField } from '../../ui/form/Fields.tsx';
import { Empty } from '../../ui/Problem.tsx';
import { filterRows, nightRows, polarTrend, type NightRow, type TrendPoint } from './model.ts';
import { NightInFull } from './NightInFull.tsx';

function Trend({ points, shownId }: { points: readonly TrendPoint[]; shownId: string }) {
  const { format } = useShared();
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || points.length < 2) return null;
  const highest = Math.max(...points.map((p) => p.arcmin));
  return (
    <ChartFrame
      label={`Polar error over ${points.length} nights: from ${format.quantity(first.arcmin, 'arcmin')} to ${format.quantity(last.arcmin, 'arcmin')}`}
      fileName="polar-error-by-night"
      height={210}
      x={{
        domain: [first.dayMs - 86_400_000, last.dayMs + 86_400_000],
        label: 'evening of',
        format: (ms) => formatDate(new Date(ms).toISOString().slice(0, 10)).replace(/^\w+ /, ''),
      }}
      y={{ domain: [0, highest * 1.08], label: 'polar error', format: (v) => format.quantity(v, 'arcmin', 0) }}
    >
      {({ x, y }) => (
        <g>
          <path
            d={
              line<TrendPoint>()
                .x((p) => x(p.dayMs))
                .y((p) => y(p.arcmin))(points) ?? ''
            }
            fill="none"
            stroke="var(--action)"
            strokeWidth="2"
          />
          {points.map((p) => (
            <circle
              key={p.nightId}
              cx={x(p.dayMs)}
              cy={y(p.arcmin)}
              r={p.nightId === shownId ? 8 : 5}
              fill={p.nightId === shownId ? 'var(--amber)' : 'var(--action)'}
            />
          ))}
        </g>
      )}
    </ChartFrame>
  );
}

/** A value as a bar against the largest of all rows: the eye compares before it reads. */
function Small({ value, largest, words }: { value: number | null; largest: number; words: string }) {
  if (value === null) return <td className="soft">–</td>;
  return (
    <td className="figures">
      <svg viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
        <rect width={(100 * value) / largest} height="6" fill="var(--bar)" />
      </svg>
      {words}
    </td>
  );
}

function Nights({ rows, shownId }: { rows: readonly NightRow[]; shownId: string }) {
  const { format } = useShared();
  const largest = (value: (row: NightRow) => number | null): number =>
    Math.max(1e-9, ...rows.map((row) => value(row) ?? 0));
  const [polar, seeing, subs] = [
    largest((r) => r.polarArcmin),
    largest((r) => r.seeingArcsec),
    largest((r) => r.subs?.count ?? null),
  ];
  return (
    <ScrollTable label="Nights" headings={['Night', 'Polar error', 'Seeing', 'Usable subs', 'Balance']}>
      {rows.map((row) => (
        <tr key={row.night.id} className={row.night.id === shownId ? 'shown' : undefined}>
          <th scope="row">
            <Link to={`/n/${row.night.id}/logbook`} aria-current={row.night.id === shownId ? 'page' : undefined}>
              {formatDate(row.night.eveningDate)}
            </Link>
            <span className="soft">{[row.rig, row.site, row.target].filter(Boolean).join(' · ')}</span>
          </th>
          <Small value={row.polarArcmin} largest={polar} words={format.quantity(row.polarArcmin ?? 0, 'arcmin')} />
          <Small
            value={row.seeingArcsec}
            largest={seeing}
            words={format.quantity(row.seeingArcsec ?? 0, 'arcsec', 1)}
          />
          <Small
            value={row.subs?.usable ?? null}
            largest={subs}
            words={`${row.subs?.usable ?? 0} of ${row.subs?.count ?? 0}`}
          />
          <td className="figures">{row.balanceM === null ? '–' : format.quantity(row.balanceM, 'barLength')}</td>
        </tr>
      ))}
    </ScrollTable>
  );
}

type NoteFields = { text: string };
const noteSchema = z.object({ text: readingValues.note.shape.text.trim().min(1) });

function AddNote() {
  const { records } = useNight();
  return (
    <RecordForm<NoteFields, NoteFields>
      title="Note for this night"
      button="Record this note"
      schema={noteSchema}
      defaults={{ text: '' }}
      toReading={(values) => ({
        reading: { step: 'logbook', subject: { type: 'night', id: records.night.id }, kind: 'note', values },
        said: 'Note recorded.',
      })}
    >
      <TextField name="text" label="What to remember" multiline wide />
    </RecordForm>
  );
}

export function LogbookBench() {
  const { records } = useNight();
  const { stored, format } = useShared();
  const [filter, setFilter] = useState('');
  const reminder = useSaveReminder();
  const rows = useMemo(() => nightRows(stored, records.otherNight), [stored, records]);
  const shown = filterRows(rows, filter, formatDate);
  const own = rows.find((r) => r.night.id === records.night.id);
  const trend = polarTrend(shown);
  return (
    <BenchLayout
      title="Logbook"
      sentence={logbookSentence({ date: formatDate(records.night.eveningDate), readings: records.readings.length })}
      reason={logbookReason(
        own?.polarArcmin ?? null,
        trend.map((p) => p.arcmin),
        format,
      )}
      instrumentName="The trend"
      instrument={<Trend points={trend} shownId={records.night.id} />}
    >
      <Form.Control
        className="mt-2"
        type="search"
        placeholder="Filter by date, rig, site or target"
        aria-label="Filter nights"
        value={filter}
        onChange={(event) => setFilter(event.target.value)}
      />
      {shown.length > 0 ? (
        <Nights rows={shown} shownId={records.night.id} />
      ) : (
        <Empty>No night matches. Clear the filter to see all {rows.length}.</Empty>
      )}
      <NightInFull />
      <AddNote />
      <p className="section">
        <Link to={`/n/${records.night.id}/card`}>Night card</Link> ·{' '}
        <Link to="/data">Save or bring in all records</Link>
      </p>
      {reminder !== null && <p className="soft">{reminder}</p>}
    </BenchLayout>
  );
}
