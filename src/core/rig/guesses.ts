/** Which of a rig's guessed numbers an answer hangs on: each is moved by its doubt and the answer asked again. */
import { MASS_DOUBT_SHARE, PLACE_DOUBT_M } from '../mount/massDoubt.ts';
import type { Part } from '../records/part.ts';
import type { Placed, Rig } from '../records/rig.ts';

export type Guess = {
  partId: string;
  placedId: string;
  name: string;
  what: 'mass' | 'place';
  /** kg, or m from the polar axis. */
  value: number;
  doubt: number;
  /** By how much the answer moves when the number is off by its doubt, in the answer's unit. */
  moves: number;
};
export type Guesses = {
  /** The most telling first. */
  list: Guess[];
  /** How far the answer may be off by all of them, one sigma. */
  total: number;
};

/** What a bench answers for a rig; null where it has no answer. */
export type AnswerOf = (rig: Rig, parts: readonly Part[]) => number | null;

type Tried = Omit<Guess, 'moves'> & { rig: Rig; parts: readonly Part[] };

function massTried(placedId: string, part: Part, rig: Rig, parts: readonly Part[]): Tried[] {
  if (part.massBasis !== 'assumed' || part.massKg === null || part.massKg === 0) return [];
  const doubt = MASS_DOUBT_SHARE.assumed * part.massKg;
  const heavier = { ...part, massKg: part.massKg + doubt };
  return [
    {
      partId: part.id,
      placedId,
      name: part.name,
      what: 'mass',
      value: part.massKg,
      doubt,
      rig,
      parts: parts.map((p) => (p.id === part.id ? heavier : p)),
    },
  ];
}

function placeTried(placed: Placed, part: Part, rig: Rig, parts: readonly Part[]): Tried[] {
  // Where a weight stands is what is asked; it was not measured.
  if (placed.placeBasis !== 'assumed' || placed.on === 'ground' || placed.movable) return [];
  const farther = { ...placed, fromRaAxisM: placed.fromRaAxisM + PLACE_DOUBT_M.guessed };
  return [
    {
      partId: part.id,
      placedId: placed.placedId,
      name: part.name,
      what: 'place',
      value: placed.fromRaAxisM,
      doubt: PLACE_DOUBT_M.guessed,
      rig: { ...rig, placed: rig.placed.map((p) => (p.placedId === placed.placedId ? farther : p)) },
      parts,
    },
  ];
}

/** Null when the bench has no answer for the rig as it is. */
export function guessesOf(rig: Rig, parts: readonly Part[], answerOf: AnswerOf): Guesses | null {
  const answer = answerOf(rig, parts);
  if (answer === null) return null;
  const tried = rig.placed.flatMap((placed, i) => {
    const part = parts.find((p) => p.id === placed.partId && p.deletedAtUtc === null);
    if (!part) return [];
    // A piece that hangs twice is weighed once.
    const isFirst = rig.placed.findIndex((p) => p.partId === placed.partId) === i;
    return [...(isFirst ? massTried(placed.placedId, part, rig, parts) : []), ...placeTried(placed, part, rig, parts)];
  });
  // What stands on the ground has a mass, and no place to be measured.
  const standing = [rig.mountId, rig.supportId].flatMap((id) => {
    const part = parts.find((p) => p.id === id && p.deletedAtUtc === null);
    return part ? massTried(id, part, rig, parts) : [];
  });
  const list = [...standing, ...tried].flatMap(({ rig: otherRig, parts: otherParts, ...guess }): Guess[] => {
    const other = answerOf(otherRig, otherParts);
    return other === null || other === answer ? [] : [{ ...guess, moves: Math.abs(other - answer) }];
  });
  return {
    list: list.sort((a, b) => b.moves - a.moves),
    total: Math.sqrt(list.reduce((sum, g) => sum + g.moves ** 2, 0)),
  };
}
