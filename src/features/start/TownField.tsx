import { useDeferredValue, useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Town } from '../../core/places/findTowns.ts';
import { useShared } from '../../session/session.ts';
import { START, townName } from '../../text/startWords.ts';
import { useTowns } from './useTowns.ts';

/** A town by its first letters; one press takes its place. */
export function TownField({ chosen, take }: { chosen: string; take: (town: Town) => void }) {
  const { format } = useShared();
  const id = useId();
  const [text, setText] = useState(chosen);
  const { found, asked, missing } = useTowns(useDeferredValue(text === chosen ? '' : text));
  return (
    <div className="town">
      <Form.Label htmlFor={id}>{START.town}</Form.Label>
      <Form.Control
        id={id}
        type="search"
        autoComplete="off"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <div aria-live="polite">
        {missing && <p className="mb-0">{START.townsMissing}</p>}
        {asked && found.length === 0 && <p className="mb-0">{START.noTown}</p>}
      </div>
      {found.length > 0 && (
        <ul aria-label={START.towns}>
          {found.map((town) => (
            <li key={`${town.name} ${town.latDeg} ${town.lonDeg}`}>
              <Button
                variant="outline"
                onClick={() => {
                  setText(town.name);
                  take(town);
                }}
              >
                {townName(town, format)}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
