/** User settings: one record per key, with the same id on every device, so that two devices never hold two of them. */
import type { SettingKey, SettingValue, UserSetting } from '../core/records/setting.ts';
import { createHead, updateHead, type Body, type Written } from './commands.ts';
import type { Writer } from './writer.ts';

/** Writes a setting, creating its record at the first time. */
export async function saveSetting<K extends SettingKey>(
  w: Writer,
  key: K,
  value: SettingValue<K>,
): Written<UserSetting> {
  const all = await w.db.heads('settings').toArray();
  // An undone first choice leaves a tombstone, which a new choice lifts.
  const found = all.find((s) => s.key === key && s.deletedAtUtc === null) ?? all.find((s) => s.key === key);
  if (!found) return createHead(w, 'settings', { key, value } as Body<UserSetting>, `setting-${key}`);
  const patch = { value, deletedAtUtc: null } as Partial<UserSetting>;
  return updateHead(w, 'settings', found.id, patch, { label: 'setting' });
}
