/** The night's ledger: what stands, what was never won, and what some later movement lost. */
import { oncePer } from '../../once.ts';
import { partsOfRig } from '../../rig/rigState.ts';
import { assemblyOf, type AssemblyStep } from '../../rig/assembly.ts';
import type { NightStatic } from '../nightStatic.ts';
import { HELD, MOVEMENTS, type Held, type Movement } from './movements.ts';
import { movesOfNight, type Moved } from './movesOfNight.ts';

export type Standing =
  | { state: 'unknown' }
  | { state: 'won'; atUtc: string }
  /** By which movement, and when. */
  | { state: 'lost'; atUtc: string; by: Movement };

export type Ledger = Readonly<Record<Held, Standing>>;

const UNKNOWN: Standing = { state: 'unknown' };
const NOTHING = Object.fromEntries(HELD.map((held) => [held, UNKNOWN])) as Ledger;

/** The ledger after one more movement. What was never won cannot be lost. */
export function afterMove(ledger: Ledger, { movement, atUtc, short = [] }: Moved): Ledger {
  const { loses, gives } = MOVEMENTS[movement];
  const lost = loses.filter((held) => ledger[held].state === 'won');
  return {
    ...ledger,
    ...Object.fromEntries(lost.map((held): [Held, Standing] => [held, { state: 'lost', atUtc, by: movement }])),
    ...Object.fromEntries(
      gives.map((held): [Held, Standing] => [held, short.includes(held) ? UNKNOWN : { state: 'won', atUtc }]),
    ),
  };
}

/** The steps of putting this night's rig together. */
export const orderOfNight = oncePer(({ records, numbers }: NightStatic): readonly AssemblyStep[] =>
  assemblyOf(numbers, new Set(partsOfRig(records.rig, records.parts).map((p) => p.kind))),
);

/** True when both axes of this mount have a home to be brought to. */
export const hasHome = oncePer((night: NightStatic): boolean =>
  orderOfNight(night).some((step) => MOVEMENTS[step].gives.includes('home')),
);

export const ledgerOf = oncePer((night: NightStatic): Ledger => movesOfNight(night).reduce(afterMove, NOTHING));

/** What some step before this one, in the order of this mount, wins: the rest does not apply to it. */
function wonBefore(order: readonly AssemblyStep[], movement: Movement): ReadonlySet<Held> {
  const at = (order as readonly Movement[]).indexOf(movement);
  return new Set((at === -1 ? order : order.slice(0, at)).flatMap((step) => MOVEMENTS[step].gives));
}

export type Missing = { held: Held; standing: Exclude<Standing, { state: 'won' }> };

/** What a movement needs and does not have: never won, or lost since. */
export function missingFor(order: readonly AssemblyStep[], ledger: Ledger, movement: Movement): Missing[] {
  const applies = wonBefore(order, movement);
  return MOVEMENTS[movement].needs.flatMap((held) => {
    const standing = ledger[held];
    return applies.has(held) && standing.state !== 'won' ? [{ held, standing }] : [];
  });
}

export type Lost = { held: Held; by: Movement; atUtc: string; powered: boolean };

/** By what and when something was lost; null when it stands, was never won or has no place on this mount. */
export function lostOf(night: NightStatic, held: Held): Lost | null {
  const ledger = ledgerOf(night);
  const standing = ledger[held];
  if (standing.state !== 'lost' || !wonBefore(orderOfNight(night), 'firstSub').has(held)) return null;
  return { held, by: standing.by, atUtc: standing.atUtc, powered: ledger.power.state === 'won' };
}

/** The most pressing of what was won and lost; null when everything that was won stands. */
export const mostPressing = oncePer((night: NightStatic): Lost | null => {
  const [first] = HELD.flatMap((held) => lostOf(night, held) ?? []);
  return first ?? null;
});

export type WorkRow = {
  step: AssemblyStep;
  /** Done, and what it won still stands. */
  done: boolean;
  missing: Missing[];
};

/** The steps with what is done of them; what is lost since is to be done again. */
export const workRows = oncePer((night: NightStatic): readonly WorkRow[] => {
  const order = orderOfNight(night);
  const ledger = ledgerOf(night);
  const moved = new Set<Movement>(movesOfNight(night).map((m) => m.movement));
  return order.map((step) => {
    const stands = MOVEMENTS[step].gives.every((held) => ledger[held].state === 'won');
    const done = moved.has(step) ? stands : MOVEMENTS[step].gives.length > 0 && stands;
    return { step, done, missing: done ? [] : missingFor(order, ledger, step) };
  });
});

const LOAD: ReadonlySet<Movement> = new Set(['barIn', 'weightsOn', 'tubeOn', 'bracketOn', 'ballHeadOn', 'cameraOn']);

/** True when something was put onto the head tonight: the altitude bolt then lifts it. */
export const isLoaded = oncePer((night: NightStatic): boolean => movesOfNight(night).some((m) => LOAD.has(m.movement)));
