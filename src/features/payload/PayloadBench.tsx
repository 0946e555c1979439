import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { ChoiceTab } from './ChoiceTab.tsx';
import { FootingTab } from './FootingTab.tsx';
import { LoadTab } from './LoadTab.tsx';
import { PackingTab } from './PackingTab.tsx';
import { PowerTab } from './PowerTab.tsx';
import { payloadTabs } from './tabs.ts';

export function PayloadBench() {
  const { active, row } = useBenchTabs('Payload', payloadTabs(useNight()));
  switch (active) {
    case 'load':
      return <LoadTab tabs={row} />;
    case 'footing':
      return <FootingTab tabs={row} />;
    case 'power':
      return <PowerTab tabs={row} />;
    case 'packing':
      return <PackingTab tabs={row} />;
    case 'choice':
      return <ChoiceTab tabs={row} />;
  }
}
