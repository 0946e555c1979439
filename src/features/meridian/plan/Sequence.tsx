import { isLookedAt } from '../../../core/night/plan/plainPlan.ts';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Leg } from '../../../core/night/life/legs.ts';
import { useListing } from '../../../session/demo.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { useRibbonAddress } from '../../../session/useRibbonAddress.ts';
import { brightTarget, ownFirst, standingOptions } from '../../../session/targetOffers.ts';
import { moved, usePlanWrite } from '../../../session/usePlanWrite.ts';
import {
  addedWords,
  NO_TIME,
  seenWords,
  PLAN,
  SEQUENCE,
  sequenceWords,
  takenOutWords,
} from '../../../text/planWords.ts';

type RowProps = { leg: Leg; index: number; name: string };

/** Earlier, later, out of it. */
function Order({ index, name }: Omit<RowProps, 'leg'>) {
  const { records, legs } = useNight();
  const { save } = usePlanWrite();
  const { plan: entries } = records.night;
  const act = (label: string, to: typeof entries, said: string, disabled = false) => (
    <Button variant="outline" disabled={disabled} aria-label={`${label}: ${name}`} onClick={() => void save(to, said)}>
      {label}
    </Button>
  );
  const without = entries.filter((_, i) => i !== index);
  return (
    <div className="row-actions">
      {legs.length > 1 && act(SEQUENCE.up, moved(entries, index, -1), SEQUENCE.orderSaid, index === 0)}
      {legs.length > 1 && act(SEQUENCE.down, moved(entries, index, 1), SEQUENCE.orderSaid, index === legs.length - 1)}
      {act(SEQUENCE.remove, without, takenOutWords(name))}
    </div>
  );
}

function Row({ leg: { plan, usable, entry }, index, name }: RowProps) {
  const { records, legs, legIndex, numbers } = useNight();
  const { lookAt } = useRibbonAddress();
  const { format } = useShared();
  const [first, last] = [plan?.subs[0], plan?.subs.at(-1)];
  return (
    <li className={index === legIndex && legs.length > 1 ? 'here' : undefined}>
      {first ? (
        <Button variant="link" className="name" onClick={() => lookAt(first.startMs)}>
          {name}
        </Button>
      ) : (
        <strong className="name">{name}</strong>
      )}
      <span className="figures">
        {numbers.eyepiece || isLookedAt({ entry })
          ? seenWords(usable, format)
          : plan && first && last
            ? sequenceWords(plan, first.startMs, last.endMs, format)
            : NO_TIME}
      </span>
      {!records.fromSnapshot && <Order index={index} name={name} />}
    </li>
  );
}

/** A stored target, or a bright object that stands well, at the end of the sequence. */
function Add() {
  const { records } = useNight();
  const { stored, format } = useShared();
  const listing = useListing();
  const { add } = usePlanWrite();
  const [choice, setChoice] = useState('');
  const { night } = records;
  const planned = new Set(night.plan.map((p) => p.targetId));
  const known = ownFirst(listing(stored.targets)).map((t) => ({ value: t.id, label: t.name }));
  const options = [...known, ...standingOptions(stored, night, format)].filter((o) => !planned.has(o.value));
  const name = brightTarget(choice)?.name ?? known.find((o) => o.value === choice)?.label ?? '';
  const press = async (): Promise<void> => {
    if ((await add(choice, addedWords(name))).ok) setChoice('');
  };
  return (
    <div className="actions">
      <Form.Group controlId="add-target">
        <Form.Label>{PLAN.add}</Form.Label>
        <Form.Select value={choice} onChange={(event) => setChoice(event.target.value)}>
          <option value="">{PLAN.addChoice}</option>
          {options.map((o) => (
            <option key={o.value} value={o.value}>
              {o.label}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Button variant="outline" disabled={choice === ''} onClick={() => void press()}>
        Add
      </Button>
    </div>
  );
}

/** The targets of the night one after the other. */
export function Sequence() {
  const { legs, records } = useNight();
  return (
    <div className="section">
      <h2>{PLAN.sequence}</h2>
      <p className="soft mb-1">{PLAN.sequenceHint}</p>
      {records.night.plan.length > 0 && (
        <ol className="sequence">
          {legs.map((leg, i) => (
            <Row
              key={`${leg.entry?.targetId ?? ''}${i}`}
              leg={leg}
              index={i}
              name={leg.target?.name ?? SEQUENCE.gone}
            />
          ))}
        </ol>
      )}
      {!records.fromSnapshot && <Add />}
    </div>
  );
}
