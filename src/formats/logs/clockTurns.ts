/** Clocks that begin anew: at midnight, when they are set, with the summer time, with another session. */
import { DAY_S, HOUR_S, LEAST_STEP_S, stepOf, type RawRows } from './rawRows.ts';

export type ClockStep = { at: number; code: 'clockSet' | 'summerTime'; byS: number };
export type Turned = {
  /** Of each row in its place, rising but for rows that came late. */
  timeS: Float64Array;
  /** Places with which the clock was set, and by how much it was put forward. */
  steps: ClockStep[];
  /** Places with which a session begins. */
  starts: number[];
};

/** Fewer rows are no session. */
const FEWEST_ROWS = 8;
/** A counter that begins anew stands near where it began. */
const NEAR_START_S = 60;
const NEAR_START_STEPS = 5;

/** Turned by an hour where clocks are turned: in the small hours, at a full hour. */
function isSummerTime({ isCivil }: RawRows, beforeS: number, byS: number, usualS: number): boolean {
  const slack = Math.max(2, 2 * usualS);
  if (!isCivil || Math.abs(Math.abs(byS) - HOUR_S) > slack) return false;
  const ofDay = ((beforeS % DAY_S) + DAY_S) % DAY_S;
  return HOUR_S - (ofDay % HOUR_S) <= slack && ofDay < LAST_TURN_S;
}
const LAST_TURN_S = 4 * HOUR_S;

type Turn = { is: 'goesOn' | 'session' | ClockStep['code']; byS: number; setS: number };

/** What the step from one row to the next is, and what it comes to. */
function turnBetween(raw: RawRows, [firstS, beforeS, nowS]: readonly [number, number, number], usualS: number): Turn {
  const step = stepOf(raw.clock);
  const shorter = step(beforeS, nowS);
  // A day's clock that rises goes on, however far; only a row that came late is before one of the evening.
  const byS = shorter < -LEAST_STEP_S && nowS > beforeS ? nowS - beforeS : shorter;
  const setS = byS - usualS;
  if (isSummerTime(raw, beforeS, setS, usualS)) return { is: 'summerTime', byS: usualS, setS };
  if (byS >= -LEAST_STEP_S) return { is: 'goesOn', byS, setS: 0 };
  const isFresh =
    raw.clock === 'counting' && Math.abs(nowS - firstS) <= Math.max(NEAR_START_S, NEAR_START_STEPS * usualS);
  return { is: isFresh ? 'session' : 'clockSet', byS: usualS, setS };
}

/** Between two sessions of unknown hours an hour is drawn. */
const BETWEEN_SESSIONS_S = HOUR_S;

export function clockTurns(raw: RawRows, rows: readonly number[], usualS: number): Turned {
  const turned: Turned = { timeS: new Float64Array(rows.length), steps: [], starts: [] };
  const rawAt = (k: number): number => raw.rawS[rows[k] as number] as number;
  const step = stepOf(raw.clock);
  let [last, lastStart] = [0, 0];
  for (let k = 1; k < rows.length; k += 1) {
    // Nearly all rows of a long log go on like this.
    const plainS = step(rawAt(k - 1), rawAt(k));
    if (plainS >= 0 && plainS < HOUR_S / 2) {
      turned.timeS[k] = last += plainS;
      continue;
    }
    const { is, byS, setS } = turnBetween(raw, [rawAt(0), rawAt(k - 1), rawAt(k)], usualS);
    const isSession = is === 'session' && Math.min(k - lastStart, rows.length - k) >= FEWEST_ROWS;
    if (isSession) {
      turned.starts.push(k);
      lastStart = k;
    } else if (is !== 'goesOn')
      turned.steps.push({ at: k, code: is === 'summerTime' ? 'summerTime' : 'clockSet', byS: setS });
    last += isSession ? BETWEEN_SESSIONS_S : byS;
    turned.timeS[k] = last;
  }
  return turned;
}
