/** The parts box as a table: filtered by words and kind, sorted by any column, archived parts on demand. */
import {
  columnFilteringFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_equalsString,
  filterFn_includesString,
  globalFilteringFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useMemo, useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Part, PartKind } from '../../core/records/part.ts';
import { useListing } from '../../session/demo.ts';
import { DemoSwitch } from '../../session/DemoSwitch.tsx';
import { useShared } from '../../session/session.ts';
import { Empty } from '../../ui/Problem.tsx';
import { partRows, type PartRow } from './partRows.ts';
import { PART_KIND_NAMES } from './partFields.ts';
import { RowActions } from './RowActions.tsx';

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  filteredRowModel: createFilteredRowModel(),
  filterFns: { equalsString: filterFn_equalsString, includesString: filterFn_includesString },
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
});
const helper = createColumnHelper<typeof features, PartRow>();
const columns = helper.columns([
  helper.accessor('name', { header: 'Part', sortFn: 'alphanumeric' }),
  helper.accessor('kindName', { header: 'Kind', sortFn: 'alphanumeric', filterFn: 'equalsString' }),
  helper.accessor('massKg', {
    header: 'Mass',
    sortFn: 'basic',
    sortUndefined: 'last',
    sortDescFirst: false,
    enableGlobalFilter: false,
  }),
  helper.accessor('count', { header: 'Have', sortFn: 'basic', sortDescFirst: false, enableGlobalFilter: false }),
  helper.accessor('usedIn', { header: 'Used in', sortFn: 'alphanumeric' }),
  helper.accessor('packIn', { header: 'Packed in', sortFn: 'alphanumeric' }),
]);

const SORT_WORDS = { asc: 'ascending', desc: 'descending' } as const;
const SORT_ARROWS = { asc: ' ↑', desc: ' ↓' } as const;

function Filters(props: {
  words: string;
  setWords: (words: string) => void;
  kind: string;
  setKind: (kind: string) => void;
  kinds: readonly PartKind[];
  archived: boolean;
  setArchived: (archived: boolean) => void;
}) {
  return (
    <div className="filters">
      <Form.Control
        type="search"
        placeholder="Filter parts"
        aria-label="Filter parts"
        value={props.words}
        onChange={(event) => props.setWords(event.target.value)}
      />
      <Form.Select aria-label="Kind shown" value={props.kind} onChange={(event) => props.setKind(event.target.value)}>
        <option value="">every kind</option>
        {props.kinds.map((kind) => (
          <option key={kind} value={PART_KIND_NAMES[kind]}>
            {PART_KIND_NAMES[kind]}
          </option>
        ))}
      </Form.Select>
      <Form.Check
        id="show-archived"
        type="checkbox"
        label="Archived too"
        checked={props.archived}
        onChange={(event) => props.setArchived(event.target.checked)}
      />
    </div>
  );
}

function Row({ row }: { row: PartRow }) {
  const { format } = useShared();
  return (
    <tr className={row.part.archived ? 'archived' : undefined}>
      <th scope="row">
        <Link to={`/kit/parts/${row.part.id}`}>{row.name}</Link>
        {row.part.archived && <span className="soft"> archived</span>}
      </th>
      <td>{row.kindName}</td>
      <td className="figures">{row.massKg === undefined ? 'not known' : format.quantity(row.massKg, 'mass')}</td>
      <td className="figures">{row.count}</td>
      <td>{row.usedIn}</td>
      <td>{row.packIn}</td>
      <td>
        <RowActions part={row.part} />
      </td>
    </tr>
  );
}

function useParts(parts: readonly Part[], archived: boolean) {
  const { stored } = useShared();
  const data = useMemo(() => partRows(parts, stored.rigs, archived), [parts, stored.rigs, archived]);
  return useTable({ features, columns, data, globalFilterFn: 'includesString' });
}

export function PartsTable() {
  const { stored } = useShared();
  const [archived, setArchived] = useState(false);
  const table = useParts(useListing()(stored.parts), archived);
  const kindColumn = table.getColumn('kindName');
  const chosenKind = kindColumn?.getFilterValue();
  const kinds = (Object.keys(PART_KIND_NAMES) as PartKind[]).filter((k) => stored.parts.some((p) => p.kind === k));
  const rows = table.getRowModel().rows;
  return (
    <>
      <DemoSwitch records={stored.parts} />
      <Filters
        words={String(table.state.globalFilter ?? '')}
        setWords={(words) => table.setGlobalFilter(words)}
        kind={typeof chosenKind === 'string' ? chosenKind : ''}
        setKind={(kind) => kindColumn?.setFilterValue(kind === '' ? undefined : kind)}
        kinds={kinds}
        archived={archived}
        setArchived={setArchived}
      />
      <div className="table-scroll" tabIndex={0} role="region" aria-label="Parts">
        <table className="night-table parts-table">
          <thead>
            <tr>
              {table.getFlatHeaders().map((header) => {
                const sorted = header.column.getIsSorted();
                return (
                  <th key={header.id} scope="col" aria-sort={sorted === false ? 'none' : SORT_WORDS[sorted]}>
                    <button type="button" className="sort-button" onClick={() => header.column.toggleSorting()}>
                      {String(header.column.columnDef.header)}
                      {sorted === false ? '' : SORT_ARROWS[sorted]}
                    </button>
                  </th>
                );
              })}
              <th scope="col">
                <span className="visually-hidden">What to do with it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <Row key={row.original.part.id} row={row.original} />
            ))}
          </tbody>
        </table>
      </div>
      {rows.length === 0 && (
        <Empty>
          {stored.parts.length === 0
            ? 'No parts yet. Add the first one, or begin with starter parts.'
            : 'Nothing matches the filter.'}
        </Empty>
      )}
    </>
  );
}
