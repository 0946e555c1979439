/** Threads that mate, and pieces as ways from one open end to the next. */
export type JointEnd = { thread: string; gender: 'male' | 'female' };

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

/** An open end toward the camera, as one word. */
export const openEnd = ({ thread, gender }: JointEnd): string => `${gender} ${thread}`;

/** A piece leads from the open end that its front screws into to its own rear. */
export type Way = { piece: BoxPiece; from: string; to: string };

export const wayOf = (piece: BoxPiece): Way => ({
  piece,
  from: openEnd(mateOf(piece.front)),
  to: openEnd(piece.rear),
});

/** Where a stack begins and where it has to end. */
export type Ends = { from: string; to: string };

export const endsOf = (correctorRear: JointEnd, cameraFront: JointEnd): Ends => ({
  from: openEnd(correctorRear),
  to: openEnd(mateOf(cameraFront)),
});
