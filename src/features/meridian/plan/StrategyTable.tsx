import { Button } from 'react-bootstrap';
import { otherFirst, strategyChoices, type Choice } from '../../../core/night/advice/strategies.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { usePlanWrite, withEntry } from '../../../session/usePlanWrite.ts';
import { STRATEGY_NAMES } from '../../../text/meridianWords.ts';
import { chosenWords, firstWords, otherFirstWords, PLAN, riskWords, spareWords } from '../../../text/planWords.ts';
import { ScrollTable } from '../../../ui/ScrollTable.tsx';

function Way({ choice, chosen, choose }: { choice: Choice; chosen: boolean; choose: (() => void) | null }) {
  const { format } = useShared();
  const { strategy, plan, lostS, clearanceM } = choice;
  const risk = riskWords(choice);
  return (
    <tr className={chosen ? 'here' : undefined}>
      <th scope="row">
        {STRATEGY_NAMES[strategy]}
        {risk !== '' && <span className="soft d-block">{risk}</span>}
      </th>
      <td className="figures">{format.duration(plan.integrationS)}</td>
      <td className="figures">{format.duration(lostS)}</td>
      <td>{spareWords(choice, format)}</td>
      <td className="figures">{clearanceM === null ? '' : format.quantity(Math.max(0, clearanceM), 'barLength')}</td>
      <td>
        {chosen && <strong>{PLAN.chosen}</strong>}
        {!chosen && choose && (
          <Button variant="outline" onClick={choose} aria-label={`${PLAN.choose}: ${STRATEGY_NAMES[strategy]}`}>
            {PLAN.choose}
          </Button>
        )}
      </td>
    </tr>
  );
}

/** Two targets the other way round, where that changes the light. */
function TheOtherFirst() {
  const night = useNight();
  const { format } = useShared();
  const { save } = usePlanWrite();
  const other = otherFirst(night);
  if (!other) return null;
  return (
    <div className="actions">
      <span>{otherFirstWords(other, format)}</span>
      {!night.records.fromSnapshot && (
        <Button variant="outline" onClick={() => void save(other.entries, firstWords(other.target))}>
          {other.target} first
        </Button>
      )}
    </div>
  );
}

/** The ways about the meridian side by side; one is chosen. */
export function StrategyTable() {
  const night = useNight();
  const { save } = usePlanWrite();
  const choices = strategyChoices(night);
  const { entry, records, legIndex } = night;
  if (choices.length === 0 || !entry) return null;
  const choose = (strategy: Choice['strategy']): void =>
    void save(withEntry(records.night.plan, legIndex, { strategy }), chosenWords(STRATEGY_NAMES[strategy]));
  return (
    <div className="section">
      <h2>{PLAN.ways}</h2>
      <p className="soft mb-1">{PLAN.wayHint}</p>
      <ScrollTable label={PLAN.ways} headings={PLAN.wayColumns}>
        {choices.map((choice) => (
          <Way
            key={choice.strategy}
            choice={choice}
            chosen={choice.strategy === entry.strategy}
            choose={records.fromSnapshot ? null : () => choose(choice.strategy)}
          />
        ))}
      </ScrollTable>
      <TheOtherFirst />
    </div>
  );
}
