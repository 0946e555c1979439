/** The commands as records: menu, button, shortcut and help come from the same entry. */
import { STATIONS } from '../../text/stations.ts';

export type PlainCommandId =
  | 'previousStation'
  | 'nextStation'
  | 'now'
  | 'record'
  | 'card'
  | 'nextLight'
  | 'find'
  | 'undo'
  | 'help';
type StationCommandId = `station-${string}`;
export type CommandId = StationCommandId | PlainCommandId;

export function isStationCommand(id: CommandId): id is StationCommandId {
  return id.startsWith('station-');
}

export type CommandInfo = { id: CommandId; label: string; key: string; needsNight: boolean };

/** Every command with its usual key, in the order of the help sheet. */
export const COMMANDS: readonly CommandInfo[] = [
  ...STATIONS.map((s): CommandInfo => ({
    id: `station-${s.step}`,
    label: `Open ${s.name}`,
    key: s.key,
    needsNight: true,
  })),
  { id: 'previousStation', label: 'Previous station', key: '[', needsNight: true },
  { id: 'nextStation', label: 'Next station', key: ']', needsNight: true },
  { id: 'now', label: 'Ribbon back to now', key: 'n', needsNight: true },
  { id: 'record', label: 'Go to recording on this bench', key: 'm', needsNight: true },
  { id: 'card', label: 'Open the night card', key: 'c', needsNight: true },
  { id: 'nextLight', label: 'Next light', key: 'l', needsNight: false },
  { id: 'find', label: 'Find anything', key: '/', needsNight: false },
  { id: 'undo', label: 'Undo', key: 'u', needsNight: false },
  { id: 'help', label: 'Help and keys', key: '?', needsNight: false },
];

/** The key of a command after the user's own changes; empty = none. */
export function keyOf(info: CommandInfo, own: Record<string, string>): string {
  return own[info.id] ?? info.key;
}

/** The command that a key press means, or undefined. */
export function commandForKey(key: string, own: Record<string, string>): CommandInfo | undefined {
  return COMMANDS.find((c) => keyOf(c, own) !== '' && keyOf(c, own).toLowerCase() === key.toLowerCase());
}

/** Keys that do not come from the command list: they belong to the ribbon while it has focus. */
export const RIBBON_KEYS: readonly { keys: string; label: string }[] = [
  { keys: '← →', label: 'On the ribbon: 5 minutes back or on' },
  { keys: 'Shift + ← →', label: 'On the ribbon: an hour back or on' },
];
