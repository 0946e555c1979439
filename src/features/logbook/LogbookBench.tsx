import { line } from 'd3';
import { memo, useDeferredValue, useMemo, useState, type ComponentType } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { z } from 'zod';
import { readingValues } from '../../core/records/reading.ts';
import { oncePerKey } from '../../core/once.ts';
import { formatMonth } from '../../core/time/civil.ts';
import { MS_PER_DAY } from '../../core/time/utc.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { besideOwn, useDemo } from '../../session/demo.ts';
import { useNight, useShared } from '../../session/session.ts';
import type { Stored } from '../../storage/useStored.ts';
import { useSaveReminder } from '../../session/useCopies.ts';
import type { Format } from '../../text/format.ts';
import { logbookReason, logbookSentence } from '../../text/logbookWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { WindowedTable, type RowRef } from '../../ui/WindowedTable.tsx';
import { ChartFrame } from '../../ui/charts/ChartFrame.tsx';
import { TextField } from '../../ui/form/Fields.tsx';
import { Empty } from '../../ui/Problem.tsx';
import { filterRows, nightRows, polarTrend, sameTrend, smoothed, type NightRow, type TrendPoint } from './model.ts';
import { NightInFull } from './NightInFull.tsx';

const YEAR_MS = 365 * MS_PER_DAY;
const dayOf = (ms: number, f: Format): string => f.date(new Date(ms).toISOString().slice(0, 10)).replace(/^\w+ /, '');
/** More of them are one smear: then a line through their middle tells, and the shown night. */
const MOST_DOTS = 200;

/** Drawn again only when its points changed: thousands take a while. */
const Trend = memo(function Trend({ points, shownId }: { points: readonly TrendPoint[]; shownId: string }) {
  const { format } = useShared();
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || points.length < 2) return null;
  const isLong = points.length > MOST_DOTS;
  const highest = points.reduce((most, p) => Math.max(most, p.arcmin), 0);
  return (
    <ChartFrame
      label={`Polar error over ${points.length} nights: from ${format.quantity(first.arcmin, 'arcmin')} to ${format.quantity(last.arcmin, 'arcmin')}`}
      fileName="polar-error-by-night"
      height={210}
      x={{
        domain: [first.dayMs - MS_PER_DAY, last.dayMs + MS_PER_DAY],
        label: 'evening of',
        format: last.dayMs - first.dayMs > YEAR_MS ? formatMonth : (ms) => dayOf(ms, format),
      }}
      y={{ domain: [0, highest * 1.08], label: 'polar error', format: (v) => format.quantity(v, 'arcmin', 0) }}
    >
      {({ x, y }) => {
        const through = (of: readonly TrendPoint[]): string =>
          line<TrendPoint>()
            .x((p) => x(p.dayMs))
            .y((p) => y(p.arcmin))(of) ?? '';
        const dots = points.filter((p) => !isLong || p.nightId === shownId);
        return (
          <g>
            {isLong && <path d={through(points)} fill="none" stroke="var(--action)" strokeWidth="1" opacity="0.3" />}
            <path d={through(isLong ? smoothed(points) : points)} fill="none" stroke="var(--action)" strokeWidth="2" />
            {dots.map((p) => (
              <circle
                key={p.nightId}
                cx={x(p.dayMs)}
                cy={y(p.arcmin)}
                r={p.nightId === shownId ? 8 : 5}
                fill={p.nightId === shownId ? 'var(--amber)' : 'var(--action)'}
              />
            ))}
          </g>
        );
      }}
    </ChartFrame>
  );
});

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

type Largest = { polar: number; seeing: number; subs: number };
type Column = keyof Largest | 'balance';
type CellProps = { row: NightRow; largest: Largest };

function PolarCell({ row: { polarArcmin }, largest }: CellProps) {
  const { format } = useShared();
  return <Small value={polarArcmin} largest={largest.polar} words={format.quantity(polarArcmin ?? 0, 'arcmin')} />;
}

function SeeingCell({ row: { seeingArcsec }, largest }: CellProps) {
  const { format } = useShared();
  return (
    <Small value={seeingArcsec} largest={largest.seeing} words={format.quantity(seeingArcsec ?? 0, 'arcsec', 1)} />
  );
}

function SubsCell({ row: { subs }, largest }: CellProps) {
  const words = `${subs?.usable ?? 0} of ${subs?.count ?? 0}`;
  return <Small value={subs?.usable ?? null} largest={largest.subs} words={words} />;
}

function BalanceCell({ row: { balanceM } }: CellProps) {
  const { format } = useShared();
  return <td className="figures">{balanceM === null ? '–' : format.quantity(balanceM, 'barLength')}</td>;
}

const COLUMNS: readonly { column: Column; name: string; Cell: ComponentType<CellProps> }[] = [
  { column: 'polar', name: 'Polar error', Cell: PolarCell },
  { column: 'seeing', name: 'Seeing', Cell: SeeingCell },
  { column: 'subs', name: 'Usable subs', Cell: SubsCell },
  { column: 'balance', name: 'Balance', Cell: BalanceCell },
];

/** Columns that some night fills; empty ones would speak of what nobody here has. */
type Shown = Record<Column, boolean>;
type RowProps = {
  row: NightRow;
  largest: Largest;
  shown: Shown;
  index: number;
  isShown: boolean;
  ref: RowRef;
};

function NightLine({ row, largest, shown, index, isShown, ref }: RowProps) {
  const { format } = useShared();
  return (
    <tr ref={ref} data-index={index} aria-rowindex={index + 2} className={isShown ? 'shown' : undefined}>
      <th scope="row">
        <Link to={`/n/${row.night.id}/logbook`} aria-current={isShown ? 'page' : undefined}>
          {format.dateIn(row.listYear, row.night.eveningDate)}
        </Link>
        <span className="soft">{[row.rig, row.site, row.target].filter(Boolean).join(' · ')}</span>
      </th>
      {COLUMNS.map(({ column, Cell }) => shown[column] && <Cell key={column} row={row} largest={largest} />)}
    </tr>
  );
}

function Nights({ rows, shownId }: { rows: readonly NightRow[]; shownId: string }) {
  const most = (value: (row: NightRow) => number | null): number =>
    rows.reduce((largest, row) => Math.max(largest, value(row) ?? 0), 1e-9);
  const largest = {
    polar: most((r) => r.polarArcmin),
    seeing: most((r) => r.seeingArcsec),
    subs: most((r) => r.subs?.count ?? null),
  };
  const some = (value: (row: NightRow) => unknown): boolean => rows.some((row) => value(row) !== null);
  const shown: Shown = {
    polar: some((r) => r.polarArcmin),
    seeing: some((r) => r.seeingArcsec),
    subs: some((r) => r.subs),
    balance: some((r) => r.balanceM),
  };
  const draw = (index: number, ref: RowRef) => {
    const row = rows[index];
    if (!row) return null;
    const { id } = row.night;
    return (
      <NightLine key={id} ref={ref} row={row} largest={largest} shown={shown} index={index} isShown={id === shownId} />
    );
  };
  return (
    <WindowedTable
      label="Nights"
      headings={['Night', ...COLUMNS.flatMap(({ column, name }) => (shown[column] ? [name] : []))]}
      count={rows.length}
      row={draw}
      startAt={rows.findIndex((row) => row.night.id === shownId)}
    />
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

/** The same object for as long as the same points are drawn. */
function useTrend(rows: readonly NightRow[]): readonly TrendPoint[] {
  const fresh = polarTrend(rows);
  const [kept, setKept] = useState<readonly TrendPoint[]>(fresh);
  const trend = sameTrend(kept, fresh);
  if (trend !== kept) setKept(trend);
  return trend;
}

/** The same for as long as the same is stored: with the demo's nights, or without them beside one's own. */
const listedOf = oncePerKey((stored: Stored, withDemo: boolean) =>
  withDemo ? stored : { ...stored, nights: besideOwn(stored.nights, stored.nights) },
);

export function LogbookBench() {
  const { records } = useNight();
  const { stored, format } = useShared();
  const [filter, setFilter] = useState('');
  const reminder = useSaveReminder();
  const { poleGoal } = records.schools;
  const withDemo = useDemo().shown || records.night.origin === 'demo';
  const rows = nightRows(listedOf(stored, withDemo), poleGoal);
  // The field follows the fingers; a long list follows the field.
  const wanted = useDeferredValue(filter);
  const shown = useMemo(() => filterRows(rows, wanted), [rows, wanted]);
  const own = rows.find((r) => r.night.id === records.night.id);
  const trend = useTrend(shown);
  // What was pressed is answered first, the drawing follows.
  const drawn = useDeferredValue(trend);
  return (
    <BenchLayout
      title="Logbook"
      sentence={logbookSentence({ date: format.date(records.night.eveningDate), readings: records.readings.length })}
      reason={logbookReason(
        own?.polarArcmin ?? null,
        trend.map((p) => p.arcmin),
        format,
      )}
      instrumentName="The trend"
      instrument={<Trend points={drawn} shownId={records.night.id} />}
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
