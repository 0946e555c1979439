import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { tapeReadingM, type Tape } from '../../core/mount/tape.ts';
import { excessKgM, type TipOfNight } from '../../core/night/learned/tipOfNight.ts';
import type { Format } from '../../text/format.ts';
import { useShared } from '../../session/session.ts';
import { FigureList } from '../../ui/FigureList.tsx';
import type { AxisModel } from './model.ts';

type Figure = { name: string; value: string };

/** What the answers so far amount to. */
function trialFigures(tip: TipOfNight, tape: Tape, format: Format): Figure[] {
  const { trials, estimate, bracket } = tip;
  const { lowM, highM } = bracket;
  const at = (positionM: number): string => format.quantity(tapeReadingM(tape, positionM), 'barLength');
  const between =
    lowM === null || highM === null ? [] : [{ name: 'Dropped on either side of', value: `${at(lowM)}, ${at(highM)}` }];
  const chance =
    trials.length === 0 ? [] : [{ name: 'Balanced there', value: format.quantity(estimate.chance, 'percent') }];
  return [
    { name: 'Answers so far', value: String(trials.length) },
    ...between,
    ...chance,
    { name: 'Nothing moves within', value: `± ${format.quantity(estimate.bandM, 'barLength')}` },
    { name: 'Beyond stated masses', value: format.quantity(excessKgM(tip), 'moment') },
  ];
}

/** Raw numbers, second to the sentence. */
export function BalanceFigures({ model: { found, tip, tape } }: { model: AxisModel }) {
  const { format } = useShared();
  const [shown, setShown] = useState(false);
  if (!found && !tip) return null;
  const about = found
    ? [
        {
          name: 'Tube’s side',
          value: format.quantity(found.tubeSideLoadKg, 'mass'),
          title: format.otherQuantity(found.tubeSideLoadKg, 'mass'),
        },
        { name: 'Its moment', value: format.quantity(found.tubeSideMomentKgM, 'moment') },
        { name: 'Weight must carry', value: format.quantity(found.momentNeededFromWeightsKgM, 'moment') },
        { name: 'All on the axis', value: format.quantity(found.totalOnAxisKg, 'mass') },
      ]
    : [];
  const inertia = found ? [{ name: 'Inertia', value: format.quantity(found.inertiaKgM2, 'inertia') }] : [];
  const trials = tip ? trialFigures(tip, tape, format) : [];
  return (
    <div className="section">
      <Button variant="link" className="px-0" aria-expanded={shown} onClick={() => setShown(!shown)}>
        {shown ? 'Hide the figures' : 'Show the figures'}
      </Button>
      {shown && <FigureList figures={[...about, ...inertia, ...trials]} />}
    </div>
  );
}
