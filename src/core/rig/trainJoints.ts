/** How the pieces of a train meet: do their threads fit, does a thread reach the ground before its shoulder, and would a piece
 *  fit turned round. */
import { standsOffMm } from '../optics/stack/joints.ts';
import { isSameThread } from '../optics/threads.ts';
import type { Part, PartOf } from '../records/part.ts';
import { isThreadGuessed } from './lightBasis.ts';

export type Joint = NonNullable<PartOf<'tube'>['rear']>;
/** A piece as it stands in the train: its ends toward the corrector and toward the camera. */
export type Standing = { part: Part; front: Joint | null; rear: Joint | null };
/** Two neighbours that do not screw together. `at`: the second one's index in the chain. */
export type Misfit = {
  beforeName: string;
  afterName: string;
  before: Joint;
  after: Joint;
  turnable: Turnable[];
  at: number;
};
/** A piece that fits on both sides when it is turned round. */
export type Turnable = { id: string; name: string };
/** A thread longer than the hole that takes it: the shoulders stay apart. */
export type Bottomed = { beforeName: string; afterName: string; gapMm: number; at: number };

const EITHER_WAY: ReadonlySet<Part['kind']> = new Set(['spacer', 'wheel', 'guider', 'rotator', 'tiltPlate']);

export function standingOf(part: Part, turned: ReadonlySet<string>): Standing {
  // A guessed thread accuses nobody.
  const told = (joint: Joint | null): Joint | null => (joint && isThreadGuessed(part, joint) ? null : joint);
  const front = 'front' in part ? told(part.front) : null;
  const rear = 'rear' in part ? told(part.rear) : null;
  return turned.has(part.id) && EITHER_WAY.has(part.kind) ? turnedRound({ part, front, rear }) : { part, front, rear };
}

const turnedRound = ({ part, front, rear }: Standing): Standing => ({ part, front: rear, rear: front });

/** An end that nobody described stands in nobody's way. */
const mates = (before: Joint | null | undefined, after: Joint | null | undefined): boolean =>
  !before || !after || (isSameThread(before.thread, after.thread) && before.gender !== after.gender);

/** What screws; shims and filters lie loose between. */
const isScrewed = ({ part }: Standing): boolean => part.kind !== 'shim' && part.kind !== 'filter';

function turnableAt(chain: readonly Standing[], i: number): Turnable[] {
  const one = chain[i];
  if (!one || !EITHER_WAY.has(one.part.kind)) return [];
  const { front, rear } = turnedRound(one);
  const fits = mates(chain[i - 1]?.rear, front) && mates(rear, chain[i + 1]?.front);
  return fits ? [{ id: one.part.id, name: one.part.name }] : [];
}

/** @param chain from corrector to camera, in the order of the light. */
export function misfitsOf(chain: readonly Standing[]): Misfit[] {
  const screwed = chain.filter(isScrewed);
  return screwed.slice(1).flatMap((one, i): Misfit[] => {
    const previous = screwed[i];
    if (!previous?.rear || !one.front || mates(previous.rear, one.front)) return [];
    const turnable = [...turnableAt(screwed, i), ...turnableAt(screwed, i + 1)];
    return [
      {
        beforeName: previous.part.name,
        afterName: one.part.name,
        before: previous.rear,
        after: one.front,
        turnable,
        at: chain.indexOf(one),
      },
    ];
  });
}

/** The gap that a joint leaves open, mm. @param filledMm what lies in it. */
const gapBetweenMm = (before: Joint | null, after: Joint | null, filledMm: number): number =>
  before && after && mates(before, after) ? Math.max(0, standsOffMm(before, after) - filledMm) : 0;

/** Where a thread bottoms before its shoulder, by the index in the chain of the piece behind it. Shims lie in the gap. */
export function bottomedIn(chain: readonly Standing[]): ReadonlyMap<number, Bottomed> {
  const found = new Map<number, Bottomed>();
  let previous: Standing | null = null;
  let shimsMm = 0;
  chain.forEach((one, i) => {
    if (one.part.kind === 'shim') shimsMm += one.part.thicknessMm;
    if (!isScrewed(one)) return;
    const gapMm = previous ? gapBetweenMm(previous.rear, one.front, shimsMm) : 0;
    if (previous && gapMm > 0) found.set(i, { beforeName: previous.part.name, afterName: one.part.name, gapMm, at: i });
    [previous, shimsMm] = [one, 0];
  });
  return found;
}
