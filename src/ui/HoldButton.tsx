import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';

type Props = { onConfirm: () => void; children: ReactNode };

const HOLD_MS = 900;

/** Confirms when held. Who cannot hold (a screen reader, a switch) presses twice: the first press arms it. */
export function HoldButton({ onConfirm, children }: Props) {
  const [holding, setHolding] = useState(false);
  const [armed, setArmed] = useState(false);
  const timer = useRef<number | undefined>(undefined);
  const held = useRef(false);
  useEffect(() => () => clearTimeout(timer.current), []);
  const start = (): void => {
    if (timer.current !== undefined) return;
    held.current = false;
    setHolding(true);
    timer.current = window.setTimeout(() => {
      held.current = true;
      setHolding(false);
      onConfirm();
    }, HOLD_MS);
  };
  const stop = (): void => {
    clearTimeout(timer.current);
    timer.current = undefined;
    setHolding(false);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!event.repeat && (event.key === ' ' || event.key === 'Enter')) start();
  };
  const press = (): void => {
    if (held.current) return;
    if (armed) onConfirm();
    setArmed(!armed);
  };
  return (
    <Button
      variant="primary"
      className={holding ? 'hold-button holding' : 'hold-button'}
      onPointerDown={start}
      onPointerUp={stop}
      onPointerLeave={stop}
      onKeyDown={onKeyDown}
      onKeyUp={stop}
      onClick={press}
    >
      {armed ? 'Press once more, or hold' : children}
    </Button>
  );
}
