/** What long work tells of itself, and how it learns that nobody wants it any more. */

export class Cancelled extends Error {
  override name = 'Cancelled';
}

export type Work = {
  /** @param doing a code for what is being done. @param share of it, 0 to 1. */
  report: (doing: string, share: number) => void;
  /** @throws Cancelled once the answer is not wanted any more. */
  check: () => void;
};

/** Nobody listens, nobody cancels. */
export const QUIETLY: Work = { report: () => undefined, check: () => undefined };
