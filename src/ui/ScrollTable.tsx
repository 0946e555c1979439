import type { ReactNode } from 'react';

type Props = {
  /** Spoken name of the region that scrolls by itself on a narrow screen. */
  label: string;
  /** One per column; one that is only spoken stands in brackets: `[Verdict]`. */
  headings: readonly string[];
  children: ReactNode;
};

/** A table wider than a phone: rows as children. */
export function ScrollTable({ label, headings, children }: Props) {
  return (
    <div className="table-scroll" tabIndex={0} role="region" aria-label={label}>
      <table className="night-table">
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
