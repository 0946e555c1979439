import { mountTraits } from '../../../core/mount/mountKinds.ts';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { hasHome } from '../../../core/night/ledger/ledger.ts';
import { useNight } from '../../../session/session.ts';
import { NOT_SEEN_NAMES, notSeenSteps, type NotSeenCase } from '../../../text/notSeenWords.ts';

const CASES = Object.keys(NOT_SEEN_NAMES) as NotSeenCase[];

/** Where everybody starts: nothing to be seen in the finder. What to try, the likeliest first. */
export function NotSeen() {
  const night = useNight();
  const [chosen, choose] = useState<NotSeenCase | null>(null);
  const { mount } = night.numbers;
  const throughAxis = hasHome(night);
  const context = { throughAxis, tracker: mountTraits(mount).isTracker, south: night.records.site.latDeg < 0 };
  return (
    <details className="more">
      <summary>I do not see it</summary>
      <div className="actions" role="group" aria-label="What the view is">
        {CASES.map((one) => (
          <Button
            key={one}
            variant={one === chosen ? 'primary' : 'outline'}
            aria-pressed={one === chosen}
            onClick={() => choose(one)}
          >
            {NOT_SEEN_NAMES[one]}
          </Button>
        ))}
      </div>
      {chosen && (
        <ol className="steps" aria-live="polite">
          {notSeenSteps(chosen, context).map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      )}
    </details>
  );
}
