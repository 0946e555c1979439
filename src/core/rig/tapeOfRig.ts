/** The tape that this user lays along what is moved on an axis. */
import { sum } from '../mount/levers.ts';
import { barTape, PLAIN_TAPE, tubeTape, type Tape } from '../mount/tape.ts';
import type { SettingValue } from '../records/setting.ts';
import type { BalanceAxis } from './axisLevers.ts';
import type { RigNumbers } from './rigNumbers.ts';

export function tapeOfRig({ tube, balance }: RigNumbers, axis: BalanceAxis, edges: SettingValue<'balance'>): Tape {
  if (axis === 'ra' && balance) {
    const thicknessM = sum(balance.movable, (w) => w.thicknessM);
    const [startM, reachM] = balance.input.barRangeM;
    const endM = Math.max(balance.barLengthM, reachM + thicknessM / 2);
    return barTape(edges.barEdge, { shoulderM: startM - thicknessM / 2, endM, thicknessM });
  }
  return axis === 'dec' && tube ? tubeTape(edges.tubeEdge, tube) : PLAIN_TAPE;
}
