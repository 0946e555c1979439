/** The ways of one bench, as tabs kept in the address. */
import type { ReactNode } from 'react';
import { Nav } from 'react-bootstrap';
import { useSearchParams } from 'react-router';

type Tab<K extends string> = { key: K; name: string };

/** The chosen tab (the first one when the address names none) and the row of tabs to show beside the title. */
export function useBenchTabs<K extends string>(
  label: string,
  tabs: readonly [Tab<K>, ...Tab<K>[]],
): { active: K; row: ReactNode } {
  const [params, setParams] = useSearchParams();
  const active = tabs.find((tab) => tab.key === params.get('tab'))?.key ?? tabs[0].key;
  const select = (key: string | null): void => {
    if (key === null) return;
    setParams(
      (before) => {
        before.set('tab', key);
        return before;
      },
      { replace: true },
    );
  };
  const row = (
    <Nav variant="pills" activeKey={active} onSelect={select} as="div" role="tablist" aria-label={label}>
      {tabs.map((tab) => (
        <Nav.Link
          key={tab.key}
          eventKey={tab.key}
          as="button"
          type="button"
          role="tab"
          aria-selected={tab.key === active}
        >
          {tab.name}
        </Nav.Link>
      ))}
    </Nav>
  );
  return { active, row };
}
