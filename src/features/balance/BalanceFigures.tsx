import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useShared } from '../../session/session.ts';
import { FigureList } from '../../ui/FigureList.tsx';
import type { AxisModel } from './model.ts';

/** Raw numbers, second to the sentence. */
export function BalanceFigures({ model: { found, tip } }: { model: AxisModel }) {
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
  const inertia =
    found?.inertiaKgM2 == null ? [] : [{ name: 'Inertia', value: format.quantity(found.inertiaKgM2, 'inertia') }];
  const trials = tip
    ? [
        { name: 'Answers so far', value: String(tip.trials.length) },
        { name: 'Nothing moves within', value: `± ${format.quantity(tip.estimate.bandM, 'barLength')}` },
        { name: 'Beyond stated masses', value: format.quantity(tip.taught?.excessKgM ?? 0, 'moment') },
      ]
    : [];
  return (
    <div className="section">
      <Button variant="link" className="px-0" aria-expanded={shown} onClick={() => setShown(!shown)}>
        {shown ? 'Hide the figures' : 'Show the figures'}
      </Button>
      {shown && <FigureList figures={[...about, ...inertia, ...trials]} />}
    </div>
  );
}
