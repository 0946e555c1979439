import { useShared } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import { cautionOf } from '../../text/cautions.ts';
import { stationOf } from '../../text/stations.ts';

/** What may go wrong at a station, of what this rig has. */
export function Caution({ step }: { step: string }) {
  const has = useHas();
  const { format } = useShared();
  const station = stationOf(step);
  const words = station && cautionOf(station.step, has, format);
  return words ? <p className="caution">{words}</p> : null;
}
