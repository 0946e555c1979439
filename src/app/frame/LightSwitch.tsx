import { useState } from 'react';
import { currentDim, LIGHT_NAMES, LIGHTS, nextDim } from '../../ui/lights.ts';
import { useCommands } from '../commands/CommandProvider.tsx';

const DIM_WORDS = ['', ', dimmed', ', dimmed more'];

/** Day, Dusk, Red. Pressing the chosen light again dims the screen by a step. On the phone one button goes to the next. */
export function LightSwitch() {
  const { run, light, chooseLight } = useCommands();
  const [dim, setDim] = useState(currentDim);
  return (
    <>
      <button
        type="button"
        className="light-cycle"
        onClick={() => run('nextLight')}
        aria-label={`Light: ${LIGHT_NAMES[light]}. Go to the next one.`}
      >
        {LIGHT_NAMES[light]}
      </button>
      <div className="lights" role="group" aria-label="Light">
        {LIGHTS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === light}
            title={one === light ? 'Press again to dim' : `${LIGHT_NAMES[one]} light`}
            onClick={() => (one === light ? setDim(nextDim()) : chooseLight(one))}
          >
            {LIGHT_NAMES[one]}
            {one === light && dim > 0 && <span className="visually-hidden">{DIM_WORDS[dim]}</span>}
          </button>
        ))}
      </div>
    </>
  );
}
