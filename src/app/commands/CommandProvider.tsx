import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { settingOf } from '../../core/records/setting.ts';
import { useSession, useShared } from '../../session/session.ts';
import { runFor, type Stop } from '../../core/night/plan/run.ts';
import { addressNow, isShown, stopPath } from '../../session/paths.ts';
import type { Stored } from '../../storage/useStored.ts';
import { useUndo } from '../../session/useUndo.ts';
import { later } from '../../ui/later.tsx';
import { currentLight, LIGHTS, setLight, type Light } from '../../ui/lights.ts';
import { commandForKey, isStationCommand, type CommandId, type PlainCommandId } from './commands.ts';

const FindSheet = later(async () => (await import('./FindSheet.tsx')).FindSheet);
const HelpSheet = later(async () => (await import('./HelpSheet.tsx')).HelpSheet);

type Commands = { run: (id: CommandId) => void; light: Light; chooseLight: (light: Light) => void };
const CommandContext = createContext<Commands | null>(null);

export function useCommands(): Commands {
  const commands = useContext(CommandContext);
  if (!commands) throw new Error('commands are not available here');
  return commands;
}

/** True while typing or sliding: single keys then belong to the field. */
function fieldHasFocus(target: EventTarget | null): boolean {
  if (!(target instanceof Element)) return false;
  return target.closest('input, select, textarea, [role="slider"], [contenteditable], .modal, .dropdown-menu') !== null;
}

const isTouchOnly = (): boolean => matchMedia('(hover: none) and (pointer: coarse)').matches;

export function useShortcutSetting() {
  const { stored } = useShared();
  return settingOf(stored.settings, 'shortcuts');
}

/** Puts the focus on the bench's recording. */
function focusRecording(): void {
  document.querySelector<HTMLElement>('.bench form input, .bench form select, .bench .actions button')?.focus();
}

/** The run of a night, by its rig's mount. */
function runOfNight({ nights, rigs, parts }: Stored, nightId: string): readonly Stop[] {
  const night = nights.find((one) => one.id === nightId);
  const rig = rigs.find((one) => one.id === night?.rigId);
  const mount = parts.find((one) => one.id === rig?.mountId);
  const byEye = parts.some((one) => one.id === rig?.cameraId && one.kind === 'eyepiece');
  return runFor(mount?.kind === 'mount' ? mount : null, byEye).stops;
}

function useStationSteps() {
  const navigate = useNavigate();
  const { stored } = useShared();
  return (to: { step: string } | { by: 1 | -1 }): void => {
    const { pathname, search } = addressNow();
    const [, n, nightId] = pathname.split('/');
    if (n !== 'n' || nightId === undefined) return;
    const stops = runOfNight(stored, nightId);
    const at = stops.findIndex((stop) => isShown(stop, pathname, search));
    const asked = 'step' in to ? (stops.find((stop) => stop.step === to.step) ?? { step: to.step, visit: null }) : null;
    const next = 'by' in to ? stops[(at + to.by + stops.length) % stops.length] : asked;
    const scrubbed = new URLSearchParams(search).get('at');
    if (next) void navigate(stopPath(nightId, next, scrubbed));
  };
}

export function CommandProvider({ children }: { children: ReactNode }) {
  const { ribbon } = useSession();
  const undo = useUndo();
  const toStation = useStationSteps();
  const [sheet, setSheet] = useState<'none' | 'help' | 'find'>('none');
  // Once opened they stay, so that they can close with their own movement.
  const [opened, setOpened] = useState(false);
  const openSheet = (which: 'help' | 'find'): void => {
    setOpened(true);
    setSheet(which);
  };
  const [light, showLight] = useState(currentLight);
  const shortcuts = useShortcutSetting();
  const chooseLight = useCallback((next: Light) => {
    setLight(next);
    showLight(next);
  }, []);
  const run = (id: CommandId): void => {
    const actions: Record<PlainCommandId, () => void> = {
      previousStation: () => toStation({ by: -1 }),
      nextStation: () => toStation({ by: 1 }),
      now: ribbon.goLive,
      record: focusRecording,
      card: () => toStation({ step: 'card' }),
      nextLight: () => chooseLight(LIGHTS[(LIGHTS.indexOf(currentLight()) + 1) % LIGHTS.length] ?? 'day'),
      undo: () => void undo(),
      find: () => openSheet('find'),
      help: () => openSheet('help'),
    };
    if (isStationCommand(id)) toStation({ step: id.slice('station-'.length) });
    else actions[id]();
  };
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        !shortcuts.enabled ||
        isTouchOnly() ||
        fieldHasFocus(event.target)
      )
        return;
      const command = commandForKey(event.key, shortcuts.keys);
      if (!command) return;
      event.preventDefault();
      latest.current(command.id);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [shortcuts]);
  const commands = useMemo<Commands>(
    () => ({ run: (id) => latest.current(id), light, chooseLight }),
    [light, chooseLight],
  );
  return (
    <CommandContext value={commands}>
      {children}
      {opened && (
        <>
          <HelpSheet show={sheet === 'help'} close={() => setSheet('none')} keys={shortcuts.keys} />
          <FindSheet show={sheet === 'find'} close={() => setSheet('none')} run={commands.run} />
        </>
      )}
    </CommandContext>
  );
}
