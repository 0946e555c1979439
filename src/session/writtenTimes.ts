/** How this user's times and dates are written: as chosen, else as this device writes them. */
import { settingOf, type SettingValue, type UserSetting } from '../core/records/setting.ts';
import type { Written } from '../text/format.ts';

/** In which order this device writes a date. */
export function orderOfDevice(): SettingValue<'controller'>['dateOrder'] {
  const parts = new Intl.DateTimeFormat(undefined, {
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
  }).formatToParts();
  const order = parts.flatMap(({ type }) => (['year', 'month', 'day'].includes(type) ? type.charAt(0) : [])).join('');
  return order === 'mdy' || order === 'ymd' ? order : 'dmy';
}

const deviceCountsTwelve = (): boolean =>
  new Intl.DateTimeFormat(undefined, { hour: 'numeric' }).resolvedOptions().hour12 === true;

export function writtenTimes(settings: readonly UserSetting[]): Written {
  const [hours, dates] = [settingOf(settings, 'hours'), settingOf(settings, 'dates')];
  return {
    halfDays: hours === 'device' ? deviceCountsTwelve() : hours === '12',
    monthFirst: dates === 'device' ? orderOfDevice() === 'mdy' : dates === 'monthDay',
  };
}
