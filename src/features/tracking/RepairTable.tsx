import { Link } from 'react-router';
import { repairsOf } from '../../core/night/advice/stars/repairs.ts';
import type { PlannedSub } from '../../core/verdict/plannedSub.ts';
import { stopPath } from '../../session/paths.ts';
import { useNight, useShared } from '../../session/session.ts';
import { minutesWords, repairName, REPAIRS, verdictOfPrice } from '../../text/budgetWords.ts';
import { ScrollTable } from '../../ui/ScrollTable.tsx';

/** What is left to mend, each at its price in subs, what pays first; each leads to the bench that mends it. */
export function RepairTable({ sub, timeMs }: { sub: PlannedSub; timeMs: number }) {
  const night = useNight();
  const { format } = useShared();
  const repairs = repairsOf(night, sub, timeMs);
  return (
    <div className="section">
      <h2>{REPAIRS.title}</h2>
      {repairs.length === 0 ? (
        <p className="soft">{REPAIRS.none}</p>
      ) : (
        <ScrollTable label={REPAIRS.title} headings={REPAIRS.headings}>
          {repairs.map((repair) => (
            <tr key={repair.code}>
              <th scope="row">
                <Link to={stopPath(night.records.night.id, { step: repair.step, visit: null })}>
                  {repairName(repair, format)}
                </Link>
              </th>
              <td className="figures">{minutesWords(repair, format)}</td>
              <td className="figures">{repair.lost}</td>
              <td className="figures">{repair.won}</td>
              <td>{verdictOfPrice(repair)}</td>
            </tr>
          ))}
        </ScrollTable>
      )}
    </div>
  );
}
