import type { ReactNode, RefObject } from 'react';

export type TableProps = {
  /** Spoken name of the region that scrolls by itself on a narrow screen. */
  label: string;
  /** One per column; one that is only spoken stands in brackets: `[Verdict]`. */
  headings: readonly string[];
  children: ReactNode;
};

type Props = TableProps & {
  /** Of a table that scrolls by itself and draws some of its rows: how many there are. */
  region?: RefObject<HTMLDivElement | null>;
  rowCount?: number;
};

/** A table wider than a phone: rows as children. */
export function ScrollTable({ label, headings, children, region, rowCount }: Props) {
  return (
    <div
      ref={region}
      className={region ? 'table-scroll long' : 'table-scroll'}
      tabIndex={0}
      role="region"
      aria-label={label}
    >
      <table className="night-table" aria-rowcount={rowCount === undefined ? undefined : rowCount + 1}>
        <thead>
          <tr>
            {headings.map((heading) => (
              <th key={heading} scope="col">
                {heading.startsWith('[') ? <span className="visually-hidden">{heading.slice(1, -1)}</span> : heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}
