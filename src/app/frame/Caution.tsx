import { rigHas } from '../../core/rig/rigHas.ts';
import { useNight, useShared } from '../../session/session.ts';
import { cautionOf } from '../../text/cautions.ts';
import { stationOf } from '../../text/stations.ts';

/** What may go wrong at a station, of what this rig has. */
export function Caution({ step }: { step: string }) {
  const { numbers } = useNight();
  const { format } = useShared();
  const station = stationOf(step);
  const words = station && cautionOf(station.step, rigHas(numbers), format);
  return words ? <p className="caution">{words}</p> : null;
}
