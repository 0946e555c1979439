import { useShared } from '../../session/session.ts';
import { Problem } from '../../ui/Problem.tsx';

/** Records that could not be read: named, kept, left out. */
export function DamagedNotice() {
  const { damaged } = useShared().stored;
  if (damaged.length === 0) return null;
  return (
    <Problem>
      <strong>
        {damaged.length === 1 ? 'One record' : `${damaged.length} records`} could not be read and is left out.
      </strong>{' '}
      Nothing was deleted.{' '}
      {damaged
        .slice(0, 3)
        .map((d) => `${d.table} ${d.id} (${d.problem})`)
        .join('; ')}
    </Problem>
  );
}
