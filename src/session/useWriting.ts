/** Waiting for a write, with the words of its refusal; and the write that most of these are, a setting. */
import { useCallback } from 'react';
import type { SettingKey, SettingValue } from '../core/records/setting.ts';
import type { Written } from '../storage/commands.ts';
import { saveSetting } from '../storage/settings.ts';
import { writeWords } from '../text/errorWords.ts';
import { useSession, useShared } from './session.ts';

/** True when it was stored; a refusal is said in a notice. */
export function useWriting(): (writing: Written<unknown>) => Promise<boolean> {
  const { notify } = useShared();
  return useCallback(
    async (writing) => {
      const written = await writing;
      if (!written.ok) notify(writeWords(written.code, written.figures), { tone: 'problem' });
      return written.ok;
    },
    [notify],
  );
}

export function useSaveSetting(): <K extends SettingKey>(key: K, value: SettingValue<K>) => void {
  const { writer } = useSession();
  const writing = useWriting();
  return (key, value) => void writing(saveSetting(writer, key, value));
}
