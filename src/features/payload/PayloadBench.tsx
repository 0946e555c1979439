import { motorsOf } from '../../core/mount/motors.ts';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { ChoiceTab } from './ChoiceTab.tsx';
import { FootingTab } from './FootingTab.tsx';
import { LoadTab } from './LoadTab.tsx';
import { PackingTab } from './PackingTab.tsx';
import { PowerTab } from './PowerTab.tsx';

type Tab = 'load' | 'footing' | 'power' | 'packing' | 'choice';
const LOAD = { key: 'load', name: 'Load' } as const;
const FOOTING = { key: 'footing', name: 'Footing' } as const;
const POWER = { key: 'power', name: 'Power' } as const;
const PACKING = { key: 'packing', name: 'Packing' } as const;
const CHOICE = { key: 'choice', name: 'Choose' } as const;

export function PayloadBench() {
  const { numbers, records } = useNight();
  const powered = motorsOf(numbers.mount) !== 'none' || records.rig.supplies.length > 0;
  const { active, row } = useBenchTabs<Tab>(
    'Payload',
    powered ? [LOAD, FOOTING, POWER, PACKING, CHOICE] : [LOAD, FOOTING, PACKING, CHOICE],
  );
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
