import { mountTraits } from '../../core/mount/mountKinds.ts';
import { motorsOf } from '../../core/mount/motors.ts';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { Circles } from './Circles.tsx';
import { ControllerSheet } from './ControllerSheet.tsx';
import { Focus } from './Focus.tsx';

const FOCUS = { key: 'focus', name: 'Focus' } as const;
const SHEET = { key: 'sheet', name: 'Hand controller' } as const;
const CIRCLES = { key: 'circles', name: 'By circles' } as const;

/** A mount that the hand points has circles where others have a controller; a ball head has neither. */
export function PointingBench() {
  const { mount } = useNight().numbers;
  const byHand = motorsOf(mount) !== 'both';
  const circles = byHand && !mountTraits(mount).isTracker && mountTraits(mount).hasPolarAxis;
  const { active, row } = useBenchTabs<'focus' | 'sheet' | 'circles'>(
    'Focus and pointing',
    circles ? [FOCUS, CIRCLES] : byHand ? [FOCUS] : [FOCUS, SHEET],
  );
  if (active === 'circles') return <Circles tabs={row} />;
  return active === 'sheet' ? <ControllerSheet tabs={row} /> : <Focus tabs={row} />;
}
