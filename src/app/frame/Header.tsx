import { QuestionCircle, ArrowCounterclockwise, Search } from 'react-bootstrap-icons';
import { Link, NavLink } from 'react-router';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { useUndoable } from '../../session/useUndo.ts';
import { Mark } from '../../ui/Mark.tsx';
import { useCommands } from '../commands/CommandProvider.tsx';
import { Clocks } from './Clocks.tsx';
import { LightSwitch } from './LightSwitch.tsx';
import { NightSwitcher } from './NightSwitcher.tsx';

function Tools() {
  const { run } = useCommands();
  const last = useUndoable();
  return (
    <nav aria-label="Tools">
      <NavLink to="/kit" className="wide-only">
        Kit
      </NavLink>
      <NavLink to="/sites" className="wide-only">
        Sites
      </NavLink>
      <button
        type="button"
        className="wide-only"
        onClick={() => run('find')}
        aria-label="Find anything"
        title="Find anything"
      >
        <Search aria-hidden />
      </button>
      <button
        type="button"
        className="wide-only"
        onClick={() => run('undo')}
        disabled={!last}
        aria-label="Undo the last change"
        title="Undo the last change"
      >
        <ArrowCounterclockwise aria-hidden size={18} />
      </button>
      <button type="button" onClick={() => run('help')} aria-label="Help and keys" title="Help and keys">
        <QuestionCircle aria-hidden size={18} />
      </button>
    </nav>
  );
}

/** As long as the shown night is invented. */
function DemoMark() {
  return (
    <Link to="/start" className="demo-mark">
      <strong>Demo</strong> <span>Start your own</span>
    </Link>
  );
}

/** Mark, night, tools, clocks, lights. */
export function Header({ night }: { night: NightStatic | null }) {
  return (
    <header className="header">
      <Link to="/" className="brand" aria-label="Tidy Owl, to the last night">
        <Mark />
        <span>Tidy Owl</span>
      </Link>
      <NightSwitcher night={night} />
      {night?.records.night.origin === 'demo' && <DemoMark />}
      <div className="spacer" />
      <Tools />
      {night && <Clocks />}
      <LightSwitch />
    </header>
  );
}
