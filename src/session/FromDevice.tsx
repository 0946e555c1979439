import { Button } from 'react-bootstrap';
import { latePlace, NO_PLACE, PLACE } from '../text/placeWords.ts';
import type { DevicePlace } from './devicePlace.ts';
import { useShared } from './session.ts';
import { hasDevicePlace, useDevicePlace, type AskingPlace } from './useDevicePlace.ts';

type Props = { found: (place: DevicePlace) => void; typed: () => string };

function Answer({ state, take }: { state: AskingPlace; take: (place: DevicePlace) => void }) {
  const { format } = useShared();
  if (state.at === 'idle' || state.at === 'asking') return null;
  return (
    <div role="alert">
      <p className="mb-0">{state.at === 'late' ? latePlace(state.place, format) : NO_PLACE[state.at]}</p>
      {state.at === 'late' && (
        <Button variant="outline" onClick={() => take(state.place)}>
          {PLACE.take}
        </Button>
      )}
    </div>
  );
}

/** The button that asks the device for its place, and what is said when it does not tell it.
 *  @param typed what stands in the fields: an answer that comes after it changed is offered, not taken. */
export function FromDevice({ found, typed }: Props) {
  const { state, ask, take } = useDevicePlace(found, typed);
  if (!hasDevicePlace()) return null;
  return (
    <div className="my-2">
      <Button variant="outline" onClick={ask} disabled={state.at === 'asking'}>
        {state.at === 'asking' ? PLACE.asking : PLACE.ask}
      </Button>
      <Answer state={state} take={take} />
    </div>
  );
}
