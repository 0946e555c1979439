/** Which way a guider's pulses went: as a column of their own says, and as the errors say, which a guider takes back. */

const EAST_NORTH = /^(e|east|est|ost|este|n|north|nord|norte|\+|\+?1)$/;
const WEST_SOUTH = /^(w|west|ouest|oeste|s|south|s(ü|ue)d|sud|sur|[-−]|[-−]1)$/;

/** +1 east or north, -1 west or south, 0 none; NaN for words that are not known. */
export function directionIn(cell: string): number {
  const word = cell.trim().toLowerCase();
  if (word === '' || word === '0') return 0;
  if (EAST_NORTH.test(word)) return 1;
  return WEST_SOUTH.test(word) ? -1 : Number.NaN;
}

/** So many pulses tell which way they went. */
const FEWEST_PULSES = 20;
/** More go one way than chance makes: by so many sigmas, and no less than a share. */
const SIGMAS = 4;
const LEAST = 0.2;
/** Errors of both signs: so many of the fewer. */
const BOTH_WAYS = 0.2;

/** `against`: the pulses take the errors back; `with`: they run with them, so they are told the other way round; `unsigned`: never
 *  below zero though the errors are; `untold`: nothing can be said. */
export type PulseSense = 'against' | 'with' | 'unsigned' | 'untold';

type Counts = { pulses: number; alike: number; above: number; positive: number };

/** Of the rows with a pulse and an error: how many have both of one sign, an error above zero, a pulse above zero. */
function counted(error: Float64Array, sent: Float64Array): Counts {
  const counts: Counts = { pulses: 0, alike: 0, above: 0, positive: 0 };
  error.forEach((e, i) => {
    const both = e * (sent[i] as number);
    if (!Number.isFinite(both) || both === 0) return;
    counts.pulses += 1;
    counts.alike += both > 0 ? 1 : 0;
    counts.above += e > 0 ? 1 : 0;
    counts.positive += e > 0 === both > 0 ? 1 : 0;
  });
  return counts;
}

/** @param error, sent of each row, NaN where a row has none. */
export function pulseSense(error: Float64Array, sent: Float64Array): PulseSense {
  const { pulses, alike, above, positive } = counted(error, sent);
  if (pulses < FEWEST_PULSES) return 'untold';
  const isOneWay = positive === pulses || positive === 0;
  if (isOneWay && Math.min(above, pulses - above) > BOTH_WAYS * pulses) return 'unsigned';
  const share = (2 * alike) / pulses - 1;
  if (Math.abs(share) < Math.max(LEAST, SIGMAS / Math.sqrt(pulses))) return 'untold';
  return share < 0 ? 'against' : 'with';
}
