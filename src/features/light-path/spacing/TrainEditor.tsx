import { bottomedWords, TRAIN } from '../../../text/trainWords.ts';
import { Button } from 'react-bootstrap';
import { turnedRound } from '../../../core/rig/trainEdit.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { TrainList } from '../../../ui/form/TrainList.tsx';
import { useTrain } from './useTrain.ts';

/** The pieces behind the flange, moved, turned round, put in and taken out; each step can be undone. */
export function TrainEditor() {
  const { records, numbers } = useNight();
  const { format } = useShared();
  const { order, change, firstPlace, numberOf } = useTrain();
  const { misfits, bottomed } = numbers.lightPath;
  return (
    <div className="section">
      <h2>{TRAIN.title}</h2>
      {bottomed.map((one) => (
        <p key={one.at}>{bottomedWords(one, format)}</p>
      ))}
      <div className="actions">
        {(misfits[0]?.turnable ?? []).map(({ id, name }) => (
          <Button key={id} variant="primary" onClick={() => change(turnedRound(order, id))}>
            {TRAIN.turn(name)}
          </Button>
        ))}
      </div>
      <TrainList
        order={order}
        parts={records.parts}
        format={format}
        change={change}
        from={firstPlace}
        numberOf={numberOf}
      />
    </div>
  );
}
