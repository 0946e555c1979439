import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactNode } from 'react';
import { ScrollTable, type TableProps } from './ScrollTable.tsx';

/** Up to here all rows are drawn. */
const DRAWN_WHOLE = 60;
/** Until a row is measured. */
const USUAL_ROW_PX = 71;
const ROWS_AROUND = 12;

/** Hangs on each row, with `data-index`: where only some are drawn their heights are measured. */
export type RowRef = ((element: HTMLTableRowElement | null) => void) | undefined;

type Props = Omit<TableProps, 'children'> & {
  count: number;
  /** @param index counts from 0. */
  row: (index: number, ref: RowRef) => ReactNode;
  /** The row that is in view at first. */
  startAt?: number;
};

/** A row's place holder: so high as the rows that are not drawn. */
const Gap = ({ heightPx, columns }: { heightPx: number; columns: number }) =>
  heightPx > 0 ? (
    <tr aria-hidden="true" className="gap-row">
      <td colSpan={columns} style={{ height: heightPx }} />
    </tr>
  ) : null;

function Windowed({ count, row, startAt = 0, headings, ...rest }: Props) {
  const scroll = useRef<HTMLDivElement>(null);
  // oxlint-disable-next-line react/incompatible-library -- nothing here is kept between two drawings
  const rows = useVirtualizer({
    count,
    getScrollElement: () => scroll.current,
    estimateSize: () => USUAL_ROW_PX,
    overscan: ROWS_AROUND,
    initialOffset: Math.max(0, startAt - 2) * USUAL_ROW_PX,
  });
  const drawn = rows.getVirtualItems();
  const [first, last] = [drawn[0], drawn.at(-1)];
  return (
    <ScrollTable {...rest} headings={headings} region={scroll} rowCount={count}>
      <Gap heightPx={first?.start ?? 0} columns={headings.length} />
      {drawn.map(({ index }) => row(index, rows.measureElement))}
      <Gap heightPx={rows.getTotalSize() - (last?.end ?? 0)} columns={headings.length} />
    </ScrollTable>
  );
}

/** A table of any length: a long one scrolls by itself and draws only the rows in view. */
export function WindowedTable(props: Props) {
  if (props.count > DRAWN_WHOLE) return <Windowed {...props} />;
  const { count, row, label, headings } = props;
  return (
    <ScrollTable label={label} headings={headings}>
      {Array.from({ length: count }, (_, index) => row(index, undefined))}
    </ScrollTable>
  );
}
