/** The ways of one bench, as tabs kept in the address. */
import type { ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import type { Tabs } from './tabs.ts';
import { TabRow } from '../ui/TabRow.tsx';

/** The chosen tab (the first one when the address names none) and the row of tabs to show beside the title. */
export function useBenchTabs<K extends string>(label: string, tabs: Tabs<K>): { active: K; row: ReactNode } {
  const [params, setParams] = useSearchParams();
  const active = tabs.find((tab) => tab.key === params.get('tab'))?.key ?? tabs[0].key;
  const choose = (key: K): void => {
    setParams(
      (before) => {
        before.set('tab', key);
        return before;
      },
      { replace: true },
    );
  };
  // One way alone needs no choosing.
  const row = tabs.length > 1 && <TabRow label={label} tabs={tabs} active={active} choose={choose} />;
  return { active, row };
}
