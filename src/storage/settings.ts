/** User settings: one record per key, with the same id on every device, so that two devices never hold two of them. */
import { ok, refuse } from '../core/result.ts';
import type { SettingKey, SettingValue, UserSetting } from '../core/records/setting.ts';
import { putChanged, putNew } from './heads.ts';
import { transact, type Written } from './transact.ts';
import type { Writer } from './writer.ts';

/** Writes a setting, creating its record at the first time. */
export function saveSetting<K extends SettingKey>(w: Writer, key: K, value: SettingValue<K>): Written<UserSetting> {
  return transact<UserSetting>(
    w,
    ({ changes: [first] }) =>
      first?.type === 'head' && first.table === 'settings' ? ok(first.after) : refuse('missingRecord'),
    async () => {
      const all = await w.db.heads('settings').toArray();
      // An undone first choice leaves a tombstone, which a new choice lifts.
      const found = all.find((s) => s.key === key && s.deletedAtUtc === null) ?? all.find((s) => s.key === key);
      if (!found) return putNew(w, 'settings', { key, value }, `setting-${key}`);
      return putChanged(w, 'settings', found, { value, deletedAtUtc: null }, 'setting');
    },
  );
}
