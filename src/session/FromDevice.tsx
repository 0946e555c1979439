import { Button } from 'react-bootstrap';
import { hasDevicePlace, useDevicePlace, type DevicePlace } from './useDevicePlace.ts';

/** The button that asks the device for its place, and what is said when it does not tell it. */
export function FromDevice({ found }: { found: (place: DevicePlace) => void }) {
  const { state, ask } = useDevicePlace(found);
  if (!hasDevicePlace()) return null;
  return (
    <div className="my-2">
      <Button variant="outline" onClick={ask} disabled={state === 'asking'}>
        {state === 'asking' ? 'Asking this device…' : 'Use this device’s place'}
      </Button>
      {state === 'refused' && (
        <p className="mb-0" role="alert">
          The device did not tell its place. Nothing was changed. Allow location for this page, or type the coordinates.
        </p>
      )}
    </div>
  );
}
