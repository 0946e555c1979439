/** Changing what this user prefers when balancing. */
import type { SettingValue } from '../../core/records/setting.ts';
import { useSaveSetting } from '../../session/useWrite.ts';

export function useBalanceSetting(present: SettingValue<'balance'>): (patch: Partial<SettingValue<'balance'>>) => void {
  const save = useSaveSetting();
  return (patch) => save('balance', { ...present, ...patch });
}
