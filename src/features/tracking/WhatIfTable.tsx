import { whatIf } from '../../core/night/advice/stars/whatIf.ts';
import type { PlannedSub } from '../../core/verdict/plannedSub.ts';
import { useNight, useShared } from '../../session/session.ts';
import { againstNow, WHAT_IF, whatIfWords } from '../../text/trackingWords.ts';
import { ScrollTable } from '../../ui/ScrollTable.tsx';

/** The account with one thing other than it is, best first. @param share what it is now. */
export function WhatIfTable({ sub, share }: { sub: PlannedSub; share: number }) {
  const night = useNight();
  const { format } = useShared();
  const rows = whatIf(night, sub);
  if (rows.length === 0) return null;
  return (
    <div className="section">
      <h2>{WHAT_IF.title}</h2>
      <ScrollTable label={WHAT_IF.title} headings={WHAT_IF.headings}>
        {rows.map((row) => (
          <tr key={row.code}>
            <th scope="row">{whatIfWords(row, format)}</th>
            <td className="figures">{format.quantity(row.share, 'percent')}</td>
            <td className="figures">{againstNow(row.share, share, format)}</td>
          </tr>
        ))}
      </ScrollTable>
      {rows.some((row) => row.code === 'seeing') && <p className="soft">{WHAT_IF.note}</p>}
    </div>
  );
}
