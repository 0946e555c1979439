import { useEffect, useRef, type KeyboardEvent } from 'react';

type Tab<K extends string> = { key: K; name: string };
type Props<K extends string> = { label: string; tabs: readonly Tab<K>[]; active: K; choose: (key: K) => void };

/** Which tab a key goes to, from one of many; null = a key of no tab. */
export function tabForKey(key: string, at: number, count: number): number | null {
  switch (key) {
    case 'ArrowRight':
    case 'ArrowDown':
      return (at + 1) % count;
    case 'ArrowLeft':
    case 'ArrowUp':
      return (at - 1 + count) % count;
    case 'Home':
      return 0;
    case 'End':
      return count - 1;
    default:
      return null;
  }
}

/** The tab that a key chose: its page may draw the whole row anew, and the focus goes to the new one. */
let movedTo: string | null = null;

/** Tabs as one stop of the Tab key: arrows, Home and End go through them and choose, as the pattern of the accessibility
 *  guidelines has it. */
export function TabRow<K extends string>({ label, tabs, active, choose }: Props<K>) {
  const onKey = (event: KeyboardEvent<HTMLDivElement>): void => {
    const at = tabs.findIndex((tab) => tab.key === active);
    const to = tabForKey(event.key, at, tabs.length);
    const next = to === null ? undefined : tabs[to];
    if (!next) return;
    event.preventDefault();
    movedTo = `${label} ${next.key}`;
    choose(next.key);
  };
  const chosen = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (movedTo !== `${label} ${active}`) return;
    movedTo = null;
    chosen.current?.focus();
  }, [label, active]);
  return (
    <div className="nav nav-pills" role="tablist" aria-label={label} onKeyDown={onKey}>
      {tabs.map((tab) => (
        <button
          key={tab.key}
          type="button"
          role="tab"
          ref={tab.key === active ? chosen : undefined}
          data-tab={tab.key}
          className={tab.key === active ? 'nav-link active' : 'nav-link'}
          aria-selected={tab.key === active}
          tabIndex={tab.key === active ? 0 : -1}
          onClick={() => choose(tab.key)}
        >
          {tab.name}
        </button>
      ))}
    </div>
  );
}
