/** Threads that mate, and pieces as ways from one open end to the next. */
import { threadOf } from '../threads.ts';

/** `lengthMm`: of a male thread to its shoulder, of a female one to its ground; absent or null = not measured. */
export type JointEnd = { thread: string; gender: 'male' | 'female'; lengthMm?: number | null | undefined };

/** Shoulder to shoulder; front = the end toward the corrector, rear = toward the camera. Not turned round. */
export type BoxPiece = {
  id: string;
  lengthMm: number;
  front: JointEnd;
  rear: JointEnd;
  /** Copies owned. */
  count: number;
  required?: boolean;
};

const OTHER = { male: 'female', female: 'male' } as const;

/** What screws into an end. */
export const mateOf = ({ thread, gender }: JointEnd): JointEnd => ({ thread, gender: OTHER[gender] });

/** An open end toward the camera, as one word: threads by their one spelling. */
export const openEnd = ({ thread, gender }: JointEnd): string => `${gender} ${threadOf(thread)}`;

/** By how much a male thread is longer than the hole that takes it, mm: the shoulders stay so far apart. 0 when either was
 *  never measured. */
export function standsOffMm(one: JointEnd, other: JointEnd): number {
  const [male, female] = one.gender === 'male' ? [one, other] : [other, one];
  return male.lengthMm == null || female.lengthMm == null ? 0 : Math.max(0, male.lengthMm - female.lengthMm);
}

/** A piece leads from the open end that its front screws into to its own rear. */
export type Way = { piece: BoxPiece; from: string; to: string };

export const wayOf = (piece: BoxPiece): Way => ({
  piece,
  from: openEnd(mateOf(piece.front)),
  to: openEnd(piece.rear),
});

/** Where a stack begins and where it has to end. */
export type Ends = { from: string; to: string };
/** With the two joints themselves. */
export type StackEnds = Ends & { correctorRear: JointEnd; cameraFront: JointEnd };

export const endsOf = (correctorRear: JointEnd, cameraFront: JointEnd): StackEnds => ({
  from: openEnd(correctorRear),
  to: openEnd(mateOf(cameraFront)),
  correctorRear,
  cameraFront,
});
