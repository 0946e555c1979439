import { Form } from 'react-bootstrap';

export type Side = 'mine' | 'theirs';
type Props = {
  /** Unlike that of any other choice on the page. */
  id: string;
  label: string;
  /** What each side is called, and what it says. */
  sides: Record<Side, { name: string; value: string }>;
  chosen: Side | undefined;
  choose: (side: Side) => void;
};

/** Two values of one field to choose from; nothing is chosen for the user. */
export function SideChoice({ id, label, sides, chosen, choose }: Props) {
  return (
    <div className="conflict" role="radiogroup" aria-label={label}>
      <strong>{label}</strong>
      {(['mine', 'theirs'] as const).map((side) => (
        <Form.Check
          key={side}
          type="radio"
          id={`${id}-${side}`}
          name={id}
          label={`${sides[side].name}: ${sides[side].value}`}
          checked={chosen === side}
          onChange={() => choose(side)}
        />
      ))}
    </div>
  );
}
