import { useCallback, useRef, useState } from 'react';
import { Button, CloseButton, Toast } from 'react-bootstrap';
import { flushSync } from 'react-dom';
import type { NoticeAction, Notify } from '../session/session.ts';
import { useUndo } from '../session/useUndo.ts';

export type Notice = {
  id: number;
  message: string;
  tone: 'info' | 'problem';
  undo: boolean;
  action: NoticeAction | null;
};

/** The last notice; a new one takes its place. */
export function useNotices(): { notices: Notice[]; notify: Notify; dismiss: () => void } {
  const [notices, setNotices] = useState<Notice[]>([]);
  const count = useRef(0);
  const dismiss = useCallback(() => setNotices([]), []);
  const notify = useCallback<Notify>((message, { tone = 'info', undo = false, action } = {}) => {
    count.current += 1;
    const notice = { id: count.current, message, tone, undo, action: action ?? null };
    // What a press did is drawn at once: the records that it changed are drawn anew after it.
    queueMicrotask(() => flushSync(() => setNotices([notice])));
  }, []);
  return { notices, notify, dismiss };
}

export function NoticeCorner({ notices, dismiss }: { notices: readonly Notice[]; dismiss: () => void }) {
  const undo = useUndo();
  return (
    <div className="toast-corner" aria-live="polite">
      {notices.map((notice) => (
        <Toast
          key={notice.id}
          onClose={dismiss}
          delay={notice.tone === 'problem' ? 20_000 : 8000}
          autohide={notice.action === null}
          animation={false}
          role={notice.tone === 'problem' ? 'alert' : 'status'}
        >
          <Toast.Body>
            <span className="flex-fill">{notice.message}</span>
            {notice.undo && (
              <Button variant="outline" onClick={() => void undo()}>
                Undo
              </Button>
            )}
            {notice.action && (
              <Button variant="outline" onClick={notice.action.run}>
                {notice.action.label}
              </Button>
            )}
            <CloseButton aria-label="Close this notice" onClick={dismiss} />
          </Toast.Body>
        </Toast>
      ))}
    </div>
  );
}
