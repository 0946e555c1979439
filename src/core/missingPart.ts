/** A part of the program that is fetched when it is first asked for, and did not come: another build took its place, nothing
 *  is kept on the device yet, or there is no network. */
export class MissingPart extends Error {
  override name = 'MissingPart';
}

/** Has a part fetched. @throws MissingPart when it did not come; what goes wrong inside of it as it is. */
export function partOf<T>(fetch: () => Promise<T>): Promise<T> {
  return fetch().catch((error: unknown) => {
    // Browsers tell of a module that did not come by a TypeError, each in words of its own.
    throw error instanceof TypeError ? new MissingPart(error.message, { cause: error }) : error;
  });
}
