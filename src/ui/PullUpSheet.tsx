import type { ReactNode } from 'react';
import { Offcanvas } from 'react-bootstrap';

type Props = { title: string; show: boolean; close: () => void; children: ReactNode };

/** A sheet pulled up from below. */
export function PullUpSheet({ title, show, close, children }: Props) {
  return (
    <Offcanvas show={show} onHide={close} placement="bottom" aria-labelledby="sheet-title">
      <Offcanvas.Header closeButton>
        <Offcanvas.Title id="sheet-title">{title}</Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body tabIndex={0}>{children}</Offcanvas.Body>
    </Offcanvas>
  );
}
