/** Changing what this user prefers when balancing, with the notice that follows a failure. */
import type { SettingValue } from '../../core/records/setting.ts';
import { useSession, useShared } from '../../session/session.ts';
import { saveSetting } from '../../storage/settings.ts';
import { writeWords } from '../../text/errorWords.ts';

export function useBalanceSetting(present: SettingValue<'balance'>) {
  const { writer } = useSession();
  const { notify } = useShared();
  return (patch: Partial<SettingValue<'balance'>>): void => {
    void saveSetting(writer, 'balance', { ...present, ...patch }).then((written) => {
      if (!written.ok) notify(writeWords(written.code, written.figures), { tone: 'problem' });
    });
  };
}
