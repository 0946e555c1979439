import { goalOfNight } from '../../core/night/ledger/goalOfNight.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import { goalName, goalWords } from '../../text/goalWords.ts';

/** Beside the verdict while the pole is set: how near is near enough. */
export function GoalInMargin() {
  const night = useNight();
  const { format } = useShared();
  if (!useHas().has('polarAxis')) return null;
  const goal = goalOfNight(night);
  return (
    <div className="section">
      <h2>Goal for the pole</h2>
      <p className="mb-1">
        <strong>{goalName(goal, format)}</strong>
      </p>
      <p className="mb-0">{goalWords(goal, format)}</p>
    </div>
  );
}
