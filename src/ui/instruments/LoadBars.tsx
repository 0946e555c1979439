/** What there is against what is allowed, as bars: filled to the load, marked at four fifths and at the limit. */
import type { LoadBar } from '../../core/mount/load.ts';
import { NEAR_LIMIT_SHARE } from '../../core/mount/load.ts';

type Row = { name: string; bar: LoadBar; figure: string; verdict: string };

const COLOURS: Record<LoadBar['verdict'], string> = { fine: 'var(--moss)', near: 'var(--amber)', over: 'var(--brick)' };
/** The drawn track ends a little past the limit, so that an overload is seen to cross it. */
const TRACK_END = 1.4;

function Bar({ bar }: { bar: LoadBar }) {
  const at = (share: number): number => (Math.min(share, TRACK_END) / TRACK_END) * 100;
  return (
    <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
      <rect width={at(1)} y="2" height="8" fill="var(--tint)" />
      <rect width={at(bar.share)} y="2" height="8" fill={COLOURS[bar.verdict]} />
      <path
        d={`M${at(NEAR_LIMIT_SHARE)} 0V12`}
        stroke="var(--soft)"
        strokeWidth="1"
        strokeDasharray="2 2"
        vectorEffect="non-scaling-stroke"
      />
      <path d={`M${at(1)} 0V12`} stroke="var(--ink)" strokeWidth="2.5" vectorEffect="non-scaling-stroke" />
    </svg>
  );
}

export function LoadBars({ rows }: { rows: readonly Row[] }) {
  return (
    <table className="load-bars">
      <tbody>
        {rows.map((row) => (
          <tr key={row.name}>
            <th scope="row">{row.name}</th>
            <td>
              <Bar bar={row.bar} />
            </td>
            <td className="figures">{row.figure}</td>
            <td>{row.verdict}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
