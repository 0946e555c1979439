import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { settingOf, type SettingValue } from '../core/records/setting.ts';
import { useShared } from '../session/session.ts';
import { GLOSSARY } from '../text/glossary.ts';
import { useShortcutSetting } from './commands/CommandProvider.tsx';
import { COMMANDS, keyOf } from './commands/commands.ts';
import { useSaveSetting } from '../session/useWrite.ts';
import { PageTitle } from '../ui/PageTitle.tsx';

function OwnKeys() {
  const shortcuts = useShortcutSetting();
  const save = useSaveSetting();
  return (
    <section className="section" aria-labelledby="keys">
      <h2 id="keys">Keys</h2>
      <Form.Check
        id="keys-on"
        type="checkbox"
        label="Single keys work while no field has focus"
        checked={shortcuts.enabled}
        onChange={(event) => save('shortcuts', { ...shortcuts, enabled: event.target.checked })}
      />
      <div className="fields">
        {COMMANDS.map((c) => (
          <Form.Group key={c.id} controlId={`key-${c.id}`}>
            <Form.Label>{c.label}</Form.Label>
            <Form.Control
              maxLength={1}
              value={keyOf(c, shortcuts.keys)}
              onChange={(event) =>
                save('shortcuts', { ...shortcuts, keys: { ...shortcuts.keys, [c.id]: event.target.value } })
              }
            />
          </Form.Group>
        ))}
      </div>
    </section>
  );
}

function Units() {
  const { stored } = useShared();
  const save = useSaveSetting();
  const units = settingOf(stored.settings, 'units');
  return (
    <Form.Group controlId="units" className="mb-3" style={{ maxWidth: 320 }}>
      <Form.Label>Units</Form.Label>
      <Form.Select
        value={units}
        onChange={(event) => save('units', event.target.value === 'imperial' ? 'imperial' : 'metric')}
      >
        <option value="metric">kilograms and millimetres</option>
        <option value="imperial">pounds and inches</option>
      </Form.Select>
    </Form.Group>
  );
}

const HOURS: Record<SettingValue<'hours'>, string> = {
  device: 'as this device shows them',
  '24': '21:30',
  '12': '9:30 pm',
};

const DATES: Record<SettingValue<'dates'>, string> = {
  device: 'as this device writes them',
  dayMonth: 'Tue 24 Nov',
  monthDay: 'Tue Nov 24',
};

type Writing<K extends 'hours' | 'dates'> = {
  setting: K;
  label: string;
  names: Record<SettingValue<K>, string>;
};

/** How times or dates are written. */
function Writing<K extends 'hours' | 'dates'>({ setting, label, names }: Writing<K>) {
  const { stored } = useShared();
  const save = useSaveSetting();
  return (
    <Form.Group controlId={setting} className="mb-3" style={{ maxWidth: 320 }}>
      <Form.Label>{label}</Form.Label>
      <Form.Select
        value={settingOf(stored.settings, setting)}
        onChange={(event) => save(setting, event.target.value as SettingValue<K>)}
      >
        {Object.entries<string>(names).map(([one, name]) => (
          <option key={one} value={one}>
            {name}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

export function HelpPage() {
  return (
    <>
      <PageTitle>Help</PageTitle>
      <p className="sentence">
        Go down the run from top to bottom. Each bench says what your hand does next; the margin says whether the stars
        will be round.
      </p>
      <Units />
      <Writing setting="hours" label="Times of the clock" names={HOURS} />
      <Writing setting="dates" label="Dates" names={DATES} />
      <p>
        <Link to="/data">Data in and out</Link>: save everything, bring it in elsewhere, tables, the demo.
      </p>
      <section className="section" aria-labelledby="terms">
        <h2 id="terms">Terms</h2>
        <dl className="help-columns">
          {GLOSSARY.map(({ term, meaning }) => (
            <div key={term}>
              <dt>{term}</dt>
              <dd>{meaning}</dd>
            </div>
          ))}
        </dl>
      </section>
      <OwnKeys />
    </>
  );
}
